/** Link, browser or server fail at a hundred seeded moments of a scripted visit: nothing acknowledged or queued is lost, nothing doubled. */
import { visitView } from '../wire/visit'
import { eventsView } from '../wire/run'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { decide, type Who } from '../core/run/decide'
import { runThrough, startDrive } from '../core/run/drive'
import type { Command, RunEvent } from '../core/run/events'
import type { Queued } from '../core/run/queue'
import { replay } from '../core/run/state'
import type { Plan } from '../core/model/plan'
import { random } from '../core/random'
import { buildApp } from './app'
import { Caller, day, openHouse, type TestHouse, eventsIn } from './test/house'

let house: TestHouse
beforeAll(async () => {
  house = await openHouse()
})
afterAll(() => house.close())
const visit = `${day}-one`
const moments = 100

/** A visit's commands in order, as the core's own driver gives them; signatures are the dentist's with her code. */
function script(plan: Plan, from: number): { command: Command; at: number; signed: boolean }[] {
  const { events } = runThrough(
    startDrive(plan, from),
    { personId: 'juno', roles: ['assistant'], codeShown: false },
    { personId: 'orrell', roles: ['dentist'], codeShown: true },
  )
  return events.flatMap((e): { command: Command; at: number; signed: boolean }[] => {
    const { what, at } = e
    if (what.kind === 'run.started') return [{ command: { kind: 'begin' }, at, signed: false }]
    if (what.kind === 'step.started') return [{ command: { kind: 'advance', start: what.stepId }, at, signed: false }]
    if (what.kind === 'step.finished') return [{ command: { kind: 'advance', finish: what.stepId }, at, signed: false }]
    if (what.kind === 'count.moved' && what.direction === 'out')
      return [{ command: { kind: 'count', countId: what.countId, direction: 'out', n: what.n }, at, signed: false }]
    if (what.kind === 'measured') {
      const { stepId, measure, tooth, readings } = what
      return [
        { command: { kind: 'measure', stepId, measure, tooth, readings: { ...Object(readings) } }, at, signed: false },
      ]
    }
    if (what.kind === 'hold.signed') return [{ command: { kind: 'sign', holdId: what.holdId }, at, signed: true }]
    return []
  })
}

describe('a visit in which things fail', () => {
  it('is in the end, event for event, the visit in which nothing failed', async () => {
    const next = random(7)
    let app = house.app
    let juno = await new Caller(app).signIn('juno', '3816')
    await juno.signTray(visit)
    const { frozen } = await juno.read(visitView, `/visits/${visit}`)
    const { plan } = frozen!
    const all = script(plan, house.clock.now)
    expect(all.length).toBeGreaterThan(110)
    const failAt = new Set(
      Array.from({ length: all.length }, (_, i) => i)
        .toSorted(() => next() - 0.5)
        .slice(0, moments),
    )
    const acknowledged = new Set<string>()
    // What the device keeps: text, as its storage would.
    let storage = '[]'
    const failures = { request: 0, answer: 0, browser: 0, server: 0 }
    const seq = async (): Promise<number> => (await juno.read(eventsView, `/visits/${visit}/events`)).events.length
    const post = async (q: Queued, signed: boolean) =>
      juno.call('POST', `/visits/${visit}/commands`, {
        commandId: q.commandId,
        basedOn: await seq(),
        device: 'a-device',
        command: q.command,
        ...(signed ? { signer: { personId: 'orrell', code: '471108' } } : {}),
      })
    for (const [i, { command, at, signed }] of all.entries()) {
      house.clock.now = at
      const touched: Queued = { commandId: `touch-${i}-of-the-visit`, command, at }
      const waiting: Queued[] = JSON.parse(storage)
      storage = JSON.stringify([...waiting, touched])
      const kind = failAt.has(i)
        ? (['request', 'answer', 'browser', 'server'] as const)[Math.floor(next() * 4)]!
        : undefined
      if (kind) failures[kind]++
      // The request never arrives; or it arrives and its answer does not; or the page is gone after it; or the server, with all it holds in memory.
      if (kind !== 'request') {
        const answer = await post(touched, signed)
        expect(answer.status, JSON.stringify(answer.body)).toBe(200)
        if (kind === undefined) {
          acknowledged.add(touched.commandId)
          storage = '[]'
        }
      }
      if (kind === 'server') {
        app = await buildApp({ database: house.database, now: () => house.clock.now })
        await app.ready()
        juno = await new Caller(app).signIn('juno', '3816')
      }
      // What still waits is sent again, under its own id.
      const left: Queued[] = JSON.parse(storage)
      for (const q of left) {
        const answer = await post(q, signed)
        expect(answer.status, JSON.stringify(answer.body)).toBe(200)
        acknowledged.add(q.commandId)
      }
      storage = '[]'
    }
    expect(Object.values(failures).reduce((a, b) => a + b, 0)).toBe(moments)
    expect(Math.min(...Object.values(failures))).toBeGreaterThan(10)
    const { events } = await juno.read(eventsView, `/visits/${visit}/events`)
    expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1))
    expect(new Set(events.map((e) => e.id)).size).toBe(events.length)
    expect([...acknowledged].every((id) => events.some((e) => e.commandId === id))).toBe(true)
    // Decided on paper, without any server, it is the same.
    const who = (signed: boolean): Who =>
      signed
        ? { personId: 'orrell', roles: ['dentist'], codeShown: true }
        : { personId: 'juno', roles: ['assistant'], codeShown: false }
    const paper: RunEvent[] = []
    for (const [i, { command, at, signed }] of all.entries()) {
      const decision = decide(plan, replay(plan, paper), command, who(signed), at)
      if ('refused' in decision) throw new Error(decision.refused.message)
      for (const what of decision.events)
        paper.push({
          id: `p${paper.length}`,
          seq: paper.length + 1,
          at,
          by: who(signed).personId,
          device: 'paper',
          commandId: `touch-${i}`,
          what,
        })
    }
    // What it began with is the shelf's, and on no paper.
    const what = (e: RunEvent) => (e.what.kind === 'run.started' ? { kind: e.what.kind } : e.what)
    expect(events.map((e) => [e.at, e.by, what(e)])).toEqual(paper.map((e) => [e.at, e.by, what(e)]))
  })

  it('what waited is told with the time it was touched, not with the time it arrived', async () => {
    const juno = await new Caller(house.app).signIn('juno', '3816')
    const four = `${day}-four`
    await juno.signTray(four)
    await juno.call('POST', `/visits/${four}/commands`, {
      commandId: 'begin-four',
      basedOn: 0,
      device: 'a-device',
      command: { kind: 'begin' },
    })
    house.clock.now += 300_000
    const answer = await juno.call('POST', `/visits/${four}/commands`, {
      commandId: 'late-note',
      basedOn: 1,
      device: 'a-device',
      waitedS: 120,
      command: { kind: 'note', text: 'bleeding has stopped' },
    })
    expect(eventsIn(answer.body)[0]!.at).toBe(house.clock.now - 120_000)
    const before = await juno.call('POST', `/visits/${four}/commands`, {
      commandId: 'older-note',
      basedOn: 2,
      device: 'a-device',
      waitedS: 40_000,
      command: { kind: 'note', text: 'and earlier' },
    })
    expect(eventsIn(before.body)[0]!.at).toBe(house.clock.now - 120_000)
    expect(
      (
        await juno.call('POST', `/visits/${four}/commands`, {
          commandId: 'future-note',
          basedOn: 3,
          device: 'a-device',
          waitedS: -5,
          command: { kind: 'note', text: 'from the future' },
        })
      ).status,
    ).toBe(422)
  })
})
