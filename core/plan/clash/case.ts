/** What the case as it is does not allow, or only just. */
import { pieceWords } from '../../library/generators/arrival'
import { bridgePlace, sealedInFits } from '../../measure/place'
import { halfCanBeHad } from '../../measure/restoring'
import { injectionWindow } from '../../measure/amounts'
import { injectionSites, inTrayOnly, pickSpeed } from '../../library/generators/impression-material'
import { pasteTakesS } from '../../library/generators/crevice'
import { treatsPulp } from '../../library/generators/pulp'
import { weakMWPerCm2 } from '../../measure/curing'
import { reductionTargets, smallToothGrooveMm } from '../../measure/reduction'
import { isAnterior, isNarrow } from '../../teeth/arch'
import { dimensions } from '../../teeth/dimensions'
import { parts } from '../../teeth/notation'
import { clash, forDentist, type Rule } from './rule'

const pieceNotHere: Rule = ({ c }) =>
  c.kind.delivers && !c.asks('pieceOnHand')
    ? clash(
        'piece',
        'stop',
        `The ${pieceWords(c)} ${pieceWords(c).endsWith('s') ? 'are' : 'is'} not here`,
        'a delivery without its piece is a chair lost',
        'call the laboratory; move the visit',
      )
    : null

/** Silane does nothing on zirconia, and its primer nothing on glass: what the piece is made of is never guessed. */
const madeOfWhat: Rule = ({ c }) => {
  if (!c.kind.frameworks || c.asks('framework') !== null) return null
  const which = c.kind.frameworks.join(' or ')
  return c.kind.delivers
    ? clash(
        'made-of-what',
        'stop',
        `Nobody has said what the bridge is made of: ${which}?`,
        'its fitting side is cleaned and primed by that, and the wrong way holds nothing',
        'read the laboratory’s slip, ask the laboratory, and enter it with the case',
      )
    : forDentist(
        'made-of-what',
        `The framework is not chosen: ${which}?`,
        'the laboratory works to the slip, and the delivery cleans and primes by it',
        'the dentist chooses before the slip is written',
      )
}

const dualArchWithoutStop: Rule = ({ c, uses }) => {
  if (!uses('dual-arch tray')) return null
  const open = c.units.filter((u) => !u.mesial.tooth || !u.distal.tooth)
  const units = c.units.length + c.pontics.length
  if (units > 2)
    return clash('dual-arch', 'ask', `Dual-arch tray for ${units} units`, 'it serves one or two', 'full arch or scan')
  if (open.length === 0) return null
  return forDentist(
    'dual-arch',
    `Dual-arch tray, and ${open.map((u) => u.label).join(', ')} has a neighbour on one side only`,
    open.some((u) => parts(u.tooth).position >= 7)
      ? 'nothing behind the tooth stops the bite, and the tray wall may sit on the tissue'
      : 'the bite is not stopped on both sides',
    'full arch or scan, unless the dentist finds the bite stable',
  )
}

const injectionTooLong: Rule = ({ c, uses, steps }) => {
  if (!uses(/^light body\.silicone/)) return null
  const speed = pickSpeed(c, 'silicone', steps.filter((s) => s.act === 'cord drawn' && s.phase === 'impression').length)
  return speed.fits
    ? null
    : clash(
        'impression-window',
        'ask',
        'The injection does not fit the working time',
        speed.because,
        'the slower-setting version, a second pair of hands with a second syringe, or the arch in two parts',
      )
}

const washInTray: Rule = ({ c, uses }) =>
  c.asked.choices.has('wash') && c.school('wash') === 'tray' && uses(/^light body\.silicone/)
    ? clash(
        'wash',
        'mind',
        'Wash in the tray picked, with addition silicone',
        'it repels water: the crevice is not filled by pressure alone',
        'the plan keeps the syringe; in the tray only with polyether or hydrocolloid',
      )
    : null

