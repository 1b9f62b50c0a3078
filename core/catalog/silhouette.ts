import { tipDiameterMm, type Bur } from './bur'

/** Half-profile of a bur head: distance from the tip in mm and radius there in mm, tip first. */
export type Profile = { atMm: number; radiusMm: number }[]

const roundHead = (length: number, radius: number, roundness = 1): Profile =>
  Array.from({ length: 17 }, (_, i) => {
    const t = i / 16
    return { atMm: t * length, radiusMm: radius * Math.sin(Math.PI * t) ** roundness }
  })

/** Flat at its end, with round corners. */
const roundCornered = (length: number, tip: number, radius: number): Profile => [
  { atMm: 0, radiusMm: 0 },
  { atMm: 0.01, radiusMm: tip * 0.65 },
  { atMm: 0.06, radiusMm: tip * 0.9 },
  { atMm: 0.2, radiusMm: tip },
  { atMm: length, radiusMm: radius },
]
/** Quarter-circle cap of the radius, then the straight flank to the neck. */
function capped(length: number, tipRadius: number, neckRadius: number): Profile {
  const cap = Array.from({ length: 9 }, (_, i) => {
    const angle = (i / 8) * (Math.PI / 2)
    return { atMm: tipRadius * (1 - Math.cos(angle)), radiusMm: tipRadius * Math.sin(angle) }
  })
  return [...cap, { atMm: length, radiusMm: neckRadius }]
}

/**
 * The silhouette of a bur's head computed from its shape, diameter, head length and taper, in true proportion.
 * The profile is mirrored by the drawing; the shank (1.6 mm friction grip) is drawn behind it.
 */
export function silhouette(b: Pick<Bur, 'shape' | 'diameterMm' | 'headLengthMm' | 'taperDeg'>): Profile {
  const radius = b.diameterMm / 2
  const tip = tipDiameterMm(b) / 2
  const length = b.headLengthMm
  switch (b.shape) {
    case 'round':
      return roundHead(b.diameterMm, radius)
    case 'football':
      return roundHead(length, radius, 0.8)
    case 'flame':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: length * 0.25, radiusMm: radius * 0.45 },
        { atMm: length * 0.6, radiusMm: radius * 0.9 },
        { atMm: length * 0.8, radiusMm: radius },
        { atMm: length, radiusMm: radius * 0.8 },
      ]
    case 'needle':
      return [
        { atMm: 0, radiusMm: 0.05 },
        { atMm: length, radiusMm: radius },
      ]
    case 'torpedo':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: radius * 0.7, radiusMm: radius * 0.6 },
        { atMm: radius * 1.6, radiusMm: radius },
        { atMm: length, radiusMm: radius },
      ]
    case 'wheel':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: 0.01, radiusMm: radius * 0.8 },
        { atMm: length / 2, radiusMm: radius },
        { atMm: length, radiusMm: radius * 0.8 },
      ]
    case 'depth cutter':
      // Three rings on a thinner core: the core stops the rings from sinking further.
      return [
        { atMm: 0, radiusMm: radius * 0.55 },
        ...[0.2, 0.5, 0.8].flatMap((at) => [
          { atMm: length * (at - 0.1), radiusMm: radius * 0.55 },
          { atMm: length * (at - 0.06), radiusMm: radius },
          { atMm: length * (at + 0.06), radiusMm: radius },
          { atMm: length * (at + 0.1), radiusMm: radius * 0.55 },
        ]),
        { atMm: length, radiusMm: radius * 0.55 },
      ]
    case 'cylinder':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: 0.01, radiusMm: radius },
        { atMm: length, radiusMm: radius },
      ]
    case 'inverted cone':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: 0.01, radiusMm: radius },
        { atMm: length, radiusMm: radius * 0.7 },
      ]
    case 'pear':
      return [
        ...Array.from({ length: 9 }, (_, i) => ({
          atMm: radius * (1 - Math.cos((i / 8) * (Math.PI / 2))),
          radiusMm: radius * Math.sin((i / 8) * (Math.PI / 2)),
        })),
        { atMm: length, radiusMm: radius * 0.6 },
      ]
    case 'teardrop':
      return roundHead(length, radius, 1.3)
    case 'reamer':
      // A drill that follows the canal: a blunt pilot, then the cutting flutes.
      return [
        { atMm: 0, radiusMm: radius * 0.3 },
        { atMm: length * 0.12, radiusMm: radius * 0.6 },
        { atMm: length * 0.3, radiusMm: radius },
        { atMm: length, radiusMm: radius },
      ]
    case 'rounded taper':
    case 'round-end taper':
      return capped(length, tip, radius)
    case 'rounded-shoulder taper':
      return roundCornered(length, tip, radius)
    case 'non-end-cutting taper':
    case 'flat-end taper':
      return [
        { atMm: 0, radiusMm: 0 },
        { atMm: 0.01, radiusMm: tip },
        { atMm: length, radiusMm: radius },
      ]
  }
}
