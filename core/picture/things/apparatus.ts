/** Apparatus on the worktop: a housing with what tells it apart. */
import { oval, part, path, poly, rect, ruled, turned, type Draw, type Part } from './part'

/** An apparatus on the worktop: a housing with what tells it apart. */
function housing(sign: (l: number, w: number) => Part[]): Draw {
  return (l, w) => [rect('pale', 0, 0, w, l, 10), ...sign(l, w)]
}

export const apparatus = {
  radiometer: housing((l, w) => [
    oval('dark', w / 2, l * 0.24, w * 0.2),
    rect('glass', w * 0.18, l * 0.5, w * 0.64, l * 0.3, 3),
  ]),
  triturator: housing((l, w) => [
    rect('dark', w * 0.2, l * 0.12, w * 0.6, l * 0.36, 8),
    rect('steel', w * 0.36, l * 0.24, w * 0.28, l * 0.1, 8),
    rect('glass', w * 0.24, l * 0.64, w * 0.3, l * 0.14, 3),
    oval('dark', w * 0.74, l * 0.71, 10),
  ]),
  'composite warmer': housing((l, w) => [
    ...[0.24, 0.5, 0.76].flatMap((x) => [
      rect('dark', w * x - 6, l * 0.16, 12, l * 0.4, 5),
      rect('soft', w * x - 4, l * 0.1, 8, l * 0.2, 2),
    ]),
    rect('glass', w * 0.2, l * 0.72, w * 0.6, l * 0.14, 3),
  ]),
  'ultrasonic bath': housing((l, w) => [
    rect('steel', w * 0.1, l * 0.1, w * 0.8, l * 0.56, 8),
    rect('glass', w * 0.16, l * 0.16, w * 0.68, l * 0.44, 6),
    part(
      'line',
      path`M ${w * 0.24} ${l * 0.38} Q ${w * 0.36} ${l * 0.3} ${w * 0.5} ${l * 0.38} Q ${w * 0.64} ${l * 0.46} ${w * 0.76} ${l * 0.38}`,
    ),
    oval('dark', w / 2, l * 0.82, 9),
  ]),
  'apex locator': housing((l, w) => [
    rect('glass', w * 0.12, l * 0.1, w * 0.76, l * 0.5, 4),
    ...ruled(5, l * 0.7, w),
    part('line', path`M ${w * 0.3} ${l * 0.7} C ${w * 0.3} ${l * 0.9} ${w * 0.7} ${l * 0.7} ${w * 0.7} ${l * 0.94}`),
  ]),
  // The sign that a beam comes out, and the fibre wound at its side.
  laser: (l, w) => {
    const [cx, cy] = [w * 0.34, l * 0.66]
    return [
      rect('pale', 0, 0, w * 0.68, l, 10),
      rect('glass', w * 0.1, l * 0.08, w * 0.48, l * 0.26, 4),
      part('soft', path`M ${w * 0.1} ${l * 0.88} L ${cx} ${l * 0.42} L ${w * 0.58} ${l * 0.88} Z`),
      ...Array.from({ length: 8 }, (_, i) => {
        const [x, y] = [Math.cos((i * Math.PI) / 4), Math.sin((i * Math.PI) / 4)]
        return poly(
          'line',
          [cx + x * w * 0.02, cy + l * 0.06 + y * l * 0.02],
          [cx + x * w * 0.1, cy + l * 0.06 + y * l * 0.1],
        )
      }),
      ...[0.16, 0.12, 0.08].map((r) => oval('line', w * 0.84, l * 0.3, w * r)),
      part('line', path`M ${w} ${l * 0.3} C ${w * 1.0} ${l * 0.6} ${w * 0.86} ${l * 0.5} ${w * 0.86} ${l * 0.64}`),
      turned('steel', w * 0.86, [l * 0.64, 3], [l * 0.9, 6], [l * 0.94, 1.4], [l, 0.8]),
    ]
  },
  // Two dials, the plate that lies under the patient, the handle with its wire loop.
  'electrosurgery unit': (l, w) => [
    rect('pale', 0, 0, w, l * 0.5, 10),
    ...[0.24, 0.5].flatMap((x) => [
      oval('dark', w * x, l * 0.27, w * 0.09),
      poly('line', [w * x, l * 0.27], [w * x, l * 0.19]),
    ]),
    part(
      'line',
      path`M ${w * 0.8} ${l * 0.1} L ${w * 0.72} ${l * 0.25} L ${w * 0.84} ${l * 0.25} L ${w * 0.76} ${l * 0.4}`,
    ),
    part('line', path`M ${w * 0.2} ${l * 0.5} C ${w * 0.2} ${l * 0.6} ${w * 0.28} ${l * 0.56} ${w * 0.28} ${l * 0.64}`),
    rect('steel', w * 0.04, l * 0.64, w * 0.5, l * 0.36, 6),
    part(
      'line',
      path`M ${w * 0.7} ${l * 0.5} C ${w * 0.7} ${l * 0.56} ${w * 0.84} ${l * 0.52} ${w * 0.84} ${l * 0.58}`,
    ),
    turned('soft', w * 0.84, [l * 0.58, w * 0.03], [l * 0.62, w * 0.05], [l * 0.86, w * 0.04]),
    part(
      'line',
      path`M ${w * 0.84} ${l * 0.86} C ${w * 0.76} ${l * 0.94} ${w * 0.8} ${l} ${w * 0.84} ${l} C ${w * 0.88} ${l} ${w * 0.92} ${l * 0.94} ${w * 0.84} ${l * 0.86}`,
    ),
  ],
  // Boiling, storing, tempering: three wells of water, each with its thermometer, hotter to the left.
  'conditioning baths': (l, w) => [
    rect('pale', 0, l * 0.2, w, l * 0.8, 10),
    ...[0, 1, 2].flatMap((i) => {
      const x = w * (0.05 + i * 0.32)
      const surface = l * 0.42
      return [
        rect('steel', x, l * 0.3, w * 0.26, l * 0.46, 5),
        part(
          'glass',
          path`M ${x + 3} ${surface} Q ${x + w * 0.045} ${surface - 7} ${x + w * 0.09} ${surface} Q ${x + w * 0.135} ${surface + 7} ${x + w * 0.18} ${surface} L ${x + w * 0.26 - 3} ${surface - 3} L ${x + w * 0.26 - 3} ${l * 0.74} L ${x + 3} ${l * 0.74} Z`,
        ),
        rect('pale', x + w * 0.19, 0, 6, l * 0.56, 3),
        rect('dark', x + w * 0.19 + 1.5, l * (0.08 + i * 0.12), 3, l * (0.48 - i * 0.12)),
        oval('dark', x + w * 0.19 + 3, l * 0.58, 6),
        oval('soft', x + w * 0.13, l * 0.88, 8),
      ]
    }),
  ],
  // Two hoses side by side, water in and out, their nipples for the tray at one end.
  'cooling hoses': (l, w) =>
    [0, 1].flatMap((i) => {
      const [from, to, wide] = [w * (0.16 + i * 0.4), w * (i === 0 ? 0 : 0.86), w * 0.14]
      return [
        part(
          'soft',
          path`M ${from} ${l * 0.16} C ${from} ${l * 0.6} ${to} ${l * 0.5} ${to} ${l} L ${to + wide} ${l} C ${to + wide} ${l * 0.54} ${from + wide} ${l * 0.64} ${from + wide} ${l * 0.16} Z`,
        ),
        turned(
          'steel',
          from + wide / 2,
          [0, wide * 0.2],
          [l * 0.06, wide * 0.36],
          [l * 0.06, wide * 0.24],
          [l * 0.11, wide * 0.4],
          [l * 0.11, wide * 0.28],
          [l * 0.18, wide * 0.28],
        ),
      ]
    }),
  // An arm over an anvil, two copper points that meet, the pedal's cord.
  'spot welder': (l, w) => [
    rect('pale', 0, l * 0.62, w, l * 0.38, 8),
    oval('dark', w * 0.24, l * 0.81, l * 0.08),
    rect('glass', w * 0.46, l * 0.72, w * 0.4, l * 0.16, 3),
    part(
      'soft',
      path`M ${w * 0.74} ${l * 0.62} L ${w * 0.74} ${l * 0.14} L ${w * 0.24} ${l * 0.14} L ${w * 0.24} 0 L ${w * 0.9} 0 L ${w * 0.9} ${l * 0.62} Z`,
    ),
    turned('steel', w * 0.32, [l * 0.14, w * 0.05], [l * 0.3, w * 0.05], [l * 0.36, 1]),
    turned('steel', w * 0.32, [l * 0.38, 1], [l * 0.44, w * 0.05], [l * 0.62, w * 0.05]),
    ...[-1, 1].map((to) => poly('line', [w * 0.32 + to * 4, l * 0.37], [w * (0.32 + to * 0.12), l * (0.37 - 0.04)])),
  ],
} satisfies Record<string, Draw>
