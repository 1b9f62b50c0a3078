/** A visit that was begun and that nobody closed. */
import { describe, expect, it } from 'vitest'
import { plan, upTo } from '../../demo/test/crown-run'
import { assistant, dentist } from '../../demo/test/people'
import { lookBackOf } from '../record/look-back'
import { layOutFrom } from '../schedule/remaining'
import { give, runThrough, startDrive } from './drive'
import { attendedUntil, goneS, lastActAt, leftAfterMs, leftOpen, shownUntil } from './left-open'

const { now, state } = upTo('tissue.top-cord.37')
const { core } = state
const last = lastActAt(core)!
const month = 30 * 24 * 3_600_000

describe('a visit left open', () => {
  it('is so four hours after the last touch, not before, and never where it is closed or has not begun', () => {
    expect(now - last).toBeLessThan(60_000)
    expect(leftOpen(core, last + leftAfterMs)).toBe(false)
    expect(leftOpen(core, last + leftAfterMs + 1)).toBe(true)
    expect(leftOpen({ ...core, status: 'closed', closedAt: now }, now + month)).toBe(false)
    const waiting = startDrive(plan, 0).state.core
    expect([leftOpen(waiting, month), goneS(waiting, month)]).toEqual([false, 0])
  })
  it('is shown up to that touch, however long ago it was: its score is as long as a visit, not as a month', () => {
    expect(shownUntil(core, last + leftAfterMs)).toBe(last + leftAfterMs)
    expect(shownUntil(core, last + month)).toBe(last)
    expect(goneS(core, last + month)).toBe((last - core.startedAt!) / 1000)
    const soon = layOutFrom(plan, core, last).totalS
    expect(layOutFrom(plan, core, shownUntil(core, last + month)).totalS).toBe(soon)
    expect(shownUntil({ ...core, status: 'closed', closedAt: now }, now + month)).toBe(now)
  })
  it('is gone on with by any touch', () => {
    const later = { ...upTo('tissue.top-cord.37'), now: last + month }
    give(later, { kind: 'advance', start: 'tissue.top-cord.37' }, assistant)
    expect(leftOpen(later.state.core, later.now)).toBe(false)
  })
  it('made up for the next day took as long as until it was left: no minute of the night is the patient’s', () => {
    const left = upTo('closing.rinse')
    const until = lastActAt(left.state.core)!
    const closed = runThrough({ ...left, now: left.now + 16 * 3_600_000 }, assistant, dentist)
    expect(closed.state.core.status).toBe('closed')
    expect(attendedUntil(closed.state.core)).toBe(until)
    const { chairS } = lookBackOf(plan, closed.events)!
    expect(chairS).toBeGreaterThan(0)
    expect(chairS).toBeLessThanOrEqual((until - closed.state.core.startedAt!) / 1000)
    const atOnce = runThrough(upTo('closing.rinse'), assistant, dentist)
    expect(attendedUntil(atOnce.state.core)).toBe(lastActAt(atOnce.state.core))
    expect(lookBackOf(plan, atOnce.events)!.chairS).toBeGreaterThan(chairS)
  })
  it('a device whose clock is behind sees it as going on', () => {
    expect(leftOpen(core, core.startedAt! - month)).toBe(false)
  })
})
