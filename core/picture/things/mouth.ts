/** What goes into the mouth and stays a while: trays, retractors, sheet and clamps, bands and wedges, crowns. */
import { moved, oval, part, path, poly, rect, turned, type Draw, type Part } from './part'

/** A horseshoe: the mean arch, open at the bottom. */
const horseshoe = (tone: Part['tone'], x: number, y: number, w: number, h: number, wall: number): Part =>
  part(
    tone,
    path`M ${x} ${y + h} L ${x} ${y + h * 0.5} C ${x} ${y - h * 0.16} ${x + w} ${y - h * 0.16} ${x + w} ${y + h * 0.5} L ${x + w} ${y + h} L ${x + w - wall} ${y + h} L ${x + w - wall} ${y + h * 0.5} C ${x + w - wall} ${y + wall * 0.7} ${x + wall} ${y + wall * 0.7} ${x + wall} ${y + h * 0.5} L ${x + wall} ${y + h} Z`,
  )
/** A tray for an arch, its handle at the top; an upper one has a palate, a lower one room for the tongue. */
function archTray(palate: boolean, look: { holes?: boolean; pipes?: boolean; plain?: boolean }): Draw {
  return (l, w) => {
    const grip = l * 0.24
    const [y, h] = [grip - 2, l - grip + 2]
    return [
      rect(look.plain ? 'soft' : 'steel', w / 2 - 7, 0, 14, grip + 4, 3),
      horseshoe(look.plain ? 'soft' : 'steel', 0, y + h * 0.02, w, h * 0.98, w * 0.26),
      ...(palate
        ? [
            part(
              'glass',
              path`M ${w * 0.26} ${l - 3} L ${w * 0.26} ${y + h * 0.5} C ${w * 0.28} ${y + h * 0.14} ${w * 0.72} ${y + h * 0.14} ${w * 0.74} ${y + h * 0.5} L ${w * 0.74} ${l - 3} Q ${w / 2} ${l - 8} ${w * 0.26} ${l - 3} Z`,
            ),
          ]
        : []),
      ...(look.holes
        ? [
            [0.13, 0.86],
            [0.13, 0.66],
            [0.16, 0.46],
            [0.3, 0.26],
            [0.5, 0.2],
            [0.7, 0.26],
            [0.84, 0.46],
            [0.87, 0.66],
            [0.87, 0.86],
          ].map(([a, b]) => oval('pale', w * (a ?? 0), y + h * (b ?? 0), 1.8))
        : []),
      ...(look.pipes
        ? [
            rect('dark', w / 2 - 6, 0, 3, grip + 2),
            rect('dark', w / 2 + 3, 0, 3, grip + 2),
            part(
              'line',
              path`M ${w * 0.13} ${l - 4} L ${w * 0.13} ${y + h * 0.5} C ${w * 0.14} ${y + h * 0.04} ${w * 0.86} ${y + h * 0.04} ${w * 0.87} ${y + h * 0.5} L ${w * 0.87} ${l - 4}`,
            ),
          ]
        : []),
    ]
  }
}
/** Both arches of one side at once: a frame with gauze. */
const dualArch: Draw = (l, w) => {
  const grip = l * 0.3
  return [
    rect('steel', w / 2 - 4, 0, 8, grip + 4, 3),
    part(
      'pale',
      path`M ${w * 0.08} ${l * 0.96} L ${w * 0.1} ${l * 0.5} C ${w * 0.1} ${grip} ${w * 0.9} ${grip} ${w * 0.9} ${l * 0.5} L ${w * 0.92} ${l * 0.96} Z`,
    ),
    ...[0.45, 0.55, 0.65, 0.75, 0.85].map((y) => poly('line', [w * 0.1, l * y], [w * 0.9, l * y])),
    ...[0.3, 0.5, 0.7].map((x) => poly('line', [w * x, l * 0.4], [w * x, l * 0.95])),
    part('line', path`M 0 ${l} L 0 ${l * 0.5} C 0 ${grip - 4} ${w} ${grip - 4} ${w} ${l * 0.5} L ${w} ${l} Z`),
  ]
}
const sectional: Draw = (l, w) => [
  rect('steel', w / 2 - 5, 0, 10, l * 0.34, 3),
  rect('steel', 0, l * 0.3, w, l * 0.7, 8),
  rect('pale', w * 0.16, l * 0.38, w * 0.68, l * 0.54, 5),
  ...[0.48, 0.64, 0.8].map((y) => oval('steel', w / 2, l * y, 2)),
]

