/** What has to be read before a hold can be signed: the shade that goes to the laboratory, the margin parts, the ferrule. */
import { sure } from '../sure'
import type { Hold, Plan } from '../model/plan'
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

/**
 * The readings a hold rests on that were not taken since its step began, tooth by tooth.
 */
export function stillToRead(plan: Pick<Plan, 'steps'>, core: Pick<RunCore, 'measured'>, hold: Hold): StillToRead[] {
  const step = sure(plan.steps.find((s) => s.id === hold.stepId))
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
          words: spokenOf({ measure, tooth }, readingOfKind(measure).name.toLowerCase()),
        })),
    )
}
