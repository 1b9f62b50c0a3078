/**
 * Runs: commands become stored events. One visit's commands are handled one after the other, each in one transaction: by turns
 * on this server, by the row of the visit on several.
 */
import { createHash, randomUUID } from 'node:crypto'
import { sure } from '../core/sure'
import { eq } from 'drizzle-orm'
import type { Plan } from '../core/model/plan'
import { decide, type Beside, type Decision, type Who } from '../core/run/decide'
import { spanWords } from '../core/clock'
import { libraryVersion } from '../core/plan/compile'
import { sealed } from './db/seal'
import type { Command, Happening, RunEvent } from '../core/run/events'
import { happenedAt } from '../core/run/queue'
import { evolve, initialState, type RunState } from '../core/run/state'
import { alone, together, triedAgain } from './db/alone'
import { laidUpFor } from './db/instruments'
import { leaveBehind } from './db/leave-behind'
import type { Db } from './db/open'
import * as t from './db/schema'
import {
  loadCommand,
  loadEvents,
  loadFrozenPlan,
  loadHead,
  loadLastEvent,
  loadPractice,
  loadSignatures,
} from './db/store'
import type { CommandAnswer } from '../wire/run'
import { reading } from './db/unread'
import { Problem } from './problem'
import { Turns } from './turns'

export interface CommandEnvelope {
  /** Made by the client; a retry carries the same one and is answered with the same events. */
  commandId: string
  /** The last sequence number the client had seen. */
  basedOn: number
  device: string
  /** Seconds the touch waited on the device for the server. */
  waitedS?: number | undefined
  /** Whose sign-in the screen has, where another signs on it. */
  via?: string | undefined
  command: Command
}

const hashOf = (command: Command): string => createHash('sha256').update(JSON.stringify(command)).digest('hex')

/**
 * A window that was kept by the device's clock, and not by the time the server heard of it: nobody but the dentist says
 * which counts. @throws Problem 409 with the window's own refusal
 */
function askWhereTimesDiffer(asHeard: Decision, waitedMs: number): void {
  if (!('refused' in asHeard) || asHeard.refused.code !== 'window-missed') return
  const { refused } = asHeard
  const message = `${refused.message} By its device it was touched in time, ${spanWords(waitedMs / 1000)} before it was heard here; the dentist says which counts.`
  throw new Problem('refused', message, { refusal: { ...refused, message } })
}

interface Live {
  plan: Plan
  state: RunState
  /** Of the row of the signed plan: another once the tray was opened again and signed anew. */
  version: string
}
/** Runs kept folded at once; the one unused longest goes first. */
const mostLive = 200
/** What looks at more than its own visit: beginning stands on the tray, closing empties lots and teaches the practice. */
const alonely = new Set<Command['kind']>(['begin', 'close'])
/** How a run stood before what has just been stored, and how it stands with it. */
interface Step {
  before: RunState
  after: RunState
}
type Answered = CommandAnswer & { live: Live; before: RunState; fresh: boolean }

export class Runs {
  private readonly live = new Map<string, Live>()
  private readonly turns = new Turns()

  constructor(
    private readonly db: Db,
    private readonly publish: (visitId: string, events: RunEvent[], plan: Plan, step: Step) => void,
    private readonly now: () => number,
  ) {}

  private keep(visitId: string, live: Live): void {
    this.live.delete(visitId)
    this.live.set(visitId, live)
    if (this.live.size > mostLive) this.live.delete(sure(this.live.keys().next().value))
  }

  /** What is folded already, where it is of the plan that stands signed, and what has happened since. */
  private async current(q: Db, visitId: string): Promise<Live> {
    const signature = (await loadSignatures(q, [visitId])).get(visitId)
    if (!signature) {
      await loadHead(q, visitId)
      throw new Problem('not-signed', 'The tray of this visit is not signed yet, so its plan is not fixed.')
    }
    let known = this.live.get(visitId)
    if (known?.version !== signature.version) {
      const { plan } = sure(await loadFrozenPlan(q, visitId))
      known = { plan, version: signature.version, state: reading(visitId, 'run', () => initialState(plan)) }
    }
    const { state } = known
    const events = await loadEvents(q, visitId, state.seq)
    return { ...known, state: reading(visitId, 'run', () => events.reduce(evolve, state)) }
  }

  /** What beginning stands on, as it is at this moment. */
  private async beside(q: Db, visitId: string): Promise<Beside> {
    const { instruments } = await loadPractice(q)
    return { cassettes: await laidUpFor(q, visitId, instruments) }
  }

