import { nightly } from '../../scripts/often'
import { leastS, isWindow } from '../model/link'
import { describe, expect, it } from 'vitest'
import { files, planOf } from '../../demo/test/plans'
import type { Plan } from '../model/plan'
import type { Who } from '../run/decide'
import { give, runThrough, startDrive, type Drive } from '../run/drive'
import { random } from '../random'
import { layOutFrom, leftOf } from './remaining'
import { heldBy, layOut } from './timeline'

const who = (plan: Plan, dentist: boolean): Who => ({
  personId: plan.people.find((p) => p.dentist === dentist)!.id,
  roles: [dentist ? 'dentist' : 'expanded assistant'],
  codeShown: dentist,
})
const begun = Date.UTC(2026, 10, 25, 9)

/** A visit in the middle: run to a step, perhaps that step begun, and some time gone by. */
function middle(plan: Plan, seed: number): { drive: Drive; now: number } {
  const next = random(seed)
  const until = plan.steps[1 + Math.floor(next() * (plan.steps.length - 1))]!.id
  const drive = runThrough(startDrive(plan, begun), who(plan, false), who(plan, true), until)
  if (next() < 0.7) give(drive, { kind: 'advance', start: until }, who(plan, false))
  return { drive, now: drive.now + Math.floor(next() * 25 * 60_000) }
}

describe('what is left of a visit that has begun', () => {
  it('never moves what has happened, starts nothing before now, keeps every lag, person and the mouth, and answers the same each time', () => {
    let unfinished = 0
    for (const [i, file] of files.entries()) {
      const plan = planOf(file)
      for (const seed of nightly ? [i, i + 100] : [i]) {
        const {
          drive: {
            state: { core },
          },
          now,
        } = middle(plan, seed)
        const t = layOutFrom(plan, core, now)
        const nowS = (now - core.startedAt!) / 1000
        const at = new Map(t.bars.map((b) => [b.stepId, b]))
        for (const s of plan.steps) {
          const [is, bar] = [core.steps[s.id]!, at.get(s.id)]
          if (is.status === 'skipped') expect(bar).toBeUndefined()
          if (is.status === 'done' || is.status === 'running')
            expect(bar!.startS).toBe((is.startedAt - core.startedAt!) / 1000)
          if (is.status === 'done') expect(bar!.endS).toBe((is.finishedAt - core.startedAt!) / 1000)
          if (is.status === 'running') expect(bar!.endS).toBeGreaterThan(nowS)
          if (is.status === 'todo') {
            unfinished++
            expect(bar!.startS, `${file} ${s.id}`).toBeGreaterThanOrEqual(nowS - 1e-6)
            expect(bar!.endS - bar!.startS).toBeCloseTo(s.spread.likelyS, 6)
          }
        }
        const overrun = new Set(t.conflict)
        for (const l of plan.links) {
          const [a, b] = [at.get(l.from), at.get(l.to)]
          if (!a || !b || core.steps[l.to]!.status !== 'todo') continue
          const apart = (l.toEdge === 'start' ? b.startS : b.endS) - (l.fromEdge === 'start' ? a.startS : a.endS)
          expect(apart, `${file} ${l.id}`).toBeGreaterThanOrEqual(leastS(l) - 1e-6)
          // A window is kept, or it is named as one that cannot be.
          if (isWindow(l) && apart > l.atMostS + 1e-6) expect([...overrun], `${file} ${l.id}`).toContain(l.id)
        }
        const todo = plan.steps
          .filter((s) => core.steps[s.id]!.status === 'todo')
          .map((s) => ({ id: s.id, holds: new Set(heldBy(plan, s)), bar: at.get(s.id)! }))
        const together = todo.flatMap((x, k) =>
          todo
            .slice(k + 1)
            .filter(
              (y) =>
                x.bar.endS > y.bar.startS + 1e-6 &&
                y.bar.endS > x.bar.startS + 1e-6 &&
                [...x.holds].some((h) => y.holds.has(h)),
            )
            .map((y) => `${x.id} and ${y.id}`),
        )
        expect(together, file).toEqual([])
        expect(layOutFrom(plan, core, now)).toEqual(t)
      }
    }
    expect(unfinished).toBeGreaterThan(500)
  }, 120_000)

  it('is the plan’s own score at the beginning, and longer by what a step overruns', () => {
    const plan = planOf(files[0]!)
    const drive = startDrive(plan, begun)
    give(drive, { kind: 'begin' }, who(plan, false))
    expect(layOutFrom(plan, drive.state.core, begun).chairS).toBeCloseTo(layOut(plan).chairS, 6)
    const first = plan.steps[0]!
    give(drive, { kind: 'advance', start: first.id }, who(plan, false))
    const late = layOutFrom(plan, drive.state.core, begun + (first.spread.likelyS + 20 * 60) * 1000)
    // Twenty minutes over, and half a minute more before it is believed to end.
    expect(late.chairS - layOut(plan).chairS).toBeGreaterThan(15 * 60)
    expect(late.chairS - layOut(plan).chairS).toBeLessThanOrEqual(20 * 60 + 30)
  })

  it('says a step that runs ends when it is likely to by now: mean of the falling triangle’s rest, by numeric integration', () => {
    const spread = { shortS: 60, likelyS: 120, longS: 420 }
    expect(leftOf(spread, 0)).toBe(120)
    for (const elapsed of [120, 200, 300]) {
      let [mass, sum] = [0, 0]
      for (let t = elapsed + 0.005; t < spread.longS; t += 0.01)
        [mass, sum] = [mass + (spread.longS - t), sum + (spread.longS - t) * (t - elapsed)]
      expect(leftOf(spread, elapsed)).toBeCloseTo(sum / mass, 1)
    }
    expect(leftOf(spread, 10_000)).toBe(30)
  })
})
