/** What steps of several files have in common. */
import { open, reason, standby } from '../needs'

/** A step at one place of a bonding: its phase and tooth are whoever bonds’. */
export const onSpot = { phase: '$phase', place: 'mouth', helped: true, tooth: '$tooth' } as const

/** From the first resin cement out of its tip until the piece is down. */
export const resinSeated = {
  from: 'delivery.load',
  fromEdge: 'start',
  toEdge: 'finish',
  closes: 'resin.seat',
  warns: 'resin.seat.warns',
  title: 'Resin cement to seated',
  again: ['delivery.load', 'delivery.seat'],
} as const

/** Composite is pressed with a coated one: it sticks to bare steel. */
export const compositePlugger = open('composite plugger', 1, {
  orElse: [{ what: 'amalgam condenser', loss: 'not coated: composite sticks to it' }],
})

/** What the patient takes home after a filling. */
export const afterFilling =
  'You may eat on it today, once the numbness is gone. It may feel cold for some days. Call us if the bite feels high.'

/** What a reline takes, beside what the tray has anyway. */
export const relining = [
  standby(
    'flowable resin',
    'it is open or short in up to two neighbouring parts and 1 mm: reline; it has a bubble inside, or a contact is gone',
  ),
  standby('separator', 'it is relined: jelly again before each', 0.5),
  standby('curing light', 'a reline is cured from two sides, seated before curing'),
  standby('light shield', 'a reline is cured'),
] as const

/** Gauge, contacts, margin: the bench work on any bis-acryl provisional. */
export const bisAcrylHardens = {
  from: 'provisional.mix',
  fromEdge: 'start',
  toEdge: 'start',
  least: 'bis-acryl.hard',
  title: 'Bis-acryl hardens',
} as const

/** Wherever a film is exposed. */
export const exposure = reason(
  'Film held by its holder, or by the patient’s own finger on the dentist’s word; whoever placed it exposes from behind the shield or at distance, the others step back',
  'C',
)
