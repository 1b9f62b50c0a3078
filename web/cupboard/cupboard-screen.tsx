/** The cupboard: every material that goes off, its lots by expiry, what is out of date, what is missing. */
import { useChange } from '../app/change'
import { Download, Upload } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { plainDate } from '../../core/clock'
import { lotState, type Item, type Lot, type LotState } from '../../core/catalog/item'
import { api } from '../app/api'
import { useLive, useNow } from '../app/live'
import { usePractice, useRefresh } from '../app/queries'
import { Catalogue } from './catalogue'
import { CupboardHead } from './head'
import { ImportBox } from './import-box'
import { Button, Failed, Loading, Mark, Panel, Pick } from '../parts/ui'

const AddLot = lazy(() => import('./add-lot'))

const marks: Record<LotState, { kind: 'stop' | 'ask' | 'mind' | 'good'; words: string }> = {
  expired: { kind: 'stop', words: 'expired: off the shelf' },
  soon: { kind: 'ask', words: 'expires within 30 days' },
  empty: { kind: 'mind', words: 'used up' },
  good: { kind: 'good', words: 'in date' },
}

function LotRow({
  lot,
  item,
  date,
  change,
}: {
  lot: Lot
  item: Item
  date: string
  change: (body: { left?: number; opened?: boolean; saw?: { left: number } }) => void
}) {
  const state = marks[lotState(lot, date)]
  return (
    <li data-lot={lot.number} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
      <span className="num w-20 font-semibold">{lot.number}</span>
      <span className="num w-24">{lot.expires}</span>
      <label className="flex items-center gap-2">
        <input
          aria-label={`Left of lot ${lot.number}, ${item.unit}`}
          type="number"
          min={0}
          step="any"
          defaultValue={lot.left}
          key={lot.left}
          onBlur={(e) =>
            Number(e.target.value) !== lot.left &&
            e.target.value !== '' &&
            change({ left: Number(e.target.value), saw: { left: lot.left } })
          }
          className="num h-12 w-24 rounded-md border-2 border-line bg-sheet px-2 text-right"
        />
        {item.unit}
      </label>
      <label className="flex min-h-12 items-center gap-2">
        <input
          type="checkbox"
          className="size-6 accent-jade"
          checked={lot.opened}
          onChange={(e) => change({ opened: e.target.checked })}
        />{' '}
        opened
      </label>
      <Mark kind={state.kind}>{state.words}</Mark>
    </li>
  )
}

export default function CupboardScreen() {
  const practice = usePractice()
  const now = useNow(60_000)
  const refresh = useRefresh()
  const [show, setShow] = useState<'trouble' | 'all'>('all')
  const [adding, setAdding] = useState<Item>()
  const [csv, setCsv] = useState<string>()
  const reload = (): void => void refresh.client.invalidateQueries({ queryKey: ['practice'] })
  useLive(undefined, { opened: reload })
  const change = useChange(
    ({ id, body }: { id: string; body: object }) => api(`/lots/${id}`, { method: 'PATCH', body }),
    ['practice'],
  )
  if (practice.isPending) return <Loading what="Opening the cupboard" />
  if (practice.isError) return <Failed error={practice.error} again={() => void practice.refetch()} />
  const date = plainDate(now, practice.data.zone)
  const rows = practice.data.items
    .filter((i) => i.tracked)
    .map((item) => ({
      item,
      lots: practice.data.lots
        .filter((l) => l.itemId === item.id && lotState(l, date) !== 'empty')
        .toSorted((a, b) => a.expires.localeCompare(b.expires)),
    }))
  const trouble = (r: (typeof rows)[number]): boolean =>
    r.lots.length === 0 || r.lots.some((l) => lotState(l, date) !== 'good')
  const shown = show === 'all' ? rows : rows.filter(trouble)
  return (
    <div className="mx-auto max-w-[1100px] space-y-3">
      <CupboardHead />
      <div className="flex flex-wrap items-center gap-3">
        <Pick
          label="Shown"
          value={show}
          onPick={setShow}
          options={[
            { value: 'all', label: `All ${rows.length}` },
            { value: 'trouble', label: `To look at ${rows.filter(trouble).length}` },
          ]}
        />
        <a
          href="/api/items.csv"
          download
          className="flex min-h-12 items-center gap-2 rounded-md border-2 border-line px-4 font-semibold"
        >
          <Download aria-hidden="true" /> Items as CSV
        </a>
        <label className="flex min-h-12 cursor-pointer items-center gap-2 rounded-md border-2 border-line px-4 font-semibold focus-within:outline-3 focus-within:outline-jade">
          <Upload aria-hidden="true" /> Bring a list
          <input
            type="file"
            accept=".csv,text/csv"
            className="sr-only"
            onChange={(e) =>
              void e.target.files?.[0]
                ?.text()
                .then(setCsv)
                .finally(() => (e.target.value = ''))
            }
          />
        </label>
      </div>
      <Panel labelled="Materials by lot">
        {shown.length === 0 && <Mark kind="good">every material has a lot in date</Mark>}
        <ul className="divide-y-2 divide-line">
          {shown.map(({ item, lots }) => (
            <li key={item.id} data-item={item.id} className="grid gap-x-4 py-2 md:grid-cols-[16rem_minmax(0,1fr)_auto]">
              <h2 className="self-center text-lg font-bold">{item.name}</h2>
              {lots.length === 0 ? (
                <p className="self-center">
                  <Mark kind="ask">no lot on record</Mark>
                </p>
              ) : (
                <ul>
                  {lots.map((l) => (
                    <LotRow
                      key={l.id}
                      lot={l}
                      item={item}
                      date={date}
                      change={(body) => change.mutate({ id: l.id, body })}
                    />
                  ))}
                </ul>
              )}
              <Button className="self-center" aria-label={`Add a lot of ${item.name}`} onClick={() => setAdding(item)}>
                Add a lot
              </Button>
            </li>
          ))}
        </ul>
      </Panel>
      <Catalogue practice={practice.data} onChanged={reload} />
      {csv !== undefined && (
        <ImportBox csv={csv} owned={practice.data.items} onClose={() => setCsv(undefined)} onDone={reload} />
      )}
      <Suspense>
        {adding && <AddLot key={adding.id} item={adding} onClose={() => setAdding(undefined)} onAdded={reload} />}
      </Suspense>
    </div>
  )
}
