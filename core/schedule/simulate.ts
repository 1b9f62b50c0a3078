/**
 * How long a visit is likely to take, when no step takes exactly its likely time: the score's order is run through many
 * times with durations drawn from each step's short, likely and long (triangular; Malcolm, Roseboom, Clark and Fazar,
 * Operations Research 7, 1959, for three-point estimates in networks). People do what they do at the chair: each starts
 * when what it waits for is done, and what opens a window is begun on the word of whoever is still busy: so long before
 * they are done as the way to the window's end takes.
 */
import { sure } from '../sure'
import { random, triangular } from '../random'
import { isWindow, leastS } from '../model/link'
import { withPatient, type Step } from '../model/step'
import { layOut, problemOf, type Scored } from './timeline'

export interface Forecast {
  draws: number
  /** Seconds in the chair: the middle of the draws, and what 8 in 10 stay within. */
  likelyS: number
  eightInTenS: number
  /** For every window, how often it was overrun, 0 to 1. */
  missed: { linkId: string; title: string; share: number }[]
}

/** One wait of a step in the simulated run: not before `from`'s edge plus `afterS`, for its own start or finish. */
interface Wait {
  from: number
  finish: boolean
  ownFinish: boolean
  afterS: number
}

/** Indices so that every step comes after what it waits for; null where that is a circle. */
function inOrder(waits: readonly Wait[][], start: readonly number[]): number[] | null {
  const left = waits.map((w) => new Set(w.map((x) => x.from)).size)
  const next = waits.map((): number[] => [])
  waits.forEach((w, i) => new Set(w.map((x) => x.from)).forEach((f) => sure(next[f]).push(i)))
  const ready = left.flatMap((n, i) => (n === 0 ? [i] : []))
  const order: number[] = []
  while (ready.length > 0) {
    ready.sort((a, b) => sure(start[b]) - sure(start[a]) || b - a)
    const i = sure(ready.pop())
    order.push(i)
    for (const j of sure(next[i])) if (--left[j]! === 0) ready.push(j)
  }
  return order.length === waits.length ? order : null
}

/** Likely seconds from the start of a step to the starts of those that come after it; −∞ for the others. */
function reach(waits: readonly Wait[][], order: readonly number[], likely: readonly number[], from: number): number[] {
  const after = waits.map((_, i) => (i === from ? 0 : -Infinity))
  for (const i of order)
    for (const w of sure(waits[i]))
      after[i] = Math.max(
        sure(after[i]),
        sure(after[w.from]) + (w.finish ? sure(likely[w.from]) : 0) + w.afterS - (w.ownFinish ? sure(likely[i]) : 0),
      )
  return after
}

/** A step and all that it waits for, near and far. */
function leadingTo(waits: readonly Wait[][], to: number): Set<number> {
  const seen = new Set([to])
  for (const i of seen) for (const w of sure(waits[i])) seen.add(w.from)
  return seen
}

/** What each step waits for: what binds it in the plan, and each person and the mouth in the order of the score. */
function waitsOf(plan: Scored, at: ReadonlyMap<string, number>, start: readonly number[]): Wait[][] {
  const waits: Wait[][] = plan.steps.map(() => [])
  for (const l of plan.links) {
    const [from, to] = [at.get(l.from), at.get(l.to)]
    if (from === undefined || to === undefined || from === to) continue
    sure(waits[to]).push({
      from,
      finish: l.fromEdge === 'finish',
      ownFinish: l.toEdge === 'finish',
      afterS: leastS(l),
    })
  }
  const lines = new Map<string, number[]>()
  problemOf(plan).tasks.forEach((t, i) => t.holds.forEach((h) => lines.set(h, [...(lines.get(h) ?? []), i])))
  for (const line of lines.values()) {
    line.sort((a, b) => sure(start[a]) - sure(start[b]) || a - b)
    for (let i = 1; i < line.length; i++)
      sure(waits[sure(line[i])]).push({ from: sure(line[i - 1]), finish: true, ownFinish: false, afterS: 0 })
  }
  return waits
}

