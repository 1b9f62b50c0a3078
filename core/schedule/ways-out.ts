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

const overS = (p: CordLies): number => p.liesS - p.mostS
const liesIn = (plan: Plan): CordLies[] => cordsLie(plan, layOut(plan))
/** All that is past its limit in a plan, s: a way that helps one layer is a way, though another is still over. */
const excessS = (pieces: readonly CordLies[]): number => pieces.reduce((sum, p) => sum + Math.max(0, overS(p)), 0)

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

/** What stops a plan or cannot be kept in it. */
const brokenIn = (plan: Plan): string[] => [
  ...layOut(plan).conflict,
  ...plan.clashes.flatMap((x) => (x.severity === 'stop' ? [x.id] : [])),
]

/** What a way gives, in words; nothing where it gains nothing or breaks something else. */
function tried(way: Way, before: Plan, practice: Practice): string[] {
  const plan = compile(way.request, practice)
  const broken = new Set(brokenIn(before))
  if (brokenIn(plan).some((id) => !broken.has(id))) return []
  const [was, is] = [liesIn(before), liesIn(plan)]
  if (excessS(was) - excessS(is) < leastGainS) return []
  // Told of the piece it helps most, among those that are still placed.
  const helped = is
    .flatMap((p) => {
      const own = was.find((x) => x.stepId === p.stepId)
      return own && overS(own) > 0 ? [{ p, gainS: overS(own) - overS(p) }] : []
    })
    .filter(({ gainS }) => gainS >= leastGainS)
    .toSorted((a, b) => b.gainS - a.gainS)[0]?.p
  if (!helped) return []
  const longerS = layOut(plan).chairS - layOut(before).chairS
  const costs = [
    ...(way.costs === undefined ? [] : [way.costs]),
    ...(way.request.teeth.length === before.request.teeth.length && longerS >= leastGainS
      ? [`${minutes(longerS)} min longer in the chair`]
      : []),
  ]
  const still = overS(helped) > 0 ? ', still too long' : excessS(is) > 0 ? ', another still too long' : ''
  return [
    `${way.words}: ${minutes(helped.liesS)} of ${minutes(helped.mostS)} min${still}${costs.length > 0 ? `; costs ${costs.join(', ')}` : ''}`,
  ]
}

/** The ways out that fit this case, each with the stay its own schedule gives; empty where every cord keeps its limit. */
export const waysOut = (plan: Plan, practice: Practice): string[] =>
  excessS(liesIn(plan)) > 0 ? waysOf(plan, practice).flatMap((way) => tried(way, plan, practice)) : []
