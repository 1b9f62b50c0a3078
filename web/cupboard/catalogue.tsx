/** Everything the practice owns, found by a few letters: what it is, what it serves for, how it is kept. */
import { useDeferredValue, useState } from 'react'
import { toast } from 'sonner'
import { isoNumber, unusable, type Bur } from '../../core/catalog/bur'
import type { Item } from '../../core/catalog/item'
import { shapeOf } from '../../core/catalog/shapes'
import { searchItems } from '../../core/catalog/search'
import type { Practice } from '../../core/practice/practice'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { ThingPicture } from '../parts/thing'
import { Button, Mark, Panel } from '../parts/ui'

function ItemRow({ item, off, onOff }: { item: Item; off: boolean; onOff: () => void }) {
  const facts = [
    item.family,
    item.reusable ? 'reusable' : 'once',
    ...(item.cassette ? [`${item.cassette} cassette`] : []),
    `${item.lengthMm} × ${item.widthMm} mm`,
    ...(item.unit === 'piece' ? [] : [item.unit]),
  ]
  return (
    <li
      data-owned={item.id}
      className="grid items-center gap-x-4 border-b border-line py-1.5 md:grid-cols-[20rem_minmax(0,1fr)_6rem_9rem]"
    >
      <span className="flex items-center gap-3">
        <span className="h-12 w-12 flex-none">
          <ThingPicture
            shape={shapeOf({ shape: item.shape, needs: item.serves, family: item.family })}
            lengthMm={item.lengthMm}
            widthMm={item.widthMm}
          />
        </span>
        <strong>{item.name}</strong>
      </span>
      <span>
        {off && <Mark kind="mind">off the list</Mark>} <span className="text-soft">{facts.join(' · ')}</span>
        {(item.latex || item.allergens.length > 0) && (
          <span className="ml-2 font-semibold text-brass">
            ◆ holds {[...(item.latex ? ['latex'] : []), ...item.allergens].join(', ')}
          </span>
        )}
        <span className="block text-base text-soft">
          for: {item.serves.map((s) => s.replaceAll('.', ', ')).join(' | ')}
        </span>
      </span>
      <span className="num">
        {item.tracked ? 'by lot' : item.stock < 1 ? <Mark kind="ask">none</Mark> : item.stock}
      </span>
      <Button
        tone="quiet"
        onClick={onOff}
        aria-label={off ? `Put ${item.name} back` : `Take ${item.name} off the list`}
      >
        {off ? 'Put back' : 'Take off list'}
      </Button>
    </li>
  )
}

function BurRow({ bur }: { bur: Bur }) {
  const why = unusable(bur)
  return (
    <li
      data-owned={bur.id}
      className="grid gap-x-4 border-b border-line py-1.5 md:grid-cols-[20rem_minmax(0,1fr)_6rem]"
    >
      <strong>{bur.name}</strong>
      <span className="num">
        {isoNumber(bur)}
        {bur.usNumber ? ` · US ${bur.usNumber}` : ''}
        {why && <span className="ml-2 font-sans text-brass">◆ {why}</span>}
      </span>
      <span className="num">
        {bur.uses}/{bur.useLimit}
      </span>
    </li>
  )
}

export function Catalogue({ practice, onChanged }: { practice: Practice; onChanged: () => void }) {
  const [query, setQuery] = useState('')
  const asked = useDeferredValue(query)
  // What was taken off here keeps its row: the next one does not come under the same finger.
  const [before, setBefore] = useState<Item[]>([])
  const there = new Map(practice.items.map((i) => [i.id, i]))
  const known = new Set(before.map((i) => i.id))
  const shown = [...before.map((i) => there.get(i.id) ?? i), ...practice.items.filter((i) => !known.has(i.id))]
  const { found, total } = searchItems(shown, asked)
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean)
  const burs =
    words.length === 0
      ? []
      : practice.burs.filter((b) =>
          words.every((w) => `${b.name} ${b.shape} ${isoNumber(b)} ${b.usNumber ?? ''} bur`.toLowerCase().includes(w)),
        )
  const starter = useChange(() => api<{ items: number; burs: number }>('/items/starter', { method: 'POST' }), [], {
    stored: ({ items, burs: n }) => {
      toast(
        items + n === 0
          ? 'Everything generic this program knows is on your list already.'
          : `${items} items and ${n} burs added; nothing of yours was changed.`,
      )
      onChanged()
    },
  })
  const setOff = useChange(
    ({ item, off }: { item: Item; off: boolean }) => {
      setBefore(shown)
      return off
        ? api('/items/import', { method: 'POST', body: { items: [item] } })
        : api(`/items/${encodeURIComponent(item.id)}`, { method: 'DELETE' })
    },
    [],
    { stored: onChanged },
  )
  return (
    <Panel
      title="Everything owned"
      aside={
        <Button onClick={() => starter.mutate()} disabled={starter.isPending}>
          Add the generic items I lack
        </Button>
      }
      className="space-y-2"
    >
      <label className="block">
        Find by name, use, code or bur number
        <input
          type="search"
          className="mt-1 h-12 w-full rounded-md border-2 border-ink bg-sheet px-3"
          value={query}
          onChange={(e) => setQuery(e.target.value)}
        />
      </label>
      <p role="status" className="text-soft">
        <span className="num">{total}</span> item{total === 1 ? '' : 's'}
        {burs.length > 0 ? (
          <>
            , <span className="num">{burs.length}</span> bur{burs.length === 1 ? '' : 's'}
          </>
        ) : (
          ''
        )}
        {total > found.length ? `; the first ${found.length} are shown` : ''}
      </p>
      <ul aria-label="Items">
        {burs.map((b) => (
          <BurRow key={b.id} bur={b} />
        ))}
        {found.map((i) => (
          <ItemRow
            key={i.id}
            item={i}
            off={!there.has(i.id)}
            onOff={() => setOff.mutate({ item: i, off: !there.has(i.id) })}
          />
        ))}
      </ul>
      {found.length === 0 && burs.length === 0 && (
        <p>Nothing owned is called so. A list can be brought in as CSV above.</p>
      )}
    </Panel>
  )
}
