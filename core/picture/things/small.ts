/** Small things: tips and sticks, rolls and strips. */
import { oval, part, path, poly, rect, rings, turned, type Draw, type Part } from './part'

const stick =
  (head: 'brush' | 'wool' | 'sticky' | 'pencil' | 'fine brush' | 'clean-up'): Draw =>
  (l, w) => {
    const c = w / 2
    const heads: Record<typeof head, Part[]> = {
      brush: [turned('pale', c, [0, 0.9], [1.6, 1.3], [3.4, 1], [3.4, 0.5], [12, 0.6])],
      wool: [oval('pale', c, 8, c, 8)],
      sticky: [turned('soft', c, [0, c], [4, c * 0.8], [5, 1.2])],
      pencil: [turned('pale', c, [0, 0.3], [12, c]), turned('dark', c, [0, 0.3], [4, 1.2])],
      'fine brush': [turned('dark', c, [0, 0.3], [9, 1.6]), turned('steel', c, [9, 1.6], [20, 1.9])],
      'clean-up': [turned('dark', c, [0, c * 0.7], [7, c]), turned('steel', c, [7, c], [10, c * 0.6])],
    }
    const from = { brush: 12, wool: 12, sticky: 5, pencil: 12, 'fine brush': 20, 'clean-up': 10 }[head]
    const half = head === 'wool' ? 1.2 : c
    return [
      ...(head === 'wool'
        ? [rect('pale', c - half, from, 2 * half, l - from)]
        : [turned(head === 'pencil' ? 'dark' : 'soft', c, [from, c * 0.7], [l * 0.5, c], [l, c])]),
      ...heads[head],
    ]
  }
const roll: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, w * 0.45),
  part(
    'line',
    path`M ${w * 0.3} ${w * 0.5} Q ${w * 0.5} ${w * 0.2} ${w * 0.7} ${w * 0.5} Q ${w * 0.6} ${w * 0.7} ${w * 0.45} ${w * 0.52}`,
  ),
  poly('line', [w * 0.24, l * 0.36], [w * 0.24, l * 0.8]),
  poly('line', [w * 0.76, l * 0.3], [w * 0.76, l * 0.86]),
]
const pellets: Draw = (l, w) =>
  [
    [0.25, 0.26],
    [0.75, 0.3],
    [0.5, 0.55],
    [0.22, 0.78],
    [0.76, 0.78],
  ]
    .map(([x, y]) => oval('pale', w * (x ?? 0), l * (y ?? 0), w * 0.23, l * 0.21))
    .concat(rect('line', 0, 0, w, l, 4))
const gauze: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, 1),
  ...[0.2, 0.4, 0.6, 0.8].map((x) => poly('line', [w * x, 0], [w * x, l])),
  ...[0.2, 0.4, 0.6, 0.8].map((y) => poly('line', [0, l * y], [w, l * y])),
  poly('pale', [w * 0.66, 0], [w, 0], [w, l * 0.34]),
]
const cheekPad: Draw = (l, w) => [
  part(
    'pale',
    path`M ${w / 2} 0 L ${w} ${l * 0.8} Q ${w} ${l} ${w * 0.8} ${l} L ${w * 0.2} ${l} Q 0 ${l} 0 ${l * 0.8} Z`,
  ),
  part('soft', path`M ${w / 2} ${l * 0.3} L ${w * 0.74} ${l * 0.78} L ${w * 0.26} ${l * 0.78} Z`),
]
/** Cord on its spool: the braid runs out at the side; the size is a matter of the label. */
const spool =
  (thick: number): Draw =>
  (l, w) => [
    oval('pale', w / 2, l / 2, w / 2, l / 2),
    ...[0.4, 0.32, 0.24].map((r) => oval('line', w / 2, l / 2, w * r, l * r)),
    oval('dark', w / 2, l / 2, w * 0.12, l * 0.12),
    part(
      'soft',
      path`M ${w / 2} ${l * 0.04} L ${w} ${l * 0.04} L ${w} ${l * 0.04 + thick} L ${w / 2} ${l * 0.04 + thick} Z`,
    ),
  ]
