import { lay } from '../lay'
import { sequence } from '../build'
import { provisionalOff, tryIn } from '../generators/delivery'
import { rolls } from '../generators/isolation'
import { fitProvisional } from '../generators/provisional-fit'
import { deliveryAfter } from './follow-ups'
import type { VisitKind } from './kind'

/** Framework of a long span: fit, pontic, bite, shade; then the provisional goes back. */
export const bridgeTryIn: VisitKind = {
  id: 'bridge.try-in',
  work: (c) =>
    sequence(
      rolls(c),
      provisionalOff(c),
      tryIn(c, 'framework', { as: 'delivery.try-in:framework' }, { bitten: false }),
      lay(c, 'delivery.pontic'),
      lay(c, 'delivery.room'),
      lay(c, 'delivery.shade-again'),
      lay(c, 'delivery.bite-again'),
      fitProvisional(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', 'Delivery of the bridge')],
}
