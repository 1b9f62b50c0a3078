/** What the drill asks of the server. */
import { useQuery } from '@tanstack/react-query'
import type { DrillAnswers, PartScore } from '../../core/drill/score'
import type { KindId } from '../../core/kinds'
import type { NextRound, Progress, ScoreView } from '../../wire/drill'
import { api } from '../app/api'

export const useProgress = () => useQuery({ queryKey: ['drill'], queryFn: () => api<Progress>('/drill'), staleTime: 0 })
export const nextRound = (kind?: KindId) => api<NextRound>(`/drill/next${kind ? `?kind=${kind}` : ''}`)
export const handIn = (round: NextRound, answers: DrillAnswers, seconds: number) =>
  api<ScoreView>('/drill/rounds', { method: 'POST', body: { ...round, answers, seconds } })

export const partWords: Record<PartScore['part'], string> = {
  tray: 'Tray',
  burs: 'Burs',
  steps: 'Steps',
  clock: 'Clock',
}
