/** Instruments with a handle and one or two working ends. */
import { moved, oval, part, path, poly, rect, rings, turned, type Draw, type Part } from './part'

/** A working end: drawn upward from where the shank ends at (0, 0); `reach` is its half width, mm. */
type End = (reach: number) => { parts: Part[]; length: number }

const shepherd: End = (r) => ({
  length: 16,
  parts: [
    part(
      'steel',
      path`M -0.7 0 C -0.8 -6 -1.6 -10 -1.2 -13 C -0.8 -16.4 ${r * 0.9} -16.9 ${r} -12.6 L ${r - 0.4} -9 C ${r - 0.3} -13.6 0.7 -15 0.6 -12 C 0.5 -9 0.8 -5 0.7 0 Z`,
    ),
  ],
})
const sickleTip: End = (r) => ({
  length: 12,
  parts: [
    part(
      'steel',
      path`M -0.8 0 C -1.4 -5 -1.4 -8 0.6 -10.4 C 2 -11.9 ${r - 0.6} -12.3 ${r} -11.2 C ${r * 0.6} -10.6 1.6 -9.4 1.2 -7 C 1 -5 0.9 -3 0.8 0 Z`,
    ),
  ],
})
const banded: End = (r) => ({
  length: 18,
  parts: [
    part(
      'steel',
      path`M -0.7 0 L -0.5 -5 L ${-r * 0.8} -8 L ${-r * 0.7} -18 L ${-r * 0.35} -18 L ${-r * 0.2} -7.4 L 0.7 -5 L 0.7 0 Z`,
    ),
    ...[9.4, 12, 15].map((y) => rect('dark', -r * 0.78, -y - 1.2, r * 0.56, 1.2)),
  ],
})
const disc: End = (r) => ({
  length: 2 * r + 6,
  parts: [
    poly('steel', [-0.9, 0], [-1.2, -7], [1.2, -7], [0.9, 0]),
    oval('steel', 0, -r - 6, r),
    oval('glass', 0, -r - 6, r * 0.8),
    poly('line', [-r * 0.45, -r - 3], [r * 0.2, -r - 9.5]),
  ],
})
const ball =
  (d: number): End =>
  () => ({
    length: 9 + d / 2,
    parts: [poly('steel', [-0.8, 0], [0.6, -9], [1.6, -9], [0.8, 0]), oval('steel', 1.1, -9, d / 2)],
  })
const stub =
  (d: number, serrated: boolean): End =>
  (r) => ({
    length: 11,
    parts: [
      poly('steel', [-0.9, 0], [-0.4, -5], [r - d - 0.4, -7], [r - d, -8], [r - 0.6, -7], [0.9, -4], [0.9, 0]),
      poly('steel', [r - d, -7], [r - d, -11], [r, -11], [r, -7]),
      ...(serrated ? [poly('line', [r - d, -10.2], [r, -10.2]), poly('line', [r - d, -9.4], [r, -9.4])] : []),
    ],
  })
/** A straight blade with its edge across or slanting. */
const blade =
  (length: number, width: number, slant: number): End =>
  () => ({
    length,
    parts: [
      poly(
        'steel',
        [-0.9, 0],
        [-0.8, -length * 0.35],
        [-width / 2, -length * 0.5],
        [-width / 2, -length + slant],
        [width / 2, -length],
        [width / 2, -length * 0.5],
        [0.8, -length * 0.35],
        [0.9, 0],
      ),
      poly('line', [-width / 2, -length + slant + 1.4], [width / 2, -length + 1.4]),
    ],
  })
