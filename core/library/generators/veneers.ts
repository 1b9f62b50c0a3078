/** Cords and cuts of veneers, in the dentist’s order. */
import { veneerLines } from '../cuts/enamel'
import { absent, nothing, practice, sequence, type Block } from '../build'
import type { Case } from '../case'
import { goesUnder } from '../facts/tooth'
import { cordPlan, toothSites, type CordPlan, type CordSite } from './cord-plan'
import { cutsByAct, cutSteps } from './cutting'
import { finalImpression } from './impression'
import { cords, cordsBeforeCutting } from './tissue'
import { cordsToLower } from './two-rounds'

/** Veneer cutting 5 · 8 · 12 minutes a tooth. Standing C or estimate. */
const minutes = [5, 8, 12] as const

interface VeneerCords {
  /** Placed before the bur, to guard the gum. */
  before?: CordPlan
  /** Two rounds: where the margin is lowered under the gum that a first cord held away. */
  lowered: CordSite[]
  /** Those still to place before the impression; and those it is taken with. */
  toPlace?: CordPlan
  plan: CordPlan
}

/** Only the cords that are not in yet. */
const topOnly = (plan: CordPlan): CordPlan => ({ ...plan, layers: plan.layers.filter((l) => l === 'top') })

/** A cord before cutting, which stays; a second on top where the case asks for it. */
function guarded(school: CordPlan, secondCord: boolean): VeneerCords {
  const before: CordPlan = {
    ...school,
    layers: ['base'],
    guards: true,
    pellet: false,
    paste: false,
    deep: false,
    because: practice('cord before cutting: the bur does not cut the tissue'),
  }
  const top = secondCord && school.layers.length > 0
  const plan: CordPlan = {
    ...before,
    layers: top ? ['base', 'top'] : ['base'],
    deep: top && school.deep,
    because: top ? school.because : practice('the first cord stays where it is until after the impression'),
  }
  return { before, lowered: [], plan, ...(top ? { toPlace: topOnly(plan) } : {}) }
}

/** In two rounds, guarding, or for the impression alone. */
function veneerCords(c: Case, secondCord: boolean): VeneerCords {
  const school = cordPlan(c, toothSites(c, 'labial and proximal'))
  const first = c.school('cordFirst')
  const rounds = first === 'two rounds' && c.school('cord') !== 'none'
  const teeth = rounds ? c.units.filter((u) => goesUnder(u, c)).map((u) => u.tooth) : []
  const lowered = school.sites.filter((s) => teeth.includes(s.tooth))
  if (lowered.length > 0) return { lowered, toPlace: school, plan: school }
  // Who wants no cord at all is not given one to guard the gum either, unless it is asked for.
  return (first === 'yes' || rounds) && c.asks('margin') !== 'supragingival'
    ? guarded(school, secondCord)
    : { lowered, toPlace: school, plan: school }
}

/** The cuts, with the cords that go in before or between them. @param secondCord on the guarding one, for the impression */
export function cutVeneers(c: Case, secondCord: boolean): Block {
  const { before, lowered, plan } = veneerCords(c, secondCord)
  if (lowered.length > 0) {
    const cuts = cutsByAct(c, veneerLines, minutes, () => ({ twice: true }))
    const isLate = ({ act }: { act: string }): boolean => act === 'lower' || act === 'finish'
    const steps = (of: typeof cuts): Block => sequence(...of.map(({ block }) => block))
    return sequence(steps(cuts.filter((d) => !isLate(d))), cordsToLower(c, plan, lowered), steps(cuts.filter(isLate)))
  }
  const why =
    c.asks('margin') === 'supragingival'
      ? 'margin above the gum: the bur does not reach it'
      : 'the dentist packs for the impression only'
  return sequence(
    before ? cordsBeforeCutting(c, before) : absent('cord before cutting', practice(why)),
    cutSteps(c, veneerLines, minutes, () => ({ twice: false })),
  )
}

/** The cords that are not in yet, and the impression. */
export function veneerImpression(c: Case, secondCord: boolean): Block {
  const { toPlace, plan } = veneerCords(c, secondCord)
  return sequence(toPlace ? cords(c, toPlace) : nothing, finalImpression(c, plan))
}
