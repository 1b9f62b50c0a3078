/** A reading in figures: by keys, by tenths, or by one touch of a value that tabs and gauges come in. */
import { useState } from 'react'
import { Button } from '../../parts/ui'

export function NumberBox({
  label,
  unit,
  value,
  onGive,
  step = 0.1,
  least,
  most,
  touches = [],
  from,
  name = label,
  onEnter,
}: {
  label: string
  /** What its keys are called by; the label where left out. */ name?: string
  unit: string
  value: number | undefined
  onGive: (value: number | undefined) => void
  step?: number
  least: number
  most: number
  touches?: readonly number[]
  /** Where − and + begin before there is a reading. */ from?: number
  /** It has the focus when it comes, and enter goes on. */ onEnter?: () => void
}) {
  const [typed, setTyped] = useState<string>()
  const put = (n: number): void => {
    setTyped(undefined)
    onGive(
      Math.min(
        most,
        Math.max(least, Math.round(n / step) * step > 0 ? Number((Math.round(n / step) * step).toFixed(3)) : 0),
      ),
    )
  }
  const type = (text: string): void => {
    setTyped(text)
    const n = Number(text.replace(',', '.'))
    onGive(text.trim() === '' || !Number.isFinite(n) ? undefined : n)
  }
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-2">
      <span className="w-44">
        <strong>{label}</strong>
        {unit && <span className="text-soft">, {unit}</span>}
      </span>
      <Button tone="quiet" aria-label={`${name}: less`} onClick={() => put((value ?? from ?? least) - step)}>
        −
      </Button>
      <input
        aria-label={`${name}, ${unit || 'number'}`}
        inputMode="decimal"
        className="num h-12 w-24 rounded-md border-2 border-ink bg-sheet text-center text-xl"
        value={typed ?? value ?? ''}
        onChange={(e) => type(e.target.value)}
        onBlur={() => setTyped(undefined)}
        {...(onEnter ? { autoFocus: true, onKeyDown: (e) => e.key === 'Enter' && onEnter() } : {})}
      />
      <Button tone="quiet" aria-label={`${name}: more`} onClick={() => put((value ?? from ?? least) + step)}>
        +
      </Button>
      {touches.map((t) => (
        <Button key={t} tone="quiet" aria-label={`${name}: ${t} ${unit}`} onClick={() => put(t)}>
          <span className="num">{t}</span>
        </Button>
      ))}
    </div>
  )
}
