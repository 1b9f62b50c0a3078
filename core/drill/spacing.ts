/**
 * When what was asked comes back. The algorithm is FSRS, published: J. Ye, J. Su, Y. Cao, “A Stochastic Shortest Path
 * Algorithm for Optimizing Spaced Repetition Scheduling”, KDD 2022 (doi 10.1145/3534678.3539081); here by the package
 * ts-fsrs with its published weights, aimed at nine of ten still known, and without its random spread: the same answers give
 * the same days.
 */
import { createEmptyCard, fsrs, Rating, State, type Card as FsrsCard } from 'ts-fsrs'

const scheduler = fsrs({ enable_fuzz: false, request_retention: 0.9 })

/** As they are stored: by number, in the package's own order. */
const states = [State.New, State.Learning, State.Review, State.Relearning] as const

/** What is remembered of one thing asked, as it is stored: times in ms since the epoch. */
export interface Memory {
  dueAt: number
  lastAt: number
  stability: number
  difficulty: number
  scheduledDays: number
  learningSteps: number
  reps: number
  lapses: number
  state: 0 | 1 | 2 | 3
}

function toCard(m: Memory): FsrsCard {
  return {
    due: new Date(m.dueAt),
    last_review: new Date(m.lastAt),
    stability: m.stability,
    difficulty: m.difficulty,
    elapsed_days: 0,
    scheduled_days: m.scheduledDays,
    learning_steps: m.learningSteps,
    reps: m.reps,
    lapses: m.lapses,
    state: states[m.state],
  }
}
const toMemory = (c: FsrsCard, at: number): Memory => ({
  dueAt: c.due.getTime(),
  lastAt: at,
  stability: c.stability,
  difficulty: c.difficulty,
  scheduledDays: c.scheduled_days,
  learningSteps: c.learning_steps,
  reps: c.reps,
  lapses: c.lapses,
  state: c.state,
})

/**
 * The memory after an answer: right is “good”, a miss is “again”.
 * @example answered(undefined, false, now).dueAt > now // true
 */
export function answered(before: Memory | undefined, right: boolean, at: number): Memory {
  const card = before ? toCard(before) : createEmptyCard(new Date(at))
  return toMemory(scheduler.next(card, new Date(at), right ? Rating.Good : Rating.Again).card, at)
}
/** How likely it is still known, 0 to 1. */
export const knownNow = (m: Memory, at: number): number => scheduler.get_retrievability(toCard(m), new Date(at), false)