  /** The run as it stands, after whatever is just being stored. */
  state(visitId: string): Promise<Live> {
    return this.turns.take(visitId, async () => {
      const live = await this.current(this.db, visitId)
      this.keep(visitId, live)
      return live
    })
  }

  /**
   * Decides and stores a command. Answered only when it is on disk.
   * @throws Problem 409 `stale` where the client had not seen everything (with the events it missed), 409 `refused`
   * with the refusal where the rules say no.
   */
  command(visitId: string, envelope: CommandEnvelope, who: Who): Promise<CommandAnswer> {
    return this.turns.take(visitId, async () => {
      const done = await triedAgain(() =>
        this.db.transaction(async (tx): Promise<Answered> => {
          await (alonely.has(envelope.command.kind) ? alone(tx) : together(tx))
          await tx.select({ id: t.visits.id }).from(t.visits).where(eq(t.visits.id, visitId)).for('update')
          const live = await this.current(tx, visitId)
          const { plan, state } = live
          const hash = hashOf(envelope.command)
          const known = await loadCommand(tx, visitId, envelope.commandId)
          if (known.events.length > 0) {
            if (known.hash !== null && known.hash !== hash)
              throw new Problem('known', 'Something else came under this id before; nothing was stored of this one.')
            return { seq: state.seq, events: known.events, live, before: state, fresh: false }
          }
          if (envelope.basedOn !== state.seq) {
            throw new Problem(
              'stale',
              envelope.basedOn > state.seq
                ? 'This screen is ahead of the record; load it again.'
                : 'Something happened on another screen first.',
              { seq: state.seq, events: await loadEvents(tx, visitId, Math.min(envelope.basedOn, state.seq)) },
            )
          }
          // Nothing happens before what has happened: a clock that was set back waits until it has caught up.
          const last = await loadLastEvent(tx, visitId)
          const heardAt = Math.max(this.now(), last?.at ?? 0)
          const now = happenedAt(this.now(), envelope.waitedS ?? 0, last?.at ?? 0)
          const beside = envelope.command.kind === 'begin' ? await this.beside(tx, visitId) : undefined
          const decision = decide(plan, state, envelope.command, who, now, beside)
          if ('refused' in decision)
            throw new Problem('refused', decision.refused.message, { refusal: decision.refused })
          if (now < heardAt) askWhereTimesDiffer(decide(plan, state, envelope.command, who, heardAt), heardAt - now)
          const events = decision.events.map((what, i): RunEvent => ({
            id: `${envelope.commandId}.${i}`,
            seq: state.seq + i + 1,
            at: now,
            by: who.personId,
            device: envelope.device,
            commandId: envelope.commandId,
            ...(now < heardAt ? { receivedAt: heardAt } : {}),
            what,
          }))
          const told = { visitId, via: envelope.via ?? null, library: libraryVersion, commandHash: hash }
          await tx.insert(t.runEvents).values(
            sealed(
              events.map((e) => ({ ...e, ...told })),
              last?.seal ?? null,
            ),
          )
          if (envelope.command.kind === 'close') await leaveBehind(tx, visitId, plan, now)
          const answer = {
            seq: state.seq + events.length,
            events,
            live: { ...live, state: events.reduce(evolve, state) },
            before: state,
            fresh: true,
          }
          return decision.held ? { ...answer, held: decision.held } : answer
        }),
      )
      const { live, before, fresh, ...answer } = done
      this.keep(visitId, live)
      if (fresh) this.publish(visitId, answer.events, live.plan, { before, after: live.state })
      return answer
    })
  }

  /**
   * Tells a running visit what was changed beside it, in the transaction of that change: an event of its run like any other.
   * @returns what screens of the visit are told once it is stored
   */
  async tell(tx: Db, visitId: string, what: Happening, by: string): Promise<RunEvent[]> {
    const last = await loadLastEvent(tx, visitId)
    const commandId = `beside-${randomUUID()}`
    const event: RunEvent = {
      id: `${commandId}.0`,
      seq: (last?.seq ?? 0) + 1,
      at: Math.max(this.now(), last?.at ?? 0),
      by,
      device: 'beside',
      commandId,
      what,
    }
    const told = { visitId, via: null, library: libraryVersion, commandHash: null }
    await tx.insert(t.runEvents).values(sealed([{ ...event, ...told }], last?.seal ?? null))
    return [event]
  }
}
