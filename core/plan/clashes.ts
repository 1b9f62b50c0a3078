/** Compatibility of all that one case uses, this visit and those before it: each rule names the clash, why, and what to do. */
import { firstOf } from '../sure'
import type { Item } from '../catalog/item'
import type { Standing } from '../figure'
import { weakMWPerCm2 } from '../measure/curing'
import type { Case } from '../phases/case'
import { pickSpeed } from '../phases/impression'
import { cordPlan, overgrownTeeth } from '../phases/tissue'
import { parts } from '../teeth/notation'
import type { VisitRequest } from '../model/request'
import type { Clash, SetupLine } from '../model/plan'
import type { Step } from '../model/step'

interface Facts {
  c: Case
  setup: readonly SetupLine[]
  steps: readonly Step[]
  /** Whether a need is laid out open, by the key steps ask with. */
  uses: (need: string | RegExp) => boolean
  /** Visits of the case before this one that used a need. */
  before: (need: string | RegExp) => VisitRequest['earlier']
  /** The item behind a line, as the practice owns it. */
  itemOf: (line: SetupLine) => Item | undefined
  /** Something is bonded with resin in this visit. */
  bonds: boolean
}

type Rule = (facts: Facts) => Clash | null

const clash = (
  id: string,
  severity: Clash['severity'],
  what: string,
  why: string,
  doThis: string,
  standing: Standing = 'C',
): Clash => ({ id, severity, what, why, doThis, standing })
const names = (lines: readonly SetupLine[]): string => lines.map((l) => l.name).join(', ')
const openLines = (setup: readonly SetupLine[]): SetupLine[] => setup.filter((l) => l.readiness === 'open')
const dates = (visits: VisitRequest['earlier']): string => visits.map((v) => v.date).join(', ')

/** The patient's alerts against what is laid out. */
const alertRules: Rule[] = [
  ({ c, setup }) => {
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
  },
  ({ setup }) => {
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
  },
  ({ c, steps }) =>
    c.has('chlorhexidine') && steps.some((s) => s.act === 'scrub')
      ? clash(
          'chlorhexidine',
          'mind',
          'Chlorhexidine alert: the scrub has left the plan',
          'recorded allergy',
          'alcohol instead; no chlorhexidine rinse or gel either',
        )
      : null,
  ({ c }) => {
    const refused = c.asked.choices.has('cordAgent') ? cordPlan(c).refusedAgent : undefined
    return refused
      ? clash(
          'adrenaline-cord',
          'ask',
          'Adrenaline cord picked, adrenaline alert',
          'a soaked cord can load the heart as a syringe does',
          `${refused.text}; the dentist may pick plain`,
        )
      : null
  },
  ({ c, uses }) =>
    c.has('adrenaline-sensitive') && c.request.anaesthetic.includes('adrenaline') && uses(/^cartridge\./)
      ? clash(
          'adrenaline-anaesthetic',
          'ask',
          `Adrenaline alert, and ${c.request.anaesthetic} picked`,
          'heart, blood pressure or an interacting medicine',
          'the dentist decides on agent and amount; one without adrenaline stands by',
        )
      : null,
  ({ c, setup }) => {
    const resin = openLines(setup).filter((l) => l.allergens?.includes('methacrylate'))
    return c.has('methacrylate') && resin.length > 0
      ? clash(
          'methacrylate',
          'ask',
          `Methacrylate alert, and ${names(resin)}`,
          'uncured resin sensitises and flares',
          'the dentist decides on another material; no touch with ungloved hands, wipe the sticky layer',
        )
      : null
  },
  ({ c, setup }) => {
    if (!c.has('nickel')) return null
    const metal =
      ['full metal crown', 'metal-ceramic crown', 'preformed metal crown'].includes(c.restoration ?? '') ||
      c.request.framework === 'base metal'
    const laid = openLines(setup).filter((l) => l.allergens?.includes('nickel'))
    if (!metal && laid.length === 0) return null
    const what = [
      ...(metal ? [c.request.framework === 'base metal' ? 'a base-metal bridge' : `a ${c.restoration}`] : []),
      ...laid.map((l) => l.name),
    ].join(', ')
    return clash(
      'nickel',
      'ask',
      `Nickel alert, and ${what}`,
      'base-metal alloys may hold nickel',
      c.kind.lab
        ? 'name a nickel-free alloy on the laboratory slip'
        : 'the dentist decides: another crown, or none of it',
    )
  },
  ({ c, uses }) =>
    c.has('mouth breather') && uses('dam sheet')
      ? clash(
          'breathing',
          'ask',
          'Full sheet on a mouth breather',
          'the nose does not carry the breath',
          'no full sheet, or a breathing corner cut; the dentist decides',
        )
      : null,
  ({ c, uses }) => {
    if (!c.has('pacemaker')) return null
    const unit = overgrownTeeth(c).length > 0 && c.choices.redundantTissue === 'electrosurgery'
    if (unit)
      return clash(
        'pacemaker',
        'ask',
        'Electrosurgery picked, pacemaker',
        'its current disturbs a pacemaker',
        'the plan takes the laser instead; the dentist may leave the tissue',
      )
    return clash(
      'pacemaker',
      'mind',
      'Pacemaker',
      'electrosurgery and some ultrasonics disturb it',
      uses('apex locator')
        ? 'the electronic locator: the dentist decides; length by film otherwise'
        : 'neither is on this plan; if tissue has to go, another way',
    )
  },
  ({ c, uses }) =>
    c.kind.dentition === 'primary' && c.request.weightKg === undefined && uses(/^cartridge\./)
      ? clash(
          'weight',
          'ask',
          'No weight on record for a child',
          'doses go by weight',
          'weigh the child, write it down, and the ceiling is worked out',
        )
      : null,
]

