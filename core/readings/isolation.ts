/** The clamp on its tooth, and the sheet round the others. The pieces at removal are a count of the run. */
import { judged, readingOf, must, num, oneOf, yes } from './reading'

export const sheet = readingOf('sheet', {
  name: 'Sheet and clamp',
  once: true,
  fields: {
    points: must(num('jaws touch in', 'points', 0, 4, [2, 3, 4])),
    stable: must(yes('stable when rocked')),
    tether: must(yes('30 cm of floss tied on')),
    leak: oneOf('leak', ['none', 'at a neck', 'at the clamp']),
  },
  judge: (given, { plan }) => {
    const says = [
      ...(given.tether ? [] : ['no tether: the clamp comes off and is tied first; it is the airway guard']),
      ...(given.points < 4
        ? [
            `${given.points} points: it rocks or springs off; another clamp: ${given.points <= 2 ? 'a retentive one, jaws pointing down, or one size smaller' : 'seated lower, under the height of contour, or a retentive one'}`,
          ]
        : []),
      ...(given.stable ? [] : ['not stable: off, and another; both sides numb?']),
      ...(given.leak === 'at a neck'
        ? ['leak at a neck: edge tucked with air and an explorer; tied or sealed with block-out where it will not stay']
        : given.leak === 'at the clamp'
          ? ['leak at the clamp: light-cured block-out']
          : []),
      ...(plan.request.alerts.includes('mouth breather')
        ? ['breathes through the mouth: not a full sheet, or a breathing corner cut; the dentist decides']
        : []),
    ]
    const verdict =
      !given.tether || given.points < 4 || !given.stable || (given.leak !== undefined && given.leak !== 'none')
        ? 'correct'
        : says.length > 0
          ? 'tell'
          : 'good'
    return judged(verdict, says.length > 0 ? says : ['four points, stable, tied, dry'])
  },
})
