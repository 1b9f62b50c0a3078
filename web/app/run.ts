/** The run on a screen: a client of it for as long as the screen is up, told by the live stream. */
import { useQueryClient } from '@tanstack/react-query'
import { use, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import type { Plan } from '../../core/model/plan'
import type { Command, RunEvent } from '../../core/run/events'
import type { RunState } from '../../core/run/state'
import type { Person, Present } from '../../wire/people'
import type { CommandAnswer, EventsView } from '../../wire/run'
import { api, device, newId } from './api'
import { serverNow, useLive } from './live'
import { outbox } from './outbox'
import { RunClient, type RunData, type RunSnapshot, type Sent, type Signer } from './run-client'

export type { Sent } from './run-client'

export interface Run extends Omit<RunSnapshot, 'state' | 'error'> {
  state: RunState
  events: RunEvent[]
  send: (command: Command, signer?: Signer) => Promise<Sent>
  forget: () => void
  /** Who has this visit open. */
  present: Present[]
}

/** A link may die without saying so: no answer for so long is no link, and the same touch is sent again under its own id. */
const answerWithinMs = 5_000

export function useRun(visitId: string, plan: Plan, person: Person, refreshVisit: () => void): Run | undefined {
  const client = useQueryClient()
  const kept = use(outbox())
  const run = useMemo(
    () =>
      new RunClient(
        plan,
        { personId: person.id, roles: person.roles, codeShown: false },
        {
          read: (after) => api<EventsView>(`/visits/${visitId}/events?after=${after}`),
          post: (envelope) =>
            api<CommandAnswer>(`/visits/${visitId}/commands`, {
              method: 'POST',
              withinMs: answerWithinMs,
              body: { ...envelope, device },
            }),
          known: {
            get: () => client.getQueryData<RunData>(['run', visitId]),
            set: (data) =>
              data ? client.setQueryData(['run', visitId], data) : client.removeQueries({ queryKey: ['run', visitId] }),
          },
          outbox: kept.of(visitId, person.id),
          now: serverNow,
          newId,
          pause: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
        },
      ),
    [client, kept, visitId, plan, person],
  )
  useEffect(() => {
    run.start()
    return () => run.stop()
  }, [run])
  const [present, setPresent] = useState<Present[]>([])
  useLive(visitId, {
    present: setPresent,
    run: (events) => run.take(events),
    visit: refreshVisit,
    opened: () => void run.read(),
  })
  const { state, error: _error, ...shown } = useSyncExternalStore(run.subscribe, run.snapshot)
  return useMemo(
    () =>
      state && {
        ...shown,
        state,
        present,
        send: (command: Command, signer?: Signer) => run.send(command, signer),
        forget: () => run.forget(),
      },
    // oxlint-disable-next-line react/exhaustive-deps -- a snapshot's parts change together
    [run, state, shown.events, shown.sending, shown.waiting, shown.refusals, present],
  )
}
