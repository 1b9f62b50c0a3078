/** How Settings stores: one mutation for every part of the screen. */
import { useMutation } from '@tanstack/react-query'
import { toast } from 'sonner'
import { api, ApiProblem } from '../app/api'
import { useRefresh } from '../app/queries'

export function useSave() {
  const { client } = useRefresh()
  return useMutation({
    mutationFn: ({ method, path, body }: { method: string; path: string; body: unknown }) =>
      api(path, { method, body }),
    onError: (e) => toast.error(e instanceof ApiProblem ? e.message : 'not stored'),
    onSettled: () => {
      for (const key of ['practice', 'people', 'day', 'visit']) void client.invalidateQueries({ queryKey: [key] })
    },
  })
}
export type Save = ReturnType<typeof useSave>
