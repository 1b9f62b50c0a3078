/** What has to be read before a hold can be signed: the shade that goes to the laboratory, the margin parts, the ferrule. */
import { sure } from '../sure'
import type { Hold, Plan } from '../model/plan'
import type { Step } from '../model/step'
import { readingOfKind, readingsAt, spokenOf, teethAt, type ReadingKind } from '../readings'
import type { Tooth } from '../teeth/notation'
import type { RunCore } from './state'

export interface StillToRead {
  stepId: string
  measure: ReadingKind
  tooth: Tooth
  /** '11 shade' */
  words: string
}

/** 'canal MB': a canal by its own name, the rest by the reading's. */
const nameAt = (step: Step, measure: ReadingKind): string => {
  const canal = step.asks.flatMap((a) => (a.reading === 'canal' ? [a.canal] : []))[0]
  return measure === 'canal' && canal ? `canal ${canal}` : readingOfKind(measure).name.toLowerCase()
}

type Reads = Pick<Plan, 'steps' | 'notation'>

/**
 * The readings a hold rests on that were not taken since its step began, tooth by tooth.
 */
export function stillToRead(plan: Reads, core: Pick<RunCore, 'measured'>, hold: Hold): StillToRead[] {
  return [...(hold.restsOn ?? []), hold.stepId].flatMap((id) =>
    unreadAt(plan, sure(plan.steps.find((s) => s.id === id)), core),
  )
}

function unreadAt(plan: Reads, step: Step, core: Pick<RunCore, 'measured'>): StillToRead[] {
  return readingsAt(step)
    .filter((measure) => readingOfKind(measure).rests)
    .flatMap((measure) =>
      teethAt(step, measure)
        .filter(
          (tooth) => !core.measured.some((m) => m.stepId === step.id && m.measure === measure && m.tooth === tooth),
        )
        .map((tooth) => ({
          stepId: step.id,
          measure,
          tooth,
          words: spokenOf(plan, { measure, tooth }, nameAt(step, measure)),
        })),
    )
}
