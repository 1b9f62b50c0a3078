import { lay } from '../library/lay'
import { open, sequence, standby } from '../library/build'
import { labels } from '../library/case'
import { provisionalOff, tryIn } from '../phases/delivery'
import { rolls } from '../phases/isolation'
import { fitProvisional } from '../phases/provisional-fit'
import { deliveryAfter } from './follow-ups'
import type { VisitKind } from './kind'

/** Framework of a long span: fit, pontic, bite, shade; then the provisional goes back. */
export const bridgeTryIn: VisitKind = {
  id: 'bridge.try-in',
  work: (c) =>
    sequence(
      rolls(c),
      provisionalOff(c),
      tryIn(
        c,
        'framework',
        {
          title: `Try in the framework, ${labels(c)}: rocks on no abutment, eight margin parts each`,
          detail: 'The inside, then the margin; pressed on one end after the other.',
          passes: ['piece in gauze', 'floss', 'explorer'],
          needs: [
            open('floss', 300),
            open('fit checker', c.units.length),
            open('explorer'),
            standby('soldering index', 'it rocks: cut, indexed, soldered'),
          ],
          mistakes: ['pressed down on one end: the other end lifts unseen'],
        },
        { bitten: false },
      ),
      lay(c, 'delivery.pontic'),
      lay(c, 'delivery.room'),
      lay(c, 'delivery.shade-again'),
      lay(c, 'delivery.bite-again'),
      fitProvisional(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', 'Delivery of the bridge')],
}
