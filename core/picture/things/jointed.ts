/** What opens and closes: tweezers, scissors, forceps, pliers, retainers. */
import { moved, oval, part, path, poly, rect, turned, type Draw, type Part } from './part'

/** Two arms from a bent point back to their join. */
export const tweezers =
  (lock: boolean, groove: boolean): Draw =>
  (l, w) => {
    const c = w / 2
    const arm = (side: 1 | -1): Part =>
      part(
        'steel',
        path`M ${c + side * 0.3} ${l * 0.14} Q ${c + side * (w * 0.3)} ${l * 0.2} ${c + side * c} ${l * 0.5} Q ${c + side * c} ${l * 0.8} ${c + side * 1.6} ${l} L ${c} ${l} Q ${c + side * (c - 2.6)} ${l * 0.8} ${c + side * (c - 2.6)} ${l * 0.5} Q ${c + side * 0.4} ${l * 0.22} ${c} ${l * 0.16} Z`,
      )
    return [
      // Both points are bent to one side.
      part('steel', path`M ${c} ${l * 0.16} L ${c - 0.8} ${l * 0.14} L 0 0 L 1.6 0 L ${c + 1} ${l * 0.14} Z`),
      arm(-1),
      arm(1),
      ...(lock ? [rect('dark', c - 1.6, l * 0.62, 3.2, 9, 1)] : []),
      ...(groove ? [poly('line', [0.8, 1.6], [c - 0.2, l * 0.12])] : []),
    ]
  }

/** A jaw, from its tip at y = 0 to the pivot at y = `to`, on one side of the middle. */
type Jaw = (c: number, to: number, side: 1 | -1) => Part
const straight: Jaw = (c, to, side) => poly('steel', [c, 0], [c + side * 2.6, to * 0.5], [c + side * 3.6, to], [c, to])
const bent: Jaw = (c, to, side) =>
  part(
    'steel',
    path`M ${c - 6} 0 C ${c - 2} ${to * 0.3} ${c + side * 2} ${to * 0.6} ${c + side * 3.6} ${to} L ${c} ${to} C ${c - 1} ${to * 0.6} ${c - 3} ${to * 0.3} ${c - 6} 0 Z`,
  )
const blunt: Jaw = (c, to, side) =>
  part('steel', path`M ${c} 1 Q ${c + side * 3} 0 ${c + side * 3.4} 4 L ${c + side * 4} ${to} L ${c} ${to} Z`)
const short: Jaw = (c, to, side) =>
  part(
    'steel',
    path`M ${c + side * 0.4} 0 L ${c + side * 3.4} 0 C ${c + side * 7} ${to * 0.4} ${c + side * 7} ${to * 0.7} ${c + side * 4} ${to} L ${c} ${to} C ${c + side * 3} ${to * 0.7} ${c + side * 3} ${to * 0.4} ${c + side * 0.4} 0 Z`,
  )
const ballAndSocket: Jaw = (c, to, side) =>
  part(
    'steel',
    path`M ${c + side * 0.6} 0 C ${c + side * 6} 0 ${c + side * 6} ${to * 0.3} ${c + side * 2} ${to * 0.35} L ${c + side * 6} ${to} L ${c} ${to} Z`,
  )
const beaks: Jaw = (c, to, side) =>
  part(
    'steel',
    path`M ${c + side * 7} 0 L ${c + side * 9.4} 3 C ${c + side * 8} ${to * 0.5} ${c + side * 9} ${to * 0.7} ${c + side * 3.6} ${to} L ${c} ${to} C ${c + side * 6} ${to * 0.6} ${c + side * 6} ${to * 0.4} ${c + side * 7} 0 Z`,
  )
const plate: Jaw = (c, to, side) =>
  side === 1
    ? part('steel', path`M ${c - 2} 6 L ${c} 5 L ${c + 7} 8 L ${c + 5} ${to} L ${c} ${to} L ${c + 2} 12 Z`)
    : part(
        'steel',
        path`M ${c - 20} 8 C ${c - 20} -2.6 ${c - 3} -2.6 ${c - 3} 8 L ${c - 2} 14 L ${c} ${to} L ${c - 6} ${to} L ${c - 8} 17 C ${c - 15} 19 ${c - 20} 15 ${c - 20} 8 Z`,
      )
const loop: Jaw = (c, to, side) =>
  part(
    'steel',
    path`M ${c + side * 0.6} 0 L ${c + side * 4} 2 C ${c + side * 10} ${to * 0.3} ${c + side * 8} ${to * 0.8} ${c + side * 3} ${to} L ${c} ${to} C ${c + side * 6} ${to * 0.7} ${c + side * 6} ${to * 0.3} ${c + side * 0.6} 0 Z`,
  )

/** Handles that end in rings for the fingers. */
function ringed(jaw: Jaw, share: number, ratchet: boolean): Draw {
  return (l, w) => {
    const c = w / 2
    const pivot = l * share
    const r = Math.min(w * 0.23, l * 0.14)
    const low = l - r * 1.25
    const arm = (side: 1 | -1): Part[] => [
      poly(
        'steel',
        [c - side * 3, pivot - 2],
        [c + side * 2.4, pivot],
        [c + side * (c - r), low - r],
        [c + side * (c - r * 1.7), low - r * 0.6],
      ),
      oval('steel', c + side * (c - r), low, r, r * 1.25),
      oval('pale', c + side * (c - r), low, r * 0.62, r * 0.85),
    ]
    return [
      jaw(c, pivot, -1),
      jaw(c, pivot, 1),
      ...arm(-1),
      ...arm(1),
      oval('pale', c, pivot, 1.8),
      ...(ratchet ? [rect('dark', c - 5, low - r * 1.9, 10, 2.2, 1)] : []),
    ]
  }
}

