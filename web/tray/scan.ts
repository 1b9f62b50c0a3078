import { useEffect, useRef } from 'react'

/** A scanner types faster than anybody: letters at most this far apart, then Enter. */
const gapMs = 100
const leastLength = 4

const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement
    ? target.type !== 'checkbox'
    : target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement

/**
 * Hears a barcode scanner, which is a keyboard: a quick run of keys ended by Enter, wherever the focus is, unless somebody
 * is typing into a field. The group separator comes as Ctrl+].
 */
export function useScan(onCode: (code: string) => void): void {
  const heard = useRef(onCode)
  useEffect(() => {
    heard.current = onCode
  })
  useEffect(() => {
    let code = ''
    let last = 0
    const key = (e: KeyboardEvent): void => {
      if (takesText(e.target)) return
      if (e.timeStamp - last > gapMs) code = ''
      last = e.timeStamp
      if (e.key === 'Enter') {
        if (code.length >= leastLength) {
          e.preventDefault()
          e.stopPropagation()
          heard.current(code)
        }
        code = ''
      } else if (e.ctrlKey && e.key === ']') code += '\u001d'
      else if (e.key.length === 1) {
        code += e.key
        // A space in the middle of a scan is no press of the button that has the focus.
        if (code.length > 1) e.preventDefault()
      }
    }
    // Heard first, so that a scan never presses what has the focus.
    window.addEventListener('keydown', key, true)
    return () => window.removeEventListener('keydown', key, true)
  }, [])
}