/** What must not meet, whatever the patient. */
const materialRules: Rule[] = [
  ({ setup, uses }) => {
    const latex = openLines(setup).filter((l) => l.latex)
    if (latex.length === 0 || !uses(/silicone|putty/)) return null
    return clash(
      'latex-silicone',
      'ask',
      `${names(latex)} with addition silicone`,
      'latex stops addition silicone from setting, through what the glove leaves on the tooth too',
      'change to latex-free gloves before tissue work and mixing',
    )
  },
  ({ c, bonds }) => {
    if (bonds || c.request.deliveryCement !== 'resin' || !c.asked.facts.has('deliveryCement') || c.kind.delivers)
      return null
    return clash(
      'eugenol-bonding',
      'mind',
      'Resin cement at delivery: eugenol has left the plan',
      'eugenol hinders the set and the bond of resin',
      'no eugenol liner or sedative dressing either',
    )
  },
  ({ bonds, before }) => {
    const eugenol = before(/\.eugenol$/)
    return bonds && eugenol.length > 0
      ? clash(
          'eugenol-earlier',
          'ask',
          `Eugenol on record from ${dates(eugenol)}, and resin is bonded today`,
          'eugenol left in dentine hinders the set and the bond of resin',
          'pumice and alcohol over all of it; the dentist decides whether to bond today or after a non-eugenol interval',
        )
      : null
  },
  ({ bonds, uses }) =>
    bonds && uses(/\.eugenol$/)
      ? clash(
          'eugenol-today',
          'ask',
          'Eugenol and resin in one visit',
          'eugenol hinders the set and the bond of resin',
          'a non-eugenol cement or liner instead',
        )
      : null,
  ({ uses }) => {
    const ferric = uses('agent.ferric sulphate')
    if (
      !(ferric || uses('agent.aluminium chloride') || uses('agent.astringent paste')) ||
      !uses(/light body\.silicone/)
    )
      return null
    return clash(
      'astringent-silicone',
      ferric ? 'ask' : 'mind',
      `${ferric ? 'Ferric sulphate' : 'Aluminium chloride'} with addition silicone`,
      'what is left of the salt at the margin keeps the silicone from setting',
      'rinse until nothing is left, dry, then draw the cord',
    )
  },
  ({ uses, bonds }) =>
    bonds && uses(/^agent\.(aluminium|ferric|astringent)/)
      ? clash(
          'astringent-bonding',
          'ask',
          'Aluminium or iron salts, and bonding in the same visit',
          'the salt stays in the dentine and the resin does not wet it',
          'clean it off with pumice, rinse, before the etch; plain cord where nothing bleeds',
        )
      : null,
  ({ bonds, before }) => {
    const ferric = before('agent.ferric sulphate')
    return bonds && ferric.length > 0
      ? clash(
          'ferric-earlier',
          'mind',
          `Ferric sulphate on record from ${dates(ferric)}`,
          'it stains and lingers in dentine',
          'pumice over the margin before the etch',
        )
      : null
  },
  ({ uses }) =>
    uses(/^(adhesive|bonding resin|flowable resin|core\.dual-cure)/) && uses(/silicone|bis-acryl|putty/)
      ? clash(
          'sticky-layer',
          'mind',
          'Fresh resin before silicone or bis-acryl',
          'its sticky layer stops addition silicone and welds bis-acryl on',
          'cure it under glycerine or wipe it with alcohol, then separator',
        )
      : null,
  ({ setup }) =>
    setup.every((l) => l.id !== 'lack:separator')
      ? null
      : clash(
          'no-separator',
          'stop',
          'No separator for the provisional',
          'a resin-sealed preparation or core bonds to the provisional for good',
          'put petroleum jelly or another separator on the setup',
        ),
  ({ setup, steps, itemOf }) => {
    const sheet = openLines(setup).find((l) => l.latex && itemOf(l)?.serves.includes('dam sheet'))
    const jelly = setup.find((l) => itemOf(l)?.serves.includes('separator.oil'))
    const on = steps.findIndex((s) => s.act === 'sheet on')
    const off = steps.findIndex((s) => s.act === 'sheet off')
    const meet = steps.some((s, i) => i > on && i < off && s.needs.some((n) => n.what === 'separator'))
    return sheet && jelly && meet
      ? clash(
          'jelly-latex',
          'ask',
          `${jelly.name} with ${sheet.name}`,
          'oil eats latex: the sheet tears',
          'the sheet is off before the jelly comes, or a latex-free sheet',
        )
      : null
  },
  ({ setup, uses, itemOf }) => {
    const acidic = openLines(setup).find((l) => itemOf(l)?.serves.includes('adhesive.one-bottle'))
    return acidic && uses(/^(core\.dual-cure|cement\.resin|cement\.metal bridge)/)
      ? clash(
          'one-bottle',
          'ask',
          `${acidic.name} under a self- or dual-cure resin`,
          'an acidic one-bottle adhesive kills the amine: the resin stays soft at the joint',
          'its activator goes in, or a two-bottle adhesive',
        )
      : null
  },
  ({ bonds, setup, itemOf }) => {
    const paste = openLines(setup).find((l) => itemOf(l)?.serves.includes('prophy paste.flavoured'))
    return bonds && paste
      ? clash(
          'flavoured-paste',
          'ask',
          `${paste.name} before bonding`,
          'flavour and oil stay on the enamel',
          'pumice and water',
        )
      : null
  },
  ({ uses }) =>
    uses('silane')
      ? clash(
          'hydrofluoric',
          'mind',
          'Ceramic is conditioned',
          'hydrofluoric acid burns deep and late',
          'only at the laboratory, never in the mouth',
        )
      : null,
  ({ c, uses }) =>
    uses(/polyether/) && c.choices.impression !== 'optical scan'
      ? clash(
          'polyether-damp',
          'mind',
          'Polyether after setting',
          'it likes water before it sets and swells after',
          'rinse, disinfect by the instructions, keep dry, never in one bag with alginate',
        )
      : null,
  ({ uses }) =>
    uses('hypochlorite') && !uses('dam sheet')
      ? clash(
          'hypochlorite',
          'stop',
          'Hypochlorite without a sheet',
          'it burns eyes, throat and skin, and can be swallowed',
          'no root-canal work without the sheet',
        )
      : null,
  ({ c, uses }) => {
    const wants =
      c.kind.family === 'bonded bridge' && c.kind.bonds
        ? 'Bonded bridge'
        : c.request.kind === 'gold.deliver'
          ? 'Gold foil'
          : undefined
    return wants && bondsOrFoil(uses) && !uses('dam sheet') && c.request.kind !== 'bridge.try-in'
      ? clash(
          'no-sheet',
          'ask',
          `${wants} without the sheet`,
          'breath and spit reach the joint',
          'the sheet, or the dentist says how it stays dry',
        )
      : null
  },
  ({ c }) =>
    c.request.tintPercent > 25
      ? clash(
          'tint',
          'ask',
          `Tint ${c.request.tintPercent} % of the cement`,
          'over 25 % of the mix by weight it does not set as it should',
          'at most 25 %: another cement shade, or ask the laboratory',
        )
      : null,
]

