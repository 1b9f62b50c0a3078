/** What the server says of cassettes and loads. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import type { LoadJudgement } from '../../core/measure/load'
import type { CycleName, Instruments } from '../../core/practice/instruments'
import type { CassetteState, LoadRecord, Traced } from '../../core/schedule/cassettes'
import { api, ApiProblem } from '../app/api'

export interface LoadView extends LoadRecord {
  cycle: CycleName
  startedBy: string
  logFault: string | null
  indicator: 'changed' | 'not changed' | null
  releasedBy: string | null
  failedBy: string | null
  sporeReadAt: number | null
  judgement: LoadJudgement | null
  traced: Traced | null
}
export interface InstrumentsView {
  instruments: Instruments
  now: number
  states: CassetteState[]
  loads: LoadView[]
  sporeDue: Record<string, number | null>
  visits: { id: string; startsAt: number; day: string; patient: string }[]
  /** Whether a simulated steriliser can be asked for its log. */
  simulated: boolean
}

export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => api<InstrumentsView>('/instruments'), staleTime: 10_000 })

/** One change to cassettes or loads; a refusal is said, and the shelf is read anew either way. */
export function useAct() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ path, body, method = 'POST' }: { path: string; body: object; method?: string }) =>
      api<Record<string, unknown>>(path, { method, body }),
    onError: (e) => toast.error(e instanceof ApiProblem ? e.message : 'not stored', { duration: 10_000 }),
    onSettled: () => void client.invalidateQueries({ queryKey: ['instruments'] }),
  })
}
export type Act = ReturnType<typeof useAct>
