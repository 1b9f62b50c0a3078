/** A round scored against the compiled plan: what was right, and the reason of every miss. */
import { firstOf, lastOf, sure } from '../sure'
import { isClock } from '../model/link'
import { id } from '../bounded'
import * as z from 'zod'
import { judgeClocks } from './clocks'
import { comesBefore } from './order'
import { burCard, clockCard, stepCard, trayCard, type Round } from './round'

const ids = z.array(id(400)).max(200)
export const drillAnswers = z.strictObject({
  tray: ids,
  burs: ids,
  steps: ids,
  clock: z.array(z.strictObject({ key: id(400), atS: z.number().min(0).max(3600) })).max(40),
})
export type DrillAnswers = z.infer<typeof drillAnswers>

export interface Miss {
  says: string
  because: string
}
export interface PartScore {
  part: 'tray' | 'burs' | 'steps' | 'clock'
  right: number
  of: number
  misses: Miss[]
}
export interface DrillScore {
  parts: PartScore[]
  right: number
  of: number
  /** What was asked and how it went, for the days it comes back. */
  cards: { key: string; right: boolean }[]
}

type Cards = DrillScore['cards']

function tray({ plan, cupboard, wanted }: Round, given: readonly string[], cards: Cards): PartScore {
  const line = (id: string) => plan.setup.find((l) => l.id === id)
  const misses: Miss[] = []
  for (const id of wanted) {
    const right = given.includes(id)
    cards.push({ key: trayCard(plan.kind, id), right })
    if (right) continue
    const l = sure(line(id))
    misses.push({
      says: `not laid out: ${l.name}`,
      because:
        l.because?.text ??
        `it is for: ${l.steps
          .slice(0, 2)
          .map((s) => plan.steps.find((x) => x.id === s)?.title ?? s)
          .join('; ')}`,
    })
  }
  const extra = cupboard.filter((p) => given.includes(p.id) && !wanted.includes(p.id))
  for (const p of extra) {
    const l = line(p.id)
    cards.push({ key: trayCard(plan.kind, p.id), right: false })
    misses.push({
      says: `laid out: ${p.name}`,
      because: l
        ? `${l.readiness === 'standby' ? 'have it ready, do not open it' : 'it stays in the drawer'}: ${l.when ?? 'until it is asked for'}`
        : 'this visit does not use it',
    })
  }
  return {
    part: 'tray',
    right: wanted.filter((id) => given.includes(id)).length,
    of: wanted.length + extra.length,
    misses,
  }
}

/** Which of a list stand in the order of another: their longest common run, by place in the given list. */
export function inOrder(given: readonly string[], wanted: readonly string[]): Set<number> {
  const best = Array.from({ length: given.length + 1 }, () => Array.from({ length: wanted.length + 1 }, () => 0))
  for (let i = given.length - 1; i >= 0; i--)
    for (let j = wanted.length - 1; j >= 0; j--)
      sure(best[i])[j] =
        given[i] === wanted[j]
          ? sure(sure(best[i + 1])[j + 1]) + 1
          : Math.max(sure(sure(best[i + 1])[j]), sure(sure(best[i])[j + 1]))
  const kept = new Set<number>()
  for (let i = 0, j = 0; i < given.length && j < wanted.length;) {
    if (given[i] === wanted[j]) {
      kept.add(j)
      i++
      j++
    } else if (sure(sure(best[i + 1])[j]) >= sure(sure(best[i])[j + 1])) i++
    else j++
  }
  return kept
}

function burs({ plan }: Round, given: readonly string[], cards: Cards): PartScore {
  const passes = plan.burs.filter((b) => b.bur)
  const kept = inOrder(
    given,
    passes.map((b) => sure(b.bur).id),
  )
  const misses = passes.flatMap((pass, i): Miss[] => {
    const cut = firstOf(pass.cuts)
    cards.push({ key: burCard(plan.kind, cut.stepId), right: kept.has(i) })
    if (kept.has(i)) return []
    const before = passes[i - 1]
    return [
      {
        says: `${i + 1}. is ${sure(pass.bur).name}, for ${cut.surface}${before ? `, after ${sure(before.bur).name}` : ', first of all'}`,
        because: cut.because?.text ?? plan.steps.find((s) => s.id === cut.stepId)?.title ?? '',
      },
    ]
  })
  return { part: 'burs', right: kept.size, of: passes.length, misses }
}

