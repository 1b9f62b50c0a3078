/**
 * What earlier versions of the program stored, brought up to date: the one place that knows how things were written before.
 * Nothing stored is changed; it is read through here.
 */
import * as z from 'zod'
import { cordSizes } from '../measure/cord'
import { among, sure } from '../sure'
import { kindFacts } from '../kinds'
import type { Learned } from '../practice/practice'
import type { Link } from './link'
import { holdNames, type Count, type Hold, type HoldName, type Plan, type SetupLine } from './plan'
import { storedRequest, type VisitRequest, type VisitRequestInput } from './request'
import type { Dose } from '../measure/doses'
import type { Act, Ask, Numbed, Step } from './step'

declare const brand: unique symbol
/** Something as it lies in the database: of no use until it has been brought up to date. */
export interface Stored<T> {
  readonly [brand]: T
}
/** For writing: what is stored is of today. */
// The brand is of the types alone: nothing is added to what is written.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
export const toStore = <T>(value: T): Stored<T> => value as unknown as Stored<T>

type Loose = Record<string, unknown>
const isObject = (x: unknown): x is Loose => typeof x === 'object' && x !== null && !Array.isArray(x)
const objectAt = (x: Loose, key: string): Loose => (isObject(x[key]) ? x[key] : {})
const textsAt = (x: Loose, key: string): string[] =>
  Array.isArray(x[key]) ? x[key].filter((v) => typeof v === 'string') : []

/** Until 2026.11.2 facts of single teeth stood in columns of their own, or for the whole visit. */
const columns = {
  surfaces: 'surfaces',
  depthMm: 'depthMm',
  canals: 'canals',
  measuredPerimeterMm: 'perimeterMm',
} as const

function workUpToDate(work: Loose): Loose {
  const { surfaces: _s, depthMm: _d, canals: _c, measuredPerimeterMm: _m, dark, also, ...rest } = work
  const teeth = textsAt(work, 'teeth')
  const tissue = isObject(work['tissue']) ? { ...work['tissue'] } : undefined
  const overgrown = tissue?.['overgrown'] === true
  delete tissue?.['overgrown']
  const covered =
    work['inEnamel'] === false && typeof work['kind'] === 'string' && /^(veneer|laminate)\./.test(work['kind'])
  const ofTooth = Object.fromEntries(
    teeth.flatMap((t) => {
      const facts: Loose = { ...objectAt(objectAt(work, 'ofTooth'), t) }
      for (const [old, now] of Object.entries(columns)) {
        const value = objectAt(work, old)[t]
        if (value !== undefined) facts[now] ??= value
      }
      if (dark === true) facts['dark'] ??= true
      if (overgrown) facts['overgrown'] ??= true
      if (covered) facts['coveredEdge'] ??= true
      return Object.keys(facts).length > 0 ? [[t, facts] as const] : []
    }),
  )
  return {
    ...rest,
    ...(tissue ? { tissue } : {}),
    ...(Object.keys(ofTooth).length > 0 ? { ofTooth } : {}),
    ...(Array.isArray(also) ? { also: also.filter(isObject).map(workUpToDate) } : {}),
  }
}

const isOld = (request: Loose): boolean =>
  [...Object.keys(columns), 'dark'].some((k) => k in request) || 'overgrown' in objectAt(request, 'tissue')

/**
 * A stored request as it would be written today, out of the parts it was stored in; a later part stands before an earlier one.
 * @example requestUpToDate(toStore({ kind: 'filling.bulk', teeth: ['36'], depthMm: { 36: 5 } })).ofTooth // { '36': { depthMm: 5 } }
 */
export function requestUpToDate(...parts: Stored<object>[]): Partial<VisitRequestInput> {
  const request: Loose = Object.assign({}, ...parts)
  const old = isOld(request) || (Array.isArray(request['also']) && request['also'].some((w) => isObject(w) && isOld(w)))
  return old ? workUpToDate(request) : request
}

/** Until 2026.11.2 a learned mean was kept as the likely value. */
export type StoredLearned = Record<string, { n: number; meanS?: number; likelyS?: number }>
/** @example learnedUpToDate({ a: { n: 5, likelyS: 60 } }) // { a: { n: 5, meanS: 60 } } */
export const learnedUpToDate = (stored: StoredLearned): Learned =>
  Object.fromEntries(
    Object.entries(stored).map(([key, { n, meanS, likelyS }]) => [key, { n, meanS: meanS ?? likelyS ?? 0 }]),
  )

/** A step as it was frozen until 2026.11.2: what it was stood in its id alone. */
type OldStep = Omit<Step, 'asks' | 'with'> & Partial<Pick<Step, 'asks'>>
interface OldLink {
  id: string
  from: string
  fromEdge: 'start' | 'finish'
  to: string
  toEdge: 'start' | 'finish'
  kind?: undefined
  atLeastS?: number
  warnS?: number
  atMostS?: number
  title?: string
  because?: { text: string; standing: 'C' }
  whenMissed?: string
  again?: string[]
}
type OldPlan = Omit<UnheldPlan, 'steps' | 'links' | 'holds' | 'counts' | 'request' | 'rules' | 'asked'> & {
  asked: { facts: string[]; choices: Plan['asked']['choices'] }
  rules?: Plan['rules']
  request: Loose
  steps: OldStep[]
  links: (OldLink | Link)[]
  holds: (Omit<Hold, 'name'> & { name?: HoldName })[]
  counts: (Omit<Count, 'stays'> & { stays?: number })[]
}

