/** The run as this device sees it: events folded with the core's own functions, commands sent with a retry that cannot double. */
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Plan } from '../../core/plan/types'
import { decide, type Refusal, type Who } from '../../core/run/decide'
import type { Command, RunEvent } from '../../core/run/events'
import { evolve, initialState, type RunState } from '../../core/run/state'
import { api, ApiProblem, device, newId, type Person } from './api'
import { serverNow, useLive } from './live'

interface RunData {
  state: RunState
  events: RunEvent[]
}

/** Adds the events that are new; a gap answers null, and the caller fetches. */
function withEvents(data: RunData, events: readonly RunEvent[]): RunData | null {
  const fresh = events.filter((e) => e.seq > data.state.seq).toSorted((a, b) => a.seq - b.seq)
  if (fresh.length === 0) return data
  if (fresh[0]!.seq !== data.state.seq + 1) return null
  return { state: fresh.reduce(evolve, data.state), events: [...data.events, ...fresh] }
}

export type Sent = { ok: true; held?: Refusal } | { ok: false; message: string; refusal?: Refusal; problem?: ApiProblem }

export interface Run {
  state: RunState
  events: RunEvent[]
  send: (command: Command, signer?: { personId: string; code: string }) => Promise<Sent>
  /** A command is on its way; `waiting` while the server does not answer. */
  sending: 'no' | 'yes' | 'waiting'
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

export function useRun(visitId: string, plan: Plan, person: Person, refreshVisit: () => void): Run | undefined {
  const client = useQueryClient()
  const key = ['run', visitId]
  const query = useQuery({
    queryKey: key,
    queryFn: async (): Promise<RunData> => {
      const known = client.getQueryData<RunData>(key) ?? { state: initialState(plan), events: [] }
      const { events } = await api<{ events: RunEvent[] }>(`/visits/${visitId}/events?after=${known.state.seq}`)
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
  useLive(visitId, { run: take, visit: refreshVisit, opened: () => void client.invalidateQueries({ queryKey: ['run', visitId] }) })

  const [sending, setSending] = useState<Run['sending']>('no')
  const busy = useRef(false)
  const gone = useRef(false)
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
    }
  }, [])

  const send = useCallback<Run['send']>(
    async (command, signer) => {
      // A double tap while the first is on its way is the same tap.
      if (busy.current) return { ok: false, message: 'still sending the last touch' }
      busy.current = true
      setSending('yes')
      const commandId = newId()
      const seq = (): RunState => client.getQueryData<RunData>(['run', visitId])!.state
      const who: Who = { personId: person.id, roles: person.roles, codeShown: false }
      try {
        for (;;) {
          try {
            const answer = await api<{ events: RunEvent[]; held?: Refusal }>(`/visits/${visitId}/commands`, { method: 'POST', body: { commandId, basedOn: seq().seq, device, command, ...(signer ? { signer } : {}) } })
            take(answer.events)
            return answer.held ? { ok: true, held: answer.held } : { ok: true }
          } catch (error) {
            if (!(error instanceof ApiProblem)) throw error
            if (error.offline && !gone.current) {
              // Sent again under the same id until the server answers: it is stored once, whichever try arrived.
              setSending('waiting')
              await pause(600)
              continue
            }
            if (error.slug === 'stale' && error.more.events) {
              if ((error.more.seq ?? 0) < seq().seq) {
                // The record is behind this screen (restored from a backup, say): what the server holds is the truth.
                client.removeQueries({ queryKey: ['run', visitId] })
                return { ok: false, message: error.message }
              }
              take(error.more.events)
              const now = decide(plan, seq(), command, signer ? { ...who, personId: signer.personId, roles: ['dentist'], codeShown: true } : who, serverNow())
              if ('refused' in now) return { ok: false, message: `${error.message} ${now.refused.message}`, refusal: now.refused }
              continue
            }
            return { ok: false, message: error.message, problem: error, ...(error.more.refusal ? { refusal: error.more.refusal } : {}) }
          }
        }
      } finally {
        busy.current = false
        setSending('no')
      }
    },
    [client, visitId, plan, person, take],
  )
  return query.data ? { ...query.data, send, sending } : undefined
}