const placeOfBridge: Rule = ({ c }) => {
  if (c.kind.family !== 'bonded bridge' || !c.kind.prepares || !c.kind.dampMargin) return null
  const place = bridgePlace(c.pontics.map((u) => u.tooth))
  return place.verdict === 'best'
    ? null
    : forDentist(
        'bridge-place',
        place.verdict === 'poor'
          ? `A poor place for a bonded ceramic bridge: ${c.pontics.map((u) => u.label).join(', ')}`
          : `Bonded ceramic bridge on ${c.pontics.map((u) => u.label).join(', ')}: not the best place`,
        place.because.text,
        place.verdict === 'poor'
          ? 'another way to close the gap, or the dentist says why this one holds'
          : 'the dentist judges the bite before a bur goes in',
      )
}

/** Sealed in without cutting only where the table of indications has it, and never over a sick pulp. */
const sealedInWhere: Rule = ({ c }) => {
  if (!c.asked.choices.has('childMolar') || c.school('childMolar') !== 'sealed in') return null
  if (treatsPulp(c))
    return clash(
      'sealed-in-pulp',
      'stop',
      'A crown sealed in over a pulp that is treated',
      'sealed in only where there are no signs of the pulp',
      'the tooth prepared, and the pulp treated under it',
    )
  const [lesionSite, lesion, managesFilling] = [c.asks('lesionSite'), c.asks('lesion'), c.asks('managesFilling')]
  const found = sealedInFits(lesionSite, lesion === 'cavitated', managesFilling)
  return found.fits
    ? null
    : forDentist(
        'sealed-in',
        'A crown sealed in where the simpler way would do',
        `${found.because.text} (${found.because.source ?? ''})`,
        'the simpler way; or say that the child cannot take it',
        'M',
      )
}

const weakLight: Rule = ({ c, uses }) =>
  c.practice.light.irradianceMWPerCm2 < weakMWPerCm2 && uses('curing light')
    ? clash(
        'weak-light',
        'mind',
        `Curing light ${c.practice.light.irradianceMWPerCm2} mW/cm², read on ${c.practice.light.readOn}`,
        `under ${weakMWPerCm2} mW/cm² resin stays soft beneath`,
        'every cure on this plan is lengthened; clean the tip, read again, have it seen to',
        'M',
      )
    : null

const shortPost: Rule = ({ c }) => {
  if (!c.kind.post) return null
  const short = c.units.filter((u) => {
    const canalMm = u.says('canals')?.[0]?.lengthMm
    return canalMm !== undefined && !halfCanBeHad(canalMm, c.asks('sealMm'))
  })
  return short.length > 0
    ? forDentist(
        'post-room',
        `A short post in ${short.map((u) => u.label).join(', ')}`,
        `over ${c.asks('sealMm')} mm of root filling less than half of the canal is left for it`,
        'a shorter seal of not under 4 mm, or a core without a post; the dentist decides',
      )
    : null
}

/** The last margin waits for the others to be washed; its gum closes in meanwhile. */
const gumClosesIn: Rule = ({ c, uses, steps }) => {
  const inTray = c.asked.choices.has('wash') && uses(/^light body\.polyether/) && inTrayOnly(c, 'polyether')
  const drawn = steps.some((s) => s.act === 'cord drawn' && s.phase === 'impression')
  const paste = !steps.some((s) => s.cord) && steps.some((s) => s.act === undefined && s.id.startsWith('tissue.paste'))
  if (inTray || !uses(/^light body\./) || !(drawn || paste)) return null
  const { kind, n } = injectionSites(c)
  const { injectionS } = injectionWindow(kind, n, 0, 0, c.rule)
  const base = steps.some((s) => s.act === 'base cord out')
  const open = c.rule(base ? 'crevice.base' : 'crevice.open')
  // Before a cord is drawn the syringe is loaded; paste is rinsed off first.
  const takesS = paste ? pasteTakesS(c) : c.rule('dry.once').value + injectionS
  return takesS <= open.value
    ? null
    : clash(
        'crevice-window',
        'ask',
        `${n} margins washed by one pair of hands take ${takesS} s after the ${paste ? 'paste is rinsed off' : 'last cord has left'}`,
        open.because.text,
        `${base ? '' : 'a base cord that stays in, '}a second pair of hands with a second syringe, or the arch in two parts`,
      )
}