/** A blade set at an angle to its shank, as an axe is. */
const axe: End = (r) => ({
  length: 11,
  parts: [poly('steel', [-0.8, 0], [-0.5, -8], [-1.2, -11], [r, -10], [r, -7.6], [0.9, -7], [0.8, 0])],
})
const trimmer: End = (r) => ({
  length: 12,
  parts: [part('steel', path`M -0.8 0 C -1.2 -5 -1 -8 0.4 -10.4 L 2 -12 L ${r} -9.4 C 2.4 -8.8 1.2 -6 0.8 0 Z`)],
})
const crescent =
  (pointed: boolean): End =>
  (r) => ({
    length: 15,
    parts: [
      part(
        'steel',
        pointed
          ? path`M -0.9 0 C -2.6 -5 -2.8 -10 0.2 -13.4 C 1.4 -14.7 ${r - 1} -15 ${r} -15 C ${r * 0.5} -12.6 0.2 -9.6 0.3 -6 C 0.4 -3 0.8 -2 0.9 0 Z`
          : path`M -0.9 0 C -2.4 -5 -2.4 -9 0 -12.6 C 1.6 -15.2 ${r - 0.6} -15.8 ${r} -13.4 C ${r} -11.8 0.9 -10 0.5 -6 C 0.4 -3 0.8 -2 0.9 0 Z`,
      ),
    ],
  })
const bowl =
  (size: number): End =>
  () => ({
    length: size * 2 + 7,
    parts: [
      poly('steel', [-0.9, 0], [0.2, -7.6], [1.4, -7.6], [0.9, 0]),
      oval('steel', 1, -size - 7, size * 0.7, size),
      oval('line', 1, -size - 7, size * 0.4, size * 0.65),
    ],
  })
const paddle =
  (width: number, length: number): End =>
  () => ({
    length,
    parts: [
      part(
        'steel',
        path`M -0.9 0 C -1 -3 ${-width / 2} -5 ${-width / 2} -8 L ${-width / 2} ${-length + 2} Q ${-width / 2} ${-length} 0 ${-length} Q ${width / 2} ${-length} ${width / 2} ${-length + 2} L ${width / 2} -8 C ${width / 2} -5 1 -3 0.9 0 Z`,
      ),
    ],
  })
const discoid: End = () => ({
  length: 12,
  parts: [
    poly('steel', [-0.8, 0], [-0.6, -8], [0.6, -8], [0.8, 0]),
    oval('steel', 0, -9.6, 2.4),
    oval('line', 0, -9.6, 1.4),
  ],
})
const claw: End = () => ({
  length: 14,
  parts: [part('steel', path`M -0.8 0 L -0.6 -7 C -3.4 -9 -2.4 -12 0 -14 C 2.4 -12 3.4 -9 0.6 -7 L 0.8 0 Z`)],
})
const foot =
  (teeth: boolean): End =>
  (r) => ({
    length: 12,
    parts: [
      part(
        'steel',
        path`M -0.8 0 C -1.2 -4 -1.6 -6 -1 -8 C -0.2 -11 2 -12.2 ${r} -11.6 L ${r} -9.8 C 2 -10 1 -8 0.9 -5 L 0.8 0 Z`,
      ),
      ...(teeth ? [2.2, 3.1, 4].filter((x) => x < r).map((x) => poly('line', [x, -11.8], [x, -10])) : []),
    ],
  })
const cone: End = () => ({
  length: 12,
  parts: [poly('steel', [-0.9, 0], [-1, -5], [-2, -6.4], [0, -12], [2, -6.4], [1, -5], [0.9, 0])],
})
const fork: End = (r) => ({
  length: 13,
  parts: [
    part(
      'steel',
      path`M -0.9 0 L -1 -5 C ${-r} -6.5 ${-r} -9 ${-r} -13 L ${-r + 1.6} -13 C ${-r + 1.6} -9 -1 -8 0 -8 C 1 -8 ${r - 1.6} -9 ${r - 1.6} -13 L ${r} -13 C ${r} -9 ${r} -6.5 1 -5 L 0.9 0 Z`,
    ),
  ],
})
/** A long wire, a pellet of gold speared on its point. */
const speared: End = (r) => ({
  length: 26,
  parts: [
    poly('steel', [-0.7, 0], [-0.35, -22], [0, -26], [0.35, -22], [0.7, 0]),
    rect('soft', -r * 0.6, -25, r * 1.2, 3.4, 0.8),
  ],
})
const needlePoint =
  (length: number): End =>
  () => ({
    length,
    parts: [poly('steel', [-0.8, 0], [-0.3, -length], [0.3, -length], [0.8, 0])],
  })

/** The enlarged end of an instrument: its parts, for a frame of its own size. */
export interface Hand {
  draw: Draw
  /** How much of the top is drawn again, enlarged. */
  endMm: number
}

const shank = (from: number, to: number): Part => turned('steel', 0, [from, 0.85], [to, 2.2])

