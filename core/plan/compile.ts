import { firstOf, sure } from '../sure'
import type { OwnRules } from '../rules'
import { reason } from '../figure'
import { spoken } from '../library/fields'
import type { Drafted } from '../library/draft'
import { plain } from '../library/said'
import { wire } from '../library/build'
import { noPaper } from '../library/bites'
import { followUpsOf } from '../library/follow-ups'
import { openCase, type Unit } from '../library/case'
import { choiceNames } from '../practice/choices'
import type { Practice } from '../practice/practice'
import { toothName, toQuadrant, toUniversal } from '../teeth/notation'
import { burOrder, withBur } from './burs'
import { withLearned } from './learned'
import { visitKinds } from '../library/kinds'
import { dayOf, type Work } from '../library/day'
import { amend } from './amend'
import { keptClean } from './films'
import { keptNumb } from './numb-again'
import { findClashes } from './clashes'
import { linksOf } from './links'
import type { VisitRequest } from '../model/request'
import { answersOf, type UsesThings } from './safe'
import { shielded } from './shielded'
import { mergeSetup } from './setup'
import { findTeam, handsOf, withTable } from './team'
import { lentHands } from './second-hands'
import { helpAt, holdId, toStep, withSeats } from './to-step'
import { calling, namedLines, unlaid, unused, withThings } from './tray-text'
import type { Count, Hold, Plan } from '../model/plan'
import type { Step } from '../model/step'

/** The version of the library a plan is compiled from; a frozen plan keeps the one it came from. */
export const libraryVersion = '2026.12.5'

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

/** Whether a step is there. */
function among(drafts: readonly Drafted[]): (id: string) => boolean {
  const ids = new Set(drafts.map((d) => d.id))
  return (id) => ids.has(id)
}

/** What the tray has to know of a step. */
const thingsUsed = ({ id, title, phase, tooth, act, needs = [] }: Drafted): UsesThings => ({
  id,
  title: plain(title),
  phase,
  needs,
  ...(tooth ? { tooth } : {}),
  ...(act ? { act } : {}),
})

const lacksOf = (setup: Plan['setup'], burs: Plan['burs']): string[] => [
  ...setup.flatMap((l) => (l.lack ? [l.lack] : [])),
  ...burs.flatMap((b) => (b.lack ? [`${firstOf(b.cuts).surface}: ${b.lack}`] : [])),
]

function titleOf({ c }: Work): string {
  const { title, restorations, frameworks = [] } = c.kind
  const framework = frameworks.length > 1 ? c.asks('framework') : null
  if (framework) return `${title}: ${framework}`
  return restorations.length > 1 && c.restoration
    ? `${title}: ${c.pontics.length > 0 && c.kind.spans ? `${c.units.length + c.pontics.length}-unit bridge, ` : ''}${c.restoration}`
    : title
}

type Call = ReturnType<typeof calling>

const holdsOf = (drafts: readonly Drafted[], call: Call, has: (id: string) => boolean): Hold[] =>
  drafts.flatMap(({ id, hold }): Hold[] =>
    hold
      ? [
          {
            id: holdId(hold),
            name: hold.name,
            stepId: id,
            title: call(hold.title),
            evidence: call(hold.evidence),
            mandatory: hold.mandatory ?? false,
            from: hold.fromCard ? 'card' : 'plan',
            because: hold.because,
            again: (hold.again ?? [id]).filter(has),
            ...(hold.restsOn ? { restsOn: hold.restsOn.filter(has) } : {}),
          },
        ]
      : [],
  )

/** What lies open of a need. */
const laidOpen = (setup: Plan['setup'], need: string): number =>
  setup.find((l) => l.readiness === 'open' && l.needs.includes(need))?.quantity ?? 0

const countsOf = (drafts: readonly Drafted[], call: Call, setup: Plan['setup']): Count[] =>
  drafts.flatMap((draft) =>
    (draft.countsIn ?? []).map(({ asLaid, ...n }): Count => ({
      stays: 0,
      ...n,
      ...(asLaid === undefined ? {} : { planned: laidOpen(setup, asLaid) }),
      what: call(n.what),
      ...(draft.tooth ? { tooth: draft.tooth } : {}),
      inStep: draft.id,
    })),
  )

/**
 * Compiles a visit: steps in order with who and when, one merged setup, bur order, holds, counts, clashes, and the
 * reasons for what is there and what is not. Pure: the same request and practice give the same Plan, byte for byte.
 * @throws RequestError where the team names somebody the practice does not have.
 * @example compile(request, practice).title // 'Crown, first visit: monolithic zirconia crown'
 */
export const compile = (request: VisitRequest, practice: Practice): Plan =>
  // The library's own sentences are held to the tray by tests; what a practice says in its own words is, each time.
  planFor(request, practice, practice.amendments.length > 0)

/** As {@link compile}, with every sentence held against the tray. */
export const compileHeld = (request: VisitRequest, practice: Practice): Plan => planFor(request, practice, true)

function planFor(request: VisitRequest, practice: Practice, held: boolean): Plan {
  const people = findTeam(request, practice)
  const works = [openCase(request, practice), ...request.also.map((work) => openCase(request, practice, work))].map(
    (c): Work => ({ kind: visitKinds[c.request.kind], c }),
  )
  const { c } = firstOf(works)
  const team = withTable(people, c.school('functions'), practice)
  const kindIds = works.map((w) => w.kind.id)
  const amended = amend(
    wire(dayOf(works)),
    practice.amendments.filter((a) => kindIds.includes(a.kind)),
    practice.items,
    works.flatMap((w) => w.c.units.map((u) => u.tooth)),
    works.flatMap((w) => [...w.c.units, ...w.c.pontics].map((u) => u.said)),
  )
  const { uses, touched } = amended
  const wired = { ...amended.wired, steps: shielded(keptNumb(keptClean(amended.wired.steps), c)) }
  const drafts = wired.steps.map((s) => s.draft)
  const has = among(drafts)
  const things = drafts.map(thingsUsed)
  const answer = answersOf(things, c)
  const setup = mergeSetup(things, answer, c)
  const burs = burOrder(drafts, c)
  const call = calling(things, answer)
  const alone = wired.steps.map(({ draft, meanwhile }): Step => {
    const own = touched.get(draft.id)
    const step = withBur(withSeats(toStep(spoken(draft, call), meanwhile, team), c), burs)
    // What a person has set by hand stands before what was learned.
    if (own) return { ...step, amended: own }
    return practice.useLearned ? withLearned(step, request.kind, practice.learned) : step
  })
  const helpWords = (i: number): string => {
    const { fn, helps, tooth } = sure(drafts[i])
    return helpAt({ fn, ...(tooth ? { tooth } : {}), ...(helps === undefined ? {} : { helps: call(helps) }) })
  }
  const drawn = lentHands(alone, team.dentist.id, helpWords, c.rule('dentist.away').value)
  const links = wired.steps.flatMap(({ draft, after }) => linksOf(draft, after, has, call))
  const named = namedLines(drafts, drawn, setup)
  const steps = withThings(drawn, setup, named)
  const holds = holdsOf(drafts, call, has)
  const counts = countsOf(drafts, call, setup)
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
    absent: [...wired.absences, ...missingContacts(works), ...noPaper(works)],
    lacks: lacksOf(setup, burs),
    followUps: works.flatMap((w) => followUpsOf(w.kind.followUps, w.c)),
    asked,
    ...(held ? { unlaid: unlaid(drafts, steps, burs) } : {}),
    unused: unused(steps, setup, named),
    amendments: uses,
    rules: ownOf(works, practice),
    light: practice.light,
  }
}
