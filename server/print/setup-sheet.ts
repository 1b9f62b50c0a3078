/** The setup on paper: what to lay out, phase by phase, with boxes to tick, and the bur strip. Legible in grey. */
import { surfaceWords } from '../../core/plan/text'
import { capital } from '../../core/words'
import { keysOf } from '../../core/sure'
import { span } from '../../core/rules'
import { isClock } from '../../core/model/link'
import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { gritMark, isoNumber } from '../../core/catalog/bur'
import { silhouette } from '../../core/catalog/silhouette'
import { amountWords } from '../../core/plan/amount-words'
import { alertWords, type Alert } from '../../core/vocabulary'
import { type BurPass, type Plan, type SetupLine } from '../../core/model/plan'
import { phaseNames } from '../../core/model/step'
import { silhouetteOf, silhouettePt } from './silhouettes'
import { said } from '../../core/model/said'
import { writeAll } from '../../core/teeth/notation'

export type Paper = 'A4' | 'LETTER'
export interface SheetFacts {
  patient: string
  time: string
  chair: string
  practice: string
  /** The patient's, as they are now. */
  alerts: readonly Alert[]
}

const ptPerMm = 72 / 25.4
/** Burs are drawn at this many times their true size, which the sheet says. */
const burScale = 2.5

/** A box to tick, drawn: the fonts carry no such sign. Made anew each time, because the renderer writes into its nodes. */
const box = (): Column => ({ canvas: [{ type: 'rect', x: 0, y: 1, w: 9, h: 9, lineWidth: 0.9 }], width: 14 })

function lineOf(line: SetupLine): Content {
  const more = [
    line.lot?.number ? `lot ${line.lot.number}, ${line.lot.expires}` : '',
    line.when ? `when ${line.when}` : '',
    line.shade ?? '',
    line.counted ?? '',
    line.exchanged && line.because ? line.because.text : '',
    line.lack ?? line.lot?.warning ?? '',
  ]
    .filter(Boolean)
    .join('; ')
  return {
    columns: [
      box(),
      { stack: [silhouetteOf(line)], width: silhouettePt.wide },
      {
        text: [
          { text: line.name, bold: true },
          amountWords(line) ? ` ${amountWords(line)}` : '',
          more ? { text: `  ${more}`, fontSize: 8.5 } : '',
        ],
      },
    ],
    columnGap: 3,
    margin: [0, 0, 0, 2.5],
    // A box stays on the page its name is on.
    unbreakable: true,
  }
}

function phaseBlock(title: string, lines: readonly SetupLine[]): Content[] {
  return lines.length === 0
    ? []
    : [{ text: title, bold: true, fontSize: 11, margin: [0, 5, 0, 3] }, ...lines.map(lineOf)]
}

function burDrawing(pass: BurPass): Content {
  const bur = pass.bur
  if (!bur) return { text: '?', fontSize: 30 }
  const unit = ptPerMm * burScale
  const profile = silhouette(bur)
  const length = Math.max(...profile.map((p) => p.atMm))
  const tallest = 9
  const centre = 24
  const point = (side: 1 | -1) => (p: (typeof profile)[number]) => ({
    x: centre + side * p.radiusMm * unit,
    y: (tallest - length + p.atMm) * unit,
  })
  return {
    canvas: [
      { type: 'rect', x: centre - 0.8 * unit, y: tallest * unit, w: 1.6 * unit, h: 16, lineWidth: 0.6 },
      {
        type: 'polyline',
        closePath: true,
        lineWidth: 0.8,
        color: bur.material === 'diamond' ? '#9a9a9a' : '#ffffff',
        lineColor: '#000000',
        points: [...profile.map(point(1)), ...profile.toReversed().map(point(-1))],
      },
    ],
  }
}

function burStrip(plan: Plan): Content[] {
  if (plan.burs.length === 0) return []
  const cell = (pass: BurPass): Column => ({
    stack: [
      { text: String(pass.order), bold: true, fontSize: 12 },
      burDrawing(pass),
      {
        text: pass.bur
          ? `${pass.bur.shape} ${pass.bur.diameterMm.toFixed(1)} ${gritMark[pass.bur.grit].letter}`
          : 'none owned fits',
        fontSize: 8.5,
        bold: true,
      },
      { text: pass.bur ? isoNumber(pass.bur) : '', fontSize: 7.5 },
      { text: surfaceWords(pass.cuts), fontSize: 8.5 },
    ],
    width: 74,
  })
  return [
    { text: `Burs in the order of use, ${burScale} times true size`, bold: true, fontSize: 11, margin: [0, 8, 0, 4] },
    { columns: plan.burs.map(cell), columnGap: 2 },
  ]
}