const retractor: Draw = (l, w) => {
  const hook = (y: number, flip: boolean): Part[] =>
    moved(
      [
        part(
          'glass',
          path`M 0 16 C 0 2 ${w * 0.2} 0 ${w / 2} 0 C ${w * 0.8} 0 ${w} 2 ${w} 16 L ${w - 6} 18 C ${w - 6} 8 ${w * 0.7} 7 ${w / 2} 7 C ${w * 0.3} 7 6 8 6 18 Z`,
        ),
      ],
      (x, v) => [x, flip ? l - v : y + v],
    )
  return [
    part(
      'glass',
      path`M ${w / 2 - 4} 6 L ${w / 2 + 4} 6 C ${w / 2 + 8} ${l * 0.4} ${w / 2 + 8} ${l * 0.6} ${w / 2 + 4} ${l - 6} L ${w / 2 - 4} ${l - 6} C ${w / 2} ${l * 0.6} ${w / 2} ${l * 0.4} ${w / 2 - 4} 6 Z`,
    ),
    ...hook(0, false),
    ...hook(0, true),
  ]
}
const tongueBlade: Draw = (l, w) => [
  part(
    'steel',
    path`M 0 ${l * 0.14} Q 0 0 ${w / 2} 0 Q ${w} 0 ${w} ${l * 0.14} L ${w} ${l * 0.4} Q ${w} ${l * 0.48} ${w * 0.66} ${l * 0.5} L ${w * 0.66} ${l} L ${w * 0.34} ${l} L ${w * 0.34} ${l * 0.5} Q 0 ${l * 0.48} 0 ${l * 0.4} Z`,
  ),
  part('line', path`M ${w * 0.2} ${l * 0.1} Q ${w / 2} ${l * 0.04} ${w * 0.8} ${l * 0.1}`),
]
const prop: Draw = (l, w) => [
  poly('soft', [0, 0], [w, l * 0.3], [w, l * 0.7], [0, l]),
  poly('pale', [w * 0.12, l * 0.34], [w * 0.6, l * 0.42], [w * 0.6, l * 0.58], [w * 0.12, l * 0.66]),
  ...[0.2, 0.4, 0.6, 0.8].flatMap((x) => [
    poly('line', [w * x, l * 0.3 * x], [w * x, l * 0.3 * x + 5]),
    poly('line', [w * x, l * (1 - 0.3 * x)], [w * x, l * (1 - 0.3 * x) - 5]),
  ]),
]

const sheet =
  (heavy: boolean, free: boolean): Draw =>
  (l, w) => [
    rect(free ? 'pale' : heavy ? 'dark' : 'soft', 0, 0, w, l, 1),
    ...(heavy ? [rect('line', 2.5, 2.5, w - 5, l - 5)] : [poly('line', [w * 0.5, l * 0.06], [w * 0.5, l * 0.94])]),
    ...[
      [0.28, 0.6],
      [0.31, 0.46],
      [0.42, 0.35],
      [0.58, 0.35],
      [0.69, 0.46],
      [0.72, 0.6],
    ].map(([x, y]) => oval(heavy ? 'pale' : 'dark', w * (x ?? 0), l * (y ?? 0), heavy ? 1.8 : 1.3)),
    ...(heavy
      ? []
      : [
          part(
            'line',
            path`M ${w * 0.28} ${l * 0.7} C ${w * 0.26} ${l * 0.2} ${w * 0.74} ${l * 0.2} ${w * 0.72} ${l * 0.7}`,
          ),
        ]),
  ]
