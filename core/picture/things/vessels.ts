/** What holds something: bottles, tubes, cartridges, syringes, boxes, bags. */
import { oval, part, path, poly, rect, rings, turned, type Draw, type Part } from './part'

/** A bottle with a cap, and a dropper's point where it has one. */
const bottle =
  (n: number, nose: boolean): Draw =>
  (l, w) => {
    const each = w / n
    return Array.from({ length: n }, (_, i): Part[] => {
      const c = each * (i + 0.5)
      const half = each * (n === 1 ? 0.5 : 0.46)
      const cap = nose ? half * 0.5 : half * 0.72
      const neck = l * (nose ? 0.4 : 0.26)
      return [
        nose
          ? turned('soft', c, [0, 0.9], [l * 0.12, 1.6], [l * 0.14, cap], [neck - 2, cap])
          : rect('soft', c - cap, 0, 2 * cap, neck - 2, 1.5),
        rect('line', c - cap, neck - 4, 2 * cap, 2),
        part(
          'pale',
          path`M ${c - half * 0.45} ${neck - 2} L ${c + half * 0.45} ${neck - 2} Q ${c + half} ${neck} ${c + half} ${neck + l * 0.12} L ${c + half} ${l - 2} Q ${c + half} ${l} ${c + half - 2} ${l} L ${c - half + 2} ${l} Q ${c - half} ${l} ${c - half} ${l - 2} L ${c - half} ${neck + l * 0.12} Q ${c - half} ${neck} ${c - half * 0.45} ${neck - 2} Z`,
        ),
        rect('glass', c - half * 0.76, neck + l * 0.2, half * 1.52, l * 0.22),
        ...(n > 1 ? [i === 0 ? oval('dark', c, l * 0.88, 1.4) : rect('dark', c - 2, l * 0.87, 4, 1.6)] : []),
      ]
    }).flat()
  }

/** A jar from above: lid and rim. */
const jar =
  (sign: 'drop' | 'grain' | 'none'): Draw =>
  (l, w) => [
    oval('pale', w / 2, l / 2, w / 2, l / 2),
    oval('glass', w / 2, l / 2, w * 0.38, l * 0.38),
    ...(sign === 'drop'
      ? [
          part(
            'soft',
            path`M ${w / 2} ${l * 0.3} C ${w * 0.72} ${l * 0.55} ${w * 0.62} ${l * 0.7} ${w / 2} ${l * 0.7} C ${w * 0.38} ${l * 0.7} ${w * 0.28} ${l * 0.55} ${w / 2} ${l * 0.3} Z`,
          ),
        ]
      : sign === 'grain'
        ? [
            [0.4, 0.42],
            [0.56, 0.38],
            [0.5, 0.52],
            [0.38, 0.58],
            [0.62, 0.56],
            [0.5, 0.66],
          ].map(([x, y]) => oval('dark', w * (x ?? 0), l * (y ?? 0), 0.9))
        : []),
  ]

/** A tub with its lid, from the side. */
const tub: Draw = (l, w) => [
  rect('soft', 0, 0, w, l * 0.24, 2),
  turned('pale', w / 2, [l * 0.24, w * 0.46], [l, w * 0.4]),
  ...rings(w / 2, w / 2, 2.5, l * 0.24, 2.2),
]
/** A squeezed tube, its fold at the bottom. */
const tube =
  (n: number): Draw =>
  (l, w) => {
    const each = w / n
    return Array.from({ length: n }, (_, i): Part[] => {
      const c = each * (i + 0.5)
      const half = each * 0.5 - (n > 1 ? 0.6 : 0)
      return [
        turned('soft', c, [0, half * 0.3], [l * 0.13, half * 0.42]),
        part(
          'pale',
          path`M ${c - half * 0.42} ${l * 0.13} Q ${c - half * 0.8} ${l * 0.16} ${c - half * 0.8} ${l * 0.26} L ${c - half} ${l - 5} L ${c - half} ${l} L ${c + half} ${l} L ${c + half} ${l - 5} L ${c + half * 0.8} ${l * 0.26} Q ${c + half * 0.8} ${l * 0.16} ${c + half * 0.42} ${l * 0.13} Z`,
        ),
        poly('line', [c - half, l - 5], [c + half, l - 5]),
        i === 0
          ? rect('glass', c - half * 0.55, l * 0.4, half * 1.1, l * 0.2)
          : rect('soft', c - half * 0.55, l * 0.4, half * 1.1, l * 0.2),
      ]
    }).flat()
  }

