/** Who changed what, and when: read here, changed nowhere. And who is locked out by wrong codes. */
import { lastOf } from '../../core/sure'
import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import type { Practice } from '../../core/practice/practice'
import { plainDate } from '../../core/clock'
import type { AuditView, Locked } from '../../wire/settings'
import { api } from '../app/api'
import { Button, Failed, Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'
import type { Save } from './save'

const page = 30

const short = (asked: unknown): string => {
  if (asked === null || asked === undefined) return ''
  const text = JSON.stringify(asked).replaceAll(/["{}]/g, ' ').replaceAll(/\s+/g, ' ').trim()
  return text.length > 140 ? `${text.slice(0, 139)}…` : text
}

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

export function AuditPart({ practice }: { practice: Practice }) {
  const trail = useInfiniteQuery({
    queryKey: ['practice', 'audit'],
    queryFn: ({ pageParam }) => api<AuditView>(`/audit?limit=${page}${pageParam === 0 ? '' : `&before=${pageParam}`}`),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.rows.length < page ? undefined : lastOf(last.rows).id),
    staleTime: 0,
  })
  if (trail.isError) return <Failed error={trail.error} again={() => void trail.refetch()} />
  const rows = trail.data?.pages.flatMap((p) => p.rows) ?? []
  const name = (id: string | null): string =>
    id === null ? 'nobody signed in' : (practice.people.find((p) => p.id === id)?.name ?? id)
  return (
    <Panel title="Changes" aside={<span className="text-base text-soft">only added to, by anybody’s hand</span>}>
      {rows.length === 0 && <p className="text-soft">Nothing has been changed yet.</p>}
      <ul className="divide-y-2 divide-line text-base">
        {rows.map((r) => (
          <li key={r.id} data-audit={r.what} className="py-1">
            <span className="num">
              {plainDate(r.at, practice.zone)} {clockTime(r.at, practice.zone)}
            </span>{' '}
            <strong>{name(r.by)}</strong> {r.what} {r.target}{' '}
            <span className="block break-words text-soft">{short(r.asked)}</span>
          </li>
        ))}
      </ul>
      {trail.hasNextPage && (
        <Button disabled={trail.isFetchingNextPage} onClick={() => void trail.fetchNextPage()}>
          Older ones
        </Button>
      )}
    </Panel>
  )
}
