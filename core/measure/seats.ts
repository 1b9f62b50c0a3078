/**
 * Who sits where, by the clock round the head of a patient who lies down: 12 behind it, 6 at the feet, 3 at the patient's
 * left. Zones of activity, places of the dentist and the side of the suction tip are those that textbooks of four-handed
 * dentistry and of operative dentistry teach; from memory, so each is marked M. A start to sit down to: a team with a better
 * view of its own keeps it.
 */
import { reason, type Reason } from '../figure'
import { isAnterior, innerSide } from '../teeth/arch'
import { jawOf, parts, type Tooth } from '../teeth/notation'

export type Hand = 'right' | 'left'
/** What is worked on: the top or edge, the cheek or lip side, the palate or tongue side. */
export type Aspect = 'top' | 'outer' | 'inner'
/** From one hour to another, clockwise. */
export type Zone = readonly [from: number, to: number]

export interface Zones {
  dentist: Zone
  /** Where nobody sits: what is heavy, and what is not wanted over a face. */
  static: Zone
  assistant: Zone
  /** Where things change hands, over the chest, never over the eyes. */
  transfer: Zone
}
export interface Seats {
  hand: Hand
  /** Hours of the clock. */
  dentist: number
  assistant: number
  sight: 'direct' | 'mirror'
  head: 'straight' | 'towards the dentist' | 'away from the dentist'
  chin: 'up' | 'down'
  /** The side of the tooth on which the tip of the high-volume suction lies, and the assistant's hand that holds it. */
  tip: 'buccal' | 'labial' | 'palatal' | 'lingual'
  tipHand: Hand
  because: Reason
}

const zonesOfRight: Zones = { dentist: [7, 12], static: [12, 2], assistant: [2, 4], transfer: [4, 7] }
/** An hour seen in a mirror along the patient's middle. */
const mirrored = (hour: number): number => 12 - (hour % 12)
const flip = ([from, to]: Zone): Zone => [mirrored(to), mirrored(from)]

/** @example zones('left').dentist // [12, 5] */
export const zones = (hand: Hand): Zones =>
  hand === 'right'
    ? zonesOfRight
    : {
        dentist: flip(zonesOfRight.dentist),
        static: flip(zonesOfRight.static),
        assistant: flip(zonesOfRight.assistant),
        transfer: flip(zonesOfRight.transfer),
      }

/** Where a right-handed dentist sits, how it is looked at, and how the head is turned. */
type View = readonly [hour: number, sight: Seats['sight'], head: Seats['head']]
const straight = 'straight'
const towards = 'towards the dentist'
const away = 'away from the dentist'
/** By jaw, by where in it (front; behind on the dentist's side; behind on the assistant's), by what is worked on. */
const views: Readonly<
  Record<'upper' | 'lower', Readonly<Record<'front' | 'near' | 'far', Readonly<Record<Aspect, View>>>>>
> = {
  upper: {
    front: { top: [11, 'direct', straight], outer: [11, 'direct', straight], inner: [12, 'mirror', straight] },
    near: { top: [11, 'mirror', straight], outer: [9, 'direct', away], inner: [11, 'mirror', towards] },
    far: { top: [11, 'mirror', straight], outer: [11, 'direct', towards], inner: [9, 'direct', away] },
  },
  lower: {
    front: { top: [11, 'direct', straight], outer: [8, 'direct', straight], inner: [12, 'mirror', straight] },
    near: { top: [9, 'direct', straight], outer: [9, 'direct', away], inner: [11, 'direct', towards] },
    far: { top: [11, 'direct', towards], outer: [11, 'direct', towards], inner: [9, 'direct', away] },
  },
}

/** Whether a tooth stands on the patient's right. */
const onTheRight = (t: Tooth): boolean => [1, 4, 5, 8].includes(parts(t).quadrant)

/**
 * Where dentist and assistant sit for one aspect of one tooth, and where the suction tip lies.
 * @example seatsFor(toTooth('46'), 'top', 'right').dentist // 9
 */
export function seatsFor(tooth: Tooth, aspect: Aspect, hand: Hand): Seats {
  const right = onTheRight(tooth)
  const place = isAnterior(tooth) ? 'front' : right === (hand === 'right') ? 'near' : 'far'
  const jaw = jawOf(tooth)
  const [hour, sight, head] = views[jaw][place][aspect]
  const outer = place === 'front' ? 'labial' : 'buccal'
  // Behind: the side next to the assistant. In front: the side that is not being cut.
  const tip = place === 'far' || (place === 'front' && aspect === 'inner') ? outer : innerSide(tooth)
  return {
    hand,
    dentist: hand === 'right' ? hour : mirrored(hour),
    assistant: hand === 'right' ? 3 : 9,
    sight,
    head,
    chin: jaw === 'upper' ? 'up' : 'down',
    tip,
    // The hand next to the transfer zone stays free for it.
    tipHand: hand,
    because: reason(
      `${jaw === 'upper' ? 'Upper' : 'Lower'} ${place === 'front' ? 'front tooth' : place === 'near' ? 'back tooth on the dentist’s side' : 'back tooth on the assistant’s side'}; places as four-handed dentistry is taught, a start and no rule`,
      'M',
    ),
  }
}

/** What of a tooth a cut is about, by the words of its surface. */
export const aspectOf = (surface: string): Aspect =>
  /cusps|incisal|edge|occlusal/.test(surface)
    ? 'top'
    : /buccal|labial|facial|cervical/.test(surface)
      ? 'outer'
      : /palatal|lingual|inner/.test(surface)
        ? 'inner'
        : 'top'

/** @example sightInWords(seatsFor(toTooth('46'), 'top', 'right')) // 'at 9 o’clock, looks straight at it' */
export const sightInWords = ({ dentist, sight }: Seats): string =>
  `at ${dentist} o’clock, ${sight === 'mirror' ? 'looks in the mirror' : 'looks straight at it'}`
/** @example tipInWords(seatsFor(toTooth('46'), 'top', 'right')) // 'tip lingual, right hand' */
export const tipInWords = ({ tip, tipHand }: Seats): string => `tip ${tip}, ${tipHand} hand`
export const seatsInWords = (s: Seats): string => `${sightInWords(s)}; suction ${tipInWords(s)}`
