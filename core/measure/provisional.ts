/** A provisional read on the tooth, and what follows: left, relined, thinned, added to, or made again. Standing C. */
import { sure } from '../sure'
import type { Figure } from '../figure'
import { marginParts, type MarginPart } from './inspection'

export const edgeFaults = ['short', 'open', 'over'] as const
export type EdgeFault = (typeof edgeFaults)[number]
export const contactReadings = ['none', 'light', 'good', 'tight'] as const
export const insideReadings = ['clean', 'bubble off the margin', 'bubble at the margin'] as const
export const biteReadings = ['out of contact', 'even', 'high'] as const
export const gaugedSites = ['cusp', 'fossa', 'axial'] as const

export interface ProvisionalReading {
  /** Parts that are not good, with the millimetres missing or beyond where they were read. */
  parts: Partial<Record<MarginPart, { fault: EdgeFault; byMm?: number | undefined }>>
  contacts: {
    mesial?: (typeof contactReadings)[number] | undefined
    distal?: (typeof contactReadings)[number] | undefined
  }
  inside: (typeof insideReadings)[number]
  thicknessMm: Partial<Record<(typeof gaugedSites)[number], number | undefined>>
  bite?: (typeof biteReadings)[number] | undefined
  cracked: boolean
}
export interface ProvisionalFacts {
  /** The sides that have a neighbour: what has none has no contact to miss. */
  contacts: readonly ('mesial' | 'distal')[]
  /** Thinnest the material allows over the bite; 1.0 where it does not say. */
  leastMm?: number
  /** A weak tooth or a weak cement: out of contact in every bite. */
  weak: boolean
  /** How many times it was read before. */
  round: number
}
export type ProvisionalAct = 'make again' | 'reline' | 'thin' | 'add' | 'fill' | 'ease' | 'tell'
export interface ProvisionalJudgement {
  acts: { act: ProvisionalAct; says: string }[]
}

export const thinnestMm = 1
/** The same as the plan says it beforehand. */
export const thinnest: Figure = {
  name: 'thinnest occlusal',
  value: thinnestMm,
  unit: 'mm',
  text: `thinner than ${thinnestMm.toFixed(1)} mm, where the material’s own instructions give no figure: the tooth is short of reduction there; tell the dentist`,
  standing: 'C',
}
/** Most that is mended with flowable, mm, and in how many neighbouring parts. */
export const relineMost = { mm: 1, parts: 2 } as const
/** Minutes a round of correction and a new provisional take; the starting durations of the trade. */
const minutes = { round: 3, anew: 10 } as const

/** Whether parts of the margin lie in one stretch, going round. */
export function neighbouring(parts: readonly MarginPart[]): boolean {
  if (parts.length < 2) return true
  const at = new Set(parts.map((p) => marginParts.indexOf(p)))
  // One stretch has one beginning: a part whose forerunner is not among them.
  return [...at].filter((i) => !at.has((i + marginParts.length - 1) % marginParts.length)).length === 1
}

const list = (words: readonly string[]): string => words.join(', ')

/** What to do with a provisional, the heaviest first; nothing where it is good. */
export function judgeProvisional(read: ProvisionalReading, facts: ProvisionalFacts): ProvisionalJudgement {
  const of = (...faults: EdgeFault[]): MarginPart[] =>
    marginParts.filter((p) => read.parts[p] && faults.includes(read.parts[p].fault))
  const gaps = of('short', 'open')
  const widest = Math.max(0, ...gaps.map((p) => sure(read.parts[p]).byMm ?? 0))
  const atMargin = read.inside === 'bubble at the margin'
  const acts: ProvisionalJudgement['acts'] = []
  const say = (act: ProvisionalAct, says: string): void => void acts.push({ act, says })

  const why = [
    ...(read.cracked ? ['cracked'] : []),
    ...(gaps.length > relineMost.parts
      ? [`short or open in ${gaps.length} parts`]
      : gaps.length > 1 && !neighbouring(gaps)
        ? [`short or open in parts that do not touch: ${list(gaps)}`]
        : []),
    ...(widest > relineMost.mm ? [`${widest.toFixed(1)} mm missing`] : []),
  ]
  if (why.length > 0)
    say(
      'make again',
      `make it again: ${list(why)}; a reline mends up to ${relineMost.parts} neighbouring parts and ${relineMost.mm} mm`,
    )
  else if (gaps.length > 0)
    say(
      'reline',
      `${list(gaps)}: reline with flowable: jelly again, slight overlap, seat before curing, cure from two sides, rock off patiently`,
    )
  if (atMargin && why.length === 0) say('reline', 'bubble at the margin: reline there')
  if (read.inside === 'bubble off the margin') say('fill', 'inside bubble off the margin: fill it with flowable')
  if (of('over').length > 0)
    say('thin', `${list(of('over'))}: over the margin: thin it, angled away from the fitting side`)
  for (const side of facts.contacts) {
    const contact = read.contacts[side]
    if (contact === 'none') say('add', `${side} contact gone: add flowable there`)
    if (contact === 'light')
      say('tell', `${side} contact light: floss passes without a snap; the dentist says whether to add`)
    if (contact === 'tight')
      say('thin', `${side} contact tight: ease it until floss snaps, never losing the pencil mark`)
  }
  const least = facts.leastMm ?? thinnestMm
  for (const site of ['cusp', 'fossa'] as const) {
    const mm = read.thicknessMm[site]
    if (mm !== undefined && mm < least)
      say(
        'tell',
        `${site} ${mm.toFixed(1)} mm, under ${least.toFixed(1)}: the tooth is short of reduction there, by ${(least - mm).toFixed(1)} mm; tell the dentist`,
      )
  }
  if (read.bite === 'high') say('ease', 'high in the bite: ease it, paper again')
  if (read.bite === 'even' && facts.weak) say('ease', 'weak tooth or cement: take it out of contact in every bite')
  if (facts.round >= 2 && acts.some((a) => a.act === 'reline' || a.act === 'add'))
    say(
      'tell',
      `round ${facts.round + 1}: a correction takes about ${minutes.round} min, a new one about ${minutes.anew}`,
    )
  return { acts }
}
