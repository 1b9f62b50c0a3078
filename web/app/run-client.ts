/**
 * The run as this device sees it, without a screen: events folded with the core's own functions, commands decided here as
 * the server would decide them, sent with a retry that cannot double, and kept while the server is not heard. What it
 * needs of the world is handed in: a way to the server, a place to keep things, a clock.
 */
import { firstOf } from '../../core/sure'
import type { Plan } from '../../core/model/plan'
import { decide, type Who } from '../../core/run/decide'
import type { Command, RunEvent } from '../../core/run/events'
import { withQueue, type Queued } from '../../core/run/queue'
import type { Refusal } from '../../core/run/refusals'
import { evolve, initialState, type RunState } from '../../core/run/state'
import type { CommandAnswer, EventsView } from '../../wire/run'
import { ApiProblem } from './api'

export interface Signer {
  personId: string
  code: string
}
export interface RunData {
  state: RunState
  events: RunEvent[]
}
/** What is sent for a command. */
export interface Envelope {
  commandId: string
  basedOn: number
  command: Command
  waitedS?: number
  signer?: Signer
}
export interface RunPorts {
  /** Events after a sequence number. @throws ApiProblem */
  read: (after: number) => Promise<EventsView>
  /** @throws ApiProblem; `offline` where it may never have arrived */
  post: (envelope: Envelope) => Promise<CommandAnswer>
  /** Where what is known of the run is left for the next screen. */
  known: { get: () => RunData | undefined; set: (data: RunData | undefined) => void }
  /** What waits to be sent, kept beyond the page; it may refuse, and then it waits as long as the page does. */
  outbox: { read: () => Queued[]; write: (queue: readonly Queued[]) => void }
  /** The server's clock as this device knows it, ms. */
  now: () => number
  newId: () => string
  pause: (ms: number) => Promise<void>
}

export type Sent =
  | { ok: true; held?: Refusal; queued?: true }
  | { ok: false; message: string; refusal?: Refusal; problem?: ApiProblem }

export interface RunSnapshot {
  /** With everything that waits on this device done; missing until the run has been read. */
  state: RunState | undefined
  events: RunEvent[]
  /** A command is on its way; `waiting` while the server does not answer and touches are kept here. */
  sending: 'no' | 'yes' | 'waiting'
  /** How many touches wait. */
  waiting: number
  /** What waited and was not taken, because the other device had gone on. */
  refusals: { words: string; why: string }[]
  /** Why the run could not be read. */
  error: unknown
}

const retryMs = 600
/** Less than this a touch did not wait, s: the way to the server takes as long. */
const onTheWayS = 2

/** Adds the events that are new; a gap answers null, and the caller reads. */
function withEvents(data: RunData, events: readonly RunEvent[]): RunData | null {
  const fresh = events.filter((e) => e.seq > data.state.seq).toSorted((a, b) => a.seq - b.seq)
  if (fresh.length === 0) return data
  if (firstOf(fresh).seq !== data.state.seq + 1) return null
  return { state: fresh.reduce(evolve, data.state), events: [...data.events, ...fresh] }
}

/** What a command is, for a person who is told that it was not taken. */
function commandWords(plan: Plan, c: Command): string {
  const title = (id: string | undefined): string => plan.steps.find((s) => s.id === id)?.title ?? ''
  if (c.kind === 'advance')
    return `next${c.start ? `: ${title(c.start)}` : c.finish ? `: ${title(c.finish)} done` : ''}`
  if (c.kind === 'count') return `${c.n} ${plan.counts.find((x) => x.id === c.countId)?.what ?? ''} ${c.direction}`
  if (c.kind === 'note') return `note: ${c.text}`
  if (c.kind === 'cord out' || c.kind === 'keep cord') return `${c.kind}: ${title(c.stepId)}`
  return c.kind === 'addend' ? `added: ${c.text}` : c.kind
}

export class RunClient {
  private readonly listeners = new Set<() => void>()
  private data: RunData | undefined
  private queue: Queued[]
  private refusals: RunSnapshot['refusals'] = []
  private error: unknown = null
  private busy = false
  private flushing = false
  private reading: Promise<void> | undefined
  private open = false
  private shown: RunSnapshot

