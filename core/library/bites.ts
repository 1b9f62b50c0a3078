/** At which stages a visit looks at the bite, and why no paper is out where none of its works wants any. */
import { reason, type Reason } from '../figure'
import { biteStages, type BiteStage } from './bite-stages'
import type { Case } from './case'
import type { Work } from './day'
import { visitKinds } from './kinds'
import { madeOnce } from './prepare'
import type { Kind } from './kind'

const stagesOf = ({ bites }: Kind, c: Case): readonly BiteStage[] =>
  // A stage is checked where it is written.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  madeOnce(bites, { c, own: {} }) as BiteStage[]

/** The stages of one piece of work at which the bite is looked at, or said not to be. */
export const bitesOf = (c: Case): readonly BiteStage[] => stagesOf(visitKinds[c.request.kind], c)

/** Why no bite paper is out, where none of a visit’s works wants any. */
export function noPaper(works: readonly Work[]): { what: string; because: Reason }[] {
  const stages = works.flatMap(({ kind, c }) => stagesOf(kind, c))
  const [first] = stages
  if (first === undefined || stages.some((s) => biteStages[s].paper)) return []
  return [{ what: 'bite paper', because: reason(biteStages[first].because, 'C') }]
}