const floss: Draw = (l, w) => [
  rect('pale', 0, l * 0.14, w, l * 0.86, 6),
  rect('soft', w * 0.14, 0, w * 0.72, l * 0.2, 3),
  part('line', path`M ${w * 0.5} ${l * 0.2} C ${w * 0.9} ${l * 0.4} ${w * 0.1} ${l * 0.6} ${w * 0.6} ${l * 0.86}`),
  rect('steel', w * 0.36, l * 0.18, w * 0.28, l * 0.1),
]
const threader: Draw = (l, w) => [
  part(
    'line',
    path`M ${w / 2} ${l} L ${w / 2} ${l * 0.5} C 0 ${l * 0.36} ${-w * 0.1} ${0} ${w / 2} 0 C ${w * 1.1} 0 ${w} ${l * 0.36} ${w / 2} ${l * 0.5}`,
  ),
  poly('line', [w / 2 - 1, l * 0.8], [w / 2 + 1, l * 0.8]),
]
const bookOf =
  (tone: Part['tone']): Draw =>
  (l, w) => [
    rect('pale', 0, 0, w, l, 1),
    rect(tone, 2, l * 0.2, w - 4, l * 0.8 - 2),
    ...[0.3, 0.6].map((x) => poly('line', [w * x, l * 0.2], [w * x, l - 2])),
  ]
const film: Draw = (l, w) => [
  rect('glass', 0, 0, w, l),
  poly('soft', [0, 0], [w, 0], [w, 4], [0, 4]),
  poly('line', [w * 0.2, l], [w, l * 0.5]),
]
const tabs: Draw = (l, w) =>
  [0, 1, 2]
    .map((i) =>
      rect((['pale', 'soft', 'dark'] as const)[i] ?? 'pale', (w / 3) * i + 0.3, i * 4, w / 3 - 0.6, l - i * 4, 3),
    )
    .concat(oval('line', w / 2, l - 6, w / 2, 3))
const strip =
  (look: 'clear' | 'metal' | 'foil' | 'abrasive'): Draw =>
  (l, w) => {
    const tone = ({ clear: 'glass', metal: 'steel', foil: 'pale', abrasive: 'soft' } as const)[look]
    return [
      rect(tone, 0, 0, w, l, look === 'clear' ? 0 : 1),
      ...(look === 'abrasive' ? [rect('dark', 0, 0, w, l * 0.42), rect('line', 0, l * 0.42, w, l * 0.14)] : []),
      ...(look === 'foil' ? [poly('line', [0, l * 0.3], [w, l * 0.2]), poly('line', [0, l * 0.7], [w, l * 0.62])] : []),
      ...(look === 'metal' ? [poly('line', [w * 0.3, 3], [w * 0.3, l - 3])] : []),
    ]
  }

