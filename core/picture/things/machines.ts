/** Handpieces, apparatus, what people wear, what is read or looked through. */
import { moved, oval, part, path, poly, rect, rings, ruled, turned, type Draw, type Part } from './part'

const highSpeed: Draw = (l, w) => [
  rect('steel', 0, 2, w * 0.62, 11, 3),
  rect('dark', w * 0.18, 13, w * 0.26, 6),
  part(
    'steel',
    path`M ${w * 0.2} 2 C ${w * 0.6} 0 ${w * 0.9} 8 ${w} ${l * 0.3} L ${w} ${l} L ${w * 0.34} ${l} L ${w * 0.34} ${l * 0.34} C ${w * 0.34} ${l * 0.2} ${w * 0.5} 12 ${w * 0.6} 13 Z`,
  ),
  rect('line', w * 0.34, l * 0.8, w * 0.66, l * 0.06),
  oval('pale', w * 0.3, 2.4, 3.2, 2.2),
]
const slow: Draw = (l, w) => [
  rect('steel', 0, 0, w * 0.5, 13, 2),
  rect('dark', w * 0.18, 13, w * 0.14, 6),
  part(
    'steel',
    path`M ${w * 0.46} 1 L ${w * 0.6} 4 C ${w * 0.9} ${l * 0.12} ${w} ${l * 0.2} ${w} ${l * 0.36} L ${w} ${l} L ${w * 0.3} ${l} L ${w * 0.3} ${l * 0.38} C ${w * 0.34} ${l * 0.26} ${w * 0.5} ${l * 0.18} ${w * 0.46} 12 Z`,
  ),
  poly('line', [w * 0.3, l * 0.5], [w, l * 0.5]),
  rect('soft', w * 0.3, l * 0.5, w * 0.7, l * 0.3),
]
const straightPiece: Draw = (l, w) => [
  rect('steel', w / 2 - 1.4, 0, 2.8, l * 0.1),
  turned('steel', w / 2, [l * 0.08, w * 0.2], [l * 0.3, w * 0.3], [l * 0.46, w * 0.5], [l, w * 0.5]),
  ...rings(w / 2, w * 0.46, l * 0.54, l * 0.94, 4),
]
const scanner: Draw = (l, w) => [
  part(
    'pale',
    path`M ${w * 0.2} 0 L ${w * 0.8} 0 L ${w * 0.82} ${l * 0.34} Q ${w} ${l * 0.42} ${w} ${l * 0.6} Q ${w * 0.92} ${l * 0.9} ${w * 0.7} ${l} L ${w * 0.3} ${l} Q ${w * 0.08} ${l * 0.9} 0 ${l * 0.6} Q 0 ${l * 0.42} ${w * 0.18} ${l * 0.34} Z`,
  ),
  rect('glass', w * 0.3, l * 0.03, w * 0.4, l * 0.11, 2),
  poly('line', [w * 0.18, l * 0.34], [w * 0.82, l * 0.34]),
  oval('dark', w / 2, l * 0.56, w * 0.12),
]
const scannerTip: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, 5),
  rect('glass', w * 0.16, l * 0.06, w * 0.68, l * 0.3, 3),
  poly('line', [0, l * 0.86], [w, l * 0.86]),
]
const motor: Draw = (l, w) => [
  part(
    'pale',
    path`M ${w * 0.1} 0 L ${w * 0.26} 0 L ${w * 0.34} 10 C ${w * 0.5} ${l * 0.1} ${w} ${l * 0.2} ${w} ${l * 0.4} L ${w} ${l} L ${w * 0.3} ${l} L ${w * 0.3} ${l * 0.42} C ${w * 0.3} ${l * 0.28} ${w * 0.2} 14 0 12 L 0 4 Z`,
  ),
  rect('glass', w * 0.42, l * 0.44, w * 0.44, l * 0.14, 2),
  oval('dark', w * 0.64, l * 0.68, 5),
]
/** A bent nozzle with its spray, a round chamber half full of powder, the grip. */
const jet: Draw = (l, w) => [
  ...[0, 0.16, 0.32].map((x) => poly('line', [w * (0.02 + x * 0.3), l * 0.07], [w * x, 0])),
  part(
    'steel',
    path`M 0 ${l * 0.07} L 4 ${l * 0.06} C ${w * 0.5} ${l * 0.09} ${w * 0.62} ${l * 0.14} ${w * 0.62} ${l * 0.28} L ${w * 0.42} ${l * 0.28} C ${w * 0.4} ${l * 0.16} ${w * 0.3} ${l * 0.12} 0 ${l * 0.09} Z`,
  ),
  oval('glass', w / 2, l * 0.38, w / 2, l * 0.11),
  part(
    'soft',
    path`M ${w * 0.04} ${l * 0.4} L ${w * 0.96} ${l * 0.4} C ${w * 0.9} ${l * 0.51} ${w * 0.1} ${l * 0.51} ${w * 0.04} ${l * 0.4} Z`,
  ),
  rect('dark', w * 0.36, l * 0.25, w * 0.28, l * 0.035, 2),
  rect('pale', w * 0.24, l * 0.49, w * 0.52, l * 0.51, 5),
  ...rings(w / 2, w * 0.24, l * 0.6, l * 0.92, 6),
]
const sonic: Draw = (l, w) => [
  part(
    'steel',
    path`M 0 0 L 1.4 0.6 C ${w * 0.3} 8 ${w * 0.6} 14 ${w * 0.62} ${l * 0.24} L ${w * 0.38} ${l * 0.24} C ${w * 0.3} 16 ${w * 0.1} 10 0 2 Z`,
  ),
  turned('pale', w / 2, [l * 0.24, w * 0.3], [l * 0.4, w * 0.46], [l, w * 0.5]),
  ...rings(w / 2, w * 0.42, l * 0.5, l * 0.9, 4),
]
const curingLight: Draw = (l, w) => [
  part(
    'dark',
    path`M ${w * 0.3} 0 L ${w * 0.62} ${l * 0.02} C ${w * 0.7} ${l * 0.1} ${w * 0.62} ${l * 0.16} ${w * 0.62} ${l * 0.28} L ${w * 0.38} ${l * 0.28} C ${w * 0.4} ${l * 0.16} ${w * 0.36} ${l * 0.08} ${w * 0.3} 0 Z`,
  ),
  part('glass', path`M 0 ${l * 0.2} L ${w} ${l * 0.2} L ${w * 0.84} ${l * 0.3} L ${w * 0.16} ${l * 0.3} Z`),
  part(
    'pale',
    path`M ${w * 0.2} ${l * 0.28} L ${w * 0.8} ${l * 0.28} Q ${w} ${l * 0.4} ${w * 0.94} ${l * 0.6} L ${w * 0.8} ${l} L ${w * 0.2} ${l} L ${w * 0.06} ${l * 0.6} Q 0 ${l * 0.4} ${w * 0.2} ${l * 0.28} Z`,
  ),
  oval('dark', w / 2, l * 0.42, w * 0.12),
]
const sleeve: Draw = (l, w) => [
  part(
    'glass',
    path`M ${w * 0.3} 0 L ${w * 0.7} 0 L ${w * 0.74} ${l * 0.4} L ${w} ${l * 0.56} L ${w} ${l} L 0 ${l} L 0 ${l * 0.56} L ${w * 0.26} ${l * 0.4} Z`,
  ),
  poly('line', [0, l * 0.94], [w, l * 0.94]),
]
const shield: Draw = (l, w) => [
  part(
    'glass',
    path`M 0 ${l * 0.14} Q 0 0 ${w / 2} 0 Q ${w} 0 ${w} ${l * 0.14} L ${w} ${l * 0.86} Q ${w} ${l} ${w / 2} ${l} Q 0 ${l} 0 ${l * 0.86} Z`,
  ),
  oval('dark', w / 2, l * 0.94, w * 0.12, l * 0.04),
]
const faceShield: Draw = (l, w) => [
  part(
    'glass',
    path`M 0 ${l * 0.12} L ${w} ${l * 0.12} L ${w * 0.92} ${l * 0.9} Q ${w / 2} ${l * 1.1} ${w * 0.08} ${l * 0.9} Z`,
  ),
  rect('soft', 0, 0, w, l * 0.14, 4),
]
/** Glasses on their side: a frame round both lenses, folded temples. */
const glasses =
  (look: 'plain' | 'dark' | 'loupes'): Draw =>
  (l, w) => {
    const lens = look === 'dark' ? 'dark' : 'glass'
    const deep = w * 0.72
    return [
      poly('dark', [deep * 0.3, 0], [w, l * 0.03], [w, l * 0.07], [deep * 0.3, l * 0.05]),
      poly('dark', [deep * 0.3, l], [w, l * 0.97], [w, l * 0.93], [deep * 0.3, l * 0.95]),
      part(
        'soft',
        path`M 0 ${l * 0.1} Q 0 0 ${deep * 0.5} 0 Q ${deep} 0 ${deep} ${l * 0.2} Q ${deep} ${l * 0.4} ${deep * 0.56} ${l * 0.47} L ${deep * 0.56} ${l * 0.53} Q ${deep} ${l * 0.6} ${deep} ${l * 0.8} Q ${deep} ${l} ${deep * 0.5} ${l} Q 0 ${l} 0 ${l * 0.9} Z`,
      ),
      rect(lens, deep * 0.14, l * 0.05, deep * 0.72, l * 0.36, deep * 0.3),
      rect(lens, deep * 0.14, l * 0.59, deep * 0.72, l * 0.36, deep * 0.3),
      ...(look === 'loupes'
        ? [0.25, 0.75].flatMap((y) => [
            oval('dark', deep * 0.5, l * y, deep * 0.24),
            oval('pale', deep * 0.5, l * y, deep * 0.14),
          ])
        : []),
      ...(look === 'plain' ? [poly('line', [deep * 0.3, l * 0.3], [deep * 0.6, l * 0.12])] : []),
    ]
  }
