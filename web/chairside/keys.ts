/** The chair by keys; a foot pedal and a presenter are keyboards, too. `Keys` in boxes.tsx says the same in words. */
import { useHotkeys } from 'react-hotkeys-hook'
import { sure } from '../../core/sure'
import { once } from '../parts/press'
import type { ChairBox } from './chair-boxes'
import type { Sight } from './sight'
import type { Touches } from './touches'

export function useChairKeys(
  { begin, next, undo, call, count, seen }: Touches,
  { current, front, asked, measured, said, sayable, out }: Sight,
  {
    free,
    running,
    open,
  }: {
    /** No box lies over the screen. */
    free: boolean
    running: boolean
    open: (box: ChairBox) => void
  },
): void {
  const key = { enabled: free, preventDefault: true }
  const where = (there: boolean) => ({ ...key, enabled: free && there })
  useHotkeys('pagedown, right', once(next), key, [next, free])
  // Somebody who came to a button by tab means that button; after a touch the focus it left behind means nothing.
  const ignoreEventWhen = (e: KeyboardEvent): boolean =>
    e.target instanceof HTMLElement && e.target.matches(':is(button, a):focus-visible')
  useHotkeys('space', once(next), { ...key, ignoreEventWhen }, [next, free])
  // Held down on a button, the browser would press it again and again.
  useHotkeys('enter', (e) => e.preventDefault(), { enabled: free, ignoreEventWhen: (e) => !e.repeat })
  useHotkeys('b', once(begin), { enabled: free && !running })
  useHotkeys('u', once(undo), { enabled: free })
  useHotkeys('n', () => open({ box: 'note' }), key)
  useHotkeys('s', () => open({ box: 'skip' }), where(current !== undefined))
  useHotkeys('h', () => asked[0] && open({ box: 'hold', hold: asked[0] }), key)
  useHotkeys('m', () => measured && open({ box: 'measure', step: measured }), where(measured !== undefined))
  useHotkeys('w', () => front && open({ box: 'worked', step: front }), where(front !== undefined))
  useHotkeys('shift+slash', () => open({ box: 'keys' }), { ...key, useKey: false })
  useHotkeys(
    'a',
    once(() => said && seen(sure(said.handoff))),
    where(said !== undefined),
  )
  useHotkeys(
    'o',
    once(() => out && count(out.countId, 'out', out.n)),
    { enabled: free && out !== undefined },
  )
  useHotkeys(
    '1,2,3,4',
    once((_, { keys }) => {
      const handoff = sayable[Number(keys?.[0]) - 1]
      if (handoff) call(handoff)
    }),
    { enabled: free && running },
  )
}
