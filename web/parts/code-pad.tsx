/** A personal code, by touch or by keys. Apart from the boxes that ask for it: signing in needs nothing else. */
import { useRef } from 'react'
import { Button } from './ui'

const keys = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '⌫', '0']

/** Digits to touch, and a field for a keyboard; the code is never shown. */
export function CodePad({
  value,
  onChange,
  onEnter,
  label,
}: {
  value: string
  onChange: (code: string) => void
  onEnter: () => void
  label: string
}) {
  const field = useRef<HTMLInputElement>(null)
  return (
    <div className="grid grid-cols-3 gap-2">
      <input
        ref={field}
        autoFocus
        aria-label={label}
        type="password"
        inputMode="none"
        autoComplete="off"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && onEnter()}
        className="num col-span-3 h-14 rounded-md border-2 border-ink bg-sheet px-4 text-center text-3xl tracking-widest"
      />
      {keys.map((k) => (
        <Button
          key={k}
          big
          tone="quiet"
          aria-label={k === '⌫' ? 'delete the last digit' : k}
          onClick={() => {
            onChange(k === '⌫' ? value.slice(0, -1) : value + k)
            field.current?.focus()
          }}
        >
          {k}
        </Button>
      ))}
      <Button big tone="jade" onClick={onEnter} disabled={value.length < 4}>
        Enter
      </Button>
    </div>
  )
}