const bondsOrFoil = (uses: Facts['uses']): boolean => uses(/^(adhesive|bond\.|gold foil)/)

/** What the case as it is does not allow, or only just. */
const caseRules: Rule[] = [
  ({ c }) =>
    c.kind.delivers && !c.request.pieceOnHand
      ? clash(
          'piece',
          'stop',
          `The ${c.kind.delivers} is not here`,
          'a delivery without its piece is a chair lost',
          'call the laboratory; move the visit',
        )
      : null,
  ({ c, uses }) => {
    if (!uses('dual-arch tray')) return null
    const open = c.units.filter((u) => !u.mesial.tooth || !u.distal.tooth)
    const units = c.units.length + c.pontics.length
    if (units > 2)
      return clash('dual-arch', 'ask', `Dual-arch tray for ${units} units`, 'it serves one or two', 'full arch or scan')
    if (open.length === 0) return null
    return clash(
      'dual-arch',
      'ask',
      `Dual-arch tray, and ${open.map((u) => u.label).join(', ')} has a neighbour on one side only`,
      open.some((u) => parts(u.tooth).position >= 7)
        ? 'nothing behind the tooth stops the bite, and the tray wall may sit on the tissue'
        : 'the bite is not stopped on both sides',
      'full arch or scan, unless the dentist finds the bite stable',
    )
  },
  ({ c, uses, steps }) => {
    if (!uses(/^light body\.silicone/)) return null
    const speed = pickSpeed(c, 'silicone', steps.filter((s) => s.act === 'cord drawn').length)
    return speed.fits
      ? null
      : clash(
          'impression-window',
          'ask',
          'The injection does not fit the working time',
          speed.because,
          'the slower-setting version, a second pair of hands with a second syringe, or the arch in two parts',
        )
  },
  ({ c, uses }) =>
    c.asked.choices.has('wash') && c.choices.wash === 'tray' && uses(/^light body\.silicone/)
      ? clash(
          'wash',
          'mind',
          'Wash in the tray picked, with addition silicone',
          'it repels water: the crevice is not filled by pressure alone',
          'the plan keeps the syringe; in the tray only with polyether or hydrocolloid',
        )
      : null,
  ({ c }) =>
    c.request.kind === 'bridge.ceramic.prepare' && c.jaw === 'upper'
      ? clash(
          'bridge-place',
          'ask',
          'Bonded ceramic bridge in the upper jaw',
          'a lower incisor is the best place; the lower teeth slide over the back of the upper ones',
          'the dentist judges the bite before a bur goes in',
        )
      : null,
  ({ c, uses }) =>
    c.practice.light.irradianceMWPerCm2 < weakMWPerCm2 && uses('curing light')
      ? clash(
          'weak-light',
          'mind',
          `Curing light ${c.practice.light.irradianceMWPerCm2} mW/cm², read on ${c.practice.light.readOn}`,
          `under ${weakMWPerCm2} mW/cm² resin stays soft beneath`,
          'every cure on this plan is lengthened; clean the tip, read again, have it seen to',
          'M',
        )
      : null,
  ({ c }) => {
    if (c.request.kind !== 'post.core') return null
    const short = c.units.filter((u) => {
      const canalMm = u.facts.canals?.[0]?.lengthMm
      return canalMm !== undefined && canalMm - c.request.sealMm < canalMm / 2
    })
    return short.length > 0
      ? clash(
          'post-room',
          'ask',
          `A short post in ${short.map((u) => u.label).join(', ')}`,
          `over ${c.request.sealMm} mm of root filling less than half of the canal is left for it`,
          'a shorter seal of not under 4 mm, or a core without a post; the dentist decides',
        )
      : null
  },
]