function steps({ plan, steps: asked }: Round, given: readonly string[], cards: Cards): PartScore {
  const title = (id: string): string => sure(plan.steps.find((s) => s.id === id)).title
  const place = (id: string): number => (given.includes(id) ? given.indexOf(id) : Infinity)
  let [right, of] = [0, 0]
  const misses: Miss[] = []
  for (const b of plan.steps.filter((s) => asked.some((p) => p.id === s.id))) {
    // What may go side by side is right in either order.
    const before = asked.filter((p) => comesBefore(plan, p.id, b.id))
    const wrong = before.filter((p) => place(p.id) >= place(b.id))
    const good = given.includes(b.id) && wrong.length === 0
    of++
    if (good) right++
    cards.push({ key: stepCard(plan.kind, b.id), right: good })
    if (!given.includes(b.id))
      misses.push({ says: `left out: ${b.title}`, because: b.reason?.text ?? 'it belongs to this visit' })
    else if (wrong[0]) {
      const tie = plan.links.filter(isClock).find((l) => l.to === b.id && wrong.some((w) => w.id === l.from))
      misses.push({
        says: `“${b.title}” comes after “${title(lastOf(wrong).id)}”`,
        because:
          tie?.because.text ?? b.reason?.text ?? b.mistakes[0] ?? 'the plan’s order: the one makes the other possible',
      })
    }
  }
  return { part: 'steps', right, of, misses }
}

function clock({ plan, clock: task }: Round, given: DrillAnswers['clock'], cards: Cards): PartScore[] {
  if (!task) return []
  const acts = judgeClocks(task, given)
  for (const { act, wrong } of acts) cards.push({ key: clockCard(plan.kind, act.learns), right: wrong === undefined })
  return [
    {
      part: 'clock',
      right: acts.filter((a) => a.wrong === undefined).length,
      of: acts.length,
      misses: acts.flatMap(({ act, wrong }) =>
        wrong === undefined
          ? []
          : [{ says: `${act.says}: ${wrong}`, because: act.bounds.map((b) => b.because).join('; ') }],
      ),
    },
  ]
}

/** Scores a round. What was not asked is not looked at; an answer that names what is not there counts for nothing. */
export function scoreRound(round: Round, answers: DrillAnswers): DrillScore {
  const cards: Cards = []
  const parts = [
    tray(round, answers.tray, cards),
    ...(round.burs.length > 1 ? [burs(round, answers.burs, cards)] : []),
    steps(round, answers.steps, cards),
    ...clock(round, answers.clock, cards),
  ]
  // One thing asked twice in a round is known only where it was right both times.
  const byKey = new Map<string, boolean>()
  for (const c of cards) byKey.set(c.key, (byKey.get(c.key) ?? true) && c.right)
  return {
    parts,
    right: parts.reduce((n, p) => n + p.right, 0),
    of: parts.reduce((n, p) => n + p.of, 0),
    cards: [...byKey].map(([key, right]) => ({ key, right })),
  }
}

/** The answers a perfect assistant gives: for tests, and for showing the solution. */
export function solutionOf(round: Round): DrillAnswers {
  const { plan, wanted, steps: asked, clock: task } = round
  const pressed: DrillAnswers['clock'] = []
  for (const act of task?.acts ?? [])
    pressed.push({
      key: act.key,
      atS: Math.max(
        0,
        ...act.bounds.map(
          (b) => (b.from === 'start' ? 0 : sure(pressed.find((p) => p.key === b.from)).atS) + (b.atLeastS ?? 0),
        ),
      ),
    })
  return {
    tray: wanted,
    burs: plan.burs.flatMap((b) => (b.bur ? [b.bur.id] : [])),
    steps: plan.steps.filter((s) => asked.some((p) => p.id === s.id)).map((s) => s.id),
    clock: pressed,
  }
}
