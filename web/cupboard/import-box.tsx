/** The practice's own list in: every row is shown as new, changed, the same or wrong before anything is stored. */
import { useChange } from '../app/change'
import { sure } from '../../core/sure'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState } from 'react'
import { toast } from 'sonner'
import type { Item } from '../../core/catalog/item'
import { markChanges } from '../../core/catalog/marks'
import type { ImportPreview, ImportRow, RowState } from '../../core/formats/items-csv'
import { api } from '../app/api'
import { usePerson } from '../app/person'
import { Modal } from '../parts/modal'
import { Button, Mark, Pick, wideField } from '../parts/ui'

const marks: Record<RowState, 'stop' | 'ask' | 'mind' | 'good'> = {
  wrong: 'stop',
  changed: 'ask',
  new: 'good',
  same: 'mind',
}

function Rows({ rows, low }: { rows: ImportRow[]; low: boolean }) {
  const box = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => 56,
    overscan: 8,
  })
  return (
    <div
      ref={box}
      tabIndex={0}
      role="region"
      aria-label="Rows of the file"
      className={`${low ? 'h-[26vh]' : 'h-[46vh]'} overflow-auto rounded-md border-2 border-line bg-sheet`}
    >
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map((v) => {
          const row = sure(rows[v.index])
          return (
            <div
              key={v.key}
              data-row={row.line}
              data-state={row.state}
              ref={virtual.measureElement}
              data-index={v.index}
              className="absolute inset-x-0 flex items-start gap-3 border-b border-line px-3 py-2"
              style={{ transform: `translateY(${v.start}px)` }}
            >
              <span className="num w-14 shrink-0 text-soft">{row.line}</span>
              <span className="w-28 shrink-0">
                <Mark kind={marks[row.state]}>{row.state}</Mark>
              </span>
              <span className="min-w-0">
                <strong>{row.name || row.id || '(no name)'}</strong> <span className="text-soft">{row.says}</span>
              </span>
            </div>
          )
        })}
      </div>
    </div>
  )
}

export function ImportBox({
  csv,
  owned,
  onClose,
  onDone,
}: {
  csv: string
  owned: Item[]
  onClose: () => void
  onDone: () => void
}) {
  const [preview, setPreview] = useState<ImportPreview>()
  const [show, setShow] = useState<'all' | RowState>('all')
  useEffect(() => {
    const worker = new Worker(new URL('../workers/items.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', (e: MessageEvent<ImportPreview>) => setPreview(e.data))
    worker.postMessage({ csv, owned })
    return () => worker.terminate()
    // The file is read once, against what was owned when it was picked.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [csv])
  const good = preview?.rows.flatMap((r) => (r.item ? [r.item] : [])) ?? []
  const person = usePerson()
  const known = new Map(owned.map((i) => [i.id, i]))
  const off = good.flatMap((item) => {
    const before = known.get(item.id)
    return before ? markChanges(before, item).flatMap(({ mark, on }) => (on ? [] : [`${item.name}: ${mark}`])) : []
  })
  // A mark that patients' alerts look at is taken off by a dentist, or with a reason.
  const [why, setWhy] = useState('')
  const asked = off.length > 0 && !person.roles.includes('dentist')
  const body = (items: Item[]) => ({ items, ...(asked ? { why } : {}) })
  const store = useChange(
    (items: Item[]) => api('/items/import', { method: 'POST', body: body(items) }),
    ['practice', 'day'],
    {
      stored: () => {
        toast.success(`${good.length} items stored.`)
        onDone()
        onClose()
      },
    },
  )
  return (
    <Modal open onClose={onClose} title="A list of items" wide>
      {!preview && <p role="status">Reading the file …</p>}
      {preview?.error && (
        <p role="alert">
          <Mark kind="stop">{preview.error}</Mark>
        </p>
      )}
      {preview && !preview.error && (
        <div className="space-y-3">
          <Pick<'all' | RowState>
            label="Rows shown"
            value={show}
            onPick={setShow}
            options={[
              { value: 'all', label: `All ${preview.rows.length}` },
              ...(['new', 'changed', 'same', 'wrong'] as const).map((s) => ({
                value: s,
                label: `${s} ${preview.count[s]}`,
              })),
            ]}
          />
          <Rows
            key={show}
            low={off.length > 0}
            rows={show === 'all' ? preview.rows : preview.rows.filter((r) => r.state === show)}
          />
          {preview.count.wrong > 0 && <p>Wrong rows are left out; mend them in the file and bring it again.</p>}
          {off.length > 0 && (
            <div className="space-y-1">
              <Mark kind="ask">
                This takes marks off that patients’ alerts look at: {off.slice(0, 6).join('; ')}
                {off.length > 6 ? `; and ${off.length - 6} more` : ''}. Exchanges to them for such patients are taken
                back.
              </Mark>
              {asked && (
                <label className="block">
                  Why they no longer hold, and who said so
                  <input className={wideField} value={why} maxLength={200} onChange={(e) => setWhy(e.target.value)} />
                </label>
              )}
            </div>
          )}
          <Button
            big
            tone="jade"
            className="w-full"
            disabled={good.length === 0 || store.isPending || (asked && why.trim().length < 3)}
            onClick={() => store.mutate(good)}
          >
            Store {preview.count.new} new and {preview.count.changed} changed
          </Button>
        </div>
      )}
    </Modal>
  )
}
