/** Readings that are plain fields: whatever a measure asks for, without knowing what it is. */
import type { Field } from '../../../core/readings/reading'
import { Pick } from '../../parts/ui'
import { without } from '../../parts/margin-ring'
import { NumberBox } from './number-box'

const stepOf = (f: Field & { kind: 'number' }): number =>
  f.unit === 'mm' || f.unit === '%' ? 0.1 : f.unit === 'g' ? 0.01 : f.unit === 'cartridges' ? 0.5 : 1

export function Fields({
  fields,
  given,
  onGive,
}: {
  fields: Record<string, Field>
  given: Record<string, unknown>
  onGive: (g: Record<string, unknown>) => void
}) {
  const put = (key: string, value: unknown): void =>
    onGive(value === undefined || value === '' ? without(given, key) : { ...given, [key]: value })
  return (
    <div className="space-y-2">
      {Object.entries(fields).map(([key, f]) => {
        const value = given[key]
        if (f.kind === 'number')
          return (
            <NumberBox
              key={key}
              label={f.label}
              unit={f.unit}
              value={typeof value === 'number' ? value : undefined}
              onGive={(n) => put(key, n)}
              step={stepOf(f)}
              least={f.least}
              most={f.most}
              {...(f.touches ? { touches: f.touches } : {})}
            />
          )
        if (f.kind === 'text')
          return (
            <label key={key} className="flex flex-wrap items-center gap-2">
              <strong className="w-44">{f.label}</strong>
              <input
                className="h-12 w-48 rounded-md border-2 border-ink bg-sheet px-2 text-xl"
                maxLength={f.most}
                value={typeof value === 'string' ? value : ''}
                onChange={(e) => put(key, e.target.value)}
              />
            </label>
          )
        const options =
          f.kind === 'yes'
            ? [
                { value: 'yes', label: 'yes' },
                { value: 'no', label: 'no' },
              ]
            : f.of.map((o) => ({ value: o, label: o }))
        const now = typeof value === 'string' ? value : value === undefined ? '' : value ? 'yes' : 'no'
        return (
          <div key={key} className="flex flex-wrap items-center gap-2">
            <strong className="w-44">{f.label}</strong>
            <Pick
              label={f.label}
              value={now}
              options={options}
              onPick={(v) => put(key, f.kind === 'yes' ? v === 'yes' : v)}
            />
          </div>
        )
      })}
    </div>
  )
}
