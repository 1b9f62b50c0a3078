/** What the server says of cassettes and loads. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import type { InstrumentsView } from '../../wire/instruments'
import { api, ApiProblem } from '../app/api'

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
