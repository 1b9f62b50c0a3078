/** A round of drill: a random case's tray from a shuffled cupboard, its burs in order, its steps in order, its clocks. */
import { firstOf, sure } from '../sure'
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequest } from '../model/request'
import type { Plan, SetupLine } from '../model/plan'
import { kindOfStep } from '../step-id'
import type { Practice } from '../practice/practice'
import { random } from '../random'
import { allTeeth, isPrimary, jawOf, parts } from '../teeth/notation'
import { exampleRequest } from '../library/kinds/example'
import { kindFacts, type KindId } from '../kinds'
import { clockTasks, type ClockTask } from './clocks'

/** How much is asked at once: a round is done in a few minutes. */
export const sizes = { tray: 14, strangers: 10, steps: 7 } as const

export interface Piece {
  id: string
  name: string
}
export interface Round {
  plan: Plan
  /** The shuffled cupboard: what belongs on the tray among what does not. */
  cupboard: Piece[]
  /** What belongs laid out open. */
  wanted: string[]
  /** Burs to be put in order, shuffled; a bur that comes twice stands twice. */
  burs: (Piece & { place: number })[]
  /** Steps to be put in order, shuffled. */
  steps: Piece[]
  clock?: ClockTask
}

/** Draws without replacement, in a random order. */
function shuffled<T>(all: readonly T[], draw: () => number): T[] {
  const left = [...all]
  return Array.from({ length: left.length }, () => firstOf(left.splice(Math.floor(draw() * left.length), 1)))
}

/** A plain case of a kind on a tooth drawn by the seed. The same seed and practice give the same case. */
export function drillRequest(kind: KindId, seed: number, practice: Practice, date: string): VisitRequest {
  const [dentist, assistant] = [
    practice.people.find((p) => p.roles.includes('dentist')),
    practice.people.find((p) => !p.roles.includes('dentist')),
  ]
  if (!dentist || !assistant) throw new RangeError('a drill needs a dentist and an assistant in the practice')
  const team = { dentist: dentist.id, assistants: [assistant.id] }
  const plain = exampleRequest(kind, date, team)
  const k = kindFacts(kind)
  if (k.pontics === 'needed') return plain
  const fits = allTeeth.filter(
    (t) =>
      isPrimary(t) === (k.dentition === 'primary') &&
      (!k.jaw || jawOf(t) === k.jaw) &&
      (!k.positions || (parts(t).position >= k.positions[0] && parts(t).position <= k.positions[1])),
  )
  const draw = random(seed)
  const tooth = sure(fits[Math.floor(draw() * fits.length)])
  const restoration = k.restorations.length > 0 ? k.restorations[Math.floor(draw() * k.restorations.length)] : undefined
  const asked = visitRequest.safeParse({ kind, date, team, teeth: [tooth], ...(restoration ? { restoration } : {}) })
  return asked.success ? asked.data : plain
}

export const trayCard = (kind: string, itemId: string): string => `tray|${kind}|${itemId}`
export const burCard = (kind: string, stepId: string): string => `bur|${kind}|${kindOfStep(stepId)}`
export const stepCard = (kind: string, stepId: string): string => `order|${kind}|${kindOfStep(stepId)}`
export const clockCard = (kind: string, learns: string): string => `clock|${kind}|${learns}`

/** Due ones first, the others drawn. */
function some<T>(all: readonly T[], n: number, due: (x: T) => boolean, draw: () => number): T[] {
  const mixed = shuffled(all, draw)
  return [...mixed.filter(due), ...mixed.filter((x) => !due(x))].slice(0, n)
}

/** A run of steps that lie together in the plan, round one that is due where there is one. */
function stretch(plan: Plan, due: ReadonlySet<string>, draw: () => number): Plan['steps'] {
  const n = Math.min(sizes.steps, plan.steps.length)
  const asked = plan.steps.flatMap((s, i) => (due.has(stepCard(plan.kind, s.id)) ? [i] : []))
  const centre =
    asked.length > 0 ? sure(asked[Math.floor(draw() * asked.length)]) : Math.floor(draw() * plan.steps.length)
  const from = Math.max(0, Math.min(plan.steps.length - n, centre - Math.floor(n / 2)))
  return plan.steps.slice(from, from + n)
}

/**
 * Makes a round. The same plan, practice, seed and due cards give the same round, on the device and on the server.
 * @param due keys of what is to come back for this person
 */
export function drillRound(plan: Plan, practice: Practice, seed: number, due: ReadonlySet<string>): Round {
  const draw = random(seed ^ 0x5bd1e995)
  const isDue = (l: SetupLine): boolean => due.has(trayCard(plan.kind, l.id))
  const open = plan.setup.filter((l) => l.readiness === 'open' && l.lack === undefined)
  const onTray = some(open, sizes.tray, isDue, draw)
  const inPlan = new Set(plan.setup.map((l) => l.id))
  // What is to be had ready but not opened is the nearest stranger of all.
  const kept = some(
    plan.setup.filter((l) => l.readiness !== 'open' && !open.some((o) => o.name === l.name)),
    4,
    isDue,
    draw,
  )
  // Strangers of the same families: what is laid out by mistake is what looks alike.
  const families = new Set<string>(plan.setup.map((l) => l.family))
  const strangers = some(
    practice.items.filter((i) => !inPlan.has(i.id) && families.has(i.family)),
    sizes.strangers - kept.length,
    (i) => due.has(trayCard(plan.kind, i.id)),
    draw,
  )
  const pieces = [...onTray, ...kept, ...strangers].map(({ id, name }) => ({ id, name }))
  const burs = plan.burs.flatMap((b, place) => (b.bur ? [{ id: b.bur.id, name: b.bur.name, place }] : []))
  const tasks = clockTasks(plan)
  const dueTasks = tasks.filter((t) => t.acts.some((a) => due.has(clockCard(plan.kind, a.learns))))
  const clock = (dueTasks.length > 0 ? dueTasks : tasks)[Math.floor(draw() * (dueTasks.length || tasks.length))]
  return {
    plan,
    cupboard: shuffled(pieces, draw),
    wanted: onTray.map((l) => l.id),
    burs: shuffled(burs, draw),
    steps: shuffled(
      stretch(plan, due, draw).map(({ id, title }) => ({ id, name: title })),
      draw,
    ),
    ...(clock ? { clock } : {}),
  }
}

/** The practice as the drill teaches it: what is owned, whatever today's lots, worn burs and learned minutes are. */
const asOwned = (practice: Practice): Practice => ({
  ...practice,
  lots: [],
  burs: practice.burs.map((b) => ({ ...b, uses: 0 })),
  useLearned: false,
})

/**
 * The round a person is given: the plan compiled from its seed, then drawn. What a visit elsewhere uses up between asking and
 * scoring does not change it.
 */
export function roundOf(kind: KindId, seed: number, current: Practice, date: string, due: ReadonlySet<string>): Round {
  const practice = asOwned(current)
  return drillRound(compile(drillRequest(kind, seed, practice, date), practice), practice, seed, due)
}
