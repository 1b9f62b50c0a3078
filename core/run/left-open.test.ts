/** A visit that was begun and that nobody closed. */
import { describe, expect, it } from 'vitest'
import { plan, upTo } from '../../demo/test/crown-run'
import { assistant, dentist } from '../../demo/test/people'
import { lookBackOf } from '../record/look-back'
import { composeNote, noteText } from '../record/note'
import { stepTimesOf } from '../record/step-times'
import { againstPlan } from '../schedule/against'
import { layOutFrom } from '../schedule/remaining'
import { sure } from '../sure'
import { give, runThrough, startDrive } from './drive'
import type { Command } from './events'
import { attended, drawn, goneS, leftSince } from './left-open'
import { replay, type StepState } from './state'
import { leftAfterMs } from './touches'

const { now, state } = upTo('tissue.top-cord.37')
const { core } = state
const last = sure(state.touches.lastAt)
const month = 30 * 24 * 3_600_000

describe('a visit left open', () => {
  it('is so four hours after the last touch, not before, and never where it is closed or has not begun', () => {
    expect(now - last).toBeLessThan(60_000)
    expect(leftSince(state, last + leftAfterMs)).toBeUndefined()
    expect(leftSince(state, last + leftAfterMs + 1)).toBe(last)
    const waiting = startDrive(plan, 0).state
    expect([leftSince(waiting, month), goneS(waiting, month)]).toEqual([undefined, 0])
    const closed = runThrough(upTo('closing.rinse'), assistant, dentist).state
    expect([leftSince(closed, month + now), drawn(closed, month + now).until]).toEqual([
      undefined,
      closed.core.closedAt,
    ])
  })
  it('is shown up to that touch, however long ago it was: its score is as long as a visit, not as a month', () => {
    expect(drawn(state, last + leftAfterMs).until).toBe(last + leftAfterMs)
    expect(drawn(state, last + month)).toEqual({ core, until: last })
    expect(goneS(state, last + month)).toBe((last - sure(core.startedAt)) / 1000)
    const soon = layOutFrom(plan, core, last).totalS
    expect(layOutFrom(plan, core, drawn(state, last + month).until).totalS).toBe(soon)
  })
  const touches: Record<string, Command> = {
    'a step': { kind: 'advance', start: 'tissue.top-cord.37' },
    'a note': { kind: 'note', text: 'The patient is back.' },
    'a word to the other side': { kind: 'call', handoff: 'ready' },
    'an undo': { kind: 'undo' },
  }
  for (const [what, command] of Object.entries(touches))
    it(`is gone on with by ${what}, and is known to have been left all the same`, () => {
      const later = { ...upTo('tissue.top-cord.37'), now: last + month }
      expect(give(later, command, assistant)).toBeNull()
      expect(leftSince(later.state, later.now)).toBeUndefined()
      const left = { from: last, to: last + month }
      expect(later.state.touches).toEqual({ lastAt: last + month, left })
      // Left once more, it stays the first time that counts.
      later.now += month
      give(later, { kind: 'note', text: 'Again.' }, assistant)
      expect(later.state.touches).toEqual({ lastAt: later.now, left })
      expect(replay(plan, later.events)).toEqual(later.state)
    })
  it('a device whose clock is behind sees it as going on', () => {
    expect(leftSince(state, sure(core.startedAt) - month)).toBeUndefined()
  })
})

describe('a visit left open and written up the next morning', () => {
  const left = upTo('closing.rinse')
  const leftAt = sure(left.state.touches.lastAt)
  const startedAt = sure(left.state.core.startedAt)
  const closed = runThrough({ ...left, now: left.now + 16 * 3_600_000 }, assistant, dentist)
  const closedAt = sure(closed.state.core.closedAt)
  const soon = (s: number): void => {
    expect(s).toBeGreaterThan(0)
    expect(s).toBeLessThanOrEqual((leftAt - startedAt) / 1000)
  }
  it('took as long as until it was left: no minute of the night is the patient’s, and none is drawn', () => {
    soon(sure(lookBackOf(plan, closed.events)).chairS)
    const { real, leftOut, writtenUp } = againstPlan(plan, closed.state, closedAt)
    soon(real.totalS)
    expect(real.chairS).toBe(sure(lookBackOf(plan, closed.events)).chairS)
    expect(leftOut).toEqual([])
    expect(writtenUp).toContain(sure(plan.steps.find((s) => s.id === 'closing.rinse')).title)
    expect(real.bars.length + writtenUp.length).toBe(plan.steps.length)
  })
  it('of what runs the next morning that alone is drawn which ran when it was left', () => {
    const at = (startedAt: number): StepState => ({ status: 'running', startedAt, performer: 'assistant', rounds: 0 })
    const steps = { ...closed.state.core.steps, 'closing.rinse': at(leftAt), 'closing.counts': at(leftAt + 1) }
    const { core: went } = drawn({ ...closed.state, core: { ...closed.state.core, steps } }, closedAt)
    expect(Object.keys(went.steps)).toContain('closing.rinse')
    expect(Object.keys(went.steps)).not.toContain('closing.counts')
  })
  it('teaches nothing of what was written up', () => {
    const learned = stepTimesOf(plan, closed.state).map((t) => t.stepId)
    expect(learned).toEqual(stepTimesOf(plan, left.state).map((t) => t.stepId))
    expect(learned).not.toContain('closing.rinse')
    expect(learned).toContain('tissue.top-cord.37')
  })
  it('says in its record when it was left and closed, and gives what came later its own date', () => {
    const note = noteText(composeNote(plan, closed.events, { name: 'Ilse Quandt' }, 'Etc/UTC'))
    expect(note).toMatch(
      /began at 09:00 and was closed at 2026-11-25 \d\d:\d\d\.\nNothing was touched from \d\d:\d\d to 2026-11-25 \d\d:\d\d: what follows bears the time at which it was written down\./,
    )
    expect(note).toMatch(/\(2026-11-25 \d\d:\d\d\)/)
    expect(note).not.toContain('minutes later')
  })
  it('of a patient who came back on the same day all is drawn; how long the parts took is not learned', () => {
    const back = runThrough({ ...upTo('closing.rinse'), now: left.now + 5 * 3_600_000 }, assistant, dentist)
    const went = againstPlan(plan, back.state, sure(back.state.core.closedAt))
    expect(went.writtenUp).toEqual([])
    expect(went.real.bars).toHaveLength(plan.steps.length)
    expect(went.real.totalS).toBeGreaterThan(5 * 3600)
    expect(stepTimesOf(plan, back.state)).toEqual(stepTimesOf(plan, closed.state))
    expect(lookBackOf(plan, back.events)?.chairS).toBe(lookBackOf(plan, closed.events)?.chairS)
  })
  it('where it was closed at once, all of it counts', () => {
    const atOnce = runThrough(upTo('closing.rinse'), assistant, dentist)
    expect(attended(atOnce.state)).toBe(atOnce.state.core)
    const went = againstPlan(plan, atOnce.state, sure(atOnce.state.core.closedAt))
    expect(went.writtenUp).toEqual([])
    expect(went.real.bars).toHaveLength(plan.steps.length)
    expect(sure(lookBackOf(plan, atOnce.events)).chairS).toBeGreaterThan(sure(lookBackOf(plan, closed.events)).chairS)
  })
})
