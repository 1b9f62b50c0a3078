/** Runs: commands become stored events. One visit's commands are handled one after the other, each in one transaction. */
import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { Plan } from '../core/model/plan'
import { decide, type Decision, type Who } from '../core/run/decide'
import { spanWords } from '../core/clock'
import { libraryVersion } from '../core/plan/compile'
import { sealed } from './db/seal'
import type { Command, RunEvent } from '../core/run/events'
import { happenedAt } from '../core/run/queue'
import { evolve, initialState, type RunState } from '../core/run/state'
import { leaveBehind } from './db/leave-behind'
import type { Db } from './db/open'
import * as t from './db/schema'
import { loadCommand, loadEvents, loadFrozenPlan, loadHead, loadLastEvent } from './db/store'
import type { CommandAnswer } from '../wire/run'
import { reading } from './db/unread'
import { Problem } from './problem'

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
}
/** How a run stood before what has just been stored, and how it stands with it. */
interface Step {
  before: RunState
  after: RunState
}
type Answered = CommandAnswer & { live: Live; before: RunState; fresh: boolean }

export class Runs {
  private readonly live = new Map<string, Live>()
  private readonly queues = new Map<string, Promise<unknown>>()

  constructor(
    private readonly db: Db,
    private readonly publish: (visitId: string, events: RunEvent[], plan: Plan, step: Step) => void,
    private readonly now: () => number,
    /** Whether other servers may write to the same database. */
    private readonly shared: boolean,
  ) {}

  /** Runs a task after the visit's earlier ones, whatever became of them. */
  private inTurn<T>(visitId: string, task: () => Promise<T>): Promise<T> {
    const turn = (this.queues.get(visitId) ?? Promise.resolve()).then(task, task)
    const settled = turn
      .catch(() => undefined)
      .then(() => {
        if (this.queues.get(visitId) === settled) this.queues.delete(visitId)
      })
    this.queues.set(visitId, settled)
    return turn
  }

  /** Forgets what is held in memory of a visit, for when its plan is taken back. */
  forget(visitId: string): void {
    this.live.delete(visitId)
  }

  private async current(q: Db, visitId: string): Promise<Live> {
    let known = this.live.get(visitId)
    const fresh = !known
    if (!known) {
      const frozen = await loadFrozenPlan(q, visitId)
      if (!frozen) {
        await loadHead(q, visitId)
        throw new Problem('not-signed', 'The tray of this visit is not signed yet, so its plan is not fixed.')
      }
      known = { plan: frozen.plan, state: reading(visitId, 'run', () => initialState(frozen.plan)) }
    }
    if (fresh || this.shared) {
      const { plan, state } = known
      const events = await loadEvents(q, visitId, state.seq)
      return { plan, state: reading(visitId, 'run', () => events.reduce(evolve, state)) }
    }
    return known
  }

  /** The run as it stands, after whatever is just being stored. */
  state(visitId: string): Promise<Live> {
    return this.inTurn(visitId, async () => {
      const live = await this.current(this.db, visitId)
      this.live.set(visitId, live)
      return live
    })
  }

  /**
   * Decides and stores a command. Answered only when it is on disk.
   * @throws Problem 409 `stale` where the client had not seen everything (with the events it missed), 409 `refused`
   * with the refusal where the rules say no.
   */
  command(visitId: string, envelope: CommandEnvelope, who: Who): Promise<CommandAnswer> {
    return this.inTurn(visitId, async () => {
      const done = await this.db.transaction(async (tx): Promise<Answered> => {
        // A second server may work on the same PostgreSQL: the row lock keeps it in turn. An embedded folder is ours alone.
        if (this.shared)
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
        const decision = decide(plan, state, envelope.command, who, now)
        if ('refused' in decision) throw new Problem('refused', decision.refused.message, { refusal: decision.refused })
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
          live: { plan, state: events.reduce(evolve, state) },
          before: state,
          fresh: true,
        }
        return decision.held ? { ...answer, held: decision.held } : answer
      })
      const { live, before, fresh, ...answer } = done
      this.live.set(visitId, live)
      if (fresh) this.publish(visitId, answer.events, live.plan, { before, after: live.state })
      return answer
    })
  }
}
