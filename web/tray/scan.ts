import { useEffect, useRef } from 'react'

/** A scanner types faster than anybody: letters at most this far apart, then Enter. */
const gapMs = 100
const leastLength = 4

const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement
    ? target.type !== 'checkbox'
    : target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement

/** A key as a scanner presses it; `timeStamp` in ms. */
type Key = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'timeStamp'>

/**
 * Hears a scanner among the keys: handed one after the other, it answers with the code once one is whole. What belongs to
 * a scan is kept from whatever has the focus: a space in the middle of one presses no button.
 * @example const ear = scanEar(); ear({ key: '0', ctrlKey: false, timeStamp: 0 }) // { kept: false }
 */
export function scanEar(): (key: Key) => { kept: boolean; code?: string } {
  let code = ''
  let last = -Infinity
  return ({ key, ctrlKey, timeStamp }) => {
    if (timeStamp - last > gapMs) code = ''
    last = timeStamp
    if (key === 'Enter') {
      const whole = code
      code = ''
      return whole.length >= leastLength ? { kept: true, code: whole } : { kept: false }
    }
    // The group separator comes as Ctrl+].
    if (ctrlKey && key === ']') code += '\u001d'
    else if (key.length === 1) code += key
    return { kept: key.length === 1 && code.length > 1 }
  }
}

/** Hears a barcode scanner, which is a keyboard, wherever the focus is, unless somebody is typing into a field. */
export function useScan(onCode: (code: string) => void): void {
  const heard = useRef(onCode)
  useEffect(() => {
    heard.current = onCode
  })
  useEffect(() => {
    const ear = scanEar()
    const key = (e: KeyboardEvent): void => {
      if (takesText(e.target)) return
      const { kept, code } = ear(e)
      if (kept) e.preventDefault()
      if (code === undefined) return
      e.stopPropagation()
      heard.current(code)
    }
    // Heard first, so that a scan never presses what has the focus.
    window.addEventListener('keydown', key, true)
    return () => window.removeEventListener('keydown', key, true)
  }, [])
}