export const small = {
  'amalgam carrier': (l, w) => {
    const c = w / 2
    return [
      poly('steel', [0, 0], [3, 0], [3, 7], [c + 1, 14], [c - 1, 14], [0, 9]),
      turned('steel', c, [13, 1.6], [l * 0.2, 2.4]),
      rect('steel', c - 4, l * 0.2, 8, l * 0.6, 3),
      part('steel', path`M ${c + 4} ${l * 0.34} L ${w} ${l * 0.26} L ${w} ${l * 0.3} L ${c + 4} ${l * 0.44} Z`),
      ...rings(c, 3.4, l * 0.46, l * 0.76, 3),
      turned('steel', c, [l * 0.8, 2.4], [l - 10, 1.6]),
      rect('steel', c - 2.4, l - 10, 4.8, 10, 1),
    ]
  },
  'needle guard': (l, w) => [
    poly('soft', [w * 0.1, l * 0.5], [w * 0.9, l * 0.5], [w, l], [0, l]),
    oval('pale', w / 2, l * 0.24, w * 0.34, l * 0.24),
    oval('dark', w / 2, l * 0.24, w * 0.1, l * 0.08),
    rect('soft', w * 0.42, l * 0.44, w * 0.16, l * 0.1),
  ],
  ruler: (l, w) => [
    rect('steel', 0, 0, w, l, 1),
    ...Array.from({ length: Math.floor(l / 4) }, (_, i) =>
      poly('line', [w * (i % 5 === 4 ? 0.3 : 0.6), 4 * (i + 1) - 1], [w, 4 * (i + 1) - 1]),
    ),
  ],
  'lip hook': (l, w) => [
    part(
      'line',
      path`M 0 ${l * 0.16} C 0 ${-l * 0.05} ${w * 0.6} ${-l * 0.05} ${w * 0.6} ${l * 0.16} L ${w * 0.6} ${l * 0.5} C ${w * 0.6} ${l * 0.7} ${w} ${l * 0.6} ${w} ${l * 0.8} L ${w} ${l}`,
    ),
    rect('dark', w * 0.44, l * 0.36, w * 0.32, l * 0.14, 2),
    part('line', path`M ${w * 0.4} ${l} C ${w * 0.4} ${l * 0.8} ${w * 0.8} ${l * 0.9} ${w * 0.9} ${l * 0.74}`),
  ],
  'side-vented needle': (l, w) => [
    rect('steel', w / 2 - 0.5, 0, 1, l * 0.6, 0.5),
    rect('dark', w / 2 - 0.5, 2, 0.6, 3),
    turned('soft', w / 2, [l * 0.58, w * 0.24], [l * 0.8, w * 0.5], [l, w * 0.5]),
    rect('line', 0, l * 0.9, w, l * 0.04),
  ],
  'throat pack': (l, w) => [
    rect('pale', 0, 0, w, l * 0.56, 10),
    ...[0.12, 0.24, 0.36, 0.48].map((y) => poly('line', [4, l * y], [w - 4, l * y])),
    part('line', path`M ${w / 2} ${l * 0.56} C ${w * 0.2} ${l * 0.7} ${w * 0.8} ${l * 0.8} ${w / 2} ${l}`),
  ],
  'micro brush': stick('brush'),
  'cotton tip': stick('wool'),
  'placement stick': stick('sticky'),
  pencil: stick('pencil'),
  'fine brush': stick('fine brush'),
  'clean-up brush': stick('clean-up'),
  'cotton roll': roll,
  'cotton pellets': pellets,
  gauze,
  'cheek pad': cheekPad,
  'thin cord': spool(1.2),
  'thick cord': spool(3),
  floss,
  threader,
  'articulating paper': bookOf('dark'),
  'thin foil': bookOf('glass'),
  film,
  'clearance tabs': tabs,
  'clear strip': strip('clear'),
  'metal strip': strip('metal'),
  'foil strip': strip('foil'),
  'finishing strip': strip('abrasive'),
  tape: (l, w) => [
    oval('pale', w / 2, l * 0.3, w / 2, l * 0.3),
    oval('soft', w / 2, l * 0.3, w * 0.24, l * 0.14),
    part(
      'pale',
      path`M ${w} ${l * 0.3} L ${w} ${l} L ${w * 0.4} ${l} L ${w * 0.4} ${l * 0.9} L ${w * 0.7} ${l * 0.86} L ${w * 0.7} ${l * 0.5} Z`,
    ),
  ],
  'suction tip, metal': (l, w) => [
    part('steel', path`M 0 0 L ${w * 0.7} 4 L ${w} 12 L ${w} ${l} L ${w * 0.1} ${l} L ${w * 0.1} 16 Z`),
    poly('dark', [0, 0], [w * 0.7, 4], [w * 0.6, 6.4], [w * 0.04, 3]),
    ...rings(w * 0.55, w * 0.45, l - 22, l - 3, 3),
  ],
  'suction tip, plastic': (l, w) => [
    part(
      'pale',
      path`M 0 0 L ${w * 0.7} 4 C ${w} ${l * 0.2} ${w} ${l * 0.3} ${w} ${l} L ${w * 0.1} ${l} C ${w * 0.1} ${l * 0.3} ${w * 0.06} ${l * 0.2} 0 0 Z`,
    ),
    poly('dark', [0, 0], [w * 0.7, 4], [w * 0.6, 6.4], [w * 0.04, 3]),
    rect('glass', w * 0.3, l * 0.3, w * 0.3, l * 0.5, 2),
  ],
  'saliva ejector': (l, w) => [
    part(
      'glass',
      path`M 0 14 C 0 2 ${w * 0.2} 0 ${w * 0.5} 0 C ${w} 0 ${w} 6 ${w} 16 L ${w} ${l} L ${w * 0.4} ${l} L ${w * 0.4} 16 C ${w * 0.4} 8 ${w * 0.4} 6 ${w * 0.3} 14 Z`,
    ),
    rect('soft', 0, 12, w * 0.36, 7, 1.4),
    poly('line', [w * 0.7, 20], [w * 0.7, l - 3]),
  ],
  'air and water tip': (l, w) => [
    part(
      'steel',
      path`M 0 0 L 2 0 C ${w * 0.4} ${l * 0.1} ${w * 0.7} ${l * 0.2} ${w * 0.72} ${l * 0.4} L ${w * 0.72} ${l * 0.9} L ${w * 0.28} ${l * 0.9} L ${w * 0.28} ${l * 0.4} C ${w * 0.26} ${l * 0.24} ${w * 0.1} ${l * 0.12} 0 0 Z`,
    ),
    rect('steel', 0, l * 0.9, w, l * 0.1, 1),
  ],
  'bite stick': (l, w) => [
    rect('soft', w * 0.2, l * 0.2, w * 0.6, l * 0.8, 2),
    turned('pale', w / 2, [0, w * 0.5], [l * 0.16, w * 0.5], [l * 0.24, w * 0.3]),
    ...rings(w / 2, w * 0.44, 3, l * 0.15, 3),
  ],
  'elastic separators': (l, w) =>
    [
      [0.3, 0.3],
      [0.7, 0.5],
      [0.3, 0.75],
    ]
      .flatMap(([x, y]) => [
        oval('soft', w * (x ?? 0), l * (y ?? 0), w * 0.28, l * 0.25),
        oval('pale', w * (x ?? 0), l * (y ?? 0), w * 0.14, l * 0.12),
      ])
      .concat(rect('line', 0, 0, w, l, 3)),
  // Wound up, its end standing off.
  coil: (l, w) => [
    part('line', path`M ${w * 0.86} ${l * 0.5} C ${w * 0.9} ${l * 0.2} ${w} ${l * 0.2} ${w} 0`),
    ...[1, 0.82, 0.64].map((k) => oval('soft', w * 0.43, l * 0.56, w * 0.43 * k, l * 0.44 * k)),
    oval('pale', w * 0.43, l * 0.56, w * 0.2, l * 0.2),
  ],
  pad: (l, w) => [
    rect('soft', 0, 0, w, l, 1),
    rect('pale', 1.5, 3, w - 3, l - 6),
    poly('soft', [w - 14, l - 3], [w - 1.5, l - 3], [w - 1.5, l - 15]),
  ],
  'wax sheet': (l, w) => [
    rect('soft', 0, 0, w, l, 3),
    ...[0.25, 0.5, 0.75].map((y) => poly('line', [3, l * y], [w - 3, l * y])),
  ],
  // Its end softened in the flame, the rest in its paper.
  stick: (l, w) => [
    part(
      'soft',
      path`M ${w * 0.1} ${l * 0.5} L ${w * 0.1} ${l * 0.12} C ${w * 0.1} 0 ${w * 0.5} 0 ${w * 0.56} ${l * 0.03} C ${w * 0.7} ${l * 0.07} ${w * 0.9} ${l * 0.02} ${w * 0.9} ${l * 0.14} L ${w * 0.9} ${l * 0.5} Z`,
    ),
    poly(
      'pale',
      [0, l * 0.46],
      [w * 0.2, l * 0.42],
      [w * 0.4, l * 0.46],
      [w * 0.6, l * 0.42],
      [w * 0.8, l * 0.46],
      [w, l * 0.42],
      [w, l],
      [0, l],
    ),
    poly('line', [w * 0.3, l * 0.54], [w * 0.3, l * 0.96]),
    poly('line', [w * 0.7, l * 0.54], [w * 0.7, l * 0.96]),
  ],
  'clear sheet': (l, w) => [
    rect('glass', 0, 0, w, l, 4),
    poly('line', [w * 0.2, l * 0.5], [w * 0.5, l * 0.2]),
    poly('line', [w * 0.3, l * 0.6], [w * 0.6, l * 0.3]),
  ],
  putty: (l, w) => [
    oval('pale', w * 0.36, l * 0.36, w * 0.36, l * 0.36),
    oval('soft', w * 0.64, l * 0.64, w * 0.36, l * 0.36),
  ],
} satisfies Record<string, Draw>