const frame: Draw = (l, w) => [
  part(
    'steel',
    path`M 0 0 L 4 0 L 4 ${l * 0.62} Q 4 ${l - 5} ${w / 2} ${l - 5} Q ${w - 4} ${l - 5} ${w - 4} ${l * 0.62} L ${w - 4} 0 L ${w} 0 L ${w} ${l * 0.62} Q ${w} ${l} ${w / 2} ${l} Q 0 ${l} 0 ${l * 0.62} Z`,
  ),
  ...[0.05, 0.25, 0.45, 0.65].flatMap((y) => [
    poly('line', [4, l * y + 4], [9, l * y + 2]),
    poly('line', [w - 4, l * y + 4], [w - 9, l * y + 2]),
  ]),
]
const template: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, 4),
  part('line', path`M ${w * 0.3} ${l * 0.46} C ${w * 0.3} ${l * 0.14} ${w * 0.7} ${l * 0.14} ${w * 0.7} ${l * 0.46}`),
  part(
    'line',
    path`M ${w * 0.32} ${l * 0.56} C ${w * 0.32} ${l * 0.86} ${w * 0.68} ${l * 0.86} ${w * 0.68} ${l * 0.56}`,
  ),
  ...[
    [0.3, 0.44],
    [0.33, 0.32],
    [0.42, 0.25],
    [0.58, 0.25],
    [0.67, 0.32],
    [0.7, 0.44],
    [0.33, 0.62],
    [0.4, 0.74],
    [0.5, 0.79],
    [0.6, 0.74],
    [0.67, 0.62],
  ].map(([x, y]) => oval('dark', w * (x ?? 0), l * (y ?? 0), 2)),
]
const napkin: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, 12),
  oval('soft', w / 2, l / 2, w * 0.26, l * 0.24),
  rect('line', 4, 4, w - 8, l - 8, 9),
]

/** A clamp from above: bow, jaws, and wings or none. */
function clamp(wings: boolean, look: { double?: boolean; down?: boolean; small?: boolean }): Draw {
  return (l, w) => {
    const c = w / 2
    const wing = wings ? 3.4 : 0
    const bow = part(
      'line',
      path`M ${wing + 2} ${l * 0.52} C ${wing + 1} ${-l * 0.17} ${w - wing - 1} ${-l * 0.17} ${w - wing - 2} ${l * 0.52}`,
    )
    const inner = part(
      'line',
      path`M ${wing + 5} ${l * 0.5} C ${wing + 5} ${l * 0.06} ${w - wing - 5} ${l * 0.06} ${w - wing - 5} ${l * 0.5}`,
    )
    const jaw = (side: 1 | -1): Part[] => {
      const x = (d: number): number => c + side * d
      const out = c - wing
      const bite = look.small ? c * 0.34 : c * 0.3
      return [
        part(
          'steel',
          path`M ${x(out)} ${l * 0.48} L ${x(out)} ${l} Q ${x(bite)} ${l * 0.86} ${x(bite)} ${l * 0.74} Q ${x(bite)} ${l * 0.6} ${x(out)} ${l * 0.48} Z`,
        ),
        oval('pale', x(out - 2.6), l * 0.74, 1.5),
        ...(wings ? [rect('steel', side === 1 ? w - wing : 0, l * 0.6, wing, l * 0.28, 1)] : []),
        ...(look.down
          ? [poly('dark', [x(bite + 0.4), l * 0.66], [x(bite - 1.8), l * 0.74], [x(bite + 0.4), l * 0.82])]
          : []),
      ]
    }
    if (look.double)
      return [
        part('line', path`M 2 ${l * 0.5} C 2 ${-l * 0.16} ${w - 2} ${-l * 0.16} ${w - 2} ${l * 0.5}`),
        part('line', path`M 2 ${l * 0.5} C 2 ${l * 1.16} ${w - 2} ${l * 1.16} ${w - 2} ${l * 0.5}`),
        part('steel', path`M 0 ${l * 0.36} L ${w * 0.36} ${l * 0.46} L ${w * 0.36} ${l * 0.54} L 0 ${l * 0.64} Z`),
        part(
          'steel',
          path`M ${w} ${l * 0.36} L ${w * 0.64} ${l * 0.46} L ${w * 0.64} ${l * 0.54} L ${w} ${l * 0.64} Z`,
        ),
      ]
    return [bow, inner, ...jaw(1), ...jaw(-1)]
  }
}

