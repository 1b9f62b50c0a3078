/** What a person at the chair would notice when the way to the server is bad: nothing lost, nothing twice, nothing hidden. */
import { describe, expect, it } from 'vitest'
import { compile } from '../../core/plan/compile'
import { starterPractice } from '../../core/practice/starter'
import { decide, type Who } from '../../core/run/decide'
import type { Command, RunEvent } from '../../core/run/events'
import type { Queued } from '../../core/run/queue'
import { replay } from '../../core/run/state'
import { exampleRequest } from '../../core/library/kinds/example'
import { ApiProblem } from './api'
import { RunClient, type Envelope, type RunData, type RunPorts } from './run-client'

const plan = compile(
  exampleRequest('crown.prepare', '2026-11-26', { dentist: 'dentist', assistants: ['assistant'] }),
  starterPractice(),
)
const assistant: Who = { personId: 'assistant', roles: ['assistant'], codeShown: false }
const offline = (): ApiProblem => new ApiProblem(0, 'offline', 'The server does not answer.')

/** A server in memory: it decides, stores, and answers a command it knows with what it stored. */
class Server {
  events: RunEvent[] = []
  signedIn = true
  /** What the next request does instead of being answered. */
  fails: ('request' | 'answer')[] = []
  now = 1_000_000
  /** How often somebody not signed in was turned away. */
  turnedAway = 0
  goes(where: 'away' | 'back'): void {
    this.fails = where === 'away' ? Array.from({ length: 10_000 }, () => 'request' as const) : []
  }
  readonly post = async (e: Envelope): Promise<{ seq: number; events: RunEvent[] }> => {
    const failure = this.fails.shift()
    if (failure === 'request') throw offline()
    if (!this.signedIn) {
      this.turnedAway++
      throw new ApiProblem(401, 'not-signed-in', 'Sign in first.')
    }
    const known = this.events.filter((x) => x.commandId === e.commandId)
    const state = replay(plan, this.events)
    if (known.length === 0) {
      if (e.basedOn !== state.seq)
        throw new ApiProblem(409, 'stale', 'Something happened on another screen first.', {
          seq: state.seq,
          events: this.events.slice(e.basedOn),
        })
      this.happen(e.command, e.commandId)
    }
    if (failure === 'answer') throw offline()
    return { seq: this.events.length, events: this.events.filter((x) => x.commandId === e.commandId) }
  }
  /** What another device does. */
  happen(command: Command, commandId: string): void {
    const state = replay(plan, this.events)
    const decision = decide(plan, state, command, assistant, this.now)
    if ('refused' in decision)
      throw new ApiProblem(409, 'refused', decision.refused.message, { refusal: decision.refused })
    this.events.push(
      ...decision.events.map((what, i) => ({
        id: `${commandId}.${i}`,
        seq: state.seq + i + 1,
        at: this.now,
        by: 'assistant',
        device: 'd',
        commandId,
        what,
      })),
    )
  }
}

/** A device: its storage outlives the page, unless it refuses. */
class Device {
  kept: readonly Queued[] = []
  refusesStorage = false
  private ids = 0
  constructor(
    private readonly server: Server,
    private readonly name = 'tablet',
  ) {}
  page(): RunClient {
    let known: RunData | undefined
    const ports: RunPorts = {
      read: async (after) => {
        if (this.server.fails[0] === 'request') throw offline()
        return { events: this.server.events.filter((e) => e.seq > after), now: this.server.now }
      },
      post: this.server.post,
      known: { get: () => known, set: (data) => (known = data) },
      outbox: {
        read: () => [...this.kept],
        write: (queue) => {
          if (!this.refusesStorage) this.kept = queue
        },
      },
      now: () => this.server.now,
      newId: () => `${this.name}-${++this.ids}`,
      pause: () => new Promise((resolve) => setTimeout(resolve, 1)),
    }
    return new RunClient(plan, assistant, ports)
  }
}
const opened = async (device: Device): Promise<RunClient> => {
  const page = device.page()
  page.start()
  await page.read()
  return page
}
const settled = (page: RunClient): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => void (page.snapshot().waiting === 0 && page.snapshot().sending === 'no' && resolve())
    page.subscribe(look)
    look()
  })
const kinds = (server: Server): string[] => server.events.map((e) => e.what.kind)

