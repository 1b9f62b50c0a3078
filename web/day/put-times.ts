/** New times for visits of a day: all of them or none, refused by name where a visit began or moved meanwhile. */
import { api } from '../app/api'
import { useChange } from '../app/change'

/** `from` and `to` are moments, ms; `from` is what was on the screen when it was moved. */
export interface TimeMove {
  visitId: string
  from: number
  to: number
  chairId?: string
}

export const useTimes = (day: string) =>
  useChange((moves: TimeMove[]) => api(`/days/${day}/times`, { method: 'PUT', body: { moves } }), ['day', 'visit'])
