import { chooseBur } from '../catalog/cut'
import { reason } from '../figure'
import { wire, type Draft } from '../phases/build'
import { openCase, type Case } from '../phases/case'
import { permissionOf } from '../practice/functions'
import type { Practice } from '../practice/practice'
import { toothName, toQuadrant, toUniversal } from '../teeth/notation'
import { visitKinds } from '../visits'
import { findClashes } from './clashes'
import type { VisitRequest } from './request'
import { mergeSetup } from './setup'
import type { BurPass, Count, Hold, Link, Performer, Plan, Step } from './types'

/** The version of the library a plan is compiled from; a frozen plan keeps the one it came from. */
export const libraryVersion = '2026.11.1'

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
}

function findTeam(request: VisitRequest, practice: Practice): Team {
  const find = (id: string, path: (string | number)[]) => {
    const person = practice.people.find((p) => p.id === id)
    if (!person) throw new RequestError(`"${id}" is nobody of ${practice.name}`, path)
    return person
  }
  const dentist = find(request.team.dentist, ['team', 'dentist'])
  if (!dentist.roles.includes('dentist')) throw new RequestError(`${dentist.name} is not a dentist`, ['team', 'dentist'])
  return { dentist, assistants: request.team.assistants.map((id, i) => ({ ...find(id, ['team', 'assistants', i]), loadS: 0 })) }
}

const permissionWords = { no: 'not', sight: 'under the dentist’s direct sight', word: 'on the dentist’s word', yes: 'on their own' }

/** Gives a step to the least busy assistant who may do it, else to the dentist. */
function assign(draft: Draft, c: Case, team: Team): Performer {
  const table = c.practice.functions[c.choices.functions]
  const able = team.assistants
    .map((a) => ({ a, permission: permissionOf(draft.fn, a.roles, table) }))
    .filter(({ permission }) => permission !== 'no')
    .toSorted((x, y) => x.a.loadS - y.a.loadS)
  const first = able[0]
  if (!first) {
    return { personId: team.dentist.id, name: team.dentist.name, permission: 'yes', because: reason(`${draft.fn}: the ${c.choices.functions} table leaves it to the dentist`, 'practice') }
  }
  first.a.loadS += draft.minutes[1] * 60
  return { personId: first.a.id, name: first.a.name, permission: first.permission, because: reason(`${draft.fn}: ${permissionWords[first.permission]}, by the ${c.choices.functions} table`, 'practice') }
}

function toStep(draft: Draft, beside: string | undefined, c: Case, team: Team): Step {
  const performer = assign(draft, c, team)
  const helper = performer.personId === team.dentist.id ? team.assistants[0]?.id : undefined
  const step: Step = {
    id: draft.id,
    phase: draft.phase,
    title: draft.title,
    fn: draft.fn,
    performer,
    allowed: Object.fromEntries([[team.dentist.id, 'yes' as const], ...team.assistants.map((a) => [a.id, permissionOf(draft.fn, a.roles, c.practice.functions[c.choices.functions])] as const)]),
    helpers: draft.helped && helper ? [helper] : [],
    place: draft.place,
    spread: { shortS: Math.round(draft.minutes[0] * 60), likelyS: Math.round(draft.minutes[1] * 60), longS: Math.round(draft.minutes[2] * 60) },
    passes: draft.passes ?? [],
    needs: draft.needs ?? [],
    countsIn: draft.countIn ? [draft.countIn.id] : [],
    countsOut: draft.countOut ? [draft.countOut] : [],
    cautions: draft.cautions ?? [],
    mistakes: draft.mistakes ?? [],
    figures: draft.figures ?? [],
  }
  if (draft.detail) step.detail = draft.detail
  if (draft.told) step.told = draft.told
  if (draft.tooth) step.tooth = draft.tooth
  if (draft.cut) step.cut = draft.cut
  if (draft.hold) step.holdId = draft.hold.name
  if (draft.reason) step.reason = draft.reason
  if (beside) step.meanwhile = beside
  return step
}

/** Order links first, then the ties with time in them; a tie to a step this plan does not have falls away. */
function linksOf(draft: Draft, after: readonly string[], has: (id: string) => boolean): Link[] {
  const order = after.map((from): Link => ({ id: `${from}>${draft.id}`, from, fromEdge: 'finish', to: draft.id, toEdge: 'start' }))
  const ties = (draft.ties ?? [])
    .filter((tie) => has(tie.from))
    .map((tie): Link => {
      const { from, fromEdge = 'finish', toEdge = 'start', again, ...rest } = tie
      return { id: `${from}.${fromEdge}~${draft.id}.${toEdge}`, from, fromEdge, to: draft.id, toEdge, ...rest, ...(again ? { again: again.filter(has) } : {}) }
    })
  return [...order, ...ties]
}