/** The laboratory works to a shape that is no longer there. One that is meant to keep the uncut shape, a mould or an index, imprints nothing here. */
const archTouched: Rule = ({ steps }) => {
  for (const [i, taken] of steps.entries()) {
    const after = steps.slice(i).find((s) => s.reshapes !== undefined && s.reshapes === taken.imprints)
    if (after)
      return forDentist(
        'arch-touched',
        `The ${taken.imprints} arch is changed after its impression: “${after.title}” after “${taken.title}”`,
        'the piece is made to a shape that is no longer there',
        'the work first and then the impression, or the impression once more',
      )
  }
  return null
}

/** A short choreography that these people cannot do in its time. */
const tooFewHands: Rule = ({ steps }) => {
  const step = steps.find((s) => s.lanes?.short)
  return step?.lanes?.short
    ? clash(
        'lanes',
        'stop',
        `${step.lanes.title}: ${step.lanes.short.why}`,
        step.lanes.because.text,
        step.lanes.short.waysOut,
      )
    : null
}

/** How many layers, and how much light, goes by the depth: it is asked for where nobody has measured. */
const depthNotKnown: Rule = ({ c }) => {
  const units = c.request.kind === 'filling.cusps' ? c.units.filter((u) => u.says('depthMm') === undefined) : []
  return units.length > 0
    ? clash(
        'depth-not-known',
        'mind',
        `How deep is the cavity of ${units.map((u) => u.label).join(', ')}?`,
        'the layers over the floor are counted from it; 4 mm is planned',
        'measure it at the probe, before the first layer',
      )
    : null
}

/** Small instruments and saliva in an open canal: warned of as gold without the sheet is. Where hypochlorite is used it is a stop. */
const canalWithoutSheet: Rule = ({ c, uses }) =>
  c.kind.post && !uses('dam sheet') && !uses('hypochlorite')
    ? forDentist(
        'canal-without-sheet',
        `Work in the canal of ${c.units.map((u) => u.label).join(', ')} without the sheet`,
        'a small instrument that slips goes down the throat, and saliva into the canal',
        'the sheet; where it cannot be had, every instrument tied and gauze behind: the dentist decides',
      )
    : null

/** Dentine cut and left open for weeks is sore, and takes up what the mouth brings. */
const openDentine: Rule = ({ c }) =>
  c.kind.family === 'veneer' &&
  c.kind.prepares &&
  c.asked.choices.has('veneerProvisional') &&
  c.school('veneerProvisional') === 'none' &&
  !c.asks('inEnamel')
    ? forDentist(
        'open-dentine',
        'Dentine shows, and no shell is made',
        'open dentine is sore until the delivery, and the bond to it is weaker then',
        'seal it with adhesive today, before the impression; or a shell, or another cover',
      )
    : null

/** What a lower incisor has to give is little: what is made of it is asked before a bur goes in. */
const smallForIt: Rule = ({ c, steps }) => {
  if (!c.restoration || c.kind.family === 'veneer' || !steps.some((s) => s.cut?.form === 'groove')) return null
  const small = c.units.filter((u) => isAnterior(u.tooth) && isNarrow(u.tooth))
  const { facial, margin } = reductionTargets(c.restoration)
  if (small.length === 0) return null
  const left = small.map((u) => {
    const wide = dimensions(u.tooth).cervicalMesiodistalMm
    return `${u.said} is ${wide.toFixed(1)} mm wide at the neck as a rule: ${(wide - 2 * margin.mostMm).toFixed(1)} mm between two margins of ${margin.mostMm.toFixed(1)}`
  })
  const least = facial.leastMm
  return forDentist(
    'small-tooth',
    `A ${c.restoration} on ${small.map((u) => u.label).join(', ')}`,
    `${left.join('; ')}${least > smallToothGrooveMm ? `; the ${c.restoration} wants ${least.toFixed(1)} mm in front, and the groove is kept at ${smallToothGrooveMm.toFixed(1)}` : ''}`,
    'the dentist says whether a crown is the way on so small a tooth, and of what',
    'estimate',
  )
}

/** Each is named for what it finds; a visit shows those that speak. */
export const caseRules: readonly Rule[] = [
  pieceNotHere,
  madeOfWhat,
  dualArchWithoutStop,
  injectionTooLong,
  gumClosesIn,
  washInTray,
  placeOfBridge,
  smallForIt,
  openDentine,
  canalWithoutSheet,
  depthNotKnown,
  sealedInWhere,
  weakLight,
  shortPost,
  archTouched,
  tooFewHands,
]
