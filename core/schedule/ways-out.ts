/**
 * Ways out where a cord would lie too long by the plan's own schedule: each tried whole, as a plan of its own, and offered only
 * where it shortens the stay or lengthens what is allowed, and breaks nothing else. Common practice.
 */
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequest, type VisitRequestInput } from '../model/request'
import type { Plan } from '../model/plan'
import type { Practice } from '../practice/practice'
import { cordsLie, type CordLies } from './cords'
import { layOut } from './timeline'

interface Way {
  /** What is done otherwise. */
  words: string
  /** What is given up for it, beside minutes. */
  costs?: string
  request: VisitRequest
}

/** The piece that is furthest over its limit, or nearest to it. */
function worst(plan: Plan): CordLies | undefined {
  return cordsLie(plan, layOut(plan)).toSorted((a, b) => b.liesS - b.mostS - (a.liesS - a.mostS))[0]
}

const choosing = (request: VisitRequest, choice: VisitRequest['visitChoices']): VisitRequest => ({
  ...request,
  visitChoices: { ...request.visitChoices, ...choice },
})

/** A request with fewer teeth, where it can be asked for so. */
function halved(request: VisitRequest): VisitRequest | undefined {
  if (request.teeth.length < 2 || request.pontics.length > 0) return undefined
  const raw: VisitRequestInput = { ...request, teeth: request.teeth.slice(0, Math.ceil(request.teeth.length / 2)) }
  return visitRequest.safeParse(raw).data
}

function waysOf({ request, choices, asked }: Plan, practice: Practice): Way[] {
  const is = (name: 'baseCord' | 'howMany' | 'provisionalWhen', value: string): boolean =>
    asked.choices.includes(name) && choices[name].value === value
  const fewer = halved(request)
  const helping = practice.people.find(
    (p) =>
      p.roles.some((r) => r === 'assistant' || r === 'expanded assistant') &&
      ![request.team.dentist, ...request.team.assistants].includes(p.id),
  )
  return [
    ...(is('baseCord', 'as the top')
      ? [
          {
            words: 'base cord wet and plain, the agent on the top cord only',
            request: choosing(request, { baseCord: 'plain' }),
          },
        ]
      : []),
    ...(is('howMany', 'parachute')
      ? [
          {
            words: 'one impression instead of two',
            costs: 'no second to fall back on',
            request: choosing(request, { howMany: 'one' }),
          },
        ]
      : []),
    ...(is('provisionalWhen', 'while the cord dwells')
      ? [
          {
            words: 'the provisional after the impression',
            request: choosing(request, { provisionalWhen: 'after the impression' }),
          },
        ]
      : []),
    ...(helping
      ? [
          {
            words: `a second pair of hands: ${helping.name}`,
            request: { ...request, team: { ...request.team, assistants: [...request.team.assistants, helping.id] } },
          },
        ]
      : []),
    ...(fewer
      ? [
          {
            words: `fewer teeth a sitting: ${fewer.teeth.length} and ${request.teeth.length - fewer.teeth.length}`,
            costs: 'one more visit',
            request: fewer,
          },
        ]
      : []),
  ]
}

const minutes = (s: number): number => Math.round(s / 60)
/** Less than that is no gain, s. */
const leastGainS = 60

/** What a way gives, in words; nothing where it gains nothing or breaks something else. */
function tried(way: Way, before: { plan: Plan; piece: CordLies }, practice: Practice): string[] {
  const plan = compile(way.request, practice)
  const piece = worst(plan)
  const stops = (p: Plan): Set<string> => new Set(p.clashes.filter((x) => x.severity === 'stop').map((x) => x.id))
  const known = stops(before.plan)
  if (!piece || layOut(plan).conflict.length > 0 || [...stops(plan)].some((id) => !known.has(id))) return []
  const over = (p: CordLies): number => p.liesS - p.mostS
  if (over(before.piece) - over(piece) < leastGainS) return []
  // Told of the piece that was too long, where it is still there.
  const same = cordsLie(plan, layOut(plan)).find((p) => p.stepId === before.piece.stepId) ?? piece
  const longerS = layOut(plan).chairS - layOut(before.plan).chairS
  const costs = [
    ...(way.costs === undefined ? [] : [way.costs]),
    ...(way.request.teeth.length === before.plan.request.teeth.length && longerS >= leastGainS
      ? [`${minutes(longerS)} min longer in the chair`]
      : []),
  ]
  return [
    `${way.words}: ${minutes(same.liesS)} of ${minutes(same.mostS)} min${over(piece) > 0 ? ', still too long' : ''}${costs.length > 0 ? `; costs ${costs.join(', ')}` : ''}`,
  ]
}

/**
 * The ways out that fit this case, each with the stay its own schedule gives; empty where every cord keeps its limit.
 */
export function waysOut(plan: Plan, practice: Practice): string[] {
  const piece = worst(plan)
  if (!piece || piece.liesS <= piece.mostS) return []
  return waysOf(plan, practice).flatMap((way) => tried(way, { plan, piece }, practice))
}
