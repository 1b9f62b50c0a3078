/**
 * What was entered and not kept is not lost in silence: whoever leaves its box or its screen is asked. Boxes of the chair keep
 * it instead, see half-entered.ts: a hand that is needed elsewhere is asked nothing.
 */
import { createContext, use, useCallback, useEffect, useId, useState, type ReactNode } from 'react'
import { useBlocker } from 'react-router'
import { Button, Mark } from './ui'

/** Everything on the page that is changed and not kept; a box has its own beside it. */
const onThePage = new Set<string>()
const InBox = createContext<Set<string> | null>(null)

/** Says that there is something here which leaving would lose. */
export function useUnkept(changed: boolean): void {
  const id = useId()
  const box = use(InBox)
  useEffect(() => {
    if (!changed) return undefined
    onThePage.add(id)
    box?.add(id)
    return () => {
      onThePage.delete(id)
      box?.delete(id)
    }
  }, [changed, id, box])
}

function Question({ onStay, onLeave }: { onStay: () => void; onLeave: () => void }) {
  return (
    <div
      role="alertdialog"
      aria-label="Not kept yet"
      data-unkept=""
      className="flex flex-wrap items-center gap-3 rounded-lg border-2 border-ink bg-sheet p-3"
    >
      <Mark kind="ask">What was changed here is not kept yet.</Mark>
      <Button tone="jade" autoFocus onClick={onStay}>
        Stay
      </Button>
      <Button tone="alarm" onClick={onLeave}>
        Leave without keeping it
      </Button>
    </div>
  )
}

/** The way out of a box: asks first where something in it is not kept. */
export function useWayOut(onClose: () => void) {
  const [own] = useState(() => new Set<string>())
  const [asking, setAsking] = useState(false)
  const leave = useCallback(() => (own.size > 0 ? setAsking(true) : onClose()), [own, onClose])
  const question = asking ? <Question onStay={() => setAsking(false)} onLeave={onClose} /> : null
  return { leave, question, within: (children: ReactNode) => <InBox value={own}>{children}</InBox> }
}

/** For the whole page: another screen, and the browser's own ways to leave. */
export function AskBeforeLeaving() {
  const blocker = useBlocker(
    useCallback(
      ({ currentLocation, nextLocation }) => onThePage.size > 0 && currentLocation.pathname !== nextLocation.pathname,
      [],
    ),
  )
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent): void => {
      if (onThePage.size > 0) e.preventDefault()
    }
    addEventListener('beforeunload', ask)
    return () => removeEventListener('beforeunload', ask)
  }, [])
  if (blocker.state !== 'blocked') return null
  return (
    <div className="fixed inset-x-0 top-0 z-50 mx-auto max-w-3xl p-3">
      <Question onStay={() => blocker.reset()} onLeave={() => blocker.proceed()} />
    </div>
  )
}
