/** What must not meet, whatever the patient. */
import { takes } from '../../practice/adhesives'
import { clash, forDentist, names, openLines, dates, type Facts, type Rule } from './rule'

const bondsOrFoil = (uses: Facts['uses']): boolean => uses(/^(adhesive|bond\.|gold foil)/)

const latexAndSilicone: Rule = ({ setup, uses }) => {
  const latex = openLines(setup).filter((l) => l.latex)
  if (latex.length === 0 || !uses(/silicone|putty/)) return null
  return clash(
    'latex-silicone',
    'ask',
    `${names(latex)} with addition silicone`,
    'latex stops addition silicone from setting, through what the glove leaves on the tooth too',
    `nothing latex-free is owned or in stock: buy it; until then nothing of latex touches the teeth or the material`,
  )
}

const eugenolLeftOut: Rule = ({ c, bonds }) => {
  if (bonds || c.asks('deliveryCement') !== 'resin' || !c.asked.facts.has('deliveryCement') || c.kind.delivers)
    return null
  return clash(
    'eugenol-bonding',
    'mind',
    'Resin cement at delivery: eugenol has left the plan',
    'eugenol hinders the set and the bond of resin',
    'no eugenol liner or sedative dressing either',
  )
}

const eugenolEarlier: Rule = ({ bonds, before }) => {
  const eugenol = before(/\.eugenol$/)
  return bonds && eugenol.length > 0
    ? forDentist(
        'eugenol-earlier',
        `Eugenol on record from ${dates(eugenol)}, and resin is bonded today`,
        'eugenol left in dentine hinders the set and the bond of resin',
        'pumice and alcohol over all of it; the dentist decides whether to bond today or after a non-eugenol interval',
      )
    : null
}

const eugenolToday: Rule = ({ bonds, uses }) =>
  bonds && uses(/\.eugenol$/)
    ? clash(
        'eugenol-today',
        'ask',
        'Eugenol and resin in one visit',
        'eugenol hinders the set and the bond of resin',
        'a non-eugenol cement or liner instead',
      )
    : null

const astringentAndSilicone: Rule = ({ uses }) => {
  const ferric = uses('agent.ferric sulphate')
  if (!(ferric || uses('agent.aluminium chloride') || uses('agent.astringent paste')) || !uses(/light body\.silicone/))
    return null
  return clash(
    'astringent-silicone',
    ferric ? 'ask' : 'mind',
    `${ferric ? 'Ferric sulphate' : 'Aluminium chloride'} with addition silicone`,
    'what is left of the salt at the margin keeps the silicone from setting',
    uses(/^cord\./) ? 'rinse until nothing is left, then draw the cord wet' : 'rinse until nothing is left',
  )
}

const astringentAndBonding: Rule = ({ uses, bonds }) =>
  bonds && uses(/^agent\.(aluminium|ferric|astringent)/)
    ? clash(
        'astringent-bonding',
        'ask',
        'Aluminium or iron salts, and bonding in the same visit',
        'the salt stays in the dentine and the resin does not wet it',
        'clean it off with pumice, rinse, before the etch; plain cord where nothing bleeds',
      )
    : null

const ferricEarlier: Rule = ({ bonds, before }) => {
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
}

const stickyLayer: Rule = ({ uses }) =>
  uses(/^(adhesive|bond\.|bonding resin|flowable resin|core\.dual-cure)/) && uses(/silicone|bis-acryl|putty/)
    ? clash(
        'sticky-layer',
        'mind',
        'Fresh resin before silicone or bis-acryl',
        'its sticky layer stops addition silicone and welds bis-acryl on',
        'cure it under glycerine or wipe it with alcohol, then separator',
      )
    : null

const noSeparator: Rule = ({ setup }) =>
  setup.every((l) => l.id !== 'lack:separator')
    ? null
    : clash(
        'no-separator',
        'stop',
        'No separator for the provisional',
        'a resin-sealed preparation or core bonds to the provisional for good',
        'put petroleum jelly or another separator on the setup',
      )

const jellyAndLatex: Rule = ({ setup, steps, itemOf }) => {
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
}

const acidicUnderSelfCure: Rule = ({ setup, uses, itemOf }) => {
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
}

/** Acid and adhesive are of one system, or the plan is not laid up. */
const acidAndSystem: Rule = ({ c }) => {
  if (!c.asked.choices.has('etch') || !c.asked.choices.has('adhesive')) return null
  const [adhesive, etch] = [c.school('adhesive'), c.school('etch')]
  if (takes(adhesive, etch)) return null
  return etch === 'total'
    ? clash(
        'acid-system',
        'stop',
        'Acid over enamel and dentine, and a self-etch adhesive',
        'its primer takes away what it needs itself: where acid has opened the dentine it bonds less',
        'acid on the enamel edge only; or a universal or etch-and-rinse adhesive',
      )
    : clash(
        'acid-system',
        'stop',
        'An etch-and-rinse adhesive without acid over all of it',
        'it bonds to nothing but etched enamel and dentine',
        'acid over all of it, dentine 15 s at most; or a self-etch or universal adhesive',
      )
}

const flavouredPaste: Rule = ({ bonds, setup, itemOf }) => {
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
}

const hydrofluoricAcid: Rule = ({ uses }) =>
  uses('silane')
    ? clash(
        'hydrofluoric',
        'mind',
        'Ceramic is conditioned',
        'hydrofluoric acid burns deep and late',
        'only at the laboratory, never in the mouth',
      )
    : null

const dampPolyether: Rule = ({ c, uses }) =>
  uses(/polyether/) && c.school('impression') !== 'optical scan'
    ? clash(
        'polyether-damp',
        'mind',
        'Polyether after setting',
        'it likes water before it sets and swells after',
        'rinse, disinfect by the instructions, keep dry, never in one bag with alginate',
      )
    : null

const hypochloriteWithoutSheet: Rule = ({ uses }) =>
  uses('hypochlorite') && !uses('dam sheet')
    ? clash(
        'hypochlorite',
        'stop',
        'Hypochlorite without a sheet',
        'it burns eyes, throat and skin, and can be swallowed',
        'no root-canal work without the sheet',
      )
    : null

const bondedWithoutSheet: Rule = ({ c, uses }) => {
  const wants = c.kind.wantsSheet
  return wants && bondsOrFoil(uses) && !uses('dam sheet')
    ? forDentist(
        'no-sheet',
        `${wants} without the sheet`,
        'breath and spit reach the joint',
        'the sheet, or the dentist says how it stays dry',
      )
    : null
}

const tooMuchTint: Rule = ({ c }) =>
  c.asks('tintPercent') > 25
    ? clash(
        'tint',
        'ask',
        `Tint ${c.asks('tintPercent')} % of the cement`,
        'over 25 % of the mix by weight it does not set as it should',
        'at most 25 %: another cement shade, or ask the laboratory',
      )
    : null

/** Each is named for what it finds; a visit shows those that speak. */
export const materialRules: readonly Rule[] = [
  latexAndSilicone,
  eugenolLeftOut,
  eugenolEarlier,
  eugenolToday,
  astringentAndSilicone,
  astringentAndBonding,
  ferricEarlier,
  stickyLayer,
  noSeparator,
  jellyAndLatex,
  acidicUnderSelfCure,
  acidAndSystem,
  flavouredPaste,
  hydrofluoricAcid,
  dampPolyether,
  hypochloriteWithoutSheet,
  bondedWithoutSheet,
  tooMuchTint,
]
