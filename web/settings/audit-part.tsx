/** Who changed what, and when: read, searched and taken away here, changed nowhere. */
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import { useDeferredValue, useMemo, useState } from 'react'
import { plainDate } from '../../core/clock'
import type { Practice } from '../../core/practice/practice'
import { lastOf } from '../../core/sure'
import { doorOf } from '../../wire/doors'
import type { AuditView } from '../../wire/settings'
import { api } from '../app/api'
import { Table, type Column } from '../parts/table'
import { Button, Failed, field, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'

const page = 30
type Row = AuditView['rows'][number]

const short = (asked: unknown): string => {
  if (asked === null || asked === undefined) return ''
  const text = JSON.stringify(asked).replaceAll(/["{}]/g, ' ').replaceAll(/\s+/g, ' ').trim()
  return text.length > 140 ? `${text.slice(0, 139)}…` : text
}

const columnsOf = (practice: Practice): readonly Column<Row>[] => {
  const nameOf = (id: string | null): string =>
    id === null ? 'nobody signed in' : (practice.people.find((p) => p.id === id)?.name ?? id)
  return [
    {
      id: 'when',
      head: 'When',
      className: 'num',
      cell: (r) => `${plainDate(r.at, practice.zone)} ${clockTime(r.at, practice.zone)}`,
    },
    { id: 'who', head: 'Who', cell: (r) => <strong>{nameOf(r.by)}</strong> },
    {
      id: 'what',
      head: 'What',
      className: 'break-words',
      cell: (r) => (
        <>
          {doorOf(r.what)?.does ?? r.what} {r.target}
          <span className="block text-soft [overflow-wrap:anywhere]">{short(r.asked)}</span>
        </>
      ),
    },
  ]
}

/** What is looked for, as the server is asked for it. */
const queryOf = (of: Record<string, string>): string =>
  new URLSearchParams(Object.entries(of).filter(([, value]) => value !== '')).toString()

export default function AuditPart({ practice }: { practice: Practice }) {
  const [sought, setSought] = useState({ q: '', by: '', from: '', to: '' })
  const query = useDeferredValue(queryOf(sought))
  const set = (key: keyof typeof sought) => (e: { target: { value: string } }) =>
    setSought((s) => ({ ...s, [key]: e.target.value }))
  const trail = useInfiniteQuery({
    queryKey: ['practice', 'audit', query],
    queryFn: ({ pageParam }) =>
      api<AuditView>(`/audit?limit=${page}${pageParam === 0 ? '' : `&before=${pageParam}`}${query && `&${query}`}`),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.rows.length < page ? undefined : lastOf(last.rows).id),
    placeholderData: keepPreviousData,
    staleTime: 0,
  })
  const columns = useMemo(() => columnsOf(practice), [practice])
  if (trail.isError) return <Failed error={trail.error} again={() => void trail.refetch()} />
  const rows = trail.data?.pages.flatMap((p) => p.rows) ?? []
  return (
    <Panel
      title="Changes"
      aside={
        <a
          href={`/api/audit.csv${query && `?${query}`}`}
          download
          className="flex min-h-11 items-center gap-2 underline"
        >
          <Download size={18} aria-hidden="true" /> as CSV
        </a>
      }
    >
      <p className="text-soft">Only added to, by anybody’s hand; what the runs hold is in their notes.</p>
      <search className="my-2 flex flex-wrap items-end gap-2">
        <input
          type="search"
          aria-label="Words in the changes"
          placeholder="words"
          maxLength={80}
          className={`${field} min-w-40 flex-1`}
          value={sought.q}
          onChange={set('q')}
        />
        <select aria-label="By whom" className={field} value={sought.by} onChange={set('by')}>
          <option value="">by anybody</option>
          {practice.people.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
        <input type="date" aria-label="From" className={`${field} num`} value={sought.from} onChange={set('from')} />
        <input type="date" aria-label="To" className={`${field} num`} value={sought.to} onChange={set('to')} />
      </search>
      {rows.length === 0 && trail.isSuccess && (
        <p className="text-soft">{query ? 'No change fits that.' : 'Nothing has been changed yet.'}</p>
      )}
      {rows.length > 0 && (
        <Table
          className="text-base"
          rows={rows}
          columns={columns}
          idOf={(r) => String(r.id)}
          mark={(r) => ({ 'data-audit': r.what })}
          first={Infinity}
        />
      )}
      {trail.hasNextPage && (
        <Button disabled={trail.isFetchingNextPage} onClick={() => void trail.fetchNextPage()}>
          Older ones
        </Button>
      )}
    </Panel>
  )
}
