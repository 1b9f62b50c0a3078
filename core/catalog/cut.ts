/** Which bur for which cut: a step asks for a cut, the practice's own burs answer, and each answer says why. */
import { reason, round, type Reason } from '../figure'
import { tipDiameterMm, unusable, type Bur, type BurShape } from './bur'

export type CutForm = 'groove' | 'incisal' | 'occlusal' | 'bevel' | 'axial' | 'contact' | 'lingual concavity' | 'chamfer' | 'shoulder' | 'finish' | 'seating groove'

export interface Cut {
  /** Stable id, the step's own. */
  id: string
  form: CutForm
  /** How deep the cut is meant to go, mm. */
  depthMm: number
  surface: string
  /** For a finish: the shape whose line is refined. */
  after?: 'chamfer' | 'shoulder'
}

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

interface Fit {
  /** Lower is better; distances are in mm so that they compare. */
  distance: number
  because: Reason
}

const near = (b: Bur, depthMm: number): number => round(Math.abs(b.diameterMm - depthMm), 2)
const isShape = (b: Bur, ...shapes: BurShape[]): boolean => shapes.includes(b.shape)
const isFine = (b: Bur): boolean => ['fine', 'extra-fine', 'ultra-fine', '12-flute'].includes(b.grit)
const isCutting = (b: Bur): boolean => !isFine(b)
const mm = (value: number): string => `${round(value, 2)} mm`

/**
 * One row a form of cut: what is asked for (said when nothing fits) and how well a bur fits, or null.
 * Figures of fit: rotary practice, standing C unless the reason says otherwise.
 */
