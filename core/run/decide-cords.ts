/** A cord past its limit: out now, or why it stays. */
import type { Asked, Decision, Of } from './asked'
import { cordsLying, outNow, type LyingCord } from './cords'
import { refuse, type Refusal } from './refusals'

/** A cord that has lain past its limit: the one that is meant, or why there is nothing to ask of it. */
function lyingOver(stepId: string, { plan, core, now }: Asked): LyingCord | { refused: Refusal } {
  const cord = cordsLying(plan, core, now).find((x) => x.step.id === stepId)
  if (!cord) return { refused: refuse('not-now', 'this cord is not in', { stepId }) }
  if (cord.over) return cord
  const left = Math.ceil((cord.mostS - cord.liesS) / 60)
  return { refused: refuse('not-now', `${cord.count.what}: it may lie ${left} min more`, { stepId }) }
}

export function cordOut(c: Of<'cord out'>, asked: Asked): Decision {
  const cord = lyingOver(c.stepId, asked)
  return 'refused' in cord ? cord : { events: outNow(asked.plan, asked.core, cord, asked.who.personId) }
}

export function keepCord(c: Of<'keep cord'>, asked: Asked): Decision {
  const cord = lyingOver(c.stepId, asked)
  return 'refused' in cord ? cord : { events: [{ kind: 'cord.kept', stepId: c.stepId, reason: c.reason }] }
}