const rules: Rule[] = [...alertRules, ...materialRules, ...caseRules]

/** Every clash among what this visit uses, with what earlier visits left, hardest first. */
export function findClashes(works: readonly Case[], setup: readonly SetupLine[], steps: readonly Step[]): Clash[] {
  const needs = [...new Set(steps.flatMap((s) => s.needs.filter((n) => n.readiness === 'open').map((n) => n.what)))]
  const matches = (list: readonly string[], need: string | RegExp): boolean =>
    typeof need === 'string' ? list.includes(need) : list.some((n) => need.test(n))
  const uses = (need: string | RegExp): boolean => matches(needs, need)
  const { practice, request } = firstOf(works)
  const byId = new Map(practice.items.map((i) => [i.id, i]))
  const bonds = uses(/^(adhesive|bond\.two-part|cement\.resin$|cement\.veneer)/)
  const order = { stop: 0, ask: 1, mind: 2 }
  const found = new Map<string, Clash>()
  for (const c of works) {
    const facts: Facts = {
      c,
      setup,
      steps,
      uses,
      bonds,
      before: (need) => request.earlier.filter((e) => e.date <= request.date && matches(e.uses, need)),
      itemOf: (line) => byId.get(line.id),
    }
    for (const rule of rules) {
      const one = rule(facts)
      if (one && !found.has(one.id)) found.set(one.id, one)
    }
  }
  return [...found.values()].toSorted((a, b) => order[a.severity] - order[b.severity])
}