const acts: readonly (readonly [RegExp, Act])[] = [
  [/^(anaesthesia\.test|asleep\.under)$/, 'numb'],
  [/^isolation\.dam-on/, 'sheet on'],
  [/^isolation\.dam-off/, 'sheet off'],
  [/^isolation\.scrub/, 'scrub'],
  [/^tissue\.(base|top|single)-cord\./, 'cord in'],
  [/^tissue\.draw-cord\./, 'cord drawn'],
  [/^tissue\.base-out\./, 'base cord out'],
  [/^provisional\.cement/, 'provisional cemented'],
  [/^closing\.counts$/, 'counts squared'],
  [/^closing\.home$/, 'going home'],
]

/** What an old step was read for: its id, its need or its hold said so. */
function oldAsks(step: OldStep, plan: OldPlan, request: VisitRequest): Ask[] {
  const all = plan.teeth.map((t) => t.tooth)
  const teeth = step.tooth && all.includes(step.tooth) ? [step.tooth] : all
  const kind = kindFacts(plan.kind)
  const { id } = step
  const asks: Ask[] = []
  const ask = (when: boolean, what: Ask): void => void (when && asks.push(what))
  const layer = among(['base', 'top', 'single'], /^tissue\.(base|top|single)-cord\./.exec(id)?.[1])
  const inFront = kind.family === 'veneer' || plan.kind === 'filling.cervical'
  ask(/^(records|delivery)\.shade$|^records\.stump-shade$/.test(id), { reading: 'shade', teeth })
  ask(id === 'anaesthesia.inject', { reading: 'anaesthetic', teeth })
  ask(id === 'records.opposing', { reading: 'alginate', teeth })
  ask(id === 'isolation.dam-on', { reading: 'sheet', teeth })
  if (id.startsWith('cutting.reduction-check') && request.restoration) {
    asks.push({ reading: 'reduction', teeth, restoration: request.restoration })
    ask(kind.family === 'crown' || kind.family === 'root', { reading: 'convergence', teeth })
  }
  if (layer) {
    const along = /-(mesial|distal)$/.test(id) ? 'box' : inFront ? 'labial and proximal' : 'full crown'
    const size = among(cordSizes, step.needs.find((n) => n.what.startsWith('cord.'))?.what.replace('cord.', ''))
    asks.push({ reading: 'cord', teeth, layer, along, ...(size ? { size } : {}) })
  }
  ask(/^tissue\.(draw-cord|base-out)\./.test(id), { reading: 'cord out', teeth })
  ask(/^impression\.(?:[\w-]+\.)?inspect$/.test(id), {
    reading: 'inspection',
    teeth,
    scan: plan.choices.impression.value === 'optical scan',
  })
  ask(id === 'provisional.inspect' || (step.holdId?.startsWith('provisional') ?? false), {
    reading: 'provisional',
    teeth,
  })
  ask(id === 'canal.film' || id === 'canal.drill', { reading: 'post space', teeth })
  ask(id === 'core.ferrule', { reading: 'ferrule', teeth })
  ask(
    step.needs.some((n) => n.what === 'hypochlorite'),
    { reading: 'irrigant', teeth },
  )
  if (/^filling\.\d\d\.(depth|measure)$/.test(id)) {
    const bulk = plan.steps.filter((s) => s.tooth === step.tooth && /\.bulk-\d+$/.test(s.id)).length
    asks.push({
      reading: 'depth',
      teeth,
      band: plan.kind === 'filling.injected',
      ...(plan.kind === 'filling.bulk' ? { bulk } : {}),
    })
  }
  ask(/^filling\.\d\d\.base/.test(id), { reading: 'base', teeth })
  ask(step.fn === 'curing', { reading: 'light', teeth })
  ask(id === 'delivery.cement-shade', { reading: 'tint', teeth })
  return asks
}

function stepUpToDate(step: OldStep, plan: OldPlan, request: VisitRequest): UnheldPlan['steps'][number] {
  const act = step.act ?? acts.find(([pattern]) => pattern.test(step.id))?.[1]
  return {
    ...step,
    ...(act ? { act } : {}),
    ...(step.learned ? { learned: { ...step.learned, meanS: step.learned.meanS ?? step.spread.likelyS } } : {}),
    needs: step.needs.map((n) => (n.what.startsWith('clamp.') ? { ...n, is: 'clamp' } : n)),
    asks: step.asks ?? oldAsks(step, plan, request),
  }
}

