import type { Kind } from '../kind'
import { provisionalBite } from './shared'

/** J13: interim crown by putty and bis-acryl, in full. */
export const crownInterim: Kind = {
  id: 'crown.interim',
  beforehand: [[['provisional mould']]],
  work: [
    ['rolls'],
    // The mould made fit for use: cut, trimmed, tried empty.
    { if: ['school.provisional', 'is', 'bis-acryl in putty index'], do: ['provisional.cut-index'] },
    'provisional.try-mould',
    ['provisional made'],
    // Trimming in its order: pencil, gross, edges, inside.
    'provisional.pencil',
    'provisional.gross',
    'provisional.edges',
    'provisional.gauge',
    'provisional.inspect',
    'provisional.corrections',
    ['provisional polished'],
    ['provisional fitted'],
  ],
  bites: [provisionalBite],
}
