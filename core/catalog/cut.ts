/** Which bur for which cut: a step asks for a cut, the practice's own burs answer, and each answer says why. */
import { reason, type Reason } from '../figure'
import { unusable, type Bur, type BurShape } from './bur'
import { cutRules } from './cut-rules'

export type CutForm =
  | 'outline'
  | 'access'
  | 'caries'
  | 'fissure'
  | 'slice'
  | 'ledge'
  | 'draw'
  | 'retention'
  | 'enamel bevel'
  | 'post space'
  | 'post cut'
  | 'pit'
  | 'undercut'
  | 'split'
  | 'orifice'
  | 'facial reduction'
  | 'groove'
  | 'incisal'
  | 'occlusal'
  | 'bevel'
  | 'axial'
  | 'contact'
  | 'lingual concavity'
  | 'chamfer'
  | 'shoulder'
  | 'finish'
  | 'edge'
  | 'seating groove'

export interface Cut {
  /** Stable id, the step's own. */
  id: string
  form: CutForm
  /** How deep the cut is meant to go, mm. */
  depthMm: number
  surface: string
  /** For a finish: the shape whose line is refined. */
  after?: 'chamfer' | 'shoulder'
  /** The shape the kind of visit names; another serves where it is not owned. */
  prefer?: BurShape
  /** The stuff the kind of visit names, as far as it is owned. */
  stuff?: Bur['material']
  /** Where the edge of a filling or of a cemented piece lies that is finished. */
  part?: EdgePart
  /** Nothing wider goes there where anything narrower fits, mm: a lower incisor, a primary tooth. */
  widestMm?: number
}

/** Top: fossae and slopes; inner: the concave side of a front tooth; side and neck: beside the neighbour, at the gum. */
export type EdgePart = 'top' | 'inner' | 'side' | 'neck'

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
