/** A drafted step as a step of the plan: who does it, how long it takes, what the second pair of hands does. */
import { sure } from '../sure'
import { reason } from '../figure'
import type { Performer, Spread, Step } from '../model/step'
import type { Lanes } from '../model/lanes'
import { self, type Draft } from '../library/build'
import type { Case } from '../library/case'
import { plain, saidOf } from '../library/said'
import { aspectOf, seatsFor } from '../measure/seats'
import { helpWords } from '../practice/helps'
import { layLanes } from './lanes'
import { handsOf, type Team } from './team'

const permissionWords = {
  no: 'not',
  sight: 'under the dentist’s direct sight',
  word: 'on the dentist’s word',
  yes: 'on their own',
}

/** A hold by its name, where a visit has several of it with its key. */
export const holdId = (hold: Pick<NonNullable<Draft['hold']>, 'name' | 'key'>): string =>
  hold.key ? `${hold.name}.${hold.key}` : hold.name

/** Gives a step to the least busy assistant who may do it, else to the dentist. */
function assign(draft: Draft, team: Team): Performer {
  const may = team.may(draft.fn)
  const [first] = team.assistants.filter((a) => may[a.id] !== 'no').toSorted((x, y) => x.loadS - y.loadS)
  if (!first) {
    return {
      personId: team.dentist.id,
      name: team.dentist.name,
      permission: 'yes',
      because: reason(`${draft.fn}: the ${team.table} table leaves it to the dentist`, 'practice'),
    }
  }
  first.loadS += draft.minutes[1] * 60
  const permission = sure(may[first.id])
  return {
    personId: first.id,
    name: first.name,
    permission,
    because: reason(`${draft.fn}: ${permissionWords[permission]}, by the ${team.table} table`, 'practice'),
  }
}

const inSeconds = (minutes: number, leastS: number): number => Math.max(leastS, Math.round(minutes * 60))

/** Minutes as seconds; a step with a clock of its own lasts at least as long as that. */
function spreadOf({ minutes, ties = [] }: Draft): Spread {
  let leastS = 0
  for (const t of ties) if (t.from === self && t.toEdge === 'finish') leastS = Math.max(leastS, t.atLeastS ?? 0)
  const [short, likely, long] = minutes
  return { shortS: inSeconds(short, leastS), likelyS: inSeconds(likely, leastS), longS: inSeconds(long, leastS) }
}

/** What a second pair of hands does at a step. */
export const helpAt = ({ helps, fn, tooth }: Pick<Draft, 'helps' | 'fn' | 'tooth'>): string =>
  helps ?? plain(saidOf(helpWords(fn, tooth)))

/** What the second pair of hands does, or that there is none yet; a dentist who watches has hands, too. */
function secondHands(step: Step, draft: Draft): void {
  if (step.helpers.length > 0) step.help = helpAt(draft)
  else step.alone = true
}

/** A step of the plan from what was drafted; what a draft says that a step says, too, is the step's as it stands. */
export function toStep(draft: Draft, beside: string | undefined, team: Team): Step {
  const {
    minutes: _,
    ties: __,
    helped,
    helps: ___,
    hurts,
    hold,
    countsIn,
    cues,
    lanes,
    leaves: _4,
    cleans: _5,
    wantsClean: _6,
    wantsSet: _7,
    ...same
  } = draft
  const performer = assign(draft, team)
  // Under the dentist's direct sight the dentist is there, and nowhere else.
  const watching = performer.permission === 'sight' ? [team.dentist.id] : []
  // Whoever else is there lends a hand: an assistant to the dentist, a second one to the first.
  const helper = team.assistants.find((a) => a.id !== performer.personId)?.id
  const step: Step = {
    passes: [],
    needs: [],
    countsOut: [],
    cautions: [],
    mistakes: [],
    figures: [],
    asks: [],
    ...same,
    performer,
    allowed: team.may(draft.fn),
    helpers: [...(helped && helper ? [helper] : []), ...watching],
    spread: spreadOf(draft),
    with: [],
    countsIn: (countsIn ?? []).map((x) => x.id),
  }
  if (helped) secondHands(step, draft)
  if (hurts && hurts.length > 0) step.hurts = true
  if (hold) step.holdId = holdId(hold)
  if (beside) step.meanwhile = beside
  if (cues) step.cues = cues.map((cue) => ({ from: draft.id, fromEdge: 'start', until: 'finish', ...cue }))
  return lanes ? asInLanes(step, draft, layLanes(lanes, handsOf(team), team.may, draft.id), team) : step
}

/**
 * Where a choreography says who does what, the step is theirs: whoever does the act the step is about performs it. One that
 * begins with the step has the others help, and nobody is wanted besides; one that began before is their own steps' too.
 */
function asInLanes(step: Step, draft: Draft, lanes: Lanes, team: Team): Step {
  const ofStep = (draft.lanes?.acts ?? []).filter((a) => a.fn === draft.fn).map((a) => a.id)
  const longest = lanes.rows
    .flatMap((row) => row.acts.filter((a) => ofStep.includes(a.id)).map((a) => ({ row, takesS: a.toS - a.fromS })))
    .toSorted((a, b) => b.takesS - a.takesS)[0]?.row
  const laid = { ...step, lanes }
  if (!longest || lanes.short) return laid
  const { personId, name } = longest
  const permission = sure(step.allowed[personId])
  const because = reason(`${draft.fn}: as the hands are given out, second by second`, 'practice')
  const performer = personId === step.performer.personId ? step.performer : { personId, name, permission, because }
  const watching = permission === 'sight' ? [team.dentist.id] : []
  if (lanes.from !== step.id)
    return { ...laid, performer, helpers: [...new Set([...step.helpers, ...watching])].filter((id) => id !== personId) }
  const others = lanes.rows.map((r) => r.personId).filter((id) => id !== personId)
  const { alone: _, ...rest } = laid
  return {
    ...rest,
    ...(others.length > 0 && draft.helped ? { help: helpAt(draft) } : {}),
    performer,
    helpers: [...new Set([...others, ...watching])],
  }
}

/** Who sits where while a tooth is cut in the mouth. */
export const withSeats = (step: Step, c: Case): Step =>
  step.cut && step.tooth && step.place === 'mouth'
    ? { ...step, seats: seatsFor(step.tooth, aspectOf(step.cut.surface), c.school('hand')) }
    : step