  constructor(
    private readonly plan: Plan,
    private readonly who: Who,
    private readonly ports: RunPorts,
  ) {
    this.data = ports.known.get()
    this.queue = ports.outbox.read()
    this.shown = this.look()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  /** As it is now; the same object until something changes. */
  readonly snapshot = (): RunSnapshot => this.shown

  /** Reads what is new and sends what waits, until {@link stop}. */
  start(): void {
    this.open = true
    void this.read()
    if (this.queue.length > 0) void this.flush()
  }
  /** The screen is gone: what waits stays in the outbox. */
  stop(): void {
    this.open = false
  }

  private know(data: RunData | undefined): void {
    this.data = data
    this.ports.known.set(data)
  }
  private look(): RunSnapshot {
    const { data } = this
    return {
      state: data && withQueue(this.plan, data.state, this.queue, this.who).state,
      events: data?.events ?? [],
      sending: this.flushing || this.queue.length > 0 ? 'waiting' : this.busy ? 'yes' : 'no',
      waiting: this.queue.length,
      refusals: this.refusals,
      error: this.error,
    }
  }
  private changed(): void {
    this.shown = this.look()
    for (const listener of this.listeners) listener()
  }

  /** Reads what this device has not seen yet; one reading at a time. */
  read(): Promise<void> {
    this.reading ??= (async () => {
      try {
        const known = this.data ?? { state: initialState(this.plan), events: [] }
        const { events } = await this.ports.read(known.state.seq)
        // More may have come in over the stream meanwhile.
        const now = this.data ?? known
        this.know(withEvents(now, events) ?? now)
        this.error = null
      } catch (error) {
        this.error = error
        if (this.open && error instanceof ApiProblem && error.offline) {
          void this.ports.pause(retryMs).then(() => {
            if (this.open) void this.read()
          })
        }
      } finally {
        this.reading = undefined
        this.changed()
      }
    })()
    return this.reading
  }

  /** Takes events that came over the stream or with an answer; where one is missing before them, they are read. */
  take(events: readonly RunEvent[]): void {
    const next = this.data && withEvents(this.data, events)
    if (!next) return void this.read()
    this.know(next)
    this.changed()
  }

  forget(): void {
    this.refusals = []
    this.changed()
  }

  private put(queue: Queued[]): void {
    this.queue = queue
    this.ports.outbox.write(queue)
    this.changed()
  }

  /** One try to have a command stored; what was missed meanwhile is taken first, under the same id, so that it is stored once. */
  private async attempt({ commandId, command, at }: Queued, signer?: Signer): Promise<Sent | 'offline'> {
    for (;;) {
      const stored = this.data
      if (!stored) return 'offline'
      const waitedS = Math.max(0, (this.ports.now() - at) / 1000)
      try {
        const answer = await this.ports.post({
          commandId,
          basedOn: stored.state.seq,
          command,
          ...(waitedS > onTheWayS ? { waitedS } : {}),
          ...(signer ? { signer } : {}),
        })
        this.take(answer.events)
        return answer.held ? { ok: true, held: answer.held } : { ok: true }
      } catch (error) {
        if (!(error instanceof ApiProblem)) throw error
        if (error.offline) return 'offline'
        const { refusal, events, seq = 0 } = error.more
        if (error.slug !== 'stale' || !events)
          return { ok: false, message: error.message, problem: error, ...(refusal ? { refusal } : {}) }
        if (seq < stored.state.seq) {
          // The record is behind this screen (restored from a backup, say): what the server holds is the truth.
          this.know(undefined)
          void this.read()
          return { ok: false, message: error.message }
        }
        this.take(events)
        const who: Who = signer
          ? { ...this.who, personId: signer.personId, roles: ['dentist'], codeShown: true }
          : this.who
        const now = decide(this.plan, this.data?.state ?? stored.state, command, who, at)
        if ('refused' in now)
          return { ok: false, message: `${error.message} ${now.refused.message}`, refusal: now.refused }
      }
    }
  }

  /** Sends what waits, in order, until nothing does or the screen is gone. */
  private async flush(): Promise<void> {
    if (this.flushing) return
    this.flushing = true
    try {
      while (this.queue.length > 0 && this.open) {
        const head = firstOf(this.queue)
        const sent = await this.attempt(head)
        // Signed out meanwhile, or another person at this device: it waits for the one who touched it.
        if (sent === 'offline' || (!sent.ok && sent.problem?.status === 401)) {
          await this.ports.pause(retryMs)
          continue
        }
        if (!sent.ok)
          this.refusals = [...this.refusals, { words: commandWords(this.plan, head.command), why: sent.message }]
        this.put(this.queue.filter((q) => q.commandId !== head.commandId))
      }
    } finally {
      this.flushing = false
      this.changed()
    }
  }

  /** Decides a touch on this device and keeps it to be sent. */
  private keep(touched: Queued): Sent {
    const { data } = this
    if (!data) return { ok: false, message: 'The run has not been read yet.' }
    const local = withQueue(this.plan, data.state, this.queue, this.who).state
    const decision = decide(this.plan, local, touched.command, this.who, touched.at)
    if ('refused' in decision) return { ok: false, message: decision.refused.message, refusal: decision.refused }
    this.put([...this.queue, touched])
    void this.flush()
    return { ok: true, queued: true, ...(decision.held ? { held: decision.held } : {}) }
  }

  /** Has a command stored, or keeps it; a signature is never kept, for it needs the server. */
  async send(command: Command, signer?: Signer): Promise<Sent> {
    // A double tap while the first is on its way is the same tap.
    if (this.busy) return { ok: false, message: 'still sending the last touch' }
    const touched: Queued = { commandId: this.ports.newId(), command, at: this.ports.now() }
    if (this.queue.length > 0)
      return signer
        ? {
            ok: false,
            message: 'The server is not heard: a signature needs it. What was touched waits here and is not lost.',
          }
        : this.keep(touched)
    this.busy = true
    this.changed()
    try {
      const sent = await this.attempt(touched, signer)
      if (sent !== 'offline') return sent
      if (!signer) return this.keep(touched)
      return { ok: false, message: 'The server is not heard: a signature needs it. Nothing was signed.' }
    } finally {
      this.busy = false
      this.changed()
    }
  }
}
