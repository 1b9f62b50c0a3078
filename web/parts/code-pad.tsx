/** A personal code, by touch or by keys. Apart from the boxes that ask for it: signing in needs nothing else. */
import { useRef, useState } from 'react'
import { oneAtATime } from './press'
import { Button } from './ui'

/** No code is shorter. */
export const leastDigits = 4

const keys = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '⌫', '0']

/**
 * Digits to touch, and a field for a keyboard; the code is never shown. Each try counts towards being locked out: what is too short to
 * be one is not sent, and none while another is on its way, however long the key is held.
 */
export function CodePad({
  value,
  onChange,
  onEnter,
  label,
  waits = false,
}: {
  value: string
  onChange: (code: string) => void
  onEnter: () => Promise<unknown>
  label: string
  /** Something is said before it: the focus is there. */
  waits?: boolean
}) {
  const field = useRef<HTMLInputElement>(null)
  const [alone] = useState(oneAtATime)
  const enter = (): void => void (value.length >= leastDigits && alone(onEnter))
  return (
    <div className="grid grid-cols-3 gap-2">
      <input
        ref={field}
        autoFocus={!waits}
        aria-label={label}
        type="password"
        inputMode="none"
        autoComplete="off"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && enter()}
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
      <Button big tone="jade" onClick={enter} disabled={value.length < leastDigits}>
        Enter
      </Button>
    </div>
  )
}
