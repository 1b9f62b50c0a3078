/** A cord past its limit asks, comes out whatever it would wait for, is fresh in a redo; and a lost piece leaves its count by the dentist alone. */
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { files, planOf } from '../../demo/test/plans'
import type { Plan } from '../model/plan'
import { sure } from '../sure'
import { composeNote } from '../record/note'
import { throatPack } from '../vocabulary'
import { cordsAsking, cordsLying, withFreshCords } from './cords'
import { decide } from './decide'
import { give, runThrough, startDrive, type Drive } from './drive'
import { evolve, stillIn } from './state'

const corded = files.map((f) => [f, planOf(f)] as const).filter(([, p]) => p.steps.some((s) => s.cord))
/** The run with this cord just placed. */
function placed(plan: Plan, stepId: string): Drive {
  const all = runThrough(startDrive(plan, 0), assistant, dentist)
  const at = sure(all.events.find((e) => e.what.kind === 'step.finished' && e.what.stepId === stepId))
  const until = sure(all.events.find((e) => e.seq > at.seq && e.what.kind === 'step.started'))
  return runThrough(
    startDrive(plan, 0),
    assistant,
    dentist,
    until.what.kind === 'step.started' ? until.what.stepId : '',
  )
}

describe.each(corded)('%s', (_name, plan) => {
  const steps = plan.steps.filter((s) => s.cord && plan.counts.some((c) => c.inStep === s.id && c.stays === 0))
  it('each cord asks when it has lain past its limit, and none before', () => {
    for (const step of steps) {
      const d = placed(plan, step.id)
      const own = (now: number) => cordsLying(plan, d.state.core, now).find((c) => c.step.id === step.id)
      const lying = own(d.now)
      if (!lying) continue
      const limit = lying.sinceMs + lying.mostS * 1000
      expect(own(limit)?.over).toBe(false)
      expect(own(limit + 1000)?.over).toBe(true)
      expect(decide(plan, d.state, { kind: 'cord out', stepId: step.id }, assistant, limit)).toMatchObject({
        refused: { code: 'not-now' },
      })
    }
  })
  it('it comes out at once, whatever order or signature it would wait for; over nothing taken yet a fresh one is placed', () => {
    for (const step of steps) {
      const d = placed(plan, step.id)
      const lying = cordsLying(plan, d.state.core, d.now).find((c) => c.step.id === step.id)
      if (!lying) continue
      d.now = lying.sinceMs + lying.mostS * 1000 + 60_000
      expect(cordsAsking(plan, d.state.core, {}, d.now).map((c) => c.step.id)).toContain(step.id)
      expect(give(d, { kind: 'cord out', stepId: step.id }, assistant)).toBeNull()
      expect(stillIn(d.state.core, lying.count.id)).toBe(0)
      expect(d.state.core.steps[step.id]).toMatchObject({ status: 'todo', rounds: 1 })
      expect(cordsLying(plan, d.state.core, d.now).map((c) => c.step.id)).not.toContain(step.id)
    }
  })
  it('why it stays is asked once, and stands in the record with its minutes', () => {
    const step = sure(steps[0])
    const d = placed(plan, step.id)
    const lying = cordsLying(plan, d.state.core, d.now).find((c) => c.step.id === step.id)
    if (!lying) return
    d.now = lying.sinceMs + lying.mostS * 1000 + 60_000
    expect(give(d, { kind: 'keep cord', stepId: step.id, reason: 'the tray is in the mouth' }, assistant)).toBeNull()
    expect(cordsAsking(plan, d.state.core, d.state.core.cordsKept, d.now).map((c) => c.step.id)).not.toContain(step.id)
    give(d, { kind: 'count', countId: lying.count.id, direction: 'out', n: 1 }, assistant)
    const { sections } = composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC')
    const told = sure(sections.find((s) => s.title === 'Cords')).sentences.join(' ')
    expect(told).toContain(`lay ${Math.round(lying.mostS / 60) + 1} min, longer than the`)
    expect(told).toContain('it stayed because: the tray is in the mouth')
  })
})

describe('an impression that is taken again', () => {
  it('has a fresh base cord where the first has lain too long, and keeps it where it has not', () => {
    const plan = planOf('crown-37')
    const hold = sure(plan.holds.find((h) => h.name === 'impression'))
    const d = runThrough(startDrive(plan, 0), assistant, dentist, hold.stepId)
    const base = sure(cordsLying(plan, d.state.core, d.now).find((c) => c.step.cord?.layer === 'base'))
    expect(hold.again).not.toContain(base.step.id)
    expect(withFreshCords(plan, d.state.core, hold.again, base.sinceMs + 1000)).toEqual(
      plan.steps.flatMap((s) => (hold.again.includes(s.id) ? [s.id] : [])),
    )
    expect(withFreshCords(plan, d.state.core, hold.again, base.sinceMs + (base.mostS + 1) * 1000)).toContain(
      base.step.id,
    )
  })
})

describe('a piece that is not found', () => {
  it('leaves its count by the dentist’s own code with a reason; a throat pack never without search and film', () => {
    for (const name of files) {
      const plan = planOf(name)
      const all = runThrough(startDrive(plan, 0), assistant, dentist)
      const firstIn = all.events.find((e) => e.what.kind === 'count.moved' && e.what.direction === 'in')
      if (firstIn?.what.kind !== 'count.moved') continue
      for (const count of plan.counts) {
        const moved = all.events.find(
          (e) => e.what.kind === 'count.moved' && e.what.countId === count.id && e.what.direction === 'in',
        )
        const d = startDrive(plan, 0)
        if (!moved) continue
        for (const e of all.events.filter((x) => x.seq <= moved.seq)) d.state = evolve(d.state, e)
        const off = { kind: 'count', countId: count.id, direction: 'in', n: -1 } as const
        const told = { ...off, reason: 'fell on the floor and was swept up' }
        expect(decide(plan, d.state, off, dentist, moved.at)).toMatchObject({ refused: { code: 'not-now' } })
        expect(decide(plan, d.state, told, { ...dentist, codeShown: false }, moved.at)).toHaveProperty('refused')
        expect(decide(plan, d.state, told, assistant, moved.at)).toHaveProperty('refused')
        const searched = { ...told, looked: 'mouth, bib, suction', film: 'nothing in throat or chest' }
        if (count.id === throatPack) expect(decide(plan, d.state, told, dentist, moved.at)).toHaveProperty('refused')
        else expect(decide(plan, d.state, told, dentist, moved.at)).toHaveProperty('events')
        expect(decide(plan, d.state, searched, dentist, moved.at)).toMatchObject({
          events: [{ kind: 'count.moved', n: -1, looked: 'mouth, bib, suction', film: 'nothing in throat or chest' }],
        })
      }
    }
  })
})
