/** Which bur for which cut: a step asks for a cut, the practice's own burs answer, and each answer says why. */
import { reason, type Reason } from '../figure'
import { unusable, type Bur } from './bur'
import type { Cut } from './cut-form'
import { cutRules } from './cut-rules'

export type { Cut, CutForm, EdgePart, Ledge } from './cut-form'

export interface BurChoice {
  burId: string
  /** As it was called when the plan was made. */
  name: string
  because: Reason
}
export interface BurAnswer {
  best?: BurChoice
  next?: BurChoice
  /** Why burs that would have served are not offered (used up, sterilising). */
  passedOver: string[]
  /** What would be right when nothing owned fits. */
  lack?: string
}

/** A shape or stuff asked for by name is worth this many mm of worse fit. */
const preferWorth = 1

/** One that is too wide for the tooth comes last of all, mm. */
const tooWideCosts = 10
const tooWide = (cut: Cut, bur: Bur): boolean => cut.widestMm !== undefined && bur.diameterMm > cut.widestMm

/** A change of bur is worth this many mm of worse fit: fewest changes win where the order allows. */
const changeCost = 0.25

/**
 * The bur for one cut out of those owned, with the reason, the next best, and what was passed over.
 * @param inHandpiece id of the bur already in use, which is kept where it serves about as well.
 */
export function chooseBur(cut: Cut, owned: readonly Bur[], inHandpiece?: string): BurAnswer {
  const rule = cutRules[cut.form]
  const passedOver: string[] = []
  const fits: { bur: Bur; distance: number; because: Reason }[] = []
  for (const bur of owned) {
    const fit = rule.fit(bur, cut)
    if (!fit) continue
    const why = unusable(bur)
    if (why) passedOver.push(`${bur.name}: ${why}`)
    else
      fits.push({
        bur,
        distance:
          fit.distance +
          (tooWide(cut, bur) ? tooWideCosts : 0) +
          (bur.id === inHandpiece ? 0 : changeCost) -
          preferWorth * (Number(bur.shape === cut.prefer) + Number(bur.material === cut.stuff)),
        because: tooWide(cut, bur)
          ? reason(`${fit.because.text}; wider than is wanted here, nothing narrower fits`, fit.because.standing)
          : fit.because,
      })
  }
  fits.sort((a, b) => a.distance - b.distance || a.bur.id.localeCompare(b.bur.id))
  const [first, second] = fits
  const answer: BurAnswer = { passedOver }
  if (first) {
    const kept =
      first.bur.id === inHandpiece
        ? reason(`${first.because.text}; it is already in the handpiece, which saves a change`, first.because.standing)
        : first.because
    answer.best = { burId: first.bur.id, name: first.bur.name, because: kept }
  } else answer.lack = `no bur owned fits: ${rule.wanted(cut)} is wanted`
  if (second) answer.next = { burId: second.bur.id, name: second.bur.name, because: second.because }
  return answer
}
