/** How Settings stores: one change for every part of the screen. */
import { api } from '../app/api'
import { useChange } from '../app/change'

export const useSave = () =>
  useChange(
    ({ method, path, body }: { method: string; path: string; body: unknown }) => api(path, { method, body }),
    ['practice', 'people', 'day', 'visit'],
  )
export type Save = ReturnType<typeof useSave>