/** A double cartridge with its nose. */
const twin: Draw = (l, w) => {
  const c = w / 2
  return [
    poly('soft', [c - 4, 0], [c + 4, 0], [c + 5, l * 0.12], [c - 5, l * 0.12]),
    rect('pale', 0, l * 0.12, w, l * 0.06, 1),
    rect('pale', 1, l * 0.18, c - 1.6, l * 0.76, 2),
    rect('soft', c + 0.6, l * 0.18, c - 1.6, l * 0.76, 2),
    rect('pale', 0, l * 0.94, w, l * 0.06, 1),
    rect('glass', 2.4, l * 0.34, w - 4.8, l * 0.3),
  ]
}
/** Two barrels side by side with one plunger, a mixing tip on them. */
const doubleSyringe: Draw = (l, w) => {
  const c = w / 2
  return [
    turned('soft', c, [0, 0.9], [l * 0.1, 1.8], [l * 0.3, 2.4]),
    rect('pale', c - w * 0.34, l * 0.3, w * 0.32, l * 0.4, 1),
    rect('soft', c + w * 0.02, l * 0.3, w * 0.32, l * 0.4, 1),
    rect('pale', 0, l * 0.68, w, 3, 1),
    rect('pale', c - w * 0.26, l * 0.71, w * 0.16, l * 0.26),
    rect('pale', c + w * 0.1, l * 0.71, w * 0.16, l * 0.26),
    rect('pale', c - w * 0.32, l - 3, w * 0.64, 3, 1),
  ]
}
/** A small syringe of paste: a bent tip, a barrel, a plunger with its thumb rest. */
const pasteSyringe =
  (tip: 'bent' | 'cap' | 'brush'): Draw =>
  (l, w) => {
    const c = w / 2
    const barrel = Math.min(w * 0.36, 5)
    return [
      tip === 'bent'
        ? part(
            'steel',
            path`M 0 0 L 1.4 0 C ${c - 0.4} ${l * 0.06} ${c + 0.8} ${l * 0.1} ${c + 0.9} ${l * 0.2} L ${c - 0.9} ${l * 0.2} C ${c - 0.8} ${l * 0.12} ${c - 2} ${l * 0.07} 0 0.6 Z`,
          )
        : tip === 'brush'
          ? turned('soft', c, [0, 0.4], [l * 0.1, 2], [l * 0.14, 1], [l * 0.2, 1])
          : rect('soft', c - barrel * 0.8, 0, barrel * 1.6, l * 0.2, 2),
      rect('soft', c - barrel * 0.7, l * 0.2, barrel * 1.4, l * 0.06, 1),
      rect(tip === 'cap' ? 'pale' : 'dark', c - barrel, l * 0.26, 2 * barrel, l * 0.4, 1),
      rect('pale', 0, l * 0.66, w, 2.6, 1),
      rect('pale', c - barrel * 0.6, l * 0.69, barrel * 1.2, l * 0.27),
      rect('pale', c - w * 0.4, l - 3, w * 0.8, 3, 1),
    ]
  }
/** Capsule of one portion: a bent nozzle on a barrel that a dispenser presses. */
const compule: Draw = (l, w) => [
  part(
    'soft',
    path`M 0 0 L 2.6 0.8 C ${w * 0.55} ${l * 0.12} ${w * 0.7} ${l * 0.2} ${w * 0.74} ${l * 0.34} L ${w * 0.26} ${l * 0.34} C ${w * 0.3} ${l * 0.22} ${w * 0.2} ${l * 0.1} 0 2.4 Z`,
  ),
  rect('dark', w * 0.18, l * 0.34, w * 0.64, l * 0.52, 1),
  rect('dark', 0, l * 0.86, w, l * 0.14, 1),
]
/** Two chambers shaken into each other. */
const capsule: Draw = (l, w) => {
  const c = w / 2
  return [
    turned('steel', c, [0, w * 0.2], [2, w * 0.36], [l * 0.44, w * 0.36]),
    rect('dark', 0, l * 0.42, w, l * 0.1, 1),
    rect('pale', 0, l * 0.52, w, l * 0.08, 1),
    turned('soft', c, [l * 0.6, w * 0.4], [l - 3, w * 0.4], [l, w * 0.3]),
    poly('line', [c - w * 0.2, 4], [c - w * 0.2, l * 0.38]),
  ]
}
const mixCapsule: Draw = (l, w) => [
  turned('soft', w / 2, [0, 1.2], [l * 0.34, 1.8], [l * 0.36, w * 0.42]),
  rect('pale', w * 0.08, l * 0.34, w * 0.84, l * 0.5, 2),
  rect('dark', 0, l * 0.84, w, l * 0.16, 2),
]