function burOrder(steps: readonly Step[], c: Case): BurPass[] {
  const passes: BurPass[] = []
  for (const step of steps) {
    if (!step.cut) continue
    const current = passes.at(-1)
    const answer = chooseBur(step.cut, c.practice.burs, current?.bur?.id)
    const cut = { stepId: step.id, surface: step.cut.surface, depthMm: step.cut.depthMm, ...(answer.best ? { because: answer.best.because } : {}), ...(answer.next ? { next: answer.next } : {}) }
    const bur = c.practice.burs.find((b) => b.id === answer.best?.burId)
    if (bur && current?.bur?.id === bur.id) {
      current.cuts.push(cut)
      for (const p of answer.passedOver) if (!current.passedOver.includes(p)) current.passedOver.push(p)
    } else {
      passes.push({
        order: passes.length + 1,
        ...(bur ? { bur } : {}),
        cuts: [cut],
        passedOver: answer.passedOver,
        ...(answer.lack ? { lack: answer.lack } : {}),
      })
    }
    if (bur) step.burId = bur.id
  }
  return passes
}

/**
 * Compiles a visit: steps in order with who and when, one merged setup, bur order, holds, counts, clashes, and the
 * reasons for what is there and what is not. Pure: the same request and practice give the same Plan, byte for byte.
 * @throws RequestError where the team names somebody the practice does not have.
 */
export function compile(request: VisitRequest, practice: Practice): Plan {
  const team = findTeam(request, practice)
  const c = openCase(request, practice)
  const kind = visitKinds[request.kind]
  const wired = wire(kind.day(c))
  const ids = new Set(wired.steps.map((s) => s.draft.id))
  const has = (id: string): boolean => ids.has(id)
  const steps = wired.steps.map(({ draft, meanwhile }) => toStep(draft, meanwhile, c, team))
  const links = wired.steps.flatMap(({ draft, after }) => linksOf(draft, after, has))
  const burs = burOrder(steps, c)
  const setup = mergeSetup(steps, c)
  const holds = wired.steps.flatMap(({ draft }): Hold[] =>
    draft.hold
      ? [{ id: draft.hold.name, stepId: draft.id, title: draft.hold.title, evidence: draft.hold.evidence, mandatory: draft.hold.mandatory ?? false, from: draft.hold.fromCard ? 'card' : 'plan', because: draft.hold.because, again: (draft.hold.again ?? [draft.id]).filter(has) }]
      : [],
  )
  const counts = wired.steps.flatMap(({ draft }): Count[] =>
    draft.countIn ? [{ id: draft.countIn.id, what: draft.countIn.what, ...(draft.tooth ? { tooth: draft.tooth } : {}), planned: draft.countIn.planned, inStep: draft.id, outStep: draft.countIn.outStep }] : [],
  )
  return {
    library: libraryVersion,
    kind: request.kind,
    title: `${kind.title}: ${request.restoration}`,
    request,
    teeth: c.units.map((u) => ({ tooth: u.tooth, universal: toUniversal(u.tooth), quadrant: toQuadrant(u.tooth), name: toothName(u.tooth), ...(u.cusps ? { functional: u.cusps.functional } : {}) })),
    choices: c.resolved,
    people: [{ id: team.dentist.id, name: team.dentist.name, dentist: true }, ...team.assistants.map((a) => ({ id: a.id, name: a.name, dentist: false }))],
    steps,
    links,
    setup,
    burs,
    holds,
    counts,
    clashes: findClashes(c, setup, steps),
    absent: [
      ...wired.absences,
      ...c.units.flatMap((u) => (['mesial', 'distal'] as const).filter((s) => !u[s].tooth).map((s) => ({ what: `${s} contact of ${u.tooth}`, because: reason(u[s].none === 'missing' ? 'the neighbour is missing' : 'it is the last in the arch', 'C') }))),
    ],
    lacks: [...setup.flatMap((l) => (l.lack ? [l.lack] : [])), ...burs.flatMap((b) => (b.lack ? [`${b.cuts[0]!.surface}: ${b.lack}`] : []))],
    followUps: kind.followUps(c),
  }
}
