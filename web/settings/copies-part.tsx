/** Copies of the practice: each night, on asking, to be taken away; and whether anything was changed behind the program. */
import { useQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { toast } from 'sonner'
import * as z from 'zod'
import { plainDate } from '../../core/clock'
import type { Practice } from '../../core/practice/practice'
import type { CopiesView, VerdictView } from '../../wire/backups'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Button, Check, Failed, field, Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'

const megabytes = (bytes: number): string =>
  bytes < 1e5 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
const mostShown = 6

const copyForm = z
  .object({ code: z.string().min(4, 'The code you sign in with.') })
  .transform(({ code }) => ({ signer: { code } }))

function Verdict({ verdict }: { verdict: VerdictView }) {
  if (verdict.wrong.length === 0)
    return (
      <Mark kind="good">
        {verdict.sealed} sealed rows are as they were written
        {verdict.unsealed > 0 && `; ${verdict.unsealed} are of before there were seals`}.
      </Mark>
    )
  return (
    <div role="alert">
      <Mark kind="stop">Something was changed behind the program:</Mark>
      <ul>
        {verdict.wrong.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </div>
  )
}

export default function CopiesPart({ practice }: { practice: Practice }) {
  const copies = useQuery({
    queryKey: ['practice', 'copies'],
    queryFn: () => api<CopiesView>('/backups'),
    staleTime: 0,
  })
  const nightly = useChange(
    (body: CopiesView['nightly'] & { saw: CopiesView['nightly'] }) => api('/backups/nightly', { method: 'PUT', body }),
    ['practice'],
  )
  const form = useSchemaForm(copyForm, { code: '' })
  const verify = useChange(() => api<VerdictView>('/backups/verify'), [], { stored: (v) => setVerdict(v) })
  const [verdict, setVerdict] = useState<VerdictView>()
  if (copies.isError) return <Failed error={copies.error} again={() => void copies.refetch()} />
  const view = copies.data
  if (!view) return null
  const when = (at: number): string => `${plainDate(at, practice.zone)} ${clockTime(at, practice.zone)}`
  return (
    <Panel title="Copies of the practice" className="space-y-2">
      <div className="flex flex-wrap items-center gap-3">
        <Check
          label="A copy each night"
          checked={view.nightly.on}
          disabled={nightly.isPending}
          onChange={(on) => nightly.mutate({ ...view.nightly, on, saw: view.nightly })}
        />
        <label className="flex items-center gap-2">
          of which are kept
          <input
            key={view.nightly.keep}
            type="number"
            min={1}
            max={365}
            className={`${field} num w-20`}
            defaultValue={view.nightly.keep}
            onBlur={(e) => {
              const keep = e.target.valueAsNumber
              if (keep !== view.nightly.keep) nightly.mutate({ ...view.nightly, keep, saw: view.nightly })
            }}
          />
        </label>
      </div>
      <p className="text-soft">
        They lie in <span className="[overflow-wrap:anywhere]">{view.folder}</span> on the server,{' '}
        {view.encrypted
          ? 'encrypted with the passphrase it was started with.'
          : 'not encrypted: start the server with JADE_PASSPHRASE to have them so.'}{' '}
        A disk that fails takes them with it: keep one elsewhere, too.
      </p>
      {view.fault && (
        <Mark kind="stop">
          The copy of {when(view.fault.at)} was not made: {view.fault.why}
        </Mark>
      )}
      {view.copies.length === 0 && <p>None has been made yet.</p>}
      <ul className="divide-y divide-line">
        {view.copies.slice(0, mostShown).map((c) => (
          <li key={c.name} data-copy={c.name} className="flex min-h-11 items-center justify-between gap-3">
            <span className="num">{when(c.at)}</span>
            <span className="num text-soft">{megabytes(c.bytes)}</span>
            <a className="flex min-h-11 items-center gap-2 underline" href={`/api/backups/${c.name}`} download>
              <Download size={18} aria-hidden="true" /> take away
            </a>
          </li>
        ))}
      </ul>
      <Form
        form={form}
        submit="Make a copy now"
        onSend={async (body) => {
          const { rows } = await api<{ rows: number }>('/backups', { method: 'POST', body })
          form.reset()
          toast.success(`A copy of ${rows} rows is made.`)
          void copies.refetch()
        }}
      >
        <TextField form={form} name="code" label="Your code" type="password" autoComplete="off" />
      </Form>
      <Button disabled={verify.isPending} onClick={() => verify.mutate()}>
        Was anything changed behind the program?
      </Button>
      {verdict && (
        <div className="mt-2">
          <Verdict verdict={verdict} />
        </div>
      )}
    </Panel>
  )
}
