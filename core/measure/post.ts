/** Drill, post and depth as one choice: the last drill of the series is the post's own, and no wider than the root bears. */
import { round, type Figure } from '../figure'

/** A post takes at most so much of the root's width. Common practice. */
const mostShare = 1 / 3
/** Of its width at the neck a root still has so much where the post ends. Our estimate. */
const taper = 0.7

export interface PostChoice {
  /** Drills in size order; the last is the post's, mm. */
  drillsMm: number[]
  postMm: number
  figure: Figure
}

/**
 * The widest post, among those a practice owns drills for, that leaves two thirds of the root where it ends; the narrowest
 * where none does, and it says so.
 * @param neckMm mesiodistal width of the root at the neck
 * @param ownedMm diameters of the drills that are owned
 * @throws RangeError where no drill is owned
 */
export function postFor(neckMm: number, ownedMm: readonly number[]): PostChoice {
  const owned = [...new Set(ownedMm)].toSorted((a, b) => a - b)
  const [narrowest] = owned
  if (narrowest === undefined) throw new RangeError('no post drill is owned')
  const bearsMm = round(neckMm * taper * mostShare, 2)
  const fit = owned.filter((d) => d <= bearsMm)
  const postMm = fit.at(-1) ?? narrowest
  return {
    drillsMm: owned.filter((d) => d <= postMm),
    postMm,
    figure: {
      name: 'post',
      value: postMm,
      unit: 'mm',
      text: `a third of the root where the post ends: ${neckMm} mm × ${taper} ÷ 3 = ${bearsMm} mm; ${fit.length > 0 ? `the widest owned under it is ${postMm} mm` : `none owned is as narrow, ${postMm} mm is the narrowest: the dentist decides`}`,
      standing: 'estimate',
    },
  }
}
