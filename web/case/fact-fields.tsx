/** Fields a fact is told with: kept on leaving them, put back where what was typed is none. */
import { surfaces } from '../../core/model/request'
import { entriesOf } from '../../core/sure'
import { Pick } from '../parts/ui'

const box = 'num h-12 rounded-md border-2 border-line bg-sheet px-2'

interface Told<T> {
  value: T | undefined
  disabled: boolean
  onValue: (value: T | undefined) => void
}

/** Something one types; kept on leaving the field, nothing where it is empty, put back where it cannot be read. */
function Typed<T extends string | number>({
  label,
  unit,
  value,
  disabled,
  read,
  onValue,
  ...input
}: Told<T> & {
  label: string
  unit?: string
  /** `undefined` where it is none. */
  read: (text: string) => T | undefined
  className: string
  inputMode?: 'decimal'
  placeholder?: string
  maxLength?: number
}) {
  return (
    <label className="flex items-center gap-1.5">
      {label}
      <input
        key={value}
        disabled={disabled}
        defaultValue={value ?? ''}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim()
          const next = text === '' ? undefined : read(text)
          if (next !== value && (text === '' || next !== undefined)) onValue(next)
          else e.target.value = String(value ?? '')
        }}
        {...input}
      />
      {unit}
    </label>
  )
}

/** A figure one types. */
export const NumberField = ({
  width = 'w-20',
  ...told
}: Told<number> & { label: string; unit: string; width?: string }) => (
  <Typed
    inputMode="decimal"
    className={`${box} ${width}`}
    read={(text) => {
      const n = Number(text.replace(',', '.'))
      return Number.isFinite(n) ? n : undefined
    }}
    {...told}
  />
)

/** The shade as the guide names it. */
export const ShadeField = (told: Told<string>) => (
  <Typed
    label="shade"
    maxLength={12}
    placeholder="as signed"
    className={`${box} w-28`}
    read={(text) => text}
    {...told}
  />
)

/** Surfaces as MO or MOD. */
export const SurfacesField = (told: Told<string>) => (
  <Typed
    label="surfaces"
    placeholder="MO"
    className={`${box} w-24 uppercase`}
    read={(text) => {
      const read = surfaces.safeParse(text.toUpperCase())
      return read.success ? read.data : undefined
    }}
    {...told}
  />
)

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
