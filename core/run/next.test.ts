import { plan, upTo } from '../../demo/test/crown-run'
import { assistant, dentist } from '../../demo/test/people'
import { describe, expect, it } from 'vitest'
import { clocksAt } from './clocks'
import { openAtClose } from './decide'
import { startRefusal } from './refusals'
import { give, runThrough, startDrive, type Drive } from './drive'
import type { Command } from './events'
import { outlook } from './next'
import { stillIn, edgeOf, stepState } from './state'

const look = (d: Drive, finishing?: string) => outlook(plan, d.state.core, d.now, finishing)

describe('now, next, and what is waited for', () => {
  it('before anything has begun the first step stands next', () => {
    const d = startDrive(plan, 0)
    give(d, { kind: 'begin' }, assistant)
    expect(look(d)).toMatchObject({ running: [], next: { id: 'arrival.seat' }, waiting: null })
  })
  it('while something runs, the next is judged as if it were finished', () => {
    const d = upTo('cutting.occlusal.37')
    give(d, { kind: 'advance', start: 'cutting.occlusal.37' }, assistant)
    expect(look(d).next).toBeNull()
    expect(look(d, 'cutting.occlusal.37').next!.id).toBe('cutting.bevel.37')
    expect(
      look(d, 'cutting.occlusal.37')
        .later.map((s) => s.id)
        .slice(0, 2),
    ).toEqual(['cutting.axial-facial.37', 'cutting.axial-inner.37'])
  })
  it('a wait names its time; what only queues behind is not told', () => {
    const d = upTo('anaesthesia.inject')
    const topical = edgeOf(stepState(d.state.core, 'anaesthesia.topical'), 'finish')!
    const early = outlook(plan, d.state.core, topical + 10_000)
    expect(early).toMatchObject({
      next: null,
      waiting: { step: { id: 'anaesthesia.inject' }, refusal: { code: 'lag', waitS: 50 } },
    })
  })
  it('bench work is offered while the mouth waits for the anaesthetic', () => {
    const d = upTo('records.shade')
    expect(look(d).next!.id).toBe('records.shade')
    give(d, { kind: 'advance', start: 'records.shade' }, assistant)
    // The mouth is taken by the shade; the tray is tried there first, then painted at the bench beside what follows.
    give(d, { kind: 'advance', finish: 'records.shade', start: 'impression.try-tray' }, assistant)
    expect(startRefusal(plan, d.state.core, 'records.preliminary', d.now)!.code).toBe('order')
  })
  it('a signature is named as what is waited for', () => {
    const d = upTo('cutting.reduction-check')
    give(d, { kind: 'advance', start: 'cutting.reduction-check' }, assistant)
    give(d, { kind: 'advance', finish: 'cutting.reduction-check' }, assistant)
    expect(look(d)).toMatchObject({ next: null, waiting: { refusal: { code: 'hold', holdId: 'reduction' } } })
  })
  it('finish and start in one touch; where the start must wait, the finish still counts and says why', () => {
    const d = upTo('anaesthesia.topical')
    give(d, { kind: 'advance', start: 'anaesthesia.topical' }, assistant)
    const held = give(d, { kind: 'advance', finish: 'anaesthesia.topical', start: 'anaesthesia.inject' }, assistant)
    expect(held).toMatchObject({ code: 'lag' })
    expect(d.state.core.steps['anaesthesia.topical']!.status).toBe('done')
    expect(d.state.core.steps['anaesthesia.inject']!.status).toBe('todo')
  })
})

describe('clocks on the screen', () => {
  it('a plain wait leaves when it is over; a window stays until it is met; the soonest trouble stands first', () => {
    const d = upTo('impression.inject')
    const titles = (aheadS: number) => clocksAt(plan, d.state.core, d.now + aheadS * 1000).map((c) => c.title)
    expect(titles(0).slice(0, 2)).toEqual(['Gum closes in', 'Working time'])
    const test = upTo('anaesthesia.test')
    const since = edgeOf(stepState(test.state.core, 'anaesthesia.inject'), 'finish')!
    const at = (s: number) =>
      clocksAt(plan, test.state.core, since + s * 1000).find((c) => c.title === 'Anaesthetic takes')
    expect(at(299)).toMatchObject({ phase: 'wait', notBeforeS: 300 })
    expect(at(301)).toBeUndefined()
  })
  it('none runs before the visit or after it', () => {
    expect(clocksAt(plan, startDrive(plan, 0).state.core, 1e12)).toEqual([])
    const closed = runThrough(startDrive(plan, 0), assistant, dentist)
    expect(clocksAt(plan, closed.state.core, closed.now)).toEqual([])
  })
})

describe('what stands open at the end', () => {
  it('is counted in words, in both directions', () => {
    const d = upTo('impression.load-syringe')
    expect(stillIn(d.state.core, 'cord.base.37')).toBe(1)
    expect(openAtClose(plan, d.state.core).counts).toEqual([
      'cotton rolls: 3 still in',
      'base cord, 37: 1 still in',
      'top cord, 37: 1 still in',
    ])
    // A piece taken off what went in is one nobody looks for any more: it needs its reason, and the dentist's code.
    const off = { kind: 'count', countId: 'cord.base.37', direction: 'in', n: -1 } as const
    give(d, { ...off, n: 1 }, assistant)
    expect(give(d, off, assistant)!.message).toMatch(/say why fewer went in/)
    expect(give(d, { ...off, reason: 'touched twice' }, assistant)!.code).toBe('not-allowed')
    expect(give(d, { ...off, reason: 'touched twice' }, dentist)).toBeFalsy()
    give(d, { kind: 'count', countId: 'cord.base.37', direction: 'in', n: 2 }, assistant)
    expect(openAtClose(plan, d.state.core).counts[1]).toBe('base cord, 37: 3 still in')
    expect(give(d, { kind: 'count', countId: 'cord.base.37', direction: 'in', n: -4 }, assistant)!.message).toContain(
      'cannot fall below nothing',
    )
    expect(give(d, { kind: 'count', countId: 'cord.base.37', direction: 'out', n: 0 }, assistant)!.code).toBe('not-now')
    expect(give(d, { kind: 'count', countId: 'spoon', direction: 'out', n: 1 }, assistant)!.code).toBe('unknown')
  })
  it('does not ask for the desk and the room before the record closes', () => {
    const d = upTo('closing.chart')
    expect(openAtClose(plan, d.state.core).steps).toEqual([])
    expect(give(d, { kind: 'close' }, assistant)).toBeNull()
  })
  it('asking for what is not there is refused, not ignored', () => {
    const d = upTo('cutting.occlusal.37')
    const nothing: Command[] = [
      { kind: 'advance', start: 'no.such' },
      { kind: 'advance', finish: 'no.such' },
      { kind: 'skip', stepIds: ['no.such'], reason: 'because' },
      { kind: 'sign', holdId: 'none' },
      { kind: 'again', holdId: 'none', reason: 'because' },
      { kind: 'answer', linkId: 'none', answer: 'again', reason: 'because' },
      { kind: 'advance' },
    ]
    for (const command of nothing) expect(give(d, command, dentist)!.code).toBe('unknown')
    expect(give(d, { kind: 'advance', start: 'cutting.occlusal.37', performer: 'stranger' }, assistant)!.code).toBe(
      'not-allowed',
    )
    expect(give(d, { kind: 'begin' }, assistant)!.code).toBe('not-now')
    expect(give(startDrive(plan, 0), { kind: 'note', text: 'early' }, assistant)!.code).toBe('not-running')
  })
})
