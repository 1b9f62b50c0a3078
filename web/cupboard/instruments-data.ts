/** What the server says of cassettes and loads. */
import { useQuery } from '@tanstack/react-query'
import type { InstrumentsView } from '../../wire/instruments'
import { api } from '../app/api'
import { useChange } from '../app/change'

export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => api<InstrumentsView>('/instruments'), staleTime: 10_000 })

/** One change to cassettes or loads; a refusal is said, and the shelf is read anew either way. */
export const useAct = () =>
  useChange(
    ({ path, body, method = 'POST' }: { path: string; body?: object; method?: string }) =>
      api<Record<string, unknown>>(path, { method, ...(body ? { body } : {}) }),
    ['instruments'],
  )
export type Act = ReturnType<typeof useAct>
