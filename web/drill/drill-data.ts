/** What the drill asks of the server. */
import { useQuery } from '@tanstack/react-query'
import type { DrillAnswers, DrillScore, PartScore } from '../../core/drill/score'
import type { KindId } from '../../core/kinds'
import { api } from '../app/api'

export interface Progress {
  kinds: { kind: KindId; asked: number; due: number }[]
  rounds: {
    id: number
    at: number
    kind: KindId
    right: number
    of: number
    seconds: number
    parts: Pick<PartScore, 'part' | 'right' | 'of'>[]
  }[]
  nextDueAt: number | null
  now: number
}
export interface NextRound {
  kind: KindId
  seed: number
  date: string
  due: string[]
}

export const useProgress = () => useQuery({ queryKey: ['drill'], queryFn: () => api<Progress>('/drill'), staleTime: 0 })
export const nextRound = (kind?: KindId) => api<NextRound>(`/drill/next${kind ? `?kind=${kind}` : ''}`)
export const handIn = (round: NextRound, answers: DrillAnswers, seconds: number) =>
  api<{ score: DrillScore }>('/drill/rounds', { method: 'POST', body: { ...round, answers, seconds } })

export const partWords: Record<PartScore['part'], string> = {
  tray: 'Tray',
  burs: 'Burs',
  steps: 'Steps',
  clock: 'Clock',
}
