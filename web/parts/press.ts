/** What a press is, of a key, a pedal or a drawn thing. */
import { useState } from 'react'

/** For the handler of a key: one that is held down, or a pedal stood on, repeats by itself; nobody pressed it again. */
export const once =
  <E extends { readonly repeat: boolean }, Rest extends unknown[]>(act: (e: E, ...rest: Rest) => void) =>
  (e: E, ...rest: Rest): void => {
    if (!e.repeat) act(e, ...rest)
  }

/** So long a box that comes by itself takes nothing: a foot on its way down is not pulled back faster. From memory of reaction times. */
const beatMs = 700

/** Swallows keys and touches in a box's first moment, and keeps the focus off everything in it that answers. */
export function useBeat(comesByItself: boolean) {
  const [from] = useState(() => performance.now() + beatMs)
  if (!comesByItself) return {}
  const swallow = (e: Pick<Event, 'preventDefault' | 'stopPropagation'>): void => {
    if (performance.now() >= from) return
    e.preventDefault()
    e.stopPropagation()
  }
  return {
    tabIndex: -1,
    'data-unasked': '',
    onOpenAutoFocus: (e: Event): void => {
      e.preventDefault()
      if (e.currentTarget instanceof HTMLElement) e.currentTarget.focus()
    },
    // Nor does the screen under it go on by a key that was meant for it or for nothing.
    onKeyDown: (e: Pick<Event, 'stopPropagation'>): void => e.stopPropagation(),
    onKeyDownCapture: swallow,
    onKeyUpCapture: swallow,
    onClickCapture: swallow,
  }
}

/** One act at a time, each for as long as it takes: asked for while one is under way, it is not done. */
export function oneAtATime(): (act: () => Promise<unknown>) => Promise<void> {
  let underWay = false
  return async (act) => {
    if (underWay) return
    underWay = true
    try {
      await act()
    } finally {
      underWay = false
    }
  }
}

/** Makes a drawn thing a control: a touch, or space or enter, presses it, once. Without an act it is a picture. */
export const pressing = (act: (() => void) | undefined) => ({
  tabIndex: act ? 0 : undefined,
  onClick: act,
  onKeyDown: (e: Pick<KeyboardEvent, 'key' | 'repeat' | 'preventDefault' | 'stopPropagation'>) => {
    if (!act || (e.key !== ' ' && e.key !== 'Enter')) return
    // Nor does the page scroll by it, or a key of the screen's answer to it.
    e.preventDefault()
    e.stopPropagation()
    if (!e.repeat) act()
  },
})