function linkUpToDate(l: OldLink | Link): Link {
  if (l.kind !== undefined) return l
  const { id, from, fromEdge, to, toEdge, atLeastS, warnS, atMostS } = l
  const ends = { id, from, fromEdge, to, toEdge }
  if (l.title === undefined) return { ...ends, kind: 'order' }
  const told = { title: l.title, because: l.because ?? { text: l.title, standing: 'C' } }
  const warn = warnS === undefined ? {} : { warnS }
  if (atMostS === undefined) return { ...ends, ...told, kind: 'lag', atLeastS: atLeastS ?? 0, ...warn }
  return {
    ...ends,
    ...told,
    kind: 'window',
    atMostS,
    ...(atLeastS === undefined ? {} : { atLeastS }),
    ...warn,
    whenMissed: l.whenMissed ?? 'the dentist decides',
    again: l.again ?? [from, to],
  }
}

/**
 * A frozen plan as today's rooms read it. What it says (titles, times, reasons) stays word for word as it was signed.
 * @example planUpToDate(toStore(plan)) === plan // true
 */
export function planUpToDate(stored: Stored<Plan>): Plan {
  // The one place that says what may lie in the database; the fixtures under server/test/stored hold it to that.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  const plan = stored as unknown as OldPlan | UnheldPlan | Plan
  return dosed(notated(saysWhatItAsks(plan) ? (isHeld(plan) ? plan : heldToTray(plan)) : heldToTray(askingPlan(plan))))
}

/** Until 2026.12.2 a visit had one agent, which stood beside its injections. */
type OneAgent = Dose & { doses?: undefined } & Pick<Numbed, 'under' | 'over'>
const oneAgent = (numbed: Numbed | OneAgent | undefined): OneAgent | undefined =>
  numbed?.doses === undefined ? numbed : undefined
function dosed(plan: Plan): Plan {
  if (!plan.steps.some((s) => oneAgent(s.numbed))) return plan
  const steps = plan.steps.map((s): Step => {
    const old = oneAgent(s.numbed)
    if (!old) return s
    const { under, over, doses: _, ...dose } = old
    return { ...s, numbed: { doses: [dose], under, ...(over === undefined ? {} : { over }) } }
  })
  return { ...plan, steps }
}

/** Until 2026.12.1 the sentences of a plan wrote teeth in ISO, whatever the practice's own way. */
const notated = (plan: Omit<Plan, 'notation'> & Partial<Pick<Plan, 'notation'>>): Plan =>
  hasNotation(plan) ? plan : { ...plan, notation: 'iso' }
const hasNotation = (plan: Partial<Pick<Plan, 'notation'>>): plan is Plan => plan.notation !== undefined

/** A plan as it was frozen until 2026.11.6: its sentences were held against no tray. */
type UnheldPlan = Omit<Plan, 'unlaid' | 'unused' | 'steps' | 'setup'> & {
  unused?: undefined
  steps: (Omit<Step, 'with'> & Partial<Pick<Step, 'with'>>)[]
  setup: (Omit<SetupLine, 'needs'> & Partial<Pick<SetupLine, 'needs'>>)[]
}
const isHeld = (plan: UnheldPlan | Plan): plan is Plan => plan.unused !== undefined

/** What a signed plan says stays as it was signed: nothing is added to its steps, and nothing found wanting in it. */
const heldToTray = (plan: UnheldPlan): Plan => ({
  ...plan,
  steps: plan.steps.map((s) => ({ ...s, with: s.with ?? [] })),
  setup: plan.setup.map((l) => ({ ...l, needs: l.needs ?? [] })),
  unlaid: [],
  unused: [],
})

function askingPlan(plan: OldPlan): UnheldPlan {
  const request = storedRequest.parse(requestUpToDate(toStore(plan.request)))
  return {
    ...plan,
    request,
    steps: plan.steps.map((s) => stepUpToDate(s, plan, request)),
    links: plan.links.map(linkUpToDate),
    holds: plan.holds.map((h) => ({ ...h, name: h.name ?? sure(among(holdNames, h.id.split('.')[0])) })),
    counts: plan.counts.map((c) => ({ ...c, stays: c.stays ?? 0 })),
    rules: plan.rules ?? {},
    // Until 2026.11.4 one list stood for all pieces of work.
    asked: { ...plan.asked, facts: [request, ...request.also].map(() => plan.asked.facts) },
  }
}
const saysWhatItAsks = (plan: OldPlan | UnheldPlan | Plan): plan is UnheldPlan | Plan =>
  plan.steps.every((s) => s.asks !== undefined) && plan.asked.facts.every((f) => typeof f !== 'string')

/** Needs that were named otherwise until 2026.11.5: what an item of then serves today. */
const servesToday: Record<string, readonly string[]> = {
  adhesive: [],
  'primer.self-etch': ['primer.self-etch', 'bond.self-etch'],
  'adhesive.total etch': ['adhesive.universal'],
}

/** An item as it was written by whatever version, with the needs of today. */
export function itemUpToDate(stored: object): object {
  const serves: unknown = Object(stored)['serves']
  // What is no list of words is refused by the schema, as it stands.
  const words = z.array(z.string()).safeParse(serves)
  if (!words.success) return stored
  return { ...stored, serves: [...new Set(words.data.flatMap((n) => servesToday[n] ?? [n]))] }
}
