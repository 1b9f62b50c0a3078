import { firstOf, sure } from '../sure'
import type { OwnRules } from '../rules'
import { reason } from '../figure'
import type { Spread } from '../model/step'
import { self, wire, type Draft, type Tie } from '../phases/build'
import { noPaper } from '../phases/bite'
import { openCase, type Case, type Unit } from '../phases/case'
import { aspectOf, seatsFor } from '../measure/seats'
import { choiceNames, type Choices } from '../practice/choices'
import { helpWords } from '../practice/helps'
import { permissionOf, type FunctionName, type Permission } from '../practice/functions'
import type { Practice } from '../practice/practice'
import { toothName, toQuadrant, toUniversal } from '../teeth/notation'
import { burHanded, burOrder } from './burs'
import { layLanes } from './lanes'
import { withLearned } from './learned'
import { visitKinds } from '../visits'
import { dayOf, type Work } from '../visits/day'
import { amend } from './amend'
import { keptClean } from './films'
import { keptNumb } from './numb-again'
import { findClashes } from './clashes'
import type { Lanes } from '../model/lanes'
import type { VisitRequest } from '../model/request'
import { mergeSetup } from './setup'
import { callThings, namedLines, unlaid, unused, withThings } from './tray-text'
import type { Clock, Link } from '../model/link'
import type { Count, Hold, Plan } from '../model/plan'
import type { Performer, Step } from '../model/step'

/** The version of the library a plan is compiled from; a frozen plan keeps the one it came from. */
export const libraryVersion = '2026.12.2'

/** Thrown where a request names people the practice does not have; `path` says which field. */
export class RequestError extends Error {
  constructor(
    message: string,
    readonly path: (string | number)[],
  ) {
    super(message)
    this.name = 'RequestError'
  }
}

interface Team {
  dentist: { id: string; name: string }
  assistants: { id: string; name: string; roles: Practice['people'][number]['roles']; loadS: number }[]
  /** Which table of functions is in force, and who of the team may do a function by it; looked up once for each function. */
  table: Choices['functions']
  may: (fn: FunctionName) => Record<string, Permission>
}

function findTeam(request: VisitRequest, practice: Practice): Omit<Team, 'table' | 'may'> {
  const find = (id: string, path: (string | number)[]) => {
    const person = practice.people.find((p) => p.id === id)
    if (!person) throw new RequestError(`"${id}" is nobody of ${practice.name}`, path)
    return person
  }
  const dentist = find(request.team.dentist, ['team', 'dentist'])
  if (!dentist.roles.includes('dentist'))
    throw new RequestError(`${dentist.name} is not a dentist`, ['team', 'dentist'])
  return {
    dentist,
    assistants: request.team.assistants.map((id, i) => ({ ...find(id, ['team', 'assistants', i]), loadS: 0 })),
  }
}

function withTable(team: Omit<Team, 'table' | 'may'>, table: Team['table'], practice: Practice): Team {
  const known = new Map<FunctionName, Record<string, Permission>>()
  return {
    ...team,
    table,
    may: (fn) => {
      const before = known.get(fn)
      if (before) return before
      const may: Record<string, Permission> = { [team.dentist.id]: 'yes' }
      for (const a of team.assistants) may[a.id] = permissionOf(fn, a.roles, practice.functions[table])
      known.set(fn, may)
      return may
    },
  }
}

const permissionWords = {
  no: 'not',
  sight: 'under the dentist’s direct sight',
  word: 'on the dentist’s word',
  yes: 'on their own',
}

const holdId = (hold: NonNullable<Draft['hold']>): string => (hold.key ? `${hold.name}.${hold.key}` : hold.name)

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

/** What a step does in the mouth: where, to which arch, and what it hurts. */
function inTheMouth(step: Step, draft: Draft): void {
  if (draft.imprints) step.imprints = draft.imprints
  if (draft.reshapes) step.reshapes = draft.reshapes
  if (draft.numbed) step.numbed = draft.numbed
  if (draft.hurts && draft.hurts.length > 0) step.hurts = true
  if (draft.tooth) step.tooth = draft.tooth
  if (draft.bite) step.bite = draft.bite
  if (draft.cut) step.cut = draft.cut
  if (draft.cord) step.cord = draft.cord
  if (draft.shows) step.shows = draft.shows
  if (draft.tellsLab) step.tellsLab = draft.tellsLab
  if (draft.seals) step.seals = draft.seals
  if (draft.holes) step.holes = draft.holes
}

/** What the second pair of hands does, or that there is none; a dentist who watches has hands, too. */
function secondHands(step: Step, { helps, fn }: Draft, there: boolean, watched: boolean): void {
  if (there) step.help = helps ?? helpWords(fn)
  else if (!watched) step.alone = true
}

