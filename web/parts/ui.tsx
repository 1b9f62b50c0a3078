/** The few building blocks every screen uses. */
import { ApiProblem } from '../app/api'
import { useWhyWaiting } from '../app/why-waiting'
import { ToggleGroup } from 'radix-ui'
import type { ButtonHTMLAttributes, ComponentProps, ReactNode } from 'react'
import { Link, type LinkProps } from 'react-router'

type Tone = 'jade' | 'plain' | 'quiet' | 'alarm'
const tones: Record<Tone, string> = {
  jade: 'bg-jade text-jade-ink border-jade',
  plain: 'bg-sheet text-ink border-ink',
  quiet: 'bg-transparent text-ink border-line',
  alarm: 'bg-alarm-wash text-alarm border-alarm',
}

interface Look {
  tone?: Tone
  big?: boolean
}
const pressable = ({ tone = 'plain', big = false }: Look): string =>
  `inline-flex items-center justify-center gap-2 rounded-md border-2 font-semibold select-none ${big ? 'min-h-16 min-w-16 px-6 text-2xl' : 'min-h-12 min-w-12 px-4'} ${tones[tone]}`

export function Button({ tone, big, className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & Look) {
  return (
    <button
      type="button"
      className={`${pressable({ ...(tone ? { tone } : {}), ...(big ? { big } : {}) })} enabled:cursor-pointer enabled:active:translate-y-px disabled:border-dashed disabled:opacity-60 ${className}`}
      {...rest}
    />
  )
}

/** A way to another screen that looks and is touched like a button. */
export function ButtonLink({ tone, big, className = '', ...rest }: LinkProps & Look) {
  return (
    <Link className={`${pressable({ ...(tone ? { tone } : {}), ...(big ? { big } : {}) })} ${className}`} {...rest} />
  )
}

/** The look of anything that is typed into or chosen from; how wide it is, its place says. */
export const field = 'h-12 rounded-md border-2 border-ink bg-sheet px-3 disabled:border-line'
/** Under its label, as wide as its column. */
export const wideField = `mt-1 w-full ${field}`

/** What went wrong, where it went wrong, read out at once. */
export function Alert({ className = '', children, ...rest }: ComponentProps<'div'>) {
  return (
    <div
      role="alert"
      className={`rounded-md border-2 border-alarm bg-alarm-wash p-2 text-alarm ${className}`}
      {...rest}
    >
      {children}
    </div>
  )
}

export function Panel({
  title,
  aside,
  children,
  className = '',
  labelled,
}: {
  title?: ReactNode
  aside?: ReactNode
  children: ReactNode
  className?: string
  labelled?: string
}) {
  return (
    <section
      aria-label={labelled ?? (typeof title === 'string' ? title : undefined)}
      className={`rounded-lg bg-sheet p-3 ${className}`}
    >
      {title !== undefined && (
        <div className="mb-2 flex items-baseline justify-between gap-3">
          <h2 className="text-lg font-bold">{title}</h2>
          {aside}
        </div>
      )}
      {children}
    </section>
  )
}

/** A mark with shape and word: never colour alone. */
export function Mark({ kind, children }: { kind: 'stop' | 'ask' | 'mind' | 'good'; children: ReactNode }) {
  const look = {
    stop: ['bg-alarm-wash text-alarm border-alarm', '■'],
    ask: ['bg-brass-wash text-brass border-brass', '◆'],
    mind: ['bg-sunk text-ink border-line', '●'],
    good: ['bg-jade-wash text-ink border-jade', '✓'],
  } as const
  const [tone, shape] = look[kind]
  return (
    <span className={`inline-flex items-baseline gap-2 rounded border px-2 py-0.5 ${tone}`}>
      <span aria-hidden="true">{shape}</span>
      <span>{children}</span>
    </span>
  )
}

export function Loading({ what }: { what: string }) {
  const why = useWhyWaiting()
  return (
    <div role="status" className="p-8 text-xl text-soft">
      <p>{what} …</p>
      {why !== undefined && <Mark kind="stop">{why}</Mark>}
    </div>
  )
}

export function Failed({ error, again }: { error: unknown; again?: () => void }) {
  return (
    <div role="alert" className="m-6 max-w-2xl rounded-lg border-2 border-alarm bg-alarm-wash p-5">
      <p className="text-xl font-bold text-alarm">That did not work</p>
      <p className="my-2">{error instanceof Error ? error.message : 'Something unexpected happened.'}</p>
      {error instanceof ApiProblem && error.more.raw !== undefined && (
        <a className="flex min-h-12 items-center underline" href={error.more.raw} download>
          Download what is stored of it
        </a>
      )}
      {again && (
        <Button onClick={again} tone="plain">
          Try again
        </Button>
      )}
    </div>
  )
}

/** One of a few, as words side by side. */
export function Pick<T extends string>({
  label,
  value,
  options,
  onPick,
  disabled = false,
  even = false,
}: {
  label: string
  /** Null where nothing is picked yet. */ value: T | null
  options: { value: T; label: string; note?: ReactNode }[]
  onPick: (value: T) => void
  disabled?: boolean
  /** In columns of one width, for options that are compared. */ even?: boolean
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      disabled={disabled}
      onValueChange={(v) => {
        const picked = options.find((o) => o.value === v)
        if (picked) onPick(picked.value)
      }}
      className={even ? 'grid gap-1.5 sm:grid-cols-2 lg:grid-cols-3' : 'flex flex-wrap gap-1.5'}
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.value}
          value={o.value}
          className="min-h-12 rounded-md border-2 border-line bg-sheet px-3 py-1 text-left enabled:cursor-pointer data-[state=on]:border-jade data-[state=on]:bg-jade-wash data-[state=on]:font-bold"
        >
          {o.label}
          {o.note !== undefined && <span className="block text-base font-normal text-soft">{o.note}</span>}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

export function Check({
  label,
  checked,
  onChange,
  disabled = false,
}: {
  label: ReactNode
  checked: boolean
  onChange: (checked: boolean) => void
  disabled?: boolean
}) {
  return (
    <label
      className={`flex min-h-12 items-center gap-3 rounded-md border-2 px-3 ${checked ? 'border-jade bg-jade-wash' : 'border-line bg-sheet'}`}
    >
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-jade"
        checked={checked}
        disabled={disabled}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span>{label}</span>
    </label>
  )
}
