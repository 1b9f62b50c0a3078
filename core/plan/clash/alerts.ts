/** The patient's alerts against what is laid out. */
import { childOf } from '../../library/case'
import { cordPlan } from '../../library/generators/cord-plan'
import { overgrownTeeth } from '../../library/generators/overgrown'
import { clash, forDentist, names, within, type Rule } from './rule'
import { carries } from '../../catalog/hazards'

const latexAlert: Rule = ({ c, setup }) => {
  if (!c.has('latex')) return null
  const forbidden = setup.filter((l) => l.forbidden && l.lack?.includes('latex'))
  if (forbidden.length > 0)
    return clash(
      'latex-alert',
      'stop',
      `Latex alert: ${names(forbidden)} only with latex`,
      'the patient is allergic to latex',
      'get a latex-free one before the patient sits down',
    )
  return clash(
    'latex-alert',
    'mind',
    'Latex alert: the whole setup is latex-free',
    'the patient is allergic to latex',
    'keep it so: nothing is added from the drawer without a look at its label',
  )
}

const otherAllergy: Rule = ({ setup }) => {
  const forbidden = setup.filter((l) => l.forbidden && !l.lack?.includes('latex'))
  return forbidden.length > 0
    ? clash(
        'antiseptic-alert',
        'stop',
        `Allergy: ${names(forbidden)} only with what the patient is allergic to`,
        'recorded allergy',
        'get another antiseptic, or leave the act out by the dentist’s word',
      )
    : null
}

const chlorhexidine: Rule = ({ c, steps }) =>
  c.has('chlorhexidine') && steps.some((s) => s.act === 'scrub')
    ? clash(
        'chlorhexidine',
        'mind',
        'Chlorhexidine alert: the scrub has left the plan',
        'recorded allergy',
        'alcohol instead; no chlorhexidine rinse or gel either',
      )
    : null

const adrenalineCord: Rule = ({ c }) => {
  const refused = c.asked.choices.has('cordAgent') ? cordPlan(c).refusedAgent : undefined
  return refused
    ? forDentist(
        'adrenaline-cord',
        'Adrenaline cord picked, adrenaline alert',
        'a soaked cord can load the heart as a syringe does',
        `${refused.text}; the dentist may pick plain`,
      )
    : null
}

/** Whatever brought it there: a card, an exchange, the practice's own amendment. */
const adrenalineOnTray: Rule = ({ c, setup }) => {
  if (!c.has('adrenaline-sensitive')) return null
  const lies = within(setup).filter((l) => carries(l, 'adrenaline-sensitive') && !l.needs.some(isCartridge))
  return lies.length > 0
    ? forDentist(
        'adrenaline-tray',
        `Adrenaline alert, and on the tray: ${names(lies)}`,
        'adrenaline is taken up through the gum as well',
        'the dentist decides: another agent, or none',
      )
    : null
}

const isCartridge = (need: string): boolean => need.startsWith('cartridge.')

const adrenalineAnaesthetic: Rule = ({ c, setup }) =>
  c.has('adrenaline-sensitive') &&
  within(setup).some((l) => l.needs.some((n) => isCartridge(n) && n.includes('with adrenaline')))
    ? forDentist(
        'adrenaline-anaesthetic',
        'Adrenaline alert, and an anaesthetic with adrenaline planned',
        'heart, blood pressure or an interacting medicine',
        'the dentist decides on agent and amount; one without adrenaline stands by',
      )
    : null

const methacrylate: Rule = ({ c, setup }) => {
  const resin = within(setup).filter((l) => l.allergens?.includes('methacrylate'))
  return c.has('methacrylate') && resin.length > 0
    ? forDentist(
        'methacrylate',
        `Methacrylate alert, and ${names(resin)}`,
        'uncured resin sensitises and flares',
        'the dentist decides on another material; no touch with ungloved hands, wipe the sticky layer',
      )
    : null
}

const nickel: Rule = ({ c, setup }) => {
  if (!c.has('nickel')) return null
  const metal =
    ['full metal crown', 'metal-ceramic crown', 'preformed metal crown'].includes(c.restoration ?? '') ||
    c.asks('framework') === 'base metal'
  const laid = within(setup).filter((l) => l.allergens?.includes('nickel'))
  if (!metal && laid.length === 0) return null
  const what = [
    ...(metal ? [c.asks('framework') === 'base metal' ? 'a base-metal bridge' : `a ${c.restoration}`] : []),
    ...laid.map((l) => l.name),
  ].join(', ')
  return forDentist(
    'nickel',
    `Nickel alert, and ${what}`,
    'base-metal alloys may hold nickel',
    c.kind.lab
      ? 'name a nickel-free alloy on the laboratory slip'
      : 'the dentist decides: another crown, or none of it',
  )
}

const mouthBreather: Rule = ({ c, setup }) =>
  c.has('mouth breather') && within(setup).some((l) => carries(l, 'mouth breather'))
    ? forDentist(
        'breathing',
        'Full sheet on a mouth breather',
        'the nose does not carry the breath',
        'no full sheet, or a breathing corner cut; the dentist decides',
      )
    : null

const pacemaker: Rule = ({ c, setup }) => {
  if (!c.has('pacemaker')) return null
  const lies = within(setup).filter((l) => carries(l, 'pacemaker'))
  if (lies.length > 0)
    return forDentist(
      'pacemaker',
      `Pacemaker, and on the tray: ${names(lies)}`,
      'their current may disturb a pacemaker',
      'the dentist decides: tissue by another way, a length by film',
    )
  const unit = overgrownTeeth(c).length > 0 && c.school('redundantTissue') === 'electrosurgery'
  if (unit)
    return forDentist(
      'pacemaker',
      'Electrosurgery picked, pacemaker',
      'its current disturbs a pacemaker',
      'the plan takes the laser instead; the dentist may leave the tissue',
    )
  return clash(
    'pacemaker',
    'mind',
    'Pacemaker',
    'electrosurgery and some ultrasonics disturb it',
    'neither lies on this tray; if tissue has to go, another way',
  )
}

const childWithoutWeight: Rule = ({ c, uses }) =>
  (childOf(c) ?? c.kind.dentition === 'primary') && c.asks('weightKg') === undefined && uses(/^cartridge\./)
    ? clash(
        'weight',
        'ask',
        'No weight on record for a child',
        'doses go by weight',
        'weigh the child, write it down, and the ceiling is worked out',
      )
    : null

const overTheCeiling: Rule = ({ steps }) => {
  const over = steps.find((s) => s.numbed?.over !== undefined)?.numbed?.over
  return over !== undefined
    ? forDentist(
        'anaesthetic-over',
        'More anaesthetic planned than the ceiling',
        over,
        'the dentist takes less, another agent, or two visits',
      )
    : null
}

/** Each is named for what it finds; a visit shows those that speak. */
export const alertRules: readonly Rule[] = [
  latexAlert,
  otherAllergy,
  chlorhexidine,
  adrenalineCord,
  adrenalineOnTray,
  adrenalineAnaesthetic,
  methacrylate,
  nickel,
  mouthBreather,
  pacemaker,
  childWithoutWeight,
  overTheCeiling,
]