describe('a touch', () => {
  it('is stored, and shown at once', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    expect(await page.send({ kind: 'begin' })).toEqual({ ok: true })
    expect(page.snapshot().state?.core.status).toBe('running')
    expect(kinds(server)).toEqual(['run.started'])
  })
  it('whose answer is lost is sent again under its own id, and is there once', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.fails = ['answer']
    expect(await page.send({ kind: 'begin' })).toEqual({ ok: true, queued: true })
    expect(page.snapshot()).toMatchObject({ waiting: 1, sending: 'waiting', state: { core: { status: 'running' } } })
    await settled(page)
    expect(kinds(server)).toEqual(['run.started'])
  })
  it('twice while the first is on its way is one touch', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    const [first, second] = await Promise.all([page.send({ kind: 'begin' }), page.send({ kind: 'begin' })])
    expect([first.ok, second.ok]).toEqual([true, false])
    expect(kinds(server)).toEqual(['run.started'])
  })
  it('made when another screen had gone on is decided anew on what that did, and is stored after it', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.happen({ kind: 'begin' }, 'other-1')
    expect(await page.send({ kind: 'note', text: 'early' })).toEqual({ ok: true })
    expect(kinds(server)).toEqual(['run.started', 'note.added'])
    expect(page.snapshot().events).toHaveLength(2)
  })
  it('that no longer fits is not stored, and says why', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.happen({ kind: 'begin' }, 'other-1')
    expect(await page.send({ kind: 'begin' })).toMatchObject({ ok: false })
    expect(kinds(server)).toEqual(['run.started'])
  })
})

describe('without the server', () => {
  it('touches go on, survive the page, and are stored in order when it is back', async () => {
    const server = new Server()
    const device = new Device(server)
    const page = await opened(device)
    server.goes('away')
    await page.send({ kind: 'begin' })
    await page.send({ kind: 'note', text: 'one' })
    await page.send({ kind: 'note', text: 'two' })
    expect(page.snapshot()).toMatchObject({ waiting: 3, sending: 'waiting' })
    page.stop()
    server.goes('back')
    const next = await opened(device)
    await settled(next)
    expect(server.events.map((e) => (e.what.kind === 'note.added' ? e.what.text : e.what.kind))).toEqual([
      'run.started',
      'one',
      'two',
    ])
    expect(device.kept).toEqual([])
  })
  it('a signature is not kept: it is said that it needs the server', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.fails = ['request']
    const signer = { personId: 'dentist', code: '0000' }
    expect(await page.send({ kind: 'sign', holdId: 'numb' }, signer)).toMatchObject({
      ok: false,
      message: expect.stringContaining('a signature needs it'),
    })
    expect(page.snapshot().waiting).toBe(0)
  })
  it('what the other device had gone on over is told, and the rest is stored', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.goes('away')
    await page.send({ kind: 'begin' })
    await page.send({ kind: 'note', text: 'kept' })
    server.happen({ kind: 'begin' }, 'other-1')
    server.goes('back')
    await settled(page)
    expect(page.snapshot().refusals).toMatchObject([{ words: 'begin' }])
    expect(kinds(server)).toEqual(['run.started', 'note.added'])
    page.forget()
    expect(page.snapshot().refusals).toEqual([])
  })
  it('where the person is signed out what waits is kept until they are back, and nothing of it is dropped', async () => {
    const server = new Server()
    const device = new Device(server)
    const page = await opened(device)
    server.goes('away')
    await page.send({ kind: 'begin' })
    server.signedIn = false
    server.goes('back')
    // It has been tried, more than once, and refused.
    await expect.poll(() => server.turnedAway).toBeGreaterThan(1)
    expect(device.kept).toHaveLength(1)
    server.signedIn = true
    await settled(page)
    expect(kinds(server)).toEqual(['run.started'])
  })
  it('where storage refuses, touches wait as long as the page does', async () => {
    const server = new Server()
    const device = new Device(server)
    device.refusesStorage = true
    const page = await opened(device)
    server.fails = ['request']
    await page.send({ kind: 'begin' })
    expect(device.kept).toEqual([])
    await settled(page)
    expect(kinds(server)).toEqual(['run.started'])
  })
})

describe('the stream', () => {
  it('is folded in; where something is missing before it, that is read', async () => {
    const server = new Server()
    const page = await opened(new Device(server))
    server.happen({ kind: 'begin' }, 'a')
    server.happen({ kind: 'note', text: 'x' }, 'b')
    page.take(server.events.slice(1))
    await page.read()
    expect(page.snapshot().events.map((e) => e.seq)).toEqual([1, 2])
    page.take(server.events)
    expect(page.snapshot().events).toHaveLength(2)
  })
})
