/** J06: veneers with the cord in before cutting; J16: laminates for dark teeth, preparation. */
import { veneerLines } from '../cuts/enamel'
import { lay, type Otherwise } from '../lay'
import { sure, firstOf } from '../../sure'
import { reductionTargets, writeRange } from '../../measure/reduction'
import { absent, practice, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { cutsByAct, cutSteps, reductionCheck } from '../generators/cutting'
import { finalImpression } from '../generators/impression'
import { rolls } from '../generators/isolation'
import { overgrownTissue } from '../generators/overgrown'
import { opposingArch, paintTray, shadePreview } from '../generators/records'
import { cordPlan, toothSites, type CordPlan } from '../generators/cord-plan'
import { cordsBeforeCutting, cords } from '../generators/tissue'
import { cordsToLower } from '../generators/two-rounds'
import { deliveryAfter } from './follow-ups'
import { restoring } from './kind'

/** Where the margin of a veneer goes: what the case says, and just under the gum where a dark tooth would show. */
const goesUnder = (c: Case, u: Unit): boolean =>
  c.asks('margin') === 'subgingival' || (c.asks('margin') === 'equigingival' && u.says('dark') === true)
/** Veneer cutting 5 · 8 · 12 minutes a tooth. Standing C or estimate. */
const minutes = [5, 8, 12] as const

/** The silicone that gauges the depth, over the uncut teeth, then cut into slices. */
const depthIndex = (c: Case): Block => sequence(lay(c, 'records.depth-index'), lay(c, 'records.cut-index'))

/** What a veneer's depth is judged by. */
const depthCheck = (kind: 'veneer' | 'laminate'): Otherwise => {
  const { facial, margin, incisal } = reductionTargets('laminate veneer')
  return {
    as: `cutting.reduction-check:${kind}`,
    facial: writeRange(facial),
    edge: writeRange(margin),
    biting: writeRange(sure(incisal)),
  }
}

/** The cords of a veneer: the first before cutting, which stays; a second on top where the case asks for it. */
function veneerCords(c: Case, withTop: boolean): { first: CordPlan | undefined; later: CordPlan } {
  const sites = toothSites(c, 'labial and proximal')
  const school = cordPlan(c, sites)
  // Who wants no cord at all is not given one to guard the gum either, unless it is asked for.
  const guarded =
    c.school('cordFirst') === 'yes' || (c.school('cordFirst') === 'two rounds' && c.school('cord') !== 'none')
  const before = guarded && c.asks('margin') !== 'supragingival'
  if (!before) return { first: undefined, later: school }
  const first: CordPlan = {
    ...school,
    layers: ['base'],
    guards: true,
    pellet: false,
    paste: false,
    deep: false,
    because: practice('cord before cutting: the bur does not cut the tissue'),
  }
  const top = withTop && school.layers.length > 0
  return {
    first,
    later: {
      ...first,
      layers: top ? ['base', 'top'] : ['base'],
      deep: top && school.deep,
      because: top ? school.because : practice('the first cord stays where it is until after the impression'),
    },
  }
}

/** Only the cords that are not in yet. */
const topOnly = (plan: CordPlan): CordPlan => ({ ...plan, layers: plan.layers.filter((l) => l === 'top') })

/**
 * Cords and cuts of a veneer, in the dentist’s order: a cord before the bur, a cord between cutting and lowering the margin
 * (two rounds), or cord for the impression alone.
 * @param withTop a second cord on the guarding one, for the impression
 * @returns the cords the impression is taken with, and those still to place before it
 */
function cutVeneers(c: Case, withTop: boolean): { work: Block; toPlace: CordPlan | undefined; plan: CordPlan } {
  const rounds = c.school('cordFirst') === 'two rounds' && c.school('cord') !== 'none'
  const lowered = rounds ? c.units.filter((u) => goesUnder(c, u)) : []
  if (lowered.length > 0) {
    const plan = cordPlan(c, toothSites(c, 'labial and proximal'))
    const cuts = cutsByAct(c, veneerLines, minutes, () => ({ twice: true }))
    const isLate = ({ act }: { act: string }): boolean => act === 'lower' || act === 'finish'
    const steps = (of: typeof cuts): Block => sequence(...of.map(({ block }) => block))
    const sites = plan.sites.filter((s) => lowered.some((u) => u.tooth === s.tooth))
    return {
      work: sequence(steps(cuts.filter((d) => !isLate(d))), cordsToLower(c, plan, sites), steps(cuts.filter(isLate))),
      toPlace: plan,
      plan,
    }
  }
  const { first, later } = veneerCords(c, withTop)
  const cut = cutSteps(c, veneerLines, minutes, () => ({ twice: false }))
  return {
    work: first
      ? sequence(cordsBeforeCutting(c, first), cut)
      : sequence(
          absent(
            'cord before cutting',
            practice(
              c.asks('margin') === 'supragingival'
                ? 'margin above the gum: the bur does not reach it'
                : 'the dentist packs for the impression only',
            ),
          ),
          cut,
        ),
    toPlace: first ? (later.layers.includes('top') ? topOnly(later) : undefined) : later,
    plan: later,
  }
}

/** A provisional only where dentine is open or something shows: asked every time. */
function veneerProvisional(c: Case): Block {
  if (c.school('veneerProvisional') === 'none')
    return absent(
      'provisional',
      practice('wholly in enamel: the polished tooth is its own cover; nothing is sensitive and nothing shows'),
    )
  return sequence(
    lay(c, 'provisional.spot-etch'),
    lay(c, 'provisional.shell', { mL: 2 + c.units.length * 0.6 }),
    lay(c, 'provisional.shell-edges', { u: firstOf(c.units) }),
  )
}

/** J06. See the tissue phase: labial and both proximal sides, 00 where displacement is wanted, out of sight. */
export const veneerPrepare = restoring({
  id: 'veneer.prepare',
  beforehand: (c) => [shadePreview(c), depthIndex(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const { work, toPlace, plan } = cutVeneers(c, false)
    return sequence(
      rolls(c),
      work,
      reductionCheck(c, depthCheck('veneer')),
      toPlace ? cords(c, toPlace) : sequence(),
      finalImpression(c, plan),
      veneerProvisional(c),
    )
  },
  followUps: (c) => [
    deliveryAfter(c, 'laminate.deliver', `Delivery of ${c.units.length} laminate${c.units.length === 1 ? '' : 's'}`),
  ],
})

/** J16, first visit: smile read, shade map, depth by pencil line, margin lowered for a dark tooth, cord again. */
export const laminatePrepare = restoring({
  id: 'laminate.prepare',
  // Before the lip is numb: it hangs, and the shade of every front tooth is chosen with it.
  deciding: (c) => [
    sequence(lay(c, 'records.bite'), lay(c, 'records.smile'), shadePreview(c, { as: 'records.shade:laminate' })),
  ],
  beforehand: (c) => [depthIndex(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const { work, toPlace, plan } = cutVeneers(c, true)
    return sequence(
      rolls(c),
      // The line of the gum is the frame of the front: it is drawn before a margin follows it.
      overgrownTissue(c),
      work,
      reductionCheck(c, depthCheck('laminate')),
      lay(c, 'records.stump-shade'),
      toPlace ? cords(c, toPlace) : sequence(),
      finalImpression(c, plan),
      lay(c, 'impression.margins-whole'),
      veneerProvisional(c),
    )
  },
  followUps: (c) => [
    deliveryAfter(c, 'laminate.deliver', `Delivery of ${c.units.length} laminate${c.units.length === 1 ? '' : 's'}`),
  ],
})
