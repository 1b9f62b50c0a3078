import type { Kind } from '../kind'
import { provisionalBite } from './shared'

/** Framework of a long span: fit, pontic, bite, shade; then the provisional goes back. */
export const bridgeTryIn: Kind = {
  id: 'bridge.try-in',
  work: [
    ['rolls'],
    ['provisional off'],
    ['try-in', { what: 'framework', as: 'delivery.try-in:framework', bitten: false }],
    'delivery.pontic',
    'delivery.room',
    'delivery.shade-again',
    'delivery.bite-again',
    ['provisional fitted'],
  ],
  bites: ['room', provisionalBite],
  followUps: [{ kind: 'crown.deliver', title: 'Delivery of the bridge', after: 'the laboratory' }],
}
