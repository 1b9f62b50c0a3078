/** The pictures of a visit on paper: what each step is about on its tooth, and who sits where. */
import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { picturesOf, type Picture } from '../../core/picture/pictures'
import { drawnLabels, type Section, type SectionPart } from '../../core/picture/section-frame'
import type { Point } from '../../core/picture/tooth-profile'
import { seatingOf } from '../../core/plan/seating'
import { writeBoth, type Notation } from '../../core/teeth/notation'
import type { Plan } from '../../core/model/plan'
import { scoreSvg } from './score'
import type { Paper, SheetFacts } from './setup-sheet'
import { escaped } from './svg'

const columns = 3
const gapPt = 14
const marginPt = 34
const widePt = { A4: 595.28, LETTER: 612 } as const
/** Words stand 8 points high beside the tooth; a letter's width as a share of that, bold. */
const letterPt = 8
const letterShare = 0.54

/** Greys that a copier keeps apart. */
const partGrey: Readonly<Record<SectionPart['is'], string>> = {
  seal: '#c9b79c',
  room: '#ffffff',
  post: '#f0f0f0',
  layer: '#e6e6e6',
  'layer now': '#b5b5b5',
  metal: '#d0d0d0',
  decay: '#8c8c8c',
}

const outline = (points: readonly Point[], fill: string, more = ''): string =>
  `<polygon points="${points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')}" fill="${fill}" stroke="#000" stroke-width="0.12" stroke-linejoin="round" ${more}/>`
const dashed = 'stroke-dasharray="0.4 0.3"'

/** A section as SVG, so many points wide: the shapes of the screen, in greys, its words outside what is drawn. */
export function sectionSvg(of: Section, wide: number): string {
  const [left, top, width, tall] = of.frame
  const roomPt = (side: 'left' | 'right'): number =>
    6 +
    letterPt *
      letterShare *
      Math.max(
        0,
        ...of.labels.filter((l) => l.side === side).flatMap((l) => l.text.split('\n').map((line) => line.length)),
      )
  const scale = (wide - roomPt('left') - roomPt('right')) / width
  const [across, letterMm] = [wide / scale, letterPt / scale]
  const x = left - roomPt('left') / scale
  const words = drawnLabels(of, letterMm).flatMap((l) => {
    const out = l.side === 'left' ? -1 : 1
    const [wx, wy] = [out < 0 ? left - 0.4 : left + width + 0.4, l.words[1]]
    return [
      `<line x1="${l.at[0]}" y1="${l.at[1]}" x2="${wx - out * 0.2}" y2="${wy}" stroke="#000" stroke-width="${l.lit ? 0.2 : 0.08}"/>`,
      ...l.text
        .split('\n')
        .map(
          (line, i) =>
            `<text x="${wx}" y="${wy + letterMm * (0.35 + 1.15 * i)}" font-family="Next" font-size="${letterMm}"${l.lit ? ' font-weight="bold"' : ''} text-anchor="${out < 0 ? 'end' : 'start'}">${escaped(line)}</text>`,
        ),
    ]
  })
  const shapes = [
    ...of.gum.map((g) => outline(g, '#ececec')),
    ...of.neighbours.map((n) => outline(n, '#ffffff')),
    outline(of.root, '#ffffff'),
    outline(of.crown, of.left ? '#f6f6f6' : '#ffffff', of.left ? dashed : ''),
    ...(of.left ? [outline(of.left, '#ffffff')] : []),
    ...(of.pulp.length > 0 ? [outline(of.pulp, '#dddddd', dashed)] : []),
    ...(of.parts ?? []).map((p) => outline(p.points, partGrey[p.is], p.is === 'room' ? dashed : '')),
    ...(of.cord
      ? [
          `<circle cx="${of.cord.at[0]}" cy="${of.cord.at[1]}" r="${of.cord.radiusMm}" fill="#666" stroke="#000" stroke-width="0.1"/>`,
        ]
      : []),
    ...(of.bur ? [outline(of.bur, '#d0d0d0')] : []),
  ]
  const turned = of.hangs ? ' transform="scale(1 -1)"' : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${of.hangs ? -top - tall : top} ${across} ${tall}" width="${wide}" height="${tall * scale}"><g${turned}>${shapes.join('')}</g>${words.join('')}</svg>`
}

function cell({ section, titles, teeth }: Picture, wide: number, notation: Notation): Column {
  return {
    width: wide,
    stack: [
      { svg: sectionSvg(section, wide) },
      { text: teeth.map((t) => writeBoth(t, notation)).join(', '), bold: true, alignment: 'center' },
      { text: titles.join(' · '), fontSize: 8.5, alignment: 'center', margin: [0, 0, 0, 10] },
    ],
    unbreakable: true,
  }
}

export interface PicturesFacts extends SheetFacts {
  notation: Notation
}
/** The document of a plan's pictures: its course, each step that has a picture, the places. Pure. */
export function picturesSheet(plan: Plan, facts: PicturesFacts, paper: Paper): TDocumentDefinitions {
  const [pictures, seats] = [picturesOf(plan), seatingOf(plan)]
  // Teeth worked on from the same places are named together.
  const places = [...new Set(seats.map((s) => s.words))].map((words) => ({
    words,
    teeth: seats.filter((s) => s.words === words).map((s) => s.tooth),
  }))
  const across = widePt[paper] - 2 * marginPt
  const wide = (across - (columns - 1) * gapPt) / columns
  const rows = Array.from({ length: Math.ceil(pictures.length / columns) }, (_, i) =>
    pictures.slice(i * columns, (i + 1) * columns),
  )
  return {
    pageSize: paper,
    pageMargins: [marginPt, marginPt, marginPt, 40],
    defaultStyle: { font: 'Next', fontSize: 9.5, lineHeight: 1.05 },
    info: {
      title: `Pictures ${plan.request.date} ${facts.time}`,
      creationDate: new Date(`${plan.request.date}T00:00:00Z`),
    },
    footer: (page, pages) => ({
      text: `${facts.practice} · ${plan.request.date} ${facts.time} · page ${page} of ${pages} · mean teeth, to scale; pulp dashed, by means from memory, not this patient’s; decision support: the treating dentist decides`,
      fontSize: 7.5,
      margin: [marginPt, 12, marginPt, 0],
    }),
    content: [
      { text: `${facts.time}  ${facts.patient}`, bold: true, fontSize: 17 },
      {
        text: `${plan.title}: its course, and what each step is about`,
        bold: true,
        fontSize: 13,
        margin: [0, 2, 0, 10],
      },
      { svg: scoreSvg(plan, across), width: across },
      {
        text: 'Minutes from seating. Dark: dentist; thick foot: decides the length; double bar: the dentist signs; bracket: a window.',
        fontSize: 7.5,
        margin: [0, 2, 0, 10],
      },
      ...rows.map((row): Content => ({
        columns: row.map((p) => cell(p, wide, facts.notation)),
        columnGap: gapPt,
        unbreakable: true,
      })),
      ...(seats.length > 0 ? [{ text: 'Who sits where', bold: true, margin: [0, 6, 0, 2] } satisfies Content] : []),
      ...places.map(({ words, teeth }): Content => ({
        text: [{ text: `${teeth.map((t) => writeBoth(t, facts.notation)).join(', ')}. `, bold: true }, words],
        fontSize: 8.5,
        margin: [0, 0, 0, 3],
      })),
    ],
  }
}