const rules: Record<CutForm, { wanted: (cut: Cut) => string; fit: (bur: Bur, cut: Cut) => Fit | null }> = {
  groove: {
    wanted: (c) => `a depth cutter or a bur within 0.2 mm of ${mm(c.depthMm)}`,
    fit: (b, c) => {
      if (!isCutting(b) || !isShape(b, 'depth cutter', 'round', 'round-end taper', 'flat-end taper') || near(b, c.depthMm) > 0.2) return null
      if (b.shape === 'depth cutter') return { distance: near(b, c.depthMm) - 0.3, because: reason(`depth cutter of ${mm(b.diameterMm)}: made for this groove, it cannot sink further`, 'C') }
      return { distance: near(b, c.depthMm), because: reason(`${mm(b.diameterMm)} across: sunk to its full width it gauges a groove of ${mm(c.depthMm)}`, 'C') }
    },
  },
  occlusal: {
    wanted: () => 'a coarse or medium taper or wheel of 1.4 mm or more',
    fit: (b, c) =>
      isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper', 'wheel') && b.diameterMm >= 1.4
        ? { distance: near(b, c.depthMm) + (b.grit === 'coarse' ? -0.1 : 0), because: reason(`${mm(b.diameterMm)} head: its diameter is the gauge for ${mm(c.depthMm)} of occlusal reduction, one half at a time`, 'C') }
        : null,
  },
  incisal: {
    wanted: () => 'a medium or coarse taper of 1.4 mm or more',
    fit: (b, c) =>
      isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper') && b.diameterMm >= 1.4
        ? { distance: near(b, c.depthMm), because: reason(`${mm(b.diameterMm)} head gauges the incisal reduction of ${mm(c.depthMm)}`, 'C') }
        : null,
  },
  bevel: {
    wanted: () => 'a taper of medium or coarse grit',
    fit: (b) =>
      isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper')
        ? { distance: Math.abs(b.diameterMm - 1.6), because: reason('taper laid at 45° to the functional cusp, a bevel about 1.5 mm wide', 'C') }
        : null,
  },
  axial: {
    wanted: (c) => (c.after === 'shoulder' ? 'a flat-end taper' : 'a round-end taper or torpedo'),
    fit: (b, c) => {
      if (!isCutting(b)) return null
      const shapes: BurShape[] = c.after === 'shoulder' ? ['flat-end taper'] : ['round-end taper', 'torpedo']
      if (!isShape(b, ...shapes)) return null
      const tip = tipDiameterMm(b)
      const lip = c.after !== 'shoulder' && b.shape === 'round-end taper' && tip < 2 * c.depthMm
      return {
        distance: Math.abs(tip - (c.after === 'shoulder' ? c.depthMm : 2 * c.depthMm)) + (lip ? 1 : 0) + (b.shape === 'torpedo' ? 0.4 : 0),
        because: reason(`${b.taperDeg > 0 ? `${b.taperDeg}° included taper: two walls on one path converge by just that` : 'parallel head: hold it to the path of insertion'}, and its tip already leaves the margin's form`, 'calc'),
      }
    },
  },
  contact: {
    wanted: () => 'a needle or flame no wider than 1.0 mm',
    fit: (b) =>
      isCutting(b) && isShape(b, 'needle', 'flame') && b.diameterMm <= 1
        ? { distance: b.diameterMm, because: reason(`${b.shape} of ${mm(b.diameterMm)}: passes the contact and leaves a thin wall of enamel toward the neighbour before any wider bur goes in`, 'C') }
        : null,
  },
  'lingual concavity': {
    wanted: () => 'a football',
    fit: (b) => (isCutting(b) && b.shape === 'football' ? { distance: 0, because: reason('football: its curve is the concave lingual surface of an incisor or canine', 'C') } : null),
  },
  chamfer: {
    wanted: (c) => `a round-end taper with a tip of ${mm(2 * c.depthMm)} or more`,
    fit: (b, c) => {
      if (!isCutting(b) || !isShape(b, 'round-end taper', 'torpedo')) return null
      const tip = b.shape === 'torpedo' ? b.diameterMm : tipDiameterMm(b)
      if (tip < 2 * c.depthMm) return null
      return {
        distance: tip - 2 * c.depthMm + (b.shape === 'torpedo' ? 0.3 : 0),
        because: reason(`tip ${mm(tip)} is at least twice the ${mm(c.depthMm)} chamfer: no more than half of it sinks, so no unsupported lip of enamel is left`, 'calc'),
      }
    },
  },
  shoulder: {
    wanted: (c) => `a flat-end taper with a tip of ${mm(c.depthMm)} or more`,
    fit: (b, c) => {
      const tip = tipDiameterMm(b)
      if (!isCutting(b) || b.shape !== 'flat-end taper' || tip < c.depthMm) return null
      return { distance: tip - c.depthMm, because: reason(`flat end of ${mm(tip)} covers the ${mm(c.depthMm)} shoulder in one pass`, 'C') }
    },
  },
  finish: {
    wanted: (c) => `a fine or 12-flute ${c.after === 'shoulder' ? 'flat-end' : 'round-end'} taper`,
    fit: (b, c) => {
      const shapes: BurShape[] = c.after === 'shoulder' ? ['flat-end taper'] : ['round-end taper', 'torpedo']
      if (!isFine(b) || !isShape(b, ...shapes)) return null
      return { distance: (b.grit === 'fine' ? 0 : 0.2) + (b.shape === 'torpedo' ? 0.3 : 0) - b.diameterMm / 100, because: reason(`same shape in ${b.grit}: smooths the line without moving it`, 'C') }
    },
  },
  'seating groove': {
    wanted: () => 'a round or small taper of about 1.0 mm',
    fit: (b, c) =>
      isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper', 'needle', 'round') && near(b, c.depthMm) <= 0.25
        ? { distance: near(b, c.depthMm), because: reason(`${mm(b.diameterMm)}: a seating groove ${mm(c.depthMm)} deep on the path of insertion`, 'C') }
        : null,
  },
}

/** A change of bur is worth this many mm of worse fit: fewest changes win where the order allows. */
const changeCost = 0.25

/**
 * The bur for one cut out of those owned, with the reason, the next best, and what was passed over.
 * @param inHandpiece id of the bur already in use, which is kept where it serves about as well.
 */
export function chooseBur(cut: Cut, owned: readonly Bur[], inHandpiece?: string): BurAnswer {
  const rule = rules[cut.form]
  const passedOver: string[] = []
  const fits: { bur: Bur; distance: number; because: Reason }[] = []
  for (const bur of owned) {
    const fit = rule.fit(bur, cut)
    if (!fit) continue
    const why = unusable(bur)
    if (why) passedOver.push(`${bur.name}: ${why}`)
    else fits.push({ bur, distance: fit.distance + (bur.id === inHandpiece ? 0 : changeCost), because: fit.because })
  }
  fits.sort((a, b) => a.distance - b.distance || a.bur.id.localeCompare(b.bur.id))
  const [first, second] = fits
  const answer: BurAnswer = { passedOver }
  if (first) {
    const kept = first.bur.id === inHandpiece ? reason(`${first.because.text}; it is already in the handpiece, which saves a change`, first.because.standing) : first.because
    answer.best = { burId: first.bur.id, name: first.bur.name, because: kept }
  } else answer.lack = `no bur owned fits: ${rule.wanted(cut)} is wanted`
  if (second) answer.next = { burId: second.bur.id, name: second.bur.name, because: second.because }
  return answer
}
