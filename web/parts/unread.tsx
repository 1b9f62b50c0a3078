/** What is stored but cannot be read by this version of the program: said in place, with its raw data to download. */
import { useQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import type { Unread, UnreadPart } from '../../wire/unread'
import { api } from '../app/api'
import { Alert, Panel } from './ui'

const linkLook = 'inline-flex min-h-11 items-center gap-2 underline'

/** Visits that cannot be read, beside those that can. @param what what follows for what is looked at */
export function UnreadVisits({ unread, what }: { unread: readonly Unread[]; what: string }) {
  if (unread.length === 0) return null
  return (
    <Alert data-unread="">
      <p className="font-bold">
        {unread.length === 1 ? 'One visit cannot be read' : `${unread.length} visits cannot be read`}. {what}
      </p>
      <ul>
        {unread.map((u) => (
          <li key={u.visitId}>
            <strong>{u.patient}</strong>, <span className="num">{u.day}</span>: {u.why}{' '}
            <a className={linkLook} href={`/api/visits/${u.visitId}/raw`} download>
              <Download size={18} aria-hidden="true" /> its raw data
            </a>
          </li>
        ))}
      </ul>
      <p>What is stored is kept as it is; a later version may read it again.</p>
    </Alert>
  )
}

/** Parts of the practice that cannot be read; nothing where all can. */
export function UnreadParts() {
  const { data } = useQuery({
    queryKey: ['practice', 'unread'],
    queryFn: () => api<UnreadPart[]>('/practice/unread'),
  })
  if (!data || data.length === 0) return null
  const file = `data:application/json,${encodeURIComponent(JSON.stringify(data, null, 2))}`
  return (
    <Panel title="What cannot be read">
      <Alert>
        <ul>
          {data.map((part, at) => (
            <li key={at}>
              {part.what} <strong>{part.name}</strong>: {part.why}
            </li>
          ))}
        </ul>
        <p>
          Plans are made without it; for a setting stands what the program begins with, and of who may do what the
          narrowest. What is stored is kept as it is.
        </p>
        <a className={linkLook} href={file} download="unread.json">
          <Download size={18} aria-hidden="true" /> the raw data
        </a>
      </Alert>
    </Panel>
  )
}
