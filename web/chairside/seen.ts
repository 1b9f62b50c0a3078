/** Whether what a touch would act on has been seen: a pedal bounces, a finger taps twice, two people are done with the same step. */
import { useCallback, useLayoutEffect, useRef, type RefObject } from 'react'

/**
 * What has stood on a screen for less than this, nobody has answered: from seeing to pressing takes a fifth to a third of a
 * second (simple visual reaction, from memory), and the taps of a double tap lie closer than that.
 */
const seenAfterMs = 300

/**
 * @param front names what the touch would act on
 * @returns seen: whether that has stood long enough; what stood there when the screen was opened has. page: the element that
 *   says from when on it has (`data-seen-from`, ms of the page)
 */
export function useSeen(front: string): { seen: () => boolean; page: RefObject<HTMLDivElement | null> } {
  const page = useRef<HTMLDivElement>(null)
  const stands = useRef({ front, seenFromMs: -Infinity })
  useLayoutEffect(() => {
    if (stands.current.front === front) return
    stands.current = { front, seenFromMs: performance.now() + seenAfterMs }
    if (page.current) page.current.dataset['seenFrom'] = String(stands.current.seenFromMs)
  }, [front])
  return { seen: useCallback(() => performance.now() >= stands.current.seenFromMs, []), page }
}
