/** The hole template of a sheet at true scale: to be laid under the sheet or punched through. A ruler on the page catches a wrong print scale. */
import type { CanvasElement, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { standingWords } from '../../core/figure'
import type { DamTemplate } from '../../core/measure/dam-template'
import { sheetOf } from '../../core/picture/sheet'
import type { Plan } from '../../core/model/plan'
import { writeBoth, type Notation } from '../../core/teeth/notation'
import { teethSaid } from '../../core/model/said'

const ptPerMm = 72 / 25.4
const rulerMm = 50

export interface TemplateFacts {
  patient: string
  practice: string
  notation: Notation
}

const line = (x1: number, y1: number, x2: number, y2: number, lineWidth = 0.6): CanvasElement => ({
  type: 'line',
  x1: x1 * ptPerMm,
  y1: y1 * ptPerMm,
  x2: x2 * ptPerMm,
  y2: y2 * ptPerMm,
  lineWidth,
})

/** The sheet, its middle line, its holes; millimetres throughout. */
function drawing({ sheetMm, holes }: DamTemplate): CanvasElement[] {
  return [
    { type: 'rect', x: 0, y: 0, w: sheetMm * ptPerMm, h: sheetMm * ptPerMm, lineWidth: 0.8 },
    {
      type: 'line',
      x1: (sheetMm / 2) * ptPerMm,
      y1: 0,
      x2: (sheetMm / 2) * ptPerMm,
      y2: sheetMm * ptPerMm,
      lineWidth: 0.4,
      dash: { length: 4 },
    },
    ...holes.map((h): CanvasElement => ({
      type: 'ellipse',
      x: h.xMm * ptPerMm,
      y: h.yMm * ptPerMm,
      r1: (h.diameterMm / 2) * ptPerMm,
      r2: (h.diameterMm / 2) * ptPerMm,
      color: '#000000',
      lineWidth: 0,
    })),
  ]
}

/** A ruler of 50 mm with a stroke every 10. Made anew each time, because the renderer writes into its nodes. */
const ruler = (): CanvasElement[] => [
  line(0, 4, rulerMm, 4),
  ...Array.from({ length: rulerMm / 10 + 1 }, (_, i) => line(i * 10, i % 5 === 0 ? 0 : 2, i * 10, 4)),
]

/** The document of a plan's first sheet, or nothing where no sheet is in it. Pure: the same plan and facts give the same document. */
export function damTemplateSheet(
  plan: Plan,
  facts: TemplateFacts,
  paper: 'A4' | 'LETTER',
): TDocumentDefinitions | undefined {
  const step = plan.steps.find((s) => s.holes !== undefined)
  const template = step && sheetOf(step)
  if (!step || !template) return undefined
  const date = plan.request.date
  const clamp = step.needs.find((n) => n.is === 'clamp' && n.readiness === 'open')
  const title = `${facts.patient}, ${teethSaid(plan)}`
  const { sheetMm, holes, figures, because, jaw } = template
  const margin = 22
  // One hole has no other to be far from.
  const between: Content[] =
    figures.length === 0
      ? []
      : [
          {
            text: [
              { text: 'From hole to hole, mm: ', bold: true },
              figures.map((f) => `${f.name} ${f.value.toFixed(1)}`).join(' · '),
            ],
            margin: [0, 0, 0, 4],
          },
        ]
  const content: Content[] = [
    { text: `Holes for ${title}`, bold: true, fontSize: 14 },
    {
      text: `${date} · sheet ${sheetMm} × ${sheetMm} mm, ${jaw} jaw, as it hangs before the patient: the patient’s right is at the left${clamp?.words ? ` · ${clamp.words}` : ''}`,
      margin: [0, 2, 0, 6],
    },
    {
      columns: [
        { canvas: ruler(), width: (rulerMm + 4) * ptPerMm },
        {
          text: `${rulerMm} mm: measure it. If it is not, print again at actual size, not fitted to the page`,
          fontSize: 8.5,
        },
      ],
      margin: [0, 0, 0, 6],
    },
    { canvas: drawing(template) },
    {
      text: [
        { text: 'Holes, mm: ', bold: true },
        holes
          .map((h) => `${writeBoth(h.tooth, facts.notation)} ${h.diameterMm.toFixed(1)}${h.clamp ? ' clamp' : ''}`)
          .join(' · '),
      ],
      margin: [0, 6, 0, 2],
    },
    ...between,
    {
      text: [
        ...because.map((b) => `${b.text} (${standingWords[b.standing]}). `),
        `Distances: half the sum of two necks and 2 mm of stretch, or the mean of the two crowns, whichever is larger (common practice; mean tooth sizes from memory of Wheeler’s table). A tooth that is missing or a pontic gets no hole.`,
      ],
      fontSize: 8,
    },
  ]
  return {
    pageSize: paper,
    pageMargins: [margin * ptPerMm, 22, margin * ptPerMm, 26],
    defaultStyle: { font: 'Next', fontSize: 9.5 },
    info: { title: `Sheet ${title}`, creationDate: new Date(`${date}T00:00:00Z`) },
    footer: () => ({
      text: `${facts.practice} · decision support: clamp and sheet are seen stable before anything else; the treating dentist decides`,
      fontSize: 7.5,
      margin: [margin * ptPerMm, 8, margin * ptPerMm, 0],
    }),
    content,
  }
}
