/** Fields a fact is told with: kept on leaving them, put back where what was typed is none. */
import { surfaces } from '../../core/model/request'
import { entriesOf } from '../../core/sure'
import { Pick } from '../parts/ui'

const box = 'num h-12 rounded-md border-2 border-line bg-sheet px-2'

/** A figure one types; kept on leaving the field, refused where it is none. */
export function NumberField({
  label,
  value,
  unit,
  width = 'w-20',
  disabled,
  onValue,
}: {
  label: string
  value: number | undefined
  unit: string
  width?: string
  disabled: boolean
  onValue: (n: number | undefined) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      {label}
      <input
        key={value}
        inputMode="decimal"
        disabled={disabled}
        defaultValue={value ?? ''}
        className={`${box} ${width}`}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim().replace(',', '.')
          const n = text === '' ? undefined : Number(text)
          if (n !== value && (n === undefined || Number.isFinite(n))) onValue(n)
          else e.target.value = String(value ?? '')
        }}
      />
      {unit}
    </label>
  )
}

/** The shade as the guide names it; kept on leaving the field. */
export function ShadeField({
  value,
  disabled,
  onValue,
}: {
  value: string | undefined
  disabled: boolean
  onValue: (shade: string | undefined) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      shade
      <input
        key={value}
        disabled={disabled}
        defaultValue={value ?? ''}
        maxLength={12}
        placeholder="as signed"
        className={`${box} w-28`}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim()
          if (text !== (value ?? '')) onValue(text === '' ? undefined : text)
        }}
      />
    </label>
  )
}

/** Surfaces as MO or MOD; kept on leaving the field, put back where they are none. */
export function SurfacesField({
  value,
  disabled,
  onValue,
}: {
  value: string | undefined
  disabled: boolean
  onValue: (surfaces: string | undefined) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      surfaces
      <input
        key={value}
        disabled={disabled}
        defaultValue={value ?? ''}
        placeholder="MO"
        className={`${box} w-24 uppercase`}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim().toUpperCase()
          if (text === (value ?? '')) return
          if (text === '') onValue(undefined)
          else if (surfaces.safeParse(text).success) onValue(text)
          else e.target.value = value ?? ''
        }}
      />
    </label>
  )
}

/** One of a few, each with the words it is picked by. */
export function Choose<T extends string>({
  label,
  value,
  words,
  disabled,
  onPick,
}: {
  label: string
  value: T
  words: Record<T, string>
  disabled: boolean
  onPick: (value: T) => void
}) {
  return (
    <Pick<T>
      label={label}
      value={value}
      disabled={disabled}
      onPick={onPick}
      options={entriesOf(words).map(([v, says]) => ({ value: v, label: says }))}
    />
  )
}