/** The waits with each window held back: where something else joins the way to its end, its beginning waits for that. */
function heldBack(
  waits: readonly Wait[][],
  plain: readonly number[],
  likely: readonly number[],
  windows: readonly { a: number; b: number }[],
): Wait[][] {
  const holding = waits.map((w) => [...w])
  for (const w of windows) {
    const after = reach(waits, plain, likely, w.a)
    for (const m of leadingTo(waits, w.b)) {
      if (m === w.a || after[m] === -Infinity) continue
      for (const other of sure(waits[m])) {
        if (after[other.from] !== -Infinity) continue
        sure(holding[w.a]).push({
          ...other,
          ownFinish: false,
          afterS: other.afterS - (other.ownFinish ? sure(likely[m]) : 0) - sure(after[m]),
        })
      }
    }
  }
  return holding
}

/** Where the moment a step begins, or ends, stands among the moments of a draw. */
const momentOf = (step: number, finish: boolean): number => step * 2 + Number(finish)

/** One step as the draws take it. */
interface Drawn {
  begins: number
  spread: Step['spread']
  inChair: boolean
  waits: readonly { moment: number; afterS: number; ownFinish: boolean }[]
}

/** One draw: every moment of the visit is set, in seconds; answers when the patient leaves the chair. */
function drawOnce(steps: readonly Drawn[], moments: Float64Array, next: () => number): number {
  let length = 0
  for (const { begins, spread, inChair, waits } of steps) {
    const takes = triangular(spread.shortS, spread.likelyS, spread.longS, next())
    let from = 0
    for (const w of waits) {
      const due = sure(moments[w.moment]) + w.afterS - (w.ownFinish ? takes : 0)
      if (due > from) from = due
    }
    moments[begins] = from
    moments[begins + 1] = from + takes
    if (inChair && from + takes > length) length = from + takes
  }
  return length
}

/**
 * Runs the visit `draws` times. The same plan and seed give the same answer.
 * @example forecast(plan, 500).likelyS > 0 // true
 */
export function forecast(plan: Scored, draws = 10_000, seed = 1): Forecast {
  const score = layOut(plan)
  const { steps } = plan
  const at = new Map(steps.map((s, i) => [s.id, i]))
  const start = score.bars.map((b) => b.startS)
  const windows = plan.links.flatMap((l) => {
    if (!isWindow(l)) return []
    const [a, b] = [at.get(l.from), at.get(l.to)]
    if (a === undefined || b === undefined) return []
    return { ...l, a, b, opens: momentOf(a, l.fromEdge === 'finish'), ends: momentOf(b, l.toEdge === 'finish') }
  })
  const waits = waitsOf(plan, at, start)
  const plain = inOrder(waits, start)
  const likely = steps.map((s) => s.spread.likelyS)
  const holding = plain ? heldBack(waits, plain, likely, windows) : waits
  const careful = inOrder(holding, start)
  const used = careful ? holding : waits
  const drawn = (careful ?? plain ?? steps.map((_, i) => i)).map((i): Drawn => {
    const step = sure(steps[i])
    return {
      begins: momentOf(i, false),
      spread: step.spread,
      inChair: withPatient(step),
      waits: sure(used[i]).map(({ from, finish, ownFinish, afterS }) => ({
        moment: momentOf(from, finish),
        afterS,
        ownFinish,
      })),
    }
  })
  const next = random(seed)
  const moments = new Float64Array(steps.length * 2)
  const lengths = new Float64Array(draws)
  const over = new Float64Array(windows.length)
  for (let n = 0; n < draws; n++) {
    lengths[n] = drawOnce(drawn, moments, next)
    windows.forEach((w, k) => {
      if (sure(moments[w.ends]) - sure(moments[w.opens]) > w.atMostS) over[k]!++
    })
  }
  lengths.sort()
  const part = (share: number): number => sure(lengths[Math.min(draws - 1, Math.ceil(share * draws) - 1)])
  return {
    draws,
    likelyS: part(0.5),
    eightInTenS: part(0.8),
    missed: windows.map((w, k) => ({ linkId: w.id, title: sure(w.title), share: sure(over[k]) / draws })),
  }
}