function toStep(draft: Draft, beside: string | undefined, team: Team): Step {
  const performer = assign(draft, team)
  // Under the dentist's direct sight the dentist is there, and nowhere else.
  const watching = performer.permission === 'sight' ? [team.dentist.id] : []
  // Whoever else is there lends a hand: an assistant to the dentist, a second one to the first.
  const helper = team.assistants.find((a) => a.id !== performer.personId)?.id
  const step: Step = {
    id: draft.id,
    phase: draft.phase,
    title: draft.title,
    fn: draft.fn,
    performer,
    allowed: team.may(draft.fn),
    helpers: [...(draft.helped && helper ? [helper] : []), ...watching],
    place: draft.place,
    spread: spreadOf(draft),
    passes: draft.passes ?? [],
    with: [],
    needs: draft.needs ?? [],
    countsIn: (draft.countsIn ?? []).map((x) => x.id),
    countsOut: draft.countsOut ?? [],
    cautions: draft.cautions ?? [],
    mistakes: draft.mistakes ?? [],
    figures: draft.figures ?? [],
    asks: draft.asks ?? [],
  }
  if (draft.helped) secondHands(step, draft, helper !== undefined, watching.length > 0)
  if (draft.act) step.act = draft.act
  if (draft.detail) step.detail = draft.detail
  if (draft.told) step.told = draft.told
  if (draft.tell) step.tell = draft.tell
  inTheMouth(step, draft)
  if (draft.hold) step.holdId = holdId(draft.hold)
  if (draft.reason) step.reason = draft.reason
  if (beside) step.meanwhile = beside
  if (draft.cues) step.cues = draft.cues.map((cue) => ({ from: draft.id, fromEdge: 'start', until: 'finish', ...cue }))
  return draft.lanes ? asInLanes(step, draft, layLanes(draft.lanes, handsOf(team), team.may, draft.id), team) : step
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
    ...(others.length > 0 && draft.helped ? { help: draft.helps ?? helpWords(draft.fn) } : {}),
    performer,
    helpers: [...new Set([...others, ...watching])],
  }
}

/** Who sits where while a tooth is cut in the mouth. */
const withSeats = (step: Step, { choices }: Case): Step =>
  step.cut && step.tooth && step.place === 'mouth'
    ? { ...step, seats: seatsFor(step.tooth, aspectOf(step.cut.surface), choices.hand) }
    : step

/** The hands that are there, the dentist's first. */
const handsOf = ({ dentist, assistants }: Team) => [
  { id: dentist.id, name: dentist.name, dentist: true },
  ...assistants.map((a) => ({ id: a.id, name: a.name, dentist: false })),
]

/** A tie as a link between two steps that are there. */
function clockOf(draft: Draft, tie: Tie, has: (id: string) => boolean): Clock | null {
  const from = tie.from === self ? draft.id : tie.from
  if (!has(from)) return null
  const { fromEdge = 'finish', toEdge = 'start', title, because } = tie
  const ends = { id: `${from}.${fromEdge}~${draft.id}.${toEdge}`, from, fromEdge, to: draft.id, toEdge, title, because }
  let clock: Clock
  if (tie.atMostS === undefined) clock = { ...ends, kind: 'lag', atLeastS: tie.atLeastS }
  else {
    const again = [...new Set(tie.again ?? [from, draft.id])].filter(has)
    clock = { ...ends, kind: 'window', atMostS: tie.atMostS, whenMissed: tie.whenMissed, again }
    if (tie.atLeastS !== undefined) clock.atLeastS = tie.atLeastS
  }
  if (tie.warnS !== undefined) clock.warnS = tie.warnS
  if (tie.own) clock.own = tie.own
  return clock
}

/** Order links first, then the ties with time in them; a tie to a step this plan does not have falls away. */
function linksOf(draft: Draft, after: readonly string[], has: (id: string) => boolean): Link[] {
  const order = after.map((from): Link => ({
    kind: 'order',
    id: `${from}>${draft.id}`,
    from,
    fromEdge: 'finish',
    to: draft.id,
    toEdge: 'start',
  }))
  return [...order, ...(draft.ties ?? []).flatMap((tie) => clockOf(draft, tie, has) ?? [])]
}

const writeTooth = (u: Unit): Plan['teeth'][number] => ({
  tooth: u.tooth,
  universal: toUniversal(u.tooth),
  quadrant: toQuadrant(u.tooth),
  name: toothName(u.tooth),
  ...(u.cusps ? { functional: u.cusps.functional } : {}),
})

/** Contacts that are not there: nothing to break, floss or check on that side. */
function missingContacts(works: readonly Work[]): Plan['absent'] {
  return works.flatMap(({ c }) =>
    c.units.flatMap((u) =>
      (['mesial', 'distal'] as const)
        .filter((s) => !u[s].tooth)
        .map((s) => ({
          what: `${s} contact of ${u.said}`,
          because: reason(u[s].none === 'missing' ? 'the neighbour is missing' : 'it is the last in the arch', 'C'),
        })),
    ),
  )
}

/** Of the practice's own values those that this plan asked for. */
function ownOf(works: readonly Work[], practice: Practice): OwnRules {
  const asked = new Set<string>(works.flatMap((w) => [...w.c.asked.rules]))
  return Object.fromEntries(Object.entries(practice.rules).filter(([rule]) => asked.has(rule)))
}

