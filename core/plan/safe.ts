/**
 * The safe thing instead of a warning: where what this visit does, or what the patient bears, does not go with a thing, another
 * of the practice’s own is taken and it is said why. A warning is left only where nothing safe is owned. Common practice.
 */
import { matchItem, type Match, type Need } from '../catalog/match'
import type { Item } from '../catalog/item'
import type { Step } from '../model/step'
import type { Case } from '../library/case'

/** What is looked at of a step that uses things. */
export type UsesThings = Pick<Step, 'id' | 'title' | 'phase' | 'tooth' | 'act' | 'needs'>

/** One kind of thing that is left in the drawer, when and why. */
interface Avoided {
  when: (steps: readonly UsesThings[], c: Case) => boolean
  what: (i: Item) => boolean
  because: string
}

const usesOpen = (steps: readonly UsesThings[], need: RegExp): boolean =>
  steps.some((s) => s.needs.some((n) => n.readiness === 'open' && need.test(n.what)))

/** A separator is spread while a sheet is on. */
const separatorUnderSheet = (steps: readonly UsesThings[]): boolean => {
  const on = steps.findIndex((s) => s.act === 'sheet on')
  const off = steps.findIndex((s) => s.act === 'sheet off')
  return on >= 0 && steps.some((s, i) => i > on && i < off && s.needs.some((n) => n.what === 'separator'))
}

const avoided: readonly Avoided[] = [
  {
    when: (steps) => usesOpen(steps, /silicone|putty/),
    what: (i) => i.latex,
    because: 'latex stops addition silicone from setting',
  },
  { when: (_, c) => c.has('nickel'), what: (i) => i.allergens.includes('nickel'), because: 'nickel alert' },
  {
    when: (_, c) => c.has('methacrylate'),
    what: (i) => i.allergens.includes('methacrylate'),
    because: 'methacrylate alert',
  },
  {
    when: separatorUnderSheet,
    what: (i) => i.serves.includes('separator.oil'),
    because: 'oil eats a latex sheet',
  },
]

/** What of the practice’s own answers a need. */
export type Answers = (need: Need) => Match

/**
 * What answers a need in this visit: the practice’s own items, the patient’s alerts, what was exchanged at the tray, and what is
 * better left in the drawer today.
 */
export function answersOf(steps: readonly UsesThings[], c: Case): Answers {
  const { practice, request } = c
  const today = avoided.filter((a) => a.when(steps, c))
  const shun = (i: Item): string | undefined => today.find((a) => a.what(i))?.because
  const answer = (need: Need): Match => matchItem(need, practice.items, request.alerts, request.swaps, shun)
  // Most needs say no more than what they are: the same again is answered the same.
  const known = new Map<string, Match>()
  return (need) => {
    if (need.words !== undefined || need.orElse || need.because) return answer(need)
    const match = known.get(need.what) ?? answer(need)
    known.set(need.what, match)
    return match
  }
}