const glove =
  (tone: Part['tone'], cuff: boolean): Draw =>
  (l, w) => [
    part(
      tone,
      path`M ${w * 0.2} ${l} L ${w * 0.16} ${l * 0.62} L 0 ${l * 0.42} L ${w * 0.1} ${l * 0.36} L ${w * 0.24} ${l * 0.46} L ${w * 0.26} ${l * 0.08} L ${w * 0.38} ${l * 0.06} L ${w * 0.42} ${l * 0.38} L ${w * 0.46} 0 L ${w * 0.58} 0 L ${w * 0.6} ${l * 0.38} L ${w * 0.68} ${l * 0.05} L ${w * 0.79} ${l * 0.07} L ${w * 0.77} ${l * 0.42} L ${w * 0.89} ${l * 0.19} L ${w} ${l * 0.24} L ${w * 0.9} ${l * 0.62} L ${w * 0.84} ${l} Z`,
    ),
    poly('line', [w * 0.19, l * 0.9], [w * 0.85, l * 0.9]),
    ...(cuff ? [rect('dark', w * 0.19, l * 0.78, w * 0.66, l * 0.08)] : []),
  ]
const mask: Draw = (l, w) => [
  part('line', path`M ${w * 0.2} ${l * 0.04} C ${-w * 0.066} 0 ${-w * 0.066} ${l} ${w * 0.2} ${l * 0.96}`),
  part('line', path`M ${w * 0.8} ${l * 0.04} C ${w * 1.066} 0 ${w * 1.066} ${l} ${w * 0.8} ${l * 0.96}`),
  rect('pale', w * 0.14, 0, w * 0.72, l, 4),
  rect('steel', w * 0.3, 3, w * 0.4, 3, 1),
  ...[0.34, 0.5, 0.66].map((y) => poly('line', [w * 0.14, l * y], [w * 0.86, l * y])),
]
const bib: Draw = (l, w) => [
  rect('soft', 0, l * 0.24, w, l * 0.76, 2),
  part('line', path`M ${w * 0.06} ${l * 0.3} C ${w * 0.2} ${-l * 0.1} ${w * 0.8} ${-l * 0.1} ${w * 0.94} ${l * 0.3}`),
  oval('steel', w * 0.06 + 2, l * 0.28, 2.4),
  oval('steel', w * 0.94 - 2, l * 0.28, 2.4),
  ...[0.5, 0.7].map((y) => poly('line', [3, l * y], [w - 3, l * y])),
]
const gown: Draw = (l, w) => [
  part(
    'soft',
    path`M ${w * 0.36} 0 Q ${w / 2} ${l * 0.1} ${w * 0.64} 0 L ${w} ${l * 0.14} L ${w * 0.94} ${l * 0.46} L ${w * 0.8} ${l * 0.42} L ${w * 0.86} ${l} L ${w * 0.14} ${l} L ${w * 0.2} ${l * 0.42} L ${w * 0.06} ${l * 0.46} L 0 ${l * 0.14} Z`,
  ),
  poly('line', [w / 2, l * 0.1], [w / 2, l]),
]
const lens: Draw = (l, w) => [
  oval('steel', w / 2, w / 2, w / 2),
  oval('glass', w / 2, w / 2, w * 0.4),
  rect('soft', w / 2 - 3.5, w - 1, 7, l - w + 1, 3),
]
const handMirror: Draw = (l, w) => [
  oval('soft', w / 2, w / 2, w / 2),
  oval('glass', w / 2, w / 2, w * 0.42),
  rect('soft', w / 2 - 8, w - 2, 16, l - w + 2, 7),
  poly('line', [w * 0.3, w * 0.6], [w * 0.6, w * 0.28]),
]
const photoMirror: Draw = (l, w) => [
  part(
    'steel',
    path`M ${w * 0.1} 0 L ${w * 0.9} 0 L ${w} ${l * 0.12} L ${w} ${l * 0.3} L ${w * 0.7} ${l} L ${w * 0.3} ${l} L 0 ${l * 0.3} L 0 ${l * 0.12} Z`,
  ),
  poly('line', [w * 0.3, l * 0.5], [w * 0.64, l * 0.12]),
]
const filmHolder: Draw = (l, w) => [
  part(
    'line',
    path`M ${w / 2} 0 C ${w * 1.17} 0 ${w * 1.17} ${l * 0.56} ${w / 2} ${l * 0.56} C ${-w * 0.17} ${l * 0.56} ${-w * 0.17} 0 ${w / 2} 0`,
  ),
  rect('steel', w / 2 - 2, l * 0.28, 4, l * 0.62),
  rect('pale', w * 0.24, l * 0.8, w * 0.52, l * 0.12, 2),
  rect('dark', w * 0.3, l * 0.9, w * 0.4, l * 0.1, 2),
]
const facebow: Draw = (l, w) => [
  part(
    'line',
    path`M 0 ${l} L ${w * 0.06} ${l * 0.4} C ${w * 0.1} ${-l * 0.133} ${w * 0.9} ${-l * 0.133} ${w * 0.94} ${l * 0.4} L ${w} ${l}`,
  ),
  part(
    'line',
    path`M ${w * 0.06} ${l} L ${w * 0.12} ${l * 0.42} C ${w * 0.18} ${l * 0.08} ${w * 0.82} ${l * 0.08} ${w * 0.88} ${l * 0.42} L ${w * 0.94} ${l}`,
  ),
  rect('steel', w / 2 - 3, l * 0.1, 6, l * 0.36),
  part(
    'steel',
    path`M ${w * 0.34} ${l * 0.7} C ${w * 0.34} ${l * 0.4} ${w * 0.66} ${l * 0.4} ${w * 0.66} ${l * 0.7} L ${w * 0.6} ${l * 0.7} C ${w * 0.6} ${l * 0.52} ${w * 0.4} ${l * 0.52} ${w * 0.4} ${l * 0.7} Z`,
  ),
]
const camera: Draw = (l, w) => [
  rect('dark', w * 0.1, l * 0.12, w * 0.8, l * 0.5, 8),
  rect('dark', w * 0.34, 0, w * 0.32, l * 0.14, 4),
  oval('soft', w / 2, l * 0.66, w / 2, l * 0.34),
  oval('pale', w / 2, l * 0.66, w * 0.36, l * 0.24),
  oval('dark', w / 2, l * 0.66, w * 0.26, l * 0.17),
  oval('glass', w / 2, l * 0.66, w * 0.16, l * 0.1),
]
const mallet: Draw = (l, w) => [
  rect('steel', 0, 0, w, l * 0.16, 4),
  rect('soft', w / 2 - 6, l * 0.16, 12, l * 0.84, 4),
  poly('line', [8, 0], [8, l * 0.16]),
  poly('line', [w - 8, 0], [w - 8, l * 0.16]),
]
const lamp: Draw = (l, w) => [
  part(
    'soft',
    path`M ${w / 2} 0 C ${w * 0.66} ${l * 0.16} ${w * 0.62} ${l * 0.28} ${w / 2} ${l * 0.3} C ${w * 0.38} ${l * 0.28} ${w * 0.34} ${l * 0.16} ${w / 2} 0 Z`,
  ),
  rect('steel', w * 0.42, l * 0.28, w * 0.16, l * 0.16),
  part(
    'glass',
    path`M ${w * 0.36} ${l * 0.42} L ${w * 0.64} ${l * 0.42} Q ${w} ${l * 0.6} ${w} ${l * 0.9} L ${w * 0.94} ${l} L ${w * 0.06} ${l} L 0 ${l * 0.9} Q 0 ${l * 0.6} ${w * 0.36} ${l * 0.42} Z`,
  ),
]
const wand =
  (tip: 'loop' | 'air'): Draw =>
  (l, w) => {
    const c = w / 2
    const head: Part[] =
      tip === 'loop'
        ? [part('line', path`M ${c} ${l * 0.3} C 0 ${l * 0.24} 0 0 ${c} 0 C ${w} 0 ${w} ${l * 0.24} ${c} ${l * 0.3}`)]
        : [turned('steel', c, [0, 1], [l * 0.2, 1.4])]
    return [...head, turned('soft', c, [l * (tip === 'loop' ? 0.3 : 0.14), 1.6], [l * 0.34, c], [l, c])]
  }