const cartridge: Draw = (l, w) => {
  const c = w / 2
  return [
    turned('steel', c, [0, w * 0.34], [3, w * 0.34], [3, w * 0.3], [7, w * 0.3]),
    rect('glass', 0, 7, w, l - 7, 1.5),
    rect('soft', 0.6, l - 9, w - 1.2, 6, 1),
    poly('line', [0, 22], [w, 22]),
    poly('line', [0, l - 16], [w, l - 16]),
  ]
}
/** The aspirating syringe: threaded hub, window, winged grip, thumb ring. */
const aspirating: Draw = (l, w) => {
  const c = w / 2
  return [
    rect('steel', c - 2, 0, 4, 7, 1),
    ...rings(c, 2, 1.6, 7, 1.6),
    rect('steel', c - 6, 7, 12, l * 0.5, 3),
    rect('glass', c - 3.6, 13, 7.2, l * 0.38, 2),
    part(
      'steel',
      path`M ${c - 6} ${l * 0.55} L 0 ${l * 0.52} L 0 ${l * 0.57} L ${c - 6} ${l * 0.61} L ${c + 6} ${l * 0.61} L ${w} ${l * 0.57} L ${w} ${l * 0.52} L ${c + 6} ${l * 0.55} Z`,
    ),
    rect('steel', c - 1.6, l * 0.61, 3.2, l * 0.17),
    oval('steel', c, l * 0.89, l * 0.11),
    oval('pale', c, l * 0.89, l * 0.075),
  ]
}
const needle =
  (long: boolean): Draw =>
  (l, w) => {
    const c = w / 2
    // Sheathed as it lies on the tray: a long and a short one differ in the sheath and its band.
    return [
      rect('pale', c - w * 0.24, 0, w * 0.48, l * 0.64, 2),
      poly('line', [c, l * (long ? 0.08 : 0.26)], [c, l * 0.6]),
      rect(long ? 'dark' : 'soft', c - w * 0.36, l * 0.58, w * 0.72, l * 0.1, 1),
      rect('soft', 0, l * 0.68, w, l * 0.18, 1),
      turned('steel', c, [l * 0.86, w * 0.3], [l, w * 0.26]),
    ]
  }
const impressionSyringe =
  (metal: boolean): Draw =>
  (l, w) => {
    const c = w / 2
    const half = w * 0.32
    return [
      part(
        'soft',
        path`M ${c - 5} 0 L ${c - 3.4} 0 C ${c - 2} 6 ${c + 1} 9 ${c + 1.6} ${l * 0.2} L ${c - 1.6} ${l * 0.2} C ${c - 2} 10 ${c - 4} 6 ${c - 5} 0 Z`,
      ),
      turned(metal ? 'steel' : 'pale', c, [l * 0.2, 3], [l * 0.26, half], [l * 0.66, half]),
      ...(metal ? rings(c, half, l * 0.3, l * 0.62, 4) : [rect('glass', c - half * 0.7, l * 0.3, half * 1.4, l * 0.3)]),
      rect(metal ? 'steel' : 'pale', 0, l * 0.65, w, 4, 2),
      rect('pale', c - 2, l * 0.68, 4, l * 0.26),
      metal ? oval('steel', c, l - 8, 8) : rect('pale', c - w * 0.32, l - 4, w * 0.64, 4, 2),
      ...(metal ? [oval('pale', c, l - 8, 5)] : []),
    ]
  }