/** The clocks of the visit in a few words, each once; what the practice has set itself is marked. */
function clockWords(plan: Plan): string {
  const words = plan.links.filter(isClock).map((l) => {
    const least = l.atLeastS === undefined || l.atLeastS === 0 ? [] : [`at least ${span(l.atLeastS)}`]
    const watched = l.atLeastS === 0 && l.warnS !== undefined ? [`called at ${span(l.warnS)}`] : []
    const most = l.atMostS === undefined ? [] : [`within ${span(l.atMostS)}`]
    return `${l.title} ${[...least, ...watched, ...most].join(', ')}${l.own ? ' (this practice’s own)' : ''}`
  })
  return words.length > 0 ? `Clocks: ${[...new Set(words)].join('; ')}.` : 'No clocks.'
}

/** So many lines fill two pages at the usual size. */
const manyLines = 90

/** The document of a plan's setup. Pure: the same plan and facts give the same document. */
export function setupSheet(plan: Plan, facts: SheetFacts, paper: Paper): TDocumentDefinitions {
  const open = plan.setup.filter((l) => l.readiness === 'open')
  const standby = plan.setup.filter((l) => l.readiness === 'standby')
  const blocks = keysOf(phaseNames)
    .map((phase) =>
      phaseBlock(
        phaseNames[phase],
        open.filter((l) => l.phase === phase),
      ),
    )
    .filter((b) => b.length > 0)
  // Two columns of about the same length, whole phases together.
  const half = open.length / 2
  let counted = 0
  const left: Content[] = []
  const right: Content[] = []
  for (const block of blocks) {
    ;(counted + block.length / 2 <= half ? left : right).push(...block)
    counted += block.length - 1
  }
  const teeth = plan.teeth.map((t) => writeAll(t.tooth, plan.notation)).join(', ')
  const known = new Set<Alert>(plan.request.alerts)
  const alerts = [
    ...plan.request.alerts.map((a) => alertWords[a]),
    ...facts.alerts.filter((a) => !known.has(a)).map((a) => `${alertWords[a]}, entered after this tray was signed`),
  ]
  const warned = plan.clashes.filter((c) => c.severity !== 'mind')
  return {
    pageSize: paper,
    pageMargins: [34, 34, 34, 40],
    // The longest visits, a root canal with core and crown, would else run over onto a third page.
    defaultStyle: {
      font: 'Next',
      fontSize: plan.setup.length > manyLines ? 9 : 9.5,
      lineHeight: plan.setup.length > manyLines ? 1 : 1.05,
    },
    // Fixed, so that the same setup is the same file.
    info: {
      title: `Setup ${plan.request.date} ${facts.time} ${plan.teeth.map((t) => said(plan, t.tooth)).join(' ')}`,
      creationDate: new Date(`${plan.request.date}T00:00:00Z`),
    },
    footer: (page, pages) => ({
      text: `${facts.practice} · ${plan.request.date} ${facts.time} · page ${page} of ${pages} · decision support: the treating dentist decides; local rules and products’ instructions come first`,
      fontSize: 7.5,
      margin: [34, 12, 34, 0],
    }),
    content: [
      { text: `${facts.time}  ${facts.patient}`, bold: true, fontSize: 17 },
      { text: `${teeth}: ${plan.title}`, bold: true, fontSize: 13, margin: [0, 2, 0, 2] },
      { text: `${plan.request.date}, ${facts.chair} · ${plan.people.map((p) => p.name).join(', ')}` },
      ...(alerts.length > 0
        ? [
            {
              table: { widths: ['*'], body: [[{ text: `ALERTS: ${alerts.join('; ')}`, bold: true, fontSize: 12 }]] },
              margin: [0, 5, 0, 0],
            } satisfies Content,
          ]
        : []),
      ...warned.map((c): Content => ({
        text: [{ text: `${c.what}. `, bold: true }, `${capital(c.doThis)}.`],
        margin: [0, 3, 0, 0],
      })),
      ...plan.lacks.map((l): Content => ({ text: [{ text: 'Lacking: ', bold: true }, l], margin: [0, 3, 0, 0] })),
      {
        columns: [
          { stack: left, width: '*' },
          { stack: right, width: '*' },
        ],
        columnGap: 16,
      },
      ...phaseBlock('Have ready, do not open', standby),
      { stack: burStrip(plan), unbreakable: true },
      { text: clockWords(plan), margin: [0, 8, 0, 0] },
      {
        text: `The dentist signs: ${plan.holds.map((h) => h.title.toLowerCase()).join(', ')}.  Counted: ${plan.counts.map((c) => c.what).join(', ') || 'nothing'}.`,
        margin: [0, 8, 0, 0],
      },
    ],
  }
}
