/** What turns in a handpiece, and what goes into a canal: cups, discs, cutters, files, points, posts. */
import { oval, part, path, poly, rect, turned, type Draw, type Part } from './part'

/** What a slow or a straight handpiece turns: a head on a shank with its latch. */
type Head = (half: number, l: number) => Part[]
function shanked(head: Head, at: number, latch = true): Draw {
  return (l, w) => {
    const c = w / 2
    return [
      rect('steel', c - 1.2, l * at, 2.4, l * (1 - at)),
      ...(latch
        ? [
            rect('dark', c - 1.3, l * 0.86, 2.6, 1.2),
            poly('pale', [c - 1.2, l * 0.92], [c + 0.2, l * 0.92], [c + 0.2, l], [c - 1.2, l]),
          ]
        : []),
      ...head(c, l),
    ]
  }
}
const cup: Head = (h, l) => [turned('soft', h, [0, h], [l * 0.16, h * 0.8], [l * 0.24, h * 0.44], [l * 0.3, h * 0.5])]
const brush: Head = (h, l) => [
  ...[-0.9, -0.6, -0.3, 0, 0.3, 0.6, 0.9].map((x) => poly('line', [h + h * x, 0], [h + h * x * 0.7, l * 0.2])),
  rect('steel', h * 0.3, l * 0.2, h * 1.4, l * 0.1, 1),
  poly('line', [0, 0], [2 * h, 0]),
]
const point: Head = (h, l) => [turned('soft', h, [0, 0.4], [l * 0.16, h * 0.7], [l * 0.36, h], [l * 0.4, h * 0.7])]
const wheelHead =
  (tone: Part['tone'], thick: number): Head =>
  (h, l) => [rect(tone, 0, l * 0.06, 2 * h, l * thick, 2), rect('steel', h - 1.4, 0, 2.8, l * 0.06)]
const discs: Head = (h, l) => [
  rect('dark', 0, l * 0.02, 2 * h, l * 0.06),
  rect('soft', h * 0.16, l * 0.12, h * 1.68, l * 0.06),
  rect('pale', h * 0.3, l * 0.22, h * 1.4, l * 0.06),
  rect('steel', h - 1.2, 0, 2.4, l * 0.4),
]
const pair =
  (tones: readonly Part['tone'][]): Draw =>
  (l, w) => {
    const each = w / tones.length
    return tones.flatMap((tone, i) => {
      const c = each * (i + 0.5)
      return [
        turned(tone, c, [0, 0.6], [l * 0.2, each * 0.46], [l * 0.36, each * 0.4], [l * 0.38, 1.2]),
        rect('steel', c - 1.1, l * 0.38, 2.2, l * 0.62),
      ]
    })
  }
const cutter: Draw = (l, w) => [
  part(
    'steel',
    path`M ${w / 2} 0 C ${w} 2 ${w} ${l * 0.2} ${w} ${l * 0.34} L ${w * 0.7} ${l * 0.42} L ${w * 0.3} ${l * 0.42} L 0 ${l * 0.34} C 0 ${l * 0.2} 0 2 ${w / 2} 0 Z`,
  ),
  ...[0.1, 0.18, 0.26, 0.34].map((y) => poly('line', [0.6, l * y + 1.6], [w - 0.6, l * y - 1])),
  rect('steel', w / 2 - 1.2, l * 0.42, 2.4, l * 0.58),
]

/** A file: coloured head, stop, blade. */
const fileAt = (c: number, l: number, half: number, tone: Part['tone']): Part[] => [
  rect(tone, c - half, 0, 2 * half, l * 0.3, 2),
  rect('dark', c - half * 0.8, l * 0.42, half * 1.6, 1.6),
  turned('steel', c, [l * 0.3, 0.8], [l * 0.5, 0.7], [l, 0.2]),
  poly('line', [c - 0.7, l * 0.56], [c + 0.6, l * 0.6]),
  poly('line', [c - 0.6, l * 0.68], [c + 0.5, l * 0.72]),
  poly('line', [c - 0.5, l * 0.8], [c + 0.4, l * 0.84]),
]
const files =
  (n: number): Draw =>
  (l, w) =>
    Array.from({ length: n }, (_, i) =>
      fileAt(
        (w / n) * (i + 0.5),
        l * (1 - 0.05 * ((n - i - 1) % 3)),
        w / n / 2 - (n > 1 ? 0.4 : 0),
        (['pale', 'soft', 'dark'] as const)[i % 3] ?? 'pale',
      ),
    ).flat()