/** A gun that presses a double cartridge. */
const gun: Draw = (l, w) => [
  rect('soft', w * 0.18, l * 0.06, w * 0.3, l * 0.5, 3),
  rect('pale', w * 0.1, 0, w * 0.46, l * 0.07, 2),
  poly('line', [w * 0.28, l * 0.08], [w * 0.28, l * 0.56]),
  poly('line', [w * 0.38, l * 0.08], [w * 0.38, l * 0.56]),
  part(
    'dark',
    path`M ${w * 0.08} ${l * 0.54} L ${w * 0.58} ${l * 0.54} L ${w * 0.66} ${l * 0.62} L ${w} ${l * 0.86} L ${w * 0.84} ${l * 0.92} L ${w * 0.5} ${l * 0.7} L ${w * 0.08} ${l * 0.66} Z`,
  ),
  part(
    'dark',
    path`M ${w * 0.16} ${l * 0.66} L ${w * 0.34} ${l * 0.68} L ${w * 0.5} ${l * 0.86} L ${w * 0.38} ${l * 0.9} Z`,
  ),
  rect('steel', 0, l * 0.66, w * 0.1, l * 0.34, 2),
  rect('steel', 0, l * 0.98, w * 0.2, l * 0.02),
]
/** The pistol that presses a capsule of composite. */
const dispenser: Draw = (l, w) => [
  part('dark', path`M ${w * 0.1} 0 L ${w * 0.34} 0 L ${w * 0.4} ${l * 0.46} L ${w * 0.04} ${l * 0.46} Z`),
  part(
    'dark',
    path`M 0 ${l * 0.44} L ${w * 0.5} ${l * 0.44} C ${w * 0.7} ${l * 0.6} ${w * 0.5} ${l * 0.9} ${w * 0.34} ${l} L ${w * 0.1} ${l} C ${w * 0.2} ${l * 0.8} ${w * 0.2} ${l * 0.6} 0 ${l * 0.5} Z`,
  ),
  part(
    'steel',
    path`M ${w * 0.4} ${l * 0.34} L ${w * 0.6} ${l * 0.36} C ${w * 0.9} ${l * 0.5} ${w} ${l * 0.7} ${w} ${l * 0.9} L ${w * 0.86} ${l * 0.9} C ${w * 0.86} ${l * 0.7} ${w * 0.76} ${l * 0.54} ${w * 0.42} ${l * 0.42} Z`,
  ),
]
const mixingTip: Draw = (l, w) => {
  const c = w / 2
  return [
    part(
      'soft',
      path`M ${c - 1.2} 0 L ${c + 1.2} 0 L ${c + 2.6} ${l * 0.2} L ${c + 2.6} ${l * 0.74} L ${c - 2.6} ${l * 0.74} L ${c - 2.6} ${l * 0.2} Z`,
    ),
    part(
      'line',
      path`M ${c - 2} ${l * 0.24} L ${c + 2} ${l * 0.32} L ${c - 2} ${l * 0.4} L ${c + 2} ${l * 0.48} L ${c - 2} ${l * 0.56} L ${c + 2} ${l * 0.64} L ${c - 2} ${l * 0.72}`,
    ),
    rect('dark', 0, l * 0.74, w, l * 0.26, 2),
  ]
}
const nozzle: Draw = (l, w) => [
  part(
    'soft',
    path`M 0 0 L 1.6 0 C ${w * 0.5} ${l * 0.12} ${w * 0.62} ${l * 0.24} ${w * 0.66} ${l * 0.6} L ${w * 0.3} ${l * 0.6} C ${w * 0.34} ${l * 0.3} ${w * 0.2} ${l * 0.16} 0 1.6 Z`,
  ),
  rect('soft', 0, l * 0.6, w, l * 0.4, 1),
]
const spray: Draw = (l, w) => [
  part(
    'soft',
    path`M 0 2 L ${w * 0.2} 0 L ${w * 0.74} 0 L ${w * 0.74} ${l * 0.16} L ${w * 0.3} ${l * 0.16} L ${w * 0.22} ${l * 0.3} L ${w * 0.12} ${l * 0.28} L ${w * 0.18} ${l * 0.12} L 0 ${l * 0.1} Z`,
  ),
  rect('soft', w * 0.36, l * 0.16, w * 0.28, l * 0.1),
  part(
    'pale',
    path`M ${w * 0.36} ${l * 0.26} L ${w * 0.64} ${l * 0.26} Q ${w} ${l * 0.34} ${w} ${l * 0.5} L ${w} ${l - 3} Q ${w} ${l} ${w - 3} ${l} L ${w * 0.14} ${l} Q ${w * 0.08} ${l} ${w * 0.08} ${l - 3} L ${w * 0.08} ${l * 0.5} Q ${w * 0.08} ${l * 0.34} ${w * 0.36} ${l * 0.26} Z`,
  ),
  rect('glass', w * 0.2, l * 0.5, w * 0.66, l * 0.28),
]
const bag =
  (sign: 'label' | 'powder' | 'zip'): Draw =>
  (l, w) => [
    rect('pale', 0, 0, w, l, 2),
    poly('line', [0, 5], [w, 5]),
    ...(sign === 'label'
      ? [
          rect('soft', w * 0.2, l * 0.45, w * 0.6, l * 0.36, 1),
          poly('line', [w * 0.28, l * 0.57], [w * 0.72, l * 0.57]),
          poly('line', [w * 0.28, l * 0.68], [w * 0.6, l * 0.68]),
        ]
      : sign === 'powder'
        ? [
            part(
              'glass',
              path`M 2 ${l * 0.5} Q ${w * 0.5} ${l * 0.36} ${w - 2} ${l * 0.5} L ${w - 2} ${l - 2} L 2 ${l - 2} Z`,
            ),
            rect('soft', w * 0.26, l * 0.16, w * 0.48, l * 0.16),
          ]
        : [poly('line', [0, 8], [w, 8])]),
  ]
