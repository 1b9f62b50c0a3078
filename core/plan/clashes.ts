/** Compatibility of all that one visit uses: each rule names the clash, why, and what to do. */
import type { Case } from '../phases/case'
import { cordPlan } from '../phases/tissue'
import type { Standing } from '../figure'
import { parts } from '../teeth/notation'
import type { Clash, SetupLine, Step } from './types'

interface Facts {
  c: Case
  setup: readonly SetupLine[]
  steps: readonly Step[]
  /** Whether a need is laid out, by the key steps ask with. */
  uses: (need: string | RegExp) => boolean
}

type Rule = (facts: Facts) => Clash | null

const clash = (id: string, severity: Clash['severity'], what: string, why: string, doThis: string, standing: Standing = 'C'): Clash => ({ id, severity, what, why, doThis, standing })

const rules: Rule[] = [
  ({ c, setup }) => {
    if (!c.has('latex')) return null
    const forbidden = setup.filter((l) => l.forbidden)
    if (forbidden.length > 0) return clash('latex-alert', 'stop', `Latex alert: ${forbidden.map((l) => l.name).join(', ')} only with latex`, 'the patient is allergic to latex', 'get a latex-free one before the patient sits down')
    return clash('latex-alert', 'mind', 'Latex alert: the whole setup is latex-free', 'the patient is allergic to latex', 'keep it so: nothing is added from the drawer without a look at its label')
  },
  ({ setup, uses }) => {
    const latex = setup.filter((l) => l.latex && l.readiness === 'open')
    if (latex.length === 0 || !uses(/silicone|putty/)) return null
    return clash('latex-silicone', 'ask', `${latex.map((l) => l.name).join(', ')} with addition silicone`, 'latex stops addition silicone from setting, through what the glove leaves on the tooth too', 'change to latex-free gloves before tissue work and mixing')
  },
  ({ c }) => {
    if (c.request.deliveryCement !== 'resin') return null
    return clash('eugenol-bonding', 'mind', 'Resin cement at delivery: eugenol has left the plan', 'eugenol hinders the set and the bond of resin', 'no eugenol liner or sedative dressing either')
  },
  ({ uses }) => {
    const ferric = uses('agent.ferric sulphate')
    if (!(ferric || uses('agent.aluminium chloride')) || !uses(/light body\.silicone/)) return null
    return clash('astringent-silicone', ferric ? 'ask' : 'mind', `${ferric ? 'Ferric sulphate' : 'Aluminium chloride'} with addition silicone`, 'what is left of the salt at the margin keeps the silicone from setting', 'rinse until nothing is left, dry, then draw the cord')
  },
  ({ setup }) =>
    setup.every((l) => l.id !== 'lack:separator')
      ? null
      : clash('no-separator', 'stop', 'No separator for the provisional', 'a resin-sealed preparation or core bonds to the provisional for good', 'put petroleum jelly or another separator on the setup'),
  ({ c }) => {
    const refused = cordPlan(c).refusedAgent
    return refused ? clash('adrenaline-cord', 'ask', 'Adrenaline cord picked, adrenaline alert', 'a soaked cord can load the heart as a syringe does', `${refused.text}; the dentist may pick plain`) : null
  },
  ({ c }) =>
    c.has('adrenaline-sensitive') && c.request.anaesthetic.includes('adrenaline') && c.request.vital
      ? clash('adrenaline-anaesthetic', 'ask', `Adrenaline alert, and ${c.request.anaesthetic} picked`, 'heart, blood pressure or an interacting medicine', 'the dentist decides on agent and amount; one without adrenaline stands by')
      : null,
  ({ c, uses }) => (c.has('methacrylate') && uses('bis-acryl') ? clash('methacrylate', 'ask', 'Bis-acryl with a methacrylate alert', 'uncured resin sensitises and flares', 'the dentist decides on another provisional; no touch with ungloved hands, wipe the sticky layer') : null),
  ({ c }) => (c.has('nickel') && ['full metal crown', 'metal-ceramic crown'].includes(c.request.restoration) ? clash('nickel', 'ask', `Nickel alert, and a ${c.request.restoration}`, 'base-metal alloys may hold nickel', 'name a nickel-free alloy on the laboratory slip') : null),
  ({ c }) => (c.has('mouth breather') && c.choices.isolation === 'dam throughout' ? clash('breathing', 'ask', 'Full sheet on a mouth breather', 'the nose does not carry the breath', 'no full sheet, or a breathing corner cut; the dentist decides') : null),
  ({ c }) => {
    if (c.choices.impression !== 'addition silicone, dual-arch') return null
    const open = c.units.filter((u) => !u.mesial.tooth || !u.distal.tooth)
    if (c.units.length > 2) return clash('dual-arch', 'ask', `Dual-arch tray for ${c.units.length} units`, 'it serves one or two', 'full arch or scan')
    if (open.length === 0) return null
    return clash('dual-arch', 'ask', `Dual-arch tray, and ${open.map((u) => u.label).join(', ')} has a neighbour on one side only`, open.some((u) => parts(u.tooth).position >= 7) ? 'nothing behind the tooth stops the bite, and the tray wall may sit on the tissue' : 'the bite is not stopped on both sides', 'full arch or scan, unless the dentist finds the bite stable')
  },
  ({ c, uses }) => (uses(/polyether/) && c.choices.impression === 'polyether, custom tray' ? clash('polyether-damp', 'mind', 'Polyether after setting', 'it likes water before it sets and swells after', 'rinse, disinfect by the instructions, keep dry, never in one bag with alginate') : null),
  ({ c }) => (c.has('pacemaker') ? clash('pacemaker', 'mind', 'Pacemaker', 'electrosurgery and some ultrasonics disturb it', 'neither is on this plan; if tissue has to go, another way') : null),
]

/** Every clash among what this visit uses, hardest first. */
export function findClashes(c: Case, setup: readonly SetupLine[], steps: readonly Step[]): Clash[] {
  const needs = new Set(steps.flatMap((s) => s.needs.map((n) => n.what)))
  const uses = (need: string | RegExp): boolean => (typeof need === 'string' ? needs.has(need) : [...needs].some((n) => need.test(n)))
  const order = { stop: 0, ask: 1, mind: 2 }
  return rules
    .map((rule) => rule({ c, setup, steps, uses }))
    .filter((found) => found !== null)
    .toSorted((a, b) => order[a.severity] - order[b.severity])
}