const lacksOf = (setup: Plan['setup'], burs: Plan['burs']): string[] => [
  ...setup.flatMap((l) => (l.lack ? [l.lack] : [])),
  ...burs.flatMap((b) => (b.lack ? [`${firstOf(b.cuts).surface}: ${b.lack}`] : [])),
]

function titleOf({ c }: Work): string {
  const { title, restorations } = c.kind
  return restorations.length > 1 && c.restoration
    ? `${title}: ${c.pontics.length > 0 && c.kind.spans ? `${c.units.length + c.pontics.length}-unit bridge, ` : ''}${c.restoration}`
    : title
}

/**
 * Compiles a visit: steps in order with who and when, one merged setup, bur order, holds, counts, clashes, and the
 * reasons for what is there and what is not. Pure: the same request and practice give the same Plan, byte for byte.
 * @throws RequestError where the team names somebody the practice does not have.
 * @example compile(request, practice).title // 'Crown, first visit: monolithic zirconia crown'
 */
export function compile(request: VisitRequest, practice: Practice): Plan {
  const people = findTeam(request, practice)
  const works = [openCase(request, practice), ...request.also.map((work) => openCase(request, practice, work))].map(
    (c): Work => ({ kind: visitKinds[c.request.kind], c }),
  )
  const { c } = firstOf(works)
  const team = withTable(people, c.choices.functions, practice)
  const kindIds = works.map((w) => w.kind.id)
  const amended = amend(
    wire(dayOf(works)),
    practice.amendments.filter((a) => kindIds.includes(a.kind)),
    practice.items,
    works.flatMap((w) => w.c.units.map((u) => u.tooth)),
  )
  const { uses, touched } = amended
  const wired = { ...amended.wired, steps: keptNumb(keptClean(amended.wired.steps), c) }
  const ids = new Set(wired.steps.map((s) => s.draft.id))
  const has = (id: string): boolean => ids.has(id)
  const drawn = wired.steps.map(({ draft, meanwhile }): Step => {
    const own = touched.get(draft.id)
    const step = withSeats(toStep(draft, meanwhile, team), c)
    // What a person has set by hand stands before what was learned.
    if (own) return { ...step, amended: own }
    return practice.useLearned ? withLearned(step, request.kind, practice.learned) : step
  })
  const links = wired.steps.flatMap(({ draft, after }) => linksOf(draft, after, has))
  const burs = burOrder(drawn, c)
  const setup = mergeSetup(drawn, c)
  const called = callThings(drawn, c)
  const handed = drawn.map((s) => (s.cut ? { ...s, passes: burHanded(s.passes, s.id, burs) } : s))
  const spoken = called(handed)
  const named = namedLines(spoken, setup)
  const steps = withThings(spoken, setup, named)
  const holds = wired.steps.flatMap(({ draft }): Hold[] =>
    draft.hold
      ? [
          {
            id: holdId(draft.hold),
            name: draft.hold.name,
            stepId: draft.id,
            title: called.say(draft.hold.title),
            evidence: called.say(draft.hold.evidence),
            mandatory: draft.hold.mandatory ?? false,
            from: draft.hold.fromCard ? 'card' : 'plan',
            because: draft.hold.because,
            again: (draft.hold.again ?? [draft.id]).filter(has),
            ...(draft.hold.restsOn ? { restsOn: draft.hold.restsOn.filter(has) } : {}),
          },
        ]
      : [],
  )
  const counts = wired.steps.flatMap(({ draft }) =>
    (draft.countsIn ?? []).map((n): Count => ({
      stays: 0,
      ...n,
      ...(draft.tooth ? { tooth: draft.tooth } : {}),
      inStep: draft.id,
    })),
  )
  // Before the clash rules look: what they read is no question to a person.
  const asked = {
    facts: works.map((w) => [...w.c.asked.facts].toSorted()),
    choices: choiceNames.filter((n) => works.some((w) => w.c.asked.choices.has(n))),
  }
  const clashes = findClashes(
    works.map((w) => w.c),
    setup,
    steps,
  )
  return {
    library: libraryVersion,
    kind: request.kind,
    title: works.map(titleOf).join(' + '),
    request,
    notation: practice.notation,
    teeth: works.flatMap((w) => w.c.units.map(writeTooth)),
    choices: c.resolved,
    people: handsOf(team),
    steps,
    links,
    setup,
    burs,
    holds,
    counts,
    clashes,
    absent: [...wired.absences, ...missingContacts(works), ...noPaper(works.map((w) => w.c))],
    lacks: lacksOf(setup, burs),
    followUps: works.flatMap((w) => w.kind.followUps(w.c)),
    asked,
    unlaid: unlaid(steps, burs, { holds, counts, links }),
    unused: unused(steps, setup, named),
    amendments: uses,
    rules: ownOf(works, practice),
    light: practice.light,
  }
}