/** A handle between two ends; the lower one is left out where the instrument has but one. */
function handled(top: End, low: End | undefined, look: 'steel' | 'soft' = 'steel'): Draw {
  return (l, w) => {
    const reach = w / 2
    const half = Math.min(reach, 5)
    const up = top(reach)
    const down = low?.(reach)
    const neck = 14
    const from = up.length + neck
    const to = down ? l - down.length - neck : l
    const parts = [
      ...moved(up.parts, (x, y) => [x, y + up.length]),
      shank(up.length, from),
      rect(look, -half, from, 2 * half, to - from, 3),
      ...rings(0, half * 0.8, from + 6, Math.min(from + 34, to - 4), 2.4),
      ...(down
        ? [
            ...rings(0, half * 0.8, Math.max(from + 40, to - 34), to - 5, 2.4),
            turned('steel', 0, [to, 2.2], [l - down.length, 0.85]),
            ...moved(down.parts, (x, y) => [-x, l - down.length - y]),
          ]
        : []),
    ]
    return moved(parts, (x, y) => [x + reach, y])
  }
}
const hand = (top: End, low?: End, endMm = 24, look: 'steel' | 'soft' = 'steel'): Hand => ({
  draw: handled(top, low, look),
  endMm,
})

/** A flat blade on a grip: spatulas, knives. */
const spatula =
  (bladeShare: number): Draw =>
  (l, w) => {
    const end = l * bladeShare
    const c = w / 2
    return [
      part(
        'steel',
        path`M ${c - w * 0.3} ${end} L 0 ${end * 0.75} L 0 ${w * 0.5} Q 0 0 ${c} 0 Q ${w} 0 ${w} ${w * 0.5} L ${w} ${end * 0.75} L ${c + w * 0.3} ${end} Z`,
      ),
      rect('soft', c - w * 0.36, end, w * 0.72, l - end, 3),
    ]
  }

/** By name; what differs only at the working end shows it enlarged. */
export const hands = {
  explorer: hand(shepherd, needlePoint(14)),
  'sickle explorer': hand(sickleTip, shepherd),
  probe: hand(banded),
  mirror: { draw: handled(disc, undefined), endMm: 0 },
  'plastic mirror': { draw: handled(disc, undefined, 'soft'), endMm: 0 },
  'cord packer, toothed': hand(foot(true), foot(true)),
  'cord packer, smooth': hand(foot(false), foot(false)),
  'sickle scaler': hand(crescent(true), crescent(true)),
  curette: hand(crescent(false), crescent(false)),
  spoon: hand(bowl(2.6), bowl(2.6)),
  chisel: hand(blade(14, 3.2, 0), blade(14, 3.2, 0)),
  hatchet: hand(axe, axe),
  trimmer: hand(trimmer, trimmer),
  'plastic instrument': hand(paddle(5, 17), stub(2.2, false)),
  'condenser, small': hand(stub(1.8, true), stub(2.2, true)),
  'condenser, large': hand(stub(3.6, true), stub(3, true)),
  'ball burnisher': hand(ball(4.4), ball(3)),
  'flat burnisher': hand(paddle(6, 13), ball(3)),
  'discoid carver': hand(discoid, claw),
  'interproximal carver': hand(blade(17, 1.8, 5), crescent(true)),
  'liner carrier': hand(ball(2), ball(1.6)),
  'fissure former': hand(cone, paddle(4.4, 13)),
  'composite plugger': hand(ball(3.4), stub(2.6, false), 24, 'soft'),
  'contact former': hand(fork, undefined, 24, 'soft'),
  'crown seater': hand(bowl(5), fork, 30),
  'band pusher': hand(stub(4.4, true), undefined, 22),
  'foil condenser': hand(stub(1.2, true), needlePoint(12)),
  'foil carrier': hand(speared, undefined, 30),
  'gold knife': hand(blade(18, 3, 7), blade(18, 3, 7)),
  scalpel: hand(blade(26, 6, 9), undefined, 0, 'soft'),
} satisfies Record<string, Hand>

export const spatulas = {
  'mixing spatula': spatula(0.55),
  'cement spatula': spatula(0.4),
} satisfies Record<string, Draw>