const roundBand: Draw = (l, w) => [
  part(
    'steel',
    path`M 0 0 L ${w * 0.5} ${l * 0.02} C ${w * 0.34} ${l * 0.3} ${w * 0.34} ${l * 0.7} ${w * 0.5} ${l * 0.98} L 0 ${l} L 0 ${l} Z`,
  ),
  part(
    'steel',
    path`M ${w * 0.5} ${l * 0.02} C ${w * 1.16} ${l * 0.24} ${w * 1.16} ${l * 0.76} ${w * 0.5} ${l * 0.98} C ${w * 0.84} ${l * 0.7} ${w * 0.84} ${l * 0.3} ${w * 0.5} ${l * 0.02} Z`,
  ),
]
const kidneyBand =
  (apron: boolean): Draw =>
  (l, w) => [
    part(
      'steel',
      path`M 0 ${l * 0.12} Q 0 0 ${w * 0.34} 0 C ${w * 0.5} ${l * 0.14} ${w * 0.5} ${l * 0.86} ${w * 0.34} ${l} Q 0 ${l} 0 ${l * 0.88} Z`,
    ),
    part(
      'steel',
      path`M ${w * 0.34} 0 Q ${w} ${l * 0.2} ${w} ${l * 0.5} Q ${w} ${l * 0.8} ${w * 0.34} ${l} C ${w * 0.62} ${l * 0.8} ${w * 0.62} ${l * 0.2} ${w * 0.34} 0 Z`,
    ),
    ...(apron
      ? [
          part(
            'line',
            path`M ${w * 0.14} ${l * 0.3} C ${w * 0.5} ${l * 0.4} ${w * 0.5} ${l * 0.6} ${w * 0.14} ${l * 0.7}`,
          ),
        ]
      : []),
  ]
const wedges =
  (clear: boolean): Draw =>
  (l, w) =>
    [0, 1, 2].map((i) => {
      const x = (w / 3) * i
      return poly(clear ? 'glass' : i === 1 ? 'dark' : 'soft', [x + w / 6, 0], [x + w / 3 - 0.4, l], [x + 0.4, l])
    })
