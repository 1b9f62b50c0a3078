import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant } from '../../demo/test/people'
import { planOf } from '../../demo/test/plans'
import { decide, type Who } from './decide'
import { runThrough, startDrive } from './drive'
import type { Command, RunEvent } from './events'
import { happenedAt, provisional, withQueue, type Queued } from './queue'
import { evolve, initialState, replay, type RunState } from './state'

const plan = planOf('crown-37')
const nine = Date.UTC(2026, 10, 24, 9)

/** A server in few lines: stores what it decides, a command once. */
class Store {
  state: RunState = initialState(plan)
  events: RunEvent[] = []
  post(q: Queued, who: Who): 'stored' | 'known' | 'refused' {
    if (this.events.some((e) => e.commandId === q.commandId)) return 'known'
    const decision = decide(plan, this.state, q.command, who, q.at)
    if ('refused' in decision) return 'refused'
    for (const event of provisional(q, decision, this.state, who.personId)) {
      this.events.push(event)
      this.state = evolve(this.state, event)
    }
    return 'stored'
  }
}

/** What an assistant touches in a visit, in order: taken from a whole run. */
const touches = runThrough(startDrive(plan, nine), assistant, {
  personId: 'dentist',
  roles: ['dentist'],
  codeShown: true,
})
  .events.filter((e) => e.by === 'assistant')
  .flatMap((e): { command: Command; at: number }[] => {
    if (e.what.kind === 'step.started') return [{ command: { kind: 'advance', start: e.what.stepId }, at: e.at }]
    if (e.what.kind === 'step.finished') return [{ command: { kind: 'advance', finish: e.what.stepId }, at: e.at }]
    return []
  })
  .slice(0, 14)

describe('touches that wait on the device', () => {
  it('show at once what the server will say, and are stored as they were touched, with their own times', () => {
    const store = new Store()
    store.post({ commandId: 'begin', command: { kind: 'begin' }, at: nine }, assistant)
    const queue = touches.map((t, i): Queued => ({ commandId: `q${i}`, ...t }))
    const local = withQueue(plan, store.state, queue, assistant)
    expect(local.state.core.steps['arrival.seat']!.status).toBe('done')
    for (const q of queue) store.post(q, assistant)
    expect(store.state.core).toEqual(local.state.core)
    expect(replay(plan, store.events)).toEqual(store.state)
  })
  it('whatever the other device did meanwhile, and however often each is sent: each is stored once or refused, and none is lost', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...touches.keys()), { maxLength: 10 }),
        fc.array(fc.constantFrom(...touches.keys()), { maxLength: 8 }),
        fc.array(fc.nat(2), { minLength: 10, maxLength: 10 }),
        (mine, theirs, repeats) => {
          const store = new Store()
          store.post({ commandId: 'begin', command: { kind: 'begin' }, at: nine }, assistant)
          const queue = mine.map((t, i): Queued => ({ commandId: `mine${i}`, ...touches[t]! }))
          for (const [i, t] of theirs.entries()) store.post({ commandId: `theirs${i}`, ...touches[t]! }, assistant)
          const local = withQueue(plan, store.state, queue, assistant)
          const answers = queue.map((q, i) => {
            const first = store.post(q, assistant)
            for (let n = 0; n < repeats[i % repeats.length]!; n++)
              expect(store.post(q, assistant)).toBe(first === 'stored' ? 'known' : first)
            return first
          })
          const ids = store.events.map((e) => e.id)
          expect(new Set(ids).size).toBe(ids.length)
          // What the device showed as refused is what was refused; the rest is in the record.
          expect(answers.flatMap((a, i) => (a === 'refused' ? [queue[i]!.commandId] : []))).toEqual(
            local.refused.map((r) => r.queued.commandId),
          )
          expect(store.state.core).toEqual(local.state.core)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('happened when they were touched, never before what is stored, never in the future, never longer ago than a day’s work', () => {
    expect(happenedAt(10_000_000, 60, 0)).toBe(9_940_000)
    expect(happenedAt(10_000_000, 60, 9_990_000)).toBe(9_990_000)
    // The server’s clock was set back meanwhile: nothing is told before what it follows.
    expect(happenedAt(10_000_000, 0, 20_000_000)).toBe(20_000_000)
    expect(happenedAt(1e9, 1e9, 0)).toBe(1e9 - 12 * 3_600_000)
  })
})
