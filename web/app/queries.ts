import { plainDate } from '../../core/clock'
import { QueryClient, useQuery, useQueryClient } from '@tanstack/react-query'
import type { Practice } from '../../core/practice/practice'
import type { NeededView } from '../../wire/run'
import { api, ApiProblem } from './api'
import { serverNow } from './live'
import type { DayView } from '../../wire/day'
import type { Person, SignInPerson } from '../../wire/people'
import type { RecordView, VisitView } from '../../wire/visit'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // A server that is being restarted is asked again; a refusal is not.
      // What is not heard is asked again until it is: the screen says why it waits, and goes on by itself.
      retry: (_, error) => error instanceof ApiProblem && error.offline,
      retryDelay: 700,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})

export const useSession = () =>
  useQuery({
    queryKey: ['session'],
    queryFn: () =>
      api<Person>('/session').catch((e: unknown) => {
        if (e instanceof ApiProblem && e.status === 401) return null
        throw e
      }),
    staleTime: Infinity,
  })
export const usePeople = () => useQuery({ queryKey: ['people'], queryFn: () => api<SignInPerson[]>('/people') })
export const usePractice = () =>
  useQuery({ queryKey: ['practice'], queryFn: () => api<Practice>('/practice'), staleTime: 5 * 60_000 })
const minuteMs = 60_000
/** Whether the practice's date is another by now than where this was read. */
const turned = (view: DayView): boolean => plainDate(serverNow(), view.zone) !== view.today
/**
 * The day; while it is the one going on it is read anew each minute, for what runs moves on by itself and so does the date.
 * @param day a date, or 'today' as the practice has it
 */
export const useDay = (day: string) =>
  useQuery({
    queryKey: ['day', day],
    queryFn: () => api<DayView>(`/days/${day}`),
    refetchInterval: ({ state }) =>
      state.data && (turned(state.data) || state.data.visits.some((v) => v.stage === 'running')) ? minuteMs : false,
  })
/** What waits for the person signed in, over all chairs. Told by the live stream; asked now and then where no stream is open. */
export const useNeeded = () =>
  useQuery({
    queryKey: ['needed'],
    queryFn: () => api<NeededView>('/needed'),
    refetchInterval: minuteMs / 2,
    staleTime: 5_000,
  })
export const useVisit = (visitId: string) =>
  useQuery({ queryKey: ['visit', visitId], queryFn: () => api<VisitView>(`/visits/${visitId}`) })
export const useRecord = (visitId: string) =>
  useQuery({ queryKey: ['record', visitId], queryFn: () => api<RecordView>(`/visits/${visitId}/record`), staleTime: 0 })

/** Refreshers for the live stream. */
export function useRefresh() {
  const client = useQueryClient()
  return {
    day: () => void client.invalidateQueries({ queryKey: ['day'] }),
    visit: (id: string) => void client.invalidateQueries({ queryKey: ['visit', id] }),
    client,
  }
}
