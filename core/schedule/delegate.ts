/**
 * What delegating is worth: the same visit with the dentist doing what an assistant does in the mouth now, and which
 * single step, taken back by the dentist, would let the patient go sooner. Chair time counts first, the dentist's minutes
 * second. Who may do what is the functions table's to say and the dentist's to decide; this only counts.
 */
import { sure } from '../sure'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { layOut } from './timeline'

export interface TakenBack {
  stepId: string
  title: string
  /** Seconds the chair is shorter, and the dentist busier. */
  chairS: number
  dentistS: number
}
export interface Delegation {
  steps: number
  /** Seconds the dentist has more for other chairs, and seconds the chair is shorter; negative where it is longer. */
  dentistS: number
  chairS: number
  takeBack: TakenBack[]
}

/** A step taken back has to save this much of the patient's time to be worth a word, seconds. */
const worthS = 60

const delegated = (plan: Plan, dentistId: string): Step[] =>
  plan.steps.filter((s) => s.place === 'mouth' && s.performer.personId !== dentistId && s.allowed[dentistId] === 'yes')

function givenTo(plan: Plan, dentist: Plan['people'][number], ids: ReadonlySet<string>): Plan {
  return {
    ...plan,
    steps: plan.steps.map((s) =>
      ids.has(s.id)
        ? {
            ...s,
            performer: { ...s.performer, personId: dentist.id, name: dentist.name },
            helpers: s.helpers.filter((h) => h !== dentist.id),
          }
        : s,
    ),
  }
}

/** @returns null where nobody but the dentist works in the mouth */
export function delegationOf(plan: Plan): Delegation | null {
  const dentist = sure(plan.people.find((p) => p.dentist))
  const own = delegated(plan, dentist.id)
  if (own.length === 0) return null
  const now = layOut(plan)
  const busy = (p: Plan): number => layOut(p).busyS[dentist.id] ?? 0
  const alone = givenTo(plan, dentist, new Set(own.map((s) => s.id)))
  const takeBack = own
    .flatMap((s): TakenBack[] => {
      const other = givenTo(plan, dentist, new Set([s.id]))
      const chairS = now.chairS - layOut(other).chairS
      return chairS >= worthS ? [{ stepId: s.id, title: s.title, chairS, dentistS: busy(other) - busy(plan) }] : []
    })
    .toSorted((a, b) => b.chairS - a.chairS || a.dentistS - b.dentistS)
  return { steps: own.length, dentistS: busy(alone) - busy(plan), chairS: layOut(alone).chairS - now.chairS, takeBack }
}

export interface PersonTime {
  personId: string
  busyS: number
  /** Waits between two pieces of work, a minute or longer: how many, how long in all, and the longest. */
  waits: number
  waitS: number
  longestWaitS: number
}

/**
 * What each person of a visit works and waits.
 * @example personTimes(plan).length // 2
 */
export function personTimes(plan: Pick<Plan, 'steps' | 'links' | 'people' | 'setup'>): PersonTime[] {
  const { busyS, rests } = layOut(plan)
  return plan.people.map(({ id }) => {
    const own = rests.filter((r) => r.personId === id).map((r) => r.endS - r.startS)
    return {
      personId: id,
      busyS: busyS[id] ?? 0,
      waits: own.length,
      waitS: own.reduce((sum, w) => sum + w, 0),
      longestWaitS: Math.max(0, ...own),
    }
  })
}