const opener: Draw = (l, w) => [
  rect('steel', 0, 0, w, l * 0.3, 1),
  rect('dark', 0, l * 0.3, w, 2),
  turned('steel', w / 2, [l * 0.32, 1], [l * 0.6, 1.6], [l, 0.5]),
]
const points =
  (tone: Part['tone'], thick: number): Draw =>
  (l, w) => {
    const n = thick > 1 ? 4 : 6
    return [
      ...Array.from({ length: n }, (_, i) => turned(tone, (w / n) * (i + 0.5), [0, 0.25 * thick], [l * 0.78, thick])),
      rect(tone === 'soft' ? 'dark' : 'pale', 0, l * 0.72, w, l * 0.28, 2),
    ]
  }
const stops: Draw = (l, w) =>
  [
    [0.25, 0.25],
    [0.75, 0.25],
    [0.25, 0.75],
    [0.75, 0.75],
  ].flatMap(([x, y]) => [
    oval('soft', w * (x ?? 0), l * (y ?? 0), w * 0.25, l * 0.25),
    oval('dark', w * (x ?? 0), l * (y ?? 0), 0.8),
  ])
const foam: Draw = (l, w) => [
  rect('soft', 0, l * 0.34, w, l * 0.66, 6),
  ...[0.16, 0.33, 0.5, 0.67, 0.84].flatMap((x, i) => [
    rect('pale', w * x - 1.8, i % 2 === 0 ? 0 : l * 0.06, 3.6, l * 0.2, 1),
    rect('steel', w * x - 0.5, l * 0.2, 1, l * 0.2),
  ]),
]
const block =
  (n: number): Draw =>
  (l, w) => [
    rect('steel', 0, l * 0.5, w, l * 0.5, 3),
    ...Array.from({ length: n }, (_, i) => {
      const c = (w / n) * (i + 0.5)
      return [
        rect('dark', c - 1.2, i % 3 === 1 ? l * 0.12 : 0, 2.4, l * 0.3, 1),
        rect('steel', c - 0.8, l * 0.28, 1.6, l * 0.26),
      ]
    }).flat(),
  ]
const posts: Draw = (l, w) =>
  [0, 1, 2].map((i) => turned('pale', (w / 3) * (i + 0.5), [i * 3, 0.7], [l * 0.5, 1], [l, w / 6 - 0.2]))

export const turning = {
  'rubber cup': shanked(cup, 0.28),
  'cup brush': shanked(brush, 0.28),
  'rubber point': shanked(point, 0.38),
  'trimming disc': shanked(wheelHead('dark', 0.05), 0.1, false),
  'finishing discs': shanked(discs, 0.3),
  'polishing wheel': shanked(wheelHead('soft', 0.2), 0.2),
  stone: shanked(wheelHead('pale', 0.34), 0.38, false),
  'polishing brush': shanked((h, l) => [...brush(h, l), rect('pale', h * 0.5, l * 0.12, h, l * 0.1, 2)], 0.28, false),
  'two polishers': pair(['soft', 'pale']),
  'laboratory cutter': cutter,
  'hand files': files(2),
  'set of files': files(5),
  'rotary files': (l, w) => [...files(4)(l * 0.86, w), rect('soft', 0, l * 0.84, w, l * 0.16, 2)],
  'orifice opener': opener,
  'gutta-percha points': points('soft', 1.8),
  'paper points': points('pale', 0.9),
  'file stops': stops,
  'file block': foam,
  'bur block': block(7),
  'fibre posts': posts,
} satisfies Record<string, Draw>
