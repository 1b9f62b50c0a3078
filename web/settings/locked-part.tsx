/** Who is locked out by wrong codes. */
import { useQuery } from '@tanstack/react-query'
import type { Practice } from '../../core/practice/practice'
import type { Locked } from '../../wire/settings'
import { api } from '../app/api'
import { Button, Mark, Panel } from '../parts/ui'
import type { Save } from './save'

export function LockedPart({ practice, save }: { practice: Practice; save: Save }) {
  const locked = useQuery({
    queryKey: ['practice', 'locked'],
    queryFn: () => api<Locked>('/people/locked'),
    staleTime: 0,
  })
  const own = practice.people.filter((p) => locked.data?.locked.includes(p.id))
  if (own.length === 0) return null
  return (
    <Panel title="Locked out by wrong codes" className="space-y-2">
      {own.map((p) => (
        <p key={p.id} className="flex flex-wrap items-center gap-2">
          <Mark kind="ask">{p.name}</Mark>
          <Button onClick={() => save.mutate({ method: 'POST', path: `/people/${p.id}/unlock`, body: {} })}>
            Let in again
          </Button>
        </p>
      ))}
    </Panel>
  )
}
