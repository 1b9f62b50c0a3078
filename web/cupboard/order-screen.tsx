/** What runs out: the coming plans against the lots, the order that follows, what is opened, and burs near their limit. */
import { UnreadVisits } from '../parts/unread'
import { useQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { unusable, type Bur } from '../../core/catalog/bur'
import { reserve, type StockLine } from '../../core/schedule/stock'
import type { StockView } from '../../wire/cupboard'
import { api } from '../app/api'
import { useLive } from '../app/live'
import { usePractice, useRefresh } from '../app/queries'
import { Table, type Column } from '../parts/table'
import { Button, Failed, Loading, Mark, Panel, Pick } from '../parts/ui'
import { CupboardHead } from './head'
import { useAct } from './instruments-data'

const columns: readonly Column<StockLine>[] = [
  { id: 'material', head: 'Material', by: (l) => l.name, cell: (l) => <strong>{l.name}</strong> },
  { id: 'there', head: 'there', by: (l) => l.left, figures: true, cell: (l) => l.left },
  { id: 'taken', head: 'taken', by: (l) => l.needed, figures: true, cell: (l) => l.needed },
  { id: 'unit', head: 'unit', cell: (l) => l.unit },
  {
    id: 'short',
    head: 'short on',
    by: (l) => l.short?.date,
    className: 'space-y-1',
    cell: (l) => (
      <>
        {l.short && (
          <Mark kind="ask">
            short on{' '}
            <Link className="num underline" to={`/days/${l.short.date}`}>
              {l.short.date}
            </Link>
            , by <span className="num">{l.short.by}</span>
          </Mark>
        )}
        {l.wasted.map((w) => (
          <Mark key={w.number} kind="mind">
            lot {w.number} expires {w.expires} with <span className="num">{w.amount}</span> in it
          </Mark>
        ))}
      </>
    ),
  },
  {
    id: 'order',
    head: 'order',
    by: (l) => l.order,
    figures: true,
    className: 'text-lg font-bold',
    cell: (l) => (l.order > 0 ? l.order : ''),
  },
]

/** Used, and serves once more at most. */
const nearLimit = (b: Bur): boolean => b.uses > 0 && b.useLimit - b.uses <= 1

export default function OrderScreen() {
  const [days, setDays] = useState<'7' | '14' | '30'>('14')
  const stock = useQuery({
    queryKey: ['practice', 'stock', days],
    queryFn: () => api<StockView>(`/stock?days=${days}`),
    staleTime: 5_000,
  })
  const practice = usePractice()
  const refresh = useRefresh()
  const act = useAct()
  // Burs that were renewed here keep their rows: the next one does not come under the same finger.
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set())
  const reload = (): void => void refresh.client.invalidateQueries({ queryKey: ['practice'] })
  useLive(undefined, { day: reload, opened: reload })
  const renew = ({ id, uses }: Bur): void => {
    setKept((before) => new Set([...before, id]))
    act.mutate({ path: `/burs/${id}/renew`, body: { uses } }, { onSettled: reload })
  }
  if (stock.isPending || practice.isPending) return <Loading what="Counting what the plans take" />
  if (stock.isError) return <Failed error={stock.error} again={() => void stock.refetch()} />
  if (practice.isError) return <Failed error={practice.error} again={() => void practice.refetch()} />
  const lines = stock.data.lines
    .filter((l) => l.needed > 0 || l.wasted.length > 0)
    .toSorted(
      (a, b) =>
        Number(b.order > 0) - Number(a.order > 0) ||
        (a.short?.date ?? '9').localeCompare(b.short?.date ?? '9') ||
        a.name.localeCompare(b.name),
    )
  const toOrder = lines.filter((l) => l.order > 0).length
  const opened = stock.data.lines.filter((l) => l.opened.length > 0)
  const worn = practice.data.burs.filter((b) => nearLimit(b) || kept.has(b.id))
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <CupboardHead>
        <Pick
          label="How far ahead"
          value={days}
          onPick={setDays}
          options={[
            { value: '7', label: '7 days' },
            { value: '14', label: '14' },
            { value: '30', label: '30' },
          ]}
        />
        {toOrder > 0 && (
          <a
            href={`/api/stock/order.csv?days=${days}`}
            download
            className="flex min-h-12 items-center gap-2 rounded-md border-2 border-ink px-4 font-semibold"
          >
            <Download aria-hidden="true" /> Order as CSV
          </a>
        )}
      </CupboardHead>
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <Panel labelled="What the plans take">
          <UnreadVisits unread={stock.data.unread} what="What it takes is not counted here." />
          <p className="mb-2">
            <span className="num">{stock.data.visits}</span> visits planned from{' '}
            <span className="num">{stock.data.from}</span> to <span className="num">{stock.data.to}</span>, against the
            lots in order of expiry.{' '}
            {toOrder === 0 ? (
              'Nothing runs short.'
            ) : (
              <>
                <strong className="num">{toOrder}</strong> to order: what is missing, and a reserve of{' '}
                {Math.round((reserve - 1) * 100)} % of what is taken (a starting estimate).
              </>
            )}
          </p>
          {stock.data.visits === 0 ? (
            <p className="text-soft">No visit is planned in these days, so nothing is taken.</p>
          ) : (
            <Table
              rows={lines}
              columns={columns}
              idOf={(l) => l.itemId}
              mark={(l) => ({ 'data-stock': l.itemId })}
              first={200}
            />
          )}
        </Panel>
        <div className="space-y-3">
          <Panel title="Burs near their limit">
            {worn.length === 0 ? (
              <Mark kind="good">none</Mark>
            ) : (
              <ul className="divide-y-2 divide-line">
                {worn.map((b) => (
                  <li key={b.id} data-bur={b.id} className="flex flex-wrap items-center gap-2 py-1">
                    <span>
                      <strong>{b.name}</strong>{' '}
                      <span className="num">
                        {b.uses}/{b.useLimit}
                      </span>
                    </span>
                    {unusable(b) && <Mark kind="ask">not laid out any more</Mark>}
                    {nearLimit(b) ? (
                      <Button className="ml-auto" aria-label={`A new ${b.name} is put in`} onClick={() => renew(b)}>
                        New one in
                      </Button>
                    ) : (
                      <Mark kind="good">new one in</Mark>
                    )}
                  </li>
                ))}
              </ul>
            )}
          </Panel>
          <Panel title="Opened">
            {opened.length === 0 && <p className="text-soft">Nothing is opened.</p>}
            <ul>
              {opened.map((l) =>
                l.opened.map((o) => (
                  <li key={o.number} className="flex justify-between gap-2 border-b border-line py-1">
                    <span>
                      {l.name} <span className="num text-soft">{o.number}</span>
                    </span>
                    <span className="num whitespace-nowrap">
                      {o.left} {l.unit}
                    </span>
                  </li>
                )),
              )}
            </ul>
          </Panel>
        </div>
      </div>
    </div>
  )
}
