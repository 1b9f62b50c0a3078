/**
 * What the practice's own runs teach about time: for each kind of visit, kind of step and person, a robust mean of the
 * last twenty, from five on. The starting value stays beside it; plans use what was learned only where the practice says so.
 */
import { kindIds, type KindId } from '../kinds'
import { kindOfStep } from '../step-id'
import { among } from '../sure'
import { triangular } from '../random'
import type { Learned } from './practice'

export const mostTaken = 20
export const leastTaken = 5
/** The share cut off at each end before the mean is taken [P: Wilcox, Introduction to Robust Estimation and Hypothesis Testing: 20 % trimmed mean]. */
export const trimmed = 0.2
export const learnKey = (kind: KindId, stepId: string, personId: string): string =>
  `${kind}|${kindOfStep(stepId)}|${personId}`
/**
 * What a key was made from; nothing where its kind of visit is no longer known.
 * @example readLearnKey('crown.prepare|closing.turnover|juno').personId // 'juno'
 */
export function readLearnKey(key: string): { kind: KindId; stepKind: string; personId: string } | undefined {
  const [of, step, personId] = key.split('|')
  const kind = among(kindIds, of)
  return kind && step !== undefined && personId !== undefined ? { kind, stepKind: step, personId } : undefined
}

/** Mean of what is left when the trimmed share is cut off at each end; 0 of nothing. */
export function trimmedMean(values: readonly number[]): number {
  const cut = Math.floor(values.length * trimmed)
  const kept = values.toSorted((a, b) => a - b).slice(cut, values.length - cut)
  return kept.length === 0 ? 0 : kept.reduce((sum, v) => sum + v, 0) / kept.length
}

/**
 * Learned durations from times, the newest first.
 * @example learnedFrom([{ key: 'k', seconds: 60 }]) // {}
 */
export function learnedFrom(times: readonly { key: string; seconds: number }[]): Learned {
  const byKey = new Map<string, number[]>()
  for (const { key, seconds } of times) {
    const own = byKey.get(key) ?? []
    if (own.length < mostTaken) own.push(seconds)
    byKey.set(key, own)
  }
  return Object.fromEntries(
    [...byKey]
      .filter(([, own]) => own.length >= leastTaken)
      .map(([key, own]) => [key, { meanS: Math.round(trimmedMean(own)), n: own.length }]),
  )
}

/** Short, likely and long: the likely one is the mode, the commonest length, not the mean. */
interface ThreePoints {
  shortS: number
  likelyS: number
  longS: number
}

/**
 * The trimmed mean that runs of this spread come to: what a learned mean is held against, like against like. A skewed
 * spread's mean lies above its mode, so a mean taken for the mode made every forecast too long.
 * @example trimmedMeanOf({ shortS: 60, likelyS: 60, longS: 60 }) // 60
 */
export function trimmedMeanOf({ shortS, likelyS, longS }: ThreePoints): number {
  const points = 200
  const at = (i: number): number => trimmed + ((i + 0.5) / points) * (1 - 2 * trimmed)
  let sum = 0
  for (let i = 0; i < points; i++) sum += triangular(shortS, likelyS, longS, at(i))
  return sum / points
}

/** A spread whose own trimmed mean is the learned one; short, likely and long keep their proportions. */
export function scaled(spread: ThreePoints, meanS: number): ThreePoints {
  const factor = meanS / trimmedMeanOf(spread)
  const to = (s: number): number => Math.round(s * factor)
  return { shortS: to(spread.shortS), likelyS: to(spread.likelyS), longS: to(spread.longS) }
}