/** A pen on its cord: a bent tip that glows, the ring that switches it. */
const heatCarrier: Draw = (l, w) => {
  const c = w * 0.6
  return [
    part('line', path`M ${c} ${l * 0.78} C ${c} ${l * 0.96} ${w * 0.1} ${l * 0.8} ${w * 0.1} ${l}`),
    part(
      'dark',
      path`M 0 0 L 1.6 0.6 C ${w * 0.2} ${l * 0.06} ${c - 1} ${l * 0.1} ${c + 1} ${l * 0.24} L ${c - 1} ${l * 0.24} C ${c - 3} ${l * 0.12} ${w * 0.14} ${l * 0.08} 0 0 Z`,
    ),
    turned('steel', c, [l * 0.22, 2.4], [l * 0.3, w * 0.2]),
    turned('soft', c, [l * 0.3, w * 0.26], [l * 0.5, w * 0.4], [l * 0.78, w * 0.26]),
    rect('dark', c - w * 0.4, l * 0.36, w * 0.8, l * 0.035, 3),
  ]
}

export const machines = {
  'high-speed handpiece': highSpeed,
  'slow handpiece': slow,
  'straight handpiece': straightPiece,
  scanner,
  'scanner tip': scannerTip,
  'endodontic motor': motor,
  'powder jet': jet,
  'sonic handpiece': sonic,
  'curing light': curingLight,
  'light sleeve': sleeve,
  'light shield': shield,
  'face shield': faceShield,
  'patient shield': glasses('plain'),
  'dark goggles': glasses('dark'),
  loupes: glasses('loupes'),
  'gloves, latex': glove('pale', false),
  'gloves, nitrile': glove('soft', false),
  'heavy gloves': glove('dark', true),
  mask,
  bib,
  gown,
  magnifier: lens,
  'hand mirror': handMirror,
  'photograph mirror': photoMirror,
  'film holder': filmHolder,
  facebow,
  camera,
  'gold mallet': mallet,
  'alcohol lamp': lamp,
  'heat carrier': heatCarrier,
  'electrosurgery tip': wand('loop'),
  'vacuum tip': wand('air'),
  'suction retractor': (l, w) => [
    part(
      'soft',
      path`M 0 ${l * 0.2} Q 0 0 ${w * 0.4} 0 L ${w * 0.8} 0 Q ${w} 0 ${w} ${l * 0.2} L ${w} ${l * 0.4} Q ${w * 0.7} ${l * 0.5} ${w * 0.6} ${l * 0.5} L ${w * 0.4} ${l * 0.5} Q 0 ${l * 0.5} 0 ${l * 0.2} Z`,
    ),
    rect('pale', w * 0.3, l * 0.5, w * 0.4, l * 0.5, 4),
    ...[0.2, 0.4, 0.6].map((x) => oval('dark', w * (0.1 + x), l * 0.24, 2)),
  ],
  'annealing tray': (l, w) => [
    rect('steel', 0, 0, w, l, 4),
    rect('glass', 4, 4, w - 8, l - 8, 3),
    ...[0.3, 0.5, 0.7].flatMap((y) => [0.3, 0.5, 0.7].map((x) => rect('soft', w * x - 2, l * y - 2, 4, 4))),
  ],
  'numbered block': (l, w) => [
    rect('pale', 0, 0, w, l, 4),
    ...[0.1, 0.26, 0.42, 0.58, 0.74].flatMap((y) => [
      oval('dark', w * 0.34, l * y + l * 0.06, w * 0.16, l * 0.05),
      rect('soft', w * 0.62, l * y + l * 0.03, w * 0.26, l * 0.06),
    ]),
  ],
  'light-proof lid': (l, w) => [rect('dark', 0, 0, w, l, 10), rect('soft', w * 0.36, l * 0.44, w * 0.28, l * 0.12, 4)],
  box: (l, w) => [
    rect('pale', 0, l * 0.2, w, l * 0.8, 3),
    rect('soft', 0, 0, w, l * 0.24, 3),
    rect('glass', w * 0.2, l * 0.44, w * 0.6, l * 0.3, 2),
  ],
  paper: (l, w) => [
    poly('pale', [0, 0], [w * 0.74, 0], [w, l * 0.2], [w, l], [0, l]),
    poly('line', [w * 0.74, 0], [w * 0.74, l * 0.2], [w, l * 0.2]),
    ...ruled(5, l, w),
  ],
  'shade guide': (l, w) => [
    rect('soft', 0, l * 0.5, w, l * 0.5, 4),
    ...[0, 1, 2, 3, 4, 5, 6].map((i) =>
      rect((['pale', 'glass'] as const)[i % 2] ?? 'pale', (w / 7) * i + 0.6, 0, w / 7 - 1.2, l * 0.6, 3),
    ),
  ],
  mould: (l, w) =>
    moved(
      [
        part(
          'soft',
          path`M 0 ${l} L 0 ${l * 0.5} C 0 ${-l * 0.16} ${w} ${-l * 0.16} ${w} ${l * 0.5} L ${w} ${l} L ${w * 0.72} ${l} L ${w * 0.72} ${l * 0.5} C ${w * 0.72} ${l * 0.2} ${w * 0.28} ${l * 0.2} ${w * 0.28} ${l * 0.5} L ${w * 0.28} ${l} Z`,
        ),
      ],
      (x, y) => [x, y],
    ),
} satisfies Record<string, Draw>
