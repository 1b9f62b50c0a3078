/** Redundant or overgrown gum. */
import { reason } from '../figure'
import { soreGum } from '../measure/numbing'
import { absent, nothing, open, step, type Block } from '../library/build'
import { type Case, type Unit } from '../library/case'

/** The teeth whose gum has to go. */
export const overgrownTeeth = (c: Case): Unit[] => c.units.filter((u) => u.facts.overgrown)

/** Redundant or overgrown tissue: by the dentist, with what it asks of everybody in the room. */
export function overgrownTissue(c: Case): Block {
  const teeth = overgrownTeeth(c)
  if (teeth.length === 0) return nothing
  const school =
    c.choices.redundantTissue === 'electrosurgery' && c.has('pacemaker') ? 'laser' : c.choices.redundantTissue
  if (school === 'wait')
    return absent(
      'tissue removal',
      reason('overgrown tissue is left: shape the provisional and look again', 'practice'),
    )
  const laser = school === 'laser'
  const tool = laser ? 'the laser' : 'electrosurgery'
  return step({
    id: 'tissue.trim',
    reshapes: c.jaw,
    phase: 'tissue',
    title: `Overgrown tissue off with ${tool}: ${teeth.map((u) => u.label).join(', ')}`,
    told: `removed overgrown tissue with ${tool} at ${teeth.map((u) => u.label).join(', ')}`,
    tell: 'Some overgrown gum was taken away. It is sore and heals within about a week. Keep it clean.',
    fn: 'cutting',
    place: 'mouth',
    helped: true,
    hurts: soreGum(teeth.map((u) => u.tooth)),
    minutes: [2, 4, 8],
    passes: ['plastic mirror', 'high-volume suction at the tip'],
    needs: laser
      ? [open('soft-tissue laser'), open('laser tip'), open('laser goggles', 3), open('plastic mirror')]
      : [open('electrosurgery unit'), open('electrosurgery tip'), open('plastic mirror'), open('plastic suction tip')],
    cautions: [
      ...(laser
        ? [reason('Laser goggles on all three before the foot is on the pedal; the door shut', 'C')]
        : [reason('Never with a pacemaker; no metal in the field; the plate under the patient', 'C')]),
      reason('Plume: high-volume suction and masks', 'C'),
    ],
    reason: reason('redundant tissue only; about a week’s healing before the next tissue-critical visit', 'C'),
  })
}
