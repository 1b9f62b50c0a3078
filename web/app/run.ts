/** The run as this device sees it: events folded with the core's own functions, commands sent with a retry that cannot double. */
import { firstOf, sure } from '../../core/sure'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Plan } from '../../core/model/plan'
import { decide, type Who } from '../../core/run/decide'
import type { Refusal } from '../../core/run/refusals'
import type { Command, RunEvent } from '../../core/run/events'
import { withQueue, type Queued } from '../../core/run/queue'
import { evolve, initialState, type RunState } from '../../core/run/state'
import type { CommandAnswer, EventsView } from '../../wire/run'
import { api, ApiProblem, device, newId } from './api'
import type { Person } from '../../wire/people'
import { serverNow, useLive } from './live'
import type { Present } from '../../wire/people'

interface RunData {
  state: RunState
  events: RunEvent[]
}

/** Adds the events that are new; a gap answers null, and the caller fetches. */
function withEvents(data: RunData, events: readonly RunEvent[]): RunData | null {
  const fresh = events.filter((e) => e.seq > data.state.seq).toSorted((a, b) => a.seq - b.seq)
  if (fresh.length === 0) return data
  if (firstOf(fresh).seq !== data.state.seq + 1) return null
  return { state: fresh.reduce(evolve, data.state), events: [...data.events, ...fresh] }
}

export type Sent =
  | { ok: true; held?: Refusal; queued?: true }
  | { ok: false; message: string; refusal?: Refusal; problem?: ApiProblem }

export interface Run {
  /** With everything that waits on this device done. */
  state: RunState
  events: RunEvent[]
  send: (command: Command, signer?: { personId: string; code: string }) => Promise<Sent>
  /** A command is on its way; `waiting` while the server does not answer and touches are kept here. */
  sending: 'no' | 'yes' | 'waiting'
  /** How many touches wait. */
  waiting: number
  /** What waited and was not taken, because the other device had gone on. */
  refusals: { words: string; why: string }[]
  forget: () => void
  /** Who has this visit open. */
  present: Present[]
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
const retryMs = 600
/** A link may die without saying so: no answer for so long is no link, and the same touch is sent again under its own id. */
const answerWithinMs = 5_000

/** By person, too: what one has touched is never sent under another's name. */
const queueKey = (visitId: string, personId: string): string => `jade.queue.${visitId}.${personId}`
function keptQueue(visitId: string, personId: string): Queued[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(queueKey(visitId, personId)) ?? '[]')
    return Array.isArray(kept) ? kept : []
  } catch {
    return []
  }
}
function keepQueue(visitId: string, personId: string, queue: readonly Queued[]): void {
  try {
    if (queue.length === 0) localStorage.removeItem(queueKey(visitId, personId))
    else localStorage.setItem(queueKey(visitId, personId), JSON.stringify(queue))
  } catch {
    // Storage refused: the touches wait as long as the page does.
  }
}
/** What a command is, for a person who is told that it was not taken. */
const commandWords = (plan: Plan, c: Command): string => {
  const title = (id: string | undefined): string => plan.steps.find((s) => s.id === id)?.title ?? ''
  if (c.kind === 'advance')
    return `next${c.start ? `: ${title(c.start)}` : c.finish ? `: ${title(c.finish)} done` : ''}`
  if (c.kind === 'count') return `${c.n} ${plan.counts.find((x) => x.id === c.countId)?.what ?? ''} ${c.direction}`
  return c.kind === 'note' ? `note: ${c.text}` : c.kind
}

