/**
 * The bite in its place: at which stage of a visit it is checked, for what, when, with what; and where no paper is out at all.
 * Common practice.
 */
import { biteStages, type BiteRow, type BiteStage } from '../bite-stages'
import type { Block } from '../build'
import { lay, type Otherwise } from '../lay'
import type { StepId } from '../steps'
import type { Case } from '../case'

/** A step that checks the bite at its stage: it says what is wanted, with paper where paper is out. */
export function checkBite(c: Case, stage: BiteStage, id: StepId, values: Otherwise = {}): Block {
  const { checks, because, paper }: BiteRow = biteStages[stage]
  return lay(c, values.as ?? id, { stage, checks, why: because, paper, ...values })
}

/** What a provisional of this case is checked for: the school decides, common practice. */
export const provisionalBite = (c: Case): 'provisional' | 'provisional, out of contact' =>
  c.school('provisionalBite') === 'out of contact' ? 'provisional, out of contact' : 'provisional'
