/** What was half entered in a box of the chair stays when it is closed, for as long as the page: it is there when it is opened again. */
import { useState } from 'react'

/**
 * One kind of thing that is half entered; each has a key of its own.
 * @example const useReason = halfEntered<string>()
 */
export function halfEntered<T>() {
  const kept = new Map<string, T>()
  return (key: string, first: T): [now: T, set: (to: T) => void, forget: () => void] => {
    const [, drawn] = useState<T>()
    const set = (to: T): void => {
      kept.set(key, to)
      drawn(() => to)
    }
    return [kept.get(key) ?? first, set, () => void kept.delete(key)]
  }
}
