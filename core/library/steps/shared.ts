/** What steps of several files have in common. */

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
