/** What a press is, of a key, a pedal or a drawn thing. */

/** For the handler of a key: one that is held down, or a pedal stood on, repeats by itself; nobody pressed it again. */
export const once =
  <E extends { readonly repeat: boolean }, Rest extends unknown[]>(act: (e: E, ...rest: Rest) => void) =>
  (e: E, ...rest: Rest): void => {
    if (!e.repeat) act(e, ...rest)
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