export function useRun(visitId: string, plan: Plan, person: Person, refreshVisit: () => void): Run | undefined {
  const client = useQueryClient()
  const key = ['run', visitId]
  const query = useQuery({
    queryKey: key,
    queryFn: async (): Promise<RunData> => {
      const known = client.getQueryData<RunData>(key) ?? { state: initialState(plan), events: [] }
      const { events } = await api<EventsView>(`/visits/${visitId}/events?after=${known.state.seq}`)
      // More may have come in over the stream meanwhile.
      return withEvents(client.getQueryData<RunData>(key) ?? known, events) ?? known
    },
    staleTime: Infinity,
  })
  const take = useCallback(
    (events: readonly RunEvent[]) => {
      const data = client.getQueryData<RunData>(['run', visitId])
      const next = data ? withEvents(data, events) : null
      if (next) client.setQueryData(['run', visitId], next)
      else void client.invalidateQueries({ queryKey: ['run', visitId] })
    },
    [client, visitId],
  )
  const [present, setPresent] = useState<Present[]>([])
  useLive(visitId, {
    present: setPresent,
    run: take,
    visit: refreshVisit,
    opened: () => void client.invalidateQueries({ queryKey: ['run', visitId] }),
  })

  const [queue, setQueue] = useState<Queued[]>(() => keptQueue(visitId, person.id))
  const [refusals, setRefusals] = useState<Run['refusals']>([])
  const [sending, setSending] = useState<Run['sending']>(queue.length > 0 ? 'waiting' : 'no')
  const waiting = useRef(queue)
  const busy = useRef(false)
  const gone = useRef(false)
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
    }
  }, [])
  const put = useCallback(
    (next: Queued[]) => {
      waiting.current = next
      keepQueue(visitId, person.id, next)
      setQueue(next)
    },
    [visitId, person.id],
  )
  const who = useMemo((): Who => ({ personId: person.id, roles: person.roles, codeShown: false }), [person])
  const stored = useCallback(
    (): RunState => sure(client.getQueryData<RunData>(['run', visitId])).state,
    [client, visitId],
  )

  /** One try to have a command stored; what was missed meanwhile is taken first, under the same id, so that it is stored once. */
  const attempt = useCallback(
    async (
      { commandId, command, at }: Queued,
      signer?: { personId: string; code: string },
    ): Promise<Sent | 'offline'> => {
      for (;;) {
        const waitedS = Math.max(0, (serverNow() - at) / 1000)
        try {
          const answer = await api<CommandAnswer>(`/visits/${visitId}/commands`, {
            method: 'POST',
            withinMs: answerWithinMs,
            body: {
              commandId,
              basedOn: stored().seq,
              device,
              command,
              ...(waitedS > 2 ? { waitedS } : {}),
              ...(signer ? { signer } : {}),
            },
          })
          take(answer.events)
          return answer.held ? { ok: true, held: answer.held } : { ok: true }
        } catch (error) {
          if (!(error instanceof ApiProblem)) throw error
          if (error.offline) return 'offline'
          if (error.slug === 'stale' && error.more.events) {
            if ((error.more.seq ?? 0) < stored().seq) {
              // The record is behind this screen (restored from a backup, say): what the server holds is the truth.
              client.removeQueries({ queryKey: ['run', visitId] })
              return { ok: false, message: error.message }
            }
            take(error.more.events)
            const now = decide(
              plan,
              stored(),
              command,
              signer ? { ...who, personId: signer.personId, roles: ['dentist'], codeShown: true } : who,
              at,
            )
            if ('refused' in now)
              return { ok: false, message: `${error.message} ${now.refused.message}`, refusal: now.refused }
            continue
          }
          return {
            ok: false,
            message: error.message,
            problem: error,
            ...(error.more.refusal ? { refusal: error.more.refusal } : {}),
          }
        }
      }
    },
    [client, visitId, plan, who, stored, take],
  )

  /** Sends what waits, in order, until nothing does or the screen is gone. */
  const flushing = useRef(false)
  const flush = useCallback(async (): Promise<void> => {
    if (flushing.current) return
    flushing.current = true
    setSending('waiting')
    try {
      while (waiting.current.length > 0 && !gone.current) {
        const head = firstOf(waiting.current)
        const sent = client.getQueryData(['run', visitId]) === undefined ? 'offline' : await attempt(head)
        if (sent === 'offline' || (!sent.ok && sent.problem?.status === 401)) {
          await pause(retryMs)
          continue
        }
        put(waiting.current.filter((q) => q.commandId !== head.commandId))
        if (!sent.ok)
          setRefusals((before) => [...before, { words: commandWords(plan, head.command), why: sent.message }])
      }
    } finally {
      flushing.current = false
      if (waiting.current.length === 0) setSending('no')
    }
  }, [client, visitId, attempt, put, plan])
  useEffect(() => {
    if (waiting.current.length > 0) void flush()
  }, [flush])

  const send = useCallback<Run['send']>(
    async (command, signer) => {
      // A double tap while the first is on its way is the same tap.
      if (busy.current) return { ok: false, message: 'still sending the last touch' }
      const touched: Queued = { commandId: newId(), command, at: serverNow() }
      const enqueue = (): Sent => {
        const local = withQueue(plan, stored(), waiting.current, who).state
        const decision = decide(plan, local, command, who, touched.at)
        if ('refused' in decision) return { ok: false, message: decision.refused.message, refusal: decision.refused }
        put([...waiting.current, touched])
        void flush()
        return { ok: true, queued: true, ...(decision.held ? { held: decision.held } : {}) }
      }
      if (waiting.current.length > 0)
        return signer
          ? {
              ok: false,
              message: 'The server is not heard: a signature needs it. What was touched waits here and is not lost.',
            }
          : enqueue()
      busy.current = true
      setSending('yes')
      try {
        const sent = await attempt(touched, signer)
        if (sent !== 'offline') return sent
        if (!signer) return enqueue()
        return { ok: false, message: 'The server is not heard: a signature needs it. Nothing was signed.' }
      } finally {
        busy.current = false
        if (waiting.current.length === 0) setSending('no')
      }
    },
    [plan, who, stored, attempt, put, flush],
  )
  const data = query.data
  const state = useMemo(
    () => (data ? withQueue(plan, data.state, queue, who).state : undefined),
    [plan, data, queue, who],
  )
  const forget = useCallback(() => setRefusals([]), [])
  return data && state
    ? { state, events: data.events, send, sending, waiting: queue.length, refusals, forget, present }
    : undefined
}
