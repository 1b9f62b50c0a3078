/** What this practice knows better than the library: its light, its laboratory, its materials' own times and amounts. */
import { useState } from 'react'
import type { Item } from '../../core/catalog/item'
import { weakMWPerCm2 } from '../../core/measure/curing'
import type { Practice } from '../../core/practice/practice'
import { Mark, Panel, field } from '../parts/ui'
import type { Save } from './save'

const figure = `num mt-1 ${field}`

/** The curing light's last reading and the laboratory's days. */
export function ToolsPart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const { irradianceMWPerCm2, readOn } = practice.light
  const patch = (body: object): void =>
    save.mutate({
      method: 'PATCH',
      path: '/practice',
      body: { ...body, saw: { light: practice.light, laboratoryDays: practice.laboratoryDays } },
    })
  const [reading, setReading] = useState(String(irradianceMWPerCm2))
  const [on, setOn] = useState(readOn)
  const keep = (): void => {
    const n = Number(reading.replace(',', '.'))
    if (Number.isFinite(n) && n > 0 && (n !== irradianceMWPerCm2 || on !== readOn))
      patch({ light: { irradianceMWPerCm2: n, readOn: on } })
  }
  return (
    <Panel title="Light and laboratory" className="space-y-2">
      <div className="flex flex-wrap gap-3">
        <label>
          Curing light, mW/cm²
          <input
            className={`${figure} block w-28`}
            inputMode="numeric"
            value={reading}
            disabled={!may}
            onChange={(e) => setReading(e.target.value)}
            onBlur={keep}
          />
        </label>
        <label>
          read on
          <input
            className={`${figure} block`}
            type="date"
            value={on}
            disabled={!may}
            onChange={(e) => setOn(e.target.value)}
            onBlur={keep}
          />
        </label>
        <label>
          Laboratory, working days
          <input
            className={`${figure} block w-24`}
            inputMode="numeric"
            defaultValue={practice.laboratoryDays}
            disabled={!may}
            onBlur={(e) => {
              const n = Number(e.target.value)
              if (Number.isInteger(n) && n > 0 && n !== practice.laboratoryDays) patch({ laboratoryDays: n })
            }}
          />
        </label>
      </div>
      {irradianceMWPerCm2 < weakMWPerCm2 && (
        <Mark kind="ask">Under {weakMWPerCm2} mW/cm²: every cure is lengthened and the team is told.</Mark>
      )}
    </Panel>
  )
}

const columns = [
  ['workingS', 'working, s'],
  ['inMouthS', 'in the mouth, s'],
  ['cureS', 'light, s'],
  ['setS', 'sets, s'],
  ['perUnit', 'a unit'],
] as const
type Own = (typeof columns)[number][0]

function Cell({
  item,
  column,
  label,
  may,
  save,
}: {
  item: Item
  column: Own
  label: string
  may: boolean
  save: Save
}) {
  const value = item[column]
  return (
    <input
      key={value}
      aria-label={`${item.name}: ${label}`}
      inputMode="decimal"
      disabled={!may}
      defaultValue={value ?? ''}
      className="num h-11 w-20 rounded-md border-2 border-line bg-sheet px-2"
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      onBlur={(e) => {
        const text = e.target.value.trim().replace(',', '.')
        const n = text === '' ? null : Number(text)
        if (n === (value ?? null)) return
        if (n === null || (Number.isFinite(n) && n > 0))
          save.mutate({
            method: 'PATCH',
            path: `/items/${item.id}`,
            body: { [column]: n, saw: { [column]: value ?? null } },
          })
        else e.target.value = String(value ?? '')
      }}
    />
  )
}

/** Times and amounts that belong to a product, never to the trade: ours are starting values until these are entered. */
export function MaterialsPart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const items = practice.items.filter(
    (i) =>
      i.tracked &&
      (columns.some(([c]) => i[c] !== undefined) ||
        ['impression', 'provisional', 'cement', 'bonding', 'restorative'].includes(i.family)),
  )
  return (
    <Panel
      title="Materials’ own times and amounts"
      aside={<span className="text-base text-soft">from each product’s instructions for use</span>}
    >
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Materials, one row each">
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b-2 border-ink text-left">
              <th scope="col">Material</th>
              {columns.map(([c, label]) => (
                <th key={c} scope="col" className="pr-2">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {items.map((i) => (
              <tr key={i.id} data-own={i.id} className="border-b border-line">
                <th scope="row" className="py-1 pr-3 text-left font-semibold">
                  {i.name} {i.unit !== 'piece' && <span className="font-normal text-soft">{i.unit}</span>}
                </th>
                {columns.map(([c, label]) => (
                  <td key={c} className="py-1 pr-2">
                    <Cell item={i} column={c} label={label} may={may} save={save} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Panel>
  )
}
