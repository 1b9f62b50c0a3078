import { acts, open, practice, sequence, standby } from '../library/build'
import { labels } from '../library/case'
import { provisionalOff, tryIn } from '../phases/delivery'
import { rolls } from '../phases/isolation'
import { fitProvisional } from '../phases/provisional-fit'
import { deliveryAfter } from './follow-ups'
import type { VisitKind } from './kind'

const act = acts({ phase: 'delivery', fn: 'chairside', place: 'mouth', helped: true })

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
      act(
        'delivery.pontic',
        `Pontic ${c.pontics.map((u) => u.label).join(', ')}: touches the tissue without whitening, floss passes`,
        [1, 2, 4],
        { needs: [open('floss threader')], told: 'checked the pontic against the tissue' },
      ),
      act('delivery.room', 'Room for the ceramic in every bite', [1, 2, 4], {
        bite: 'room',
        fn: 'occlusal check',
        needs: [open('clearance tabs'), open('articulating paper', 2)],
        told: 'checked the room for the ceramic',
      }),
      act('delivery.shade-again', 'Shade taken again, with a picture', [1, 2, 4], {
        fn: 'shade preview',
        needs: [open('shade guide'), open('camera')],
        hold: {
          name: 'shade',
          title: 'Shade',
          evidence: 'tab beside wet teeth',
          because: practice('the ceramic is layered after this visit'),
          mandatory: true,
        },
      }),
      act('delivery.bite-again', 'New bite record over the framework', [1, 1.5, 3], {
        fn: 'bite record',
        needs: [open('bite silicone', 6), open('mixing tip')],
      }),
      fitProvisional(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', 'Delivery of the bridge')],
}
