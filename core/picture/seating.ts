/**
 * Dentist, patient and assistant from above, and the jaw as each of them sees it. The patient lies with the head up the
 * page: hours of the clock stand where they stand round the head.
 */
import type { Seats, Zones } from '../measure/seats'
import { archPlaces, type ArchPlace } from '../teeth/arch'
import { isPrimary, jawOf, type Tooth } from '../teeth/notation'

export type Spot = readonly [x: number, y: number]

/** An hour as a place on a circle, y downward. */
export function hourAt(hour: number, radius: number): Spot {
  const turn = (hour * Math.PI) / 6
  return [radius * Math.sin(turn), -radius * Math.cos(turn)]
}
/** How far a zone reaches, hours clockwise. @example spanOf([7, 12]) // 5 */
export const spanOf = ([from, to]: Zones['dentist']): number => (to - from + 12) % 12

/** A zone as an arc of a circle: its ends, and whether it goes the long way round. */
export function arcOf(zone: Zones['dentist'], radius: number): { from: Spot; to: Spot; long: boolean } {
  return { from: hourAt(zone[0], radius), to: hourAt(zone[1], radius), long: spanOf(zone) > 6 }
}
/** The middle of a zone, as an hour. */
export const middleOf = (zone: Zones['dentist']): number => (zone[0] + spanOf(zone) / 2) % 12

/** By how much a jaw is turned, degrees clockwise, so that whoever sits at an hour looks at it from below. */
export const turnFor = (hour: number): number => ((6 - hour) * 30) % 360

/** A tooth in the jaw as it lies under the clock: front teeth of the upper jaw up, those of the lower jaw down; mm. */
export interface JawTooth {
  tooth: Tooth
  at: Spot
  /** Degrees clockwise. */
  turn: number
  place: ArchPlace
}

/** The jaw of a tooth round its own middle, so that it may be turned. */
export function jawOfSeats(tooth: Tooth): JawTooth[] {
  const jaw = jawOf(tooth)
  const down = jaw === 'upper' ? 1 : -1
  const places = archPlaces(jaw, isPrimary(tooth) ? 'primary' : 'permanent')
  const laid = places.map((place): JawTooth => ({
    tooth: place.tooth,
    at: [place.xMm, down * place.yMm],
    turn: (down * place.tangent * 180) / Math.PI,
    place,
  }))
  const middle = (down * Math.max(...places.map((p) => p.yMm))) / 2
  return laid.map((t) => ({ ...t, at: [t.at[0], t.at[1] - middle] }))
}

/** The suction tip, mm: how wide it is, how far from the tooth its opening ends, how much of it is drawn. */
const tipMm = { width: 8, gap: 2, length: 46 }

/**
 * The tip of the suction as it lies in the jaw: beside the tooth on its side, and away toward the hand that holds it.
 * @returns its two ends and width, mm, in the coordinates of {@link jawOfSeats}
 */
export function tipOf(tooth: Tooth, seats: Seats): { open: Spot; held: Spot; widthMm: number } {
  const own = jawOfSeats(tooth).find((t) => t.tooth === tooth)
  if (!own) throw new Error(`${tooth} is in no jaw`)
  const turn = (own.turn * Math.PI) / 180
  const down = jawOf(tooth) === 'upper' ? 1 : -1
  const outward = seats.tip === 'buccal' || seats.tip === 'labial' ? 1 : -1
  const off = outward * (own.place.depthMm / 2 + tipMm.gap + tipMm.width / 2)
  const open: Spot = [own.at[0] + off * down * Math.sin(turn), own.at[1] - off * down * Math.cos(turn)]
  const [hx, hy] = hourAt(seats.assistant, 1)
  return { open, held: [open[0] + hx * tipMm.length, open[1] + hy * tipMm.length], widthMm: tipMm.width }
}