/** Open dish seen from above, with what is in it. */
const dish: Draw = (l, w) => [
  oval('pale', w / 2, l / 2, w / 2, l / 2),
  oval('glass', w / 2, l / 2, w * 0.4, l * 0.4),
  oval('glass', w / 2, l / 2, w * 0.2, l * 0.2),
]
const mixingBowl: Draw = (l, w) => [
  oval('soft', w / 2, l / 2, w / 2, l / 2),
  oval('pale', w / 2, l / 2, w * 0.43, l * 0.43),
  part('line', path`M ${w * 0.26} ${l * 0.44} Q ${w * 0.5} ${l * 0.2} ${w * 0.74} ${l * 0.44}`),
]
const sharpsBox: Draw = (l, w) => [
  poly('soft', [w * 0.06, l * 0.24], [w * 0.94, l * 0.24], [w * 0.86, l], [w * 0.14, l]),
  rect('dark', 0, l * 0.1, w, l * 0.16, 2),
  rect('pale', w * 0.3, 0, w * 0.4, l * 0.12, 2),
  poly('pale', [w * 0.5, l * 0.4], [w * 0.7, l * 0.78], [w * 0.3, l * 0.78]),
  poly('dark', [w * 0.48, l * 0.52], [w * 0.52, l * 0.52], [w * 0.51, l * 0.66], [w * 0.49, l * 0.66]),
]
const sticks: Draw = (l, w) =>
  [0, 1, 2].map((i) => rect(i === 1 ? 'soft' : 'pale', (w / 3) * i + 0.5, 0, w / 3 - 1, l, 2))
const tiles =
  (n: number): Draw =>
  (l, w) =>
    Array.from({ length: n }, (_, i): Part[] => {
      const each = w / n
      return pasteSyringe('cap')(l, each).map(({ tone, d }) => ({
        tone,
        d: d.replace(
          /(-?[\d.]+) (-?[\d.]+)/g,
          (_m, x: string, y: string) => `${Math.round((Number(x) + each * i) * 100) / 100} ${y}`,
        ),
      }))
    }).flat()

export const vessels = {
  'dropper bottle': bottle(1, true),
  'two dropper bottles': bottle(2, true),
  bottle: bottle(1, false),
  'powder and liquid': bottle(2, false),
  'jar, liquid': jar('drop'),
  'jar, powder': jar('grain'),
  jar: jar('none'),
  tub,
  tube: tube(1),
  'two tubes': tube(2),
  'double cartridge': twin,
  'double syringe': doubleSyringe,
  'syringe, bent tip': pasteSyringe('bent'),
  'syringe, capped': pasteSyringe('cap'),
  'syringe, brush tip': pasteSyringe('brush'),
  'set of syringes': tiles(4),
  compule,
  'amalgam capsule': capsule,
  'mixing capsule': mixCapsule,
  'anaesthetic cartridge': cartridge,
  'aspirating syringe': aspirating,
  'long needle': needle(true),
  'short needle': needle(false),
  'impression syringe': impressionSyringe(false),
  'metal syringe': impressionSyringe(true),
  'dispensing gun': gun,
  'compule dispenser': dispenser,
  'mixing tip': mixingTip,
  nozzle,
  'spray bottle': spray,
  'labelled bag': bag('label'),
  'powder bag': bag('powder'),
  dish,
  'mixing bowl': mixingBowl,
  'sharps box': sharpsBox,
  sticks,
} satisfies Record<string, Draw>