const ring: Draw = (l, w) => [
  part(
    'line',
    path`M ${w * 0.16} ${l * 0.72} C ${-w * 0.18} ${-l * 0.24} ${w * 1.18} ${-l * 0.24} ${w * 0.84} ${l * 0.72}`,
  ),
  part('line', path`M ${w * 0.26} ${l * 0.7} C ${0} ${-l * 0.04} ${w} ${-l * 0.04} ${w * 0.74} ${l * 0.7}`),
  poly('soft', [w * 0.02, l * 0.66], [w * 0.36, l * 0.66], [w * 0.44, l], [w * 0.14, l]),
  poly('soft', [w * 0.98, l * 0.66], [w * 0.64, l * 0.66], [w * 0.56, l], [w * 0.86, l]),
  poly('line', [0, l * 0.4], [w * 0.03, l * 0.4]),
  poly('line', [w * 0.97, l * 0.4], [w, l * 0.4]),
]
/** A molar crown shell, or one of a front tooth. */
const shell =
  (front: boolean, faced: boolean): Draw =>
  (l, w) =>
    front
      ? [
          part(
            faced ? 'pale' : 'glass',
            path`M ${w * 0.1} 0 L ${w * 0.9} 0 C ${w} ${l * 0.4} ${w} ${l * 0.7} ${w * 0.8} ${l} Q ${w / 2} ${l * 0.9} ${w * 0.2} ${l} C 0 ${l * 0.7} 0 ${l * 0.4} ${w * 0.1} 0 Z`,
          ),
          poly('line', [w * 0.3, l * 0.12], [w * 0.28, l * 0.4]),
        ]
      : [
          part(
            'steel',
            path`M ${w * 0.06} ${l * 0.2} C ${w * 0.16} ${-l * 0.04} ${w * 0.3} ${l * 0.02} ${w * 0.38} ${l * 0.14} Q ${w / 2} ${l * 0.02} ${w * 0.62} ${l * 0.14} C ${w * 0.72} ${l * 0.02} ${w * 0.84} ${-l * 0.04} ${w * 0.94} ${l * 0.2} C ${w * 1.02} ${l * 0.5} ${w} ${l * 0.7} ${w * 0.9} ${l} Q ${w / 2} ${l * 0.86} ${w * 0.1} ${l} C 0 ${l * 0.7} ${-w * 0.02} ${l * 0.5} ${w * 0.06} ${l * 0.2} Z`,
          ),
          part('line', path`M ${w * 0.3} ${l * 0.3} Q ${w * 0.5} ${l * 0.46} ${w * 0.7} ${l * 0.3}`),
        ]
const crownForms: Draw = (l, w) => [
  rect('pale', 0, 0, w, l, 3),
  ...[0, 1].flatMap((i) =>
    [0, 1, 2].map((j) => {
      const [x, y] = [w * 0.1 + i * w * 0.44, l * 0.07 + j * l * 0.31]
      return part(
        'glass',
        path`M ${x} ${y} L ${x + w * 0.34} ${y} L ${x + w * 0.3} ${y + l * 0.24} L ${x + w * 0.04} ${y + l * 0.24} Z`,
      )
    }),
  ),
]

export const mouth = {
  'stock tray, upper': archTray(true, { holes: true }),
  'stock tray, lower': archTray(false, { holes: true }),
  'custom tray, upper': archTray(true, { plain: true }),
  'custom tray, lower': archTray(false, { plain: true }),
  'cooled tray, upper': archTray(true, { pipes: true }),
  'cooled tray, lower': archTray(false, { pipes: true }),
  'dual-arch tray': dualArch,
  'sectional tray': sectional,
  'cheek retractor': retractor,
  'tongue retractor': tongueBlade,
  'mouth prop': prop,
  'dam sheet': sheet(false, false),
  'dam sheet, heavy': sheet(true, false),
  'dam sheet, latex-free': sheet(false, true),
  'dam frame': frame,
  'hole template': template,
  'dam napkin': napkin,
  'molar clamp, winged': clamp(true, {}),
  'molar clamp, wingless': clamp(false, {}),
  'premolar clamp, winged': clamp(true, { small: true }),
  'premolar clamp, wingless': clamp(false, { small: true }),
  'retentive clamp': clamp(true, { down: true }),
  'cervical clamp': clamp(false, { double: true }),
  'round band': roundBand,
  'sectional band': kidneyBand(false),
  'deep band': kidneyBand(true),
  wedges: wedges(false),
  'clear wedges': wedges(true),
  'separation ring': ring,
  'metal crown': shell(false, false),
  'faced crown': shell(true, true),
  'crown forms': crownForms,
  'core former': (l, w) => [
    turned('glass', w / 2, [0, w * 0.32], [l * 0.3, w * 0.46], [l, w * 0.5]),
    part('line', path`M ${w * 0.1} ${l * 0.8} Q ${w / 2} ${l * 0.66} ${w * 0.9} ${l * 0.8}`),
  ],
} satisfies Record<string, Draw>
