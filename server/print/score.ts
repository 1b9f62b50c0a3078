/** The course of a visit on paper: phases, who works when, what decides the length, what the dentist signs, windows. */
import type { Plan } from '../../core/model/plan'
import { bandsOf } from '../../core/schedule/bands'
import { layOut } from '../../core/schedule/timeline'
import { escaped } from './svg'

/** Points: names before the staves, heights of the bands, of a stave, of the minutes. */
const lay = { names: 74, bands: 14, brackets: 9, stave: 19, minutes: 12, letter: 7.5 } as const
/** A letter's mean width as a share of its height. */
const letterShare = 0.56

const box = (x: number, y: number, w: number, h: number, fill: string): string =>
  `<rect x="${x.toFixed(2)}" y="${y.toFixed(2)}" width="${Math.max(0.4, w).toFixed(2)}" height="${h}" fill="${fill}"/>`
const line = (x1: number, y1: number, x2: number, y2: number, width: number, stroke = '#000'): string =>
  `<line x1="${x1.toFixed(2)}" y1="${y1}" x2="${x2.toFixed(2)}" y2="${y2}" stroke="${stroke}" stroke-width="${width}"/>`
const words = (text: string, x: number, y: number, anchor = 'start'): string =>
  `<text x="${x.toFixed(2)}" y="${y}" font-family="Next" font-size="${lay.letter}" text-anchor="${anchor}">${escaped(text)}</text>`

/** The score as SVG, so many points wide. Dentists are dark, assistants light, their foot thick where it decides the length. */
export function scoreSvg(plan: Plan, wide: number): string {
  const score = layOut(plan)
  const rows = plan.people.length + 1
  const top = lay.bands + lay.brackets
  const bottom = top + rows * lay.stave
  const x = (s: number): number => lay.names + (s / Math.max(60, score.totalS)) * (wide - lay.names - 6)
  const row = (id: string): number => plan.people.findIndex((p) => p.id === id)
  const bands = bandsOf(score).flatMap((b, i) => {
    const room = x(b.endS) - x(b.startS) - 3
    return [
      box(x(b.startS), 0, x(b.endS) - x(b.startS) - 0.5, lay.bands - 2, i % 2 === 0 ? '#e4e4e4' : '#f3f3f3'),
      ...(b.title.length * lay.letter * letterShare <= room ? [words(b.title, x(b.startS) + 2, lay.bands - 4.5)] : []),
    ]
  })
  const bars = score.bars.flatMap((b) => {
    const [at, w] = [x(b.startS), x(b.endS) - x(b.startS) - 0.4]
    return [
      ...b.people.flatMap((id, i) => {
        const r = row(id)
        if (r < 0) return []
        const [y, h] = i === 0 ? [3, 11] : [5.5, 6]
        return [box(at, top + r * lay.stave + y, w, h, plan.people[r]?.dentist ? '#555555' : '#b0b0b0')]
      }),
      ...(b.slackS === 0 && b.people[0] !== undefined && row(b.people[0]) >= 0
        ? [box(at, top + row(b.people[0]) * lay.stave + 15, w, 1.6, '#000000')]
        : []),
      ...(b.place === 'mouth' ? [box(at, top + (rows - 1) * lay.stave + 7.5, w, 4, '#8c8c8c')] : []),
      ...(b.hold
        ? [line(x(b.endS) - 1, top, x(b.endS) - 1, bottom, 1.2), line(x(b.endS) + 1, top, x(b.endS) + 1, bottom, 0.4)]
        : []),
    ]
  })
  const brackets = score.brackets
    .filter((b) => b.kind === 'window' && b.endS > b.startS)
    .map(
      (b) =>
        `<path d="M ${x(b.startS).toFixed(2)} ${top - 1} v -4 H ${Math.max(x(b.endS), x(b.startS) + 3).toFixed(2)} v 4" fill="none" stroke="#000" stroke-width="0.9"/>`,
    )
  const minutes = Array.from({ length: Math.floor(score.totalS / 600) + 1 }, (_, i) => i * 10).flatMap((m) => [
    line(x(m * 60), top, x(m * 60), bottom, 0.3, '#999'),
    words(String(m), x(m * 60), bottom + lay.minutes - 3, 'middle'),
  ])
  const names = [...plan.people.map((p) => p.name), 'mouth'].map((name, i) =>
    words(name, 0, top + (i + 0.5) * lay.stave + 2.5),
  )
  const height = bottom + lay.minutes
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${wide} ${height}" width="${wide}" height="${height}">${[...bands, ...minutes, ...names, ...bars, ...brackets].join('')}</svg>`
}