/** Handles that are squeezed in the palm. */
function squeezed(jaw: Jaw, share: number, spring: boolean): Draw {
  return (l, w) => {
    const c = w / 2
    const pivot = l * share
    const arm = (side: 1 | -1): Part =>
      part(
        'steel',
        path`M ${c - side * 3} ${pivot} L ${c + side * 4} ${pivot} C ${c + side * c} ${pivot + 14} ${c + side * c} ${l * 0.6} ${c + side * c} ${l * 0.72} Q ${c + side * c} ${l * 0.9} ${c + side * (c - 4)} ${l} L ${c + side * (c - 9)} ${l} Q ${c + side * (c - 5)} ${l * 0.9} ${c + side * (c - 5.5)} ${l * 0.72} C ${c + side * (c - 6)} ${l * 0.55} ${c} ${pivot + 12} ${c - side * 3} ${pivot} Z`,
      )
    return [
      arm(-1),
      arm(1),
      jaw(c, pivot + 1, -1),
      jaw(c, pivot + 1, 1),
      oval('pale', c, pivot, 2.4),
      ...(spring ? [part('line', path`M ${c - 6} ${l * 0.62} Q ${c} ${pivot + 18} ${c + 6} ${l * 0.62}`)] : []),
    ]
  }
}

/** The frame that holds a band round a tooth: a screw and a slotted head. */
const bandHolder: Draw = (l, w) => {
  const c = w / 2
  return [
    part('line', path`M ${c - 4} 15 C ${0} 4 ${2} 0 ${c} 0 C ${w - 2} 0 ${w} 4 ${c + 4} 15`),
    rect('steel', 0, 14, w, 9, 1.5),
    poly('dark', [c - 1, 14], [c + 1, 14], [c + 1, 20], [c - 1, 20]),
    turned('steel', c, [23, 2], [l - 12, 2]),
    turned('steel', c, [l - 24, 4], [l - 20, 4.6], [l - 16, 4]),
    rect('steel', c - 4.6, l - 12, 9.2, 12, 2),
  ]
}

const gauge: Draw = (l, w) => {
  const c = w / 2
  return [
    part(
      'steel',
      path`M ${c - 1} 0 C ${c - 6} 4 ${c - 9} ${l * 0.2} ${c - 2} ${l * 0.36} L ${c} ${l * 0.36} C ${c - 4} ${l * 0.2} ${c - 3} 8 ${c - 1} 0 Z`,
    ),
    part(
      'steel',
      path`M ${c + 1} 0 C ${c + 6} 4 ${c + 9} ${l * 0.2} ${c + 2} ${l * 0.36} L ${c} ${l * 0.36} C ${c + 4} ${l * 0.2} ${c + 3} 8 ${c + 1} 0 Z`,
    ),
    oval('steel', c, l * 0.4, 4),
    part(
      'steel',
      path`M ${c - 3} ${l * 0.42} L 0 ${l * 0.9} Q ${c} ${l * 1.1} ${w} ${l * 0.9} L ${c + 3} ${l * 0.42} Z`,
    ),
    ...[0.2, 0.35, 0.5, 0.65, 0.8].map((x) =>
      poly('line', [w * x, l * 0.9], [w * x, l * 0.97 - Math.abs(x - 0.5) * 4]),
    ),
  ]
}
const slide: Draw = (l, w) => [
  poly('steel', [0, 0], [4, 0], [9, l * 0.22], [w, l * 0.22], [w, l * 0.3], [9, l * 0.3], [9, l], [0, l]),
  poly('steel', [12, 0], [16, 0], [w * 0.62, l * 0.22], [w * 0.62, l * 0.38], [12, l * 0.38]),
  ...[0.42, 0.5, 0.58, 0.66, 0.74, 0.82, 0.9].map((y) => poly('line', [5, l * y], [9, l * y])),
]

export const jointed = {
  'locking tweezers': tweezers(true, false),
  'grooved tweezers': tweezers(true, true),
  'paper forceps': (l, w) =>
    moved(tweezers(false, false)(l, w), (x, y) => [w - x, y]).concat(rect('steel', 0, 0, w * 0.9, 3)),
  'fine scissors': ringed(straight, 0.42, false),
  'blunt scissors': ringed(blunt, 0.36, false),
  'crown scissors': ringed(bent, 0.34, false),
  haemostat: ringed(bent, 0.28, true),
  'needle holder': ringed(straight, 0.24, true),
  'crown remover': squeezed(loop, 0.24, true),
  'contouring pliers': squeezed(ballAndSocket, 0.2, true),
  'crimping pliers': squeezed(short, 0.22, true),
  'dam punch': (l, w) => [
    ...squeezed(plate, 0.24, true)(l, w),
    ...[0, 1, 2, 3, 4, 5].map((i) =>
      oval('dark', w / 2 - 11.5 + 5 * Math.cos(i * 1.05), 8 + 5 * Math.sin(i * 1.05), 0.6 + 0.2 * i),
    ),
  ],
  'clamp forceps': squeezed(beaks, 0.3, false),
  'ring forceps': squeezed(loop, 0.18, true),
  'band holder': bandHolder,
  'spring gauge': gauge,
  'crown caliper': (l, w) => moved(gauge(l, w), (x, y) => [x, l - y]),
  'sliding caliper': slide,
} satisfies Record<string, Draw>
