/** What is done in the page itself when axe looks at it: sent there as it stands, so nothing here reaches outside its function. */
import type axe from 'axe-core'

/** What is looked for, and how many of what is alike. */
export interface Look {
  /** A selector: the part of the page that is looked at. */
  part: string
  /** The tags of axe's rules; with `coloursOnly` whether words stand out from their ground and nothing else. */
  tags: string[]
  coloursOnly: boolean
  /** Of things in a row that are made alike, inside and out, so many are looked at; of words alike on the same ground so many. */
  rows: number
  words: number
}

declare global {
  interface Window {
    axe?: typeof axe
  }
}

type Shown = HTMLElement | SVGElement

/** @param done called with a line of words for each fault found */
export function lookInPage({ part, tags, coloursOnly, rows, words }: Look, done: (found: string[]) => void): void {
  const counted = (seen: Map<string, number>, how: string): number => {
    const times = (seen.get(how) ?? 0) + 1
    seen.set(how, times)
    return times
  }
  // How something is made: it and all it holds, by tag, looks, and what is said of it.
  const saidOf = /^(aria-|alt$|type$|disabled$)/
  const looks = (e: Element): string =>
    [
      e.tagName,
      ...['class', 'fill', 'style', 'role'].map((of) => e.getAttribute(of)),
      ...e.getAttributeNames().filter((n) => saidOf.test(n)),
    ].join(' ')
  const made = (e: Element): string => [...new Set([e, ...e.querySelectorAll('*')].map(looks))].toSorted().join('\n')
  const tooMany = (): Shown[] => {
    const more: Shown[] = []
    for (const row of document.querySelectorAll(`${part} *`)) {
      if (row.childElementCount <= rows) continue
      const seen = new Map<string, number>()
      for (const child of row.children)
        if (counted(seen, made(child)) > rows && (child instanceof HTMLElement || child instanceof SVGElement))
          more.push(child)
    }
    return more
  }
  // Words, by all that makes them readable or not; what cannot be seen or used is nobody's example.
  const someWords = (): Element[] => {
    const seen = new Map<string, number>()
    const some: Element[] = []
    const typed = /^(INPUT|TEXTAREA|SELECT)$/
    const from = (e: Element, ground: string): void => {
      const s = getComputedStyle(e)
      if (s.display === 'none') return
      const own = [
        s.backgroundColor === 'rgba(0, 0, 0, 0)' ? '' : s.backgroundColor,
        s.backgroundImage === 'none' ? '' : s.backgroundImage,
        s.opacity === '1' ? '' : s.opacity,
      ].join('')
      const under = own ? `${ground} | ${own}` : ground
      const { width, height } = e.getBoundingClientRect()
      const says = typed.test(e.tagName) || [...e.childNodes].some((n) => n instanceof Text && n.data.trim() !== '')
      if (says && width > 1 && height > 1 && s.visibility === 'visible') {
        const off = e.closest('[disabled], [aria-disabled=true], [aria-hidden=true]') !== null
        const how = [e.namespaceURI, off, s.color, s.fill, s.fontSize, s.fontWeight, s.position, under].join(' ')
        if (counted(seen, how) <= words) some.push(e)
      }
      for (const child of e.children) from(child, under)
    }
    const top = document.querySelector(part)
    if (top) from(top, top.tagName)
    return some
  }
  const run = async (include: string | Element[], options: axe.RunOptions): Promise<axe.Result[]> =>
    (await window.axe!.run({ include }, { ...options, resultTypes: ['violations'] })).violations
  // Out of sight while it looks: it would weigh each of them although it is to say nothing of them.
  const without = async (more: Shown[], look: () => Promise<axe.Result[]>): Promise<axe.Result[]> => {
    const unseen = new CSSStyleSheet()
    unseen.replaceSync('[data-more] { display: none !important }')
    document.adoptedStyleSheets.push(unseen)
    for (const e of more) e.dataset['more'] = ''
    try {
      return await look()
    } finally {
      for (const e of more) delete e.dataset['more']
      document.adoptedStyleSheets.pop()
    }
  }
  const look = async (): Promise<axe.Result[]> => {
    const made = coloursOnly
      ? []
      : await run(part, { runOnly: { type: 'tag', values: tags }, rules: { 'color-contrast': { enabled: false } } })
    const some = someWords()
    const coloured = some.length === 0 ? [] : await run(some, { runOnly: { type: 'rule', values: ['color-contrast'] } })
    return [...made, ...coloured]
  }
  // What is on its way into sight has not its colours yet.
  const moving = document
    .getAnimations()
    .filter((a) => a.playState === 'running' && Number(a.effect?.getComputedTiming().endTime) < Infinity)
  void Promise.allSettled(moving.map((a) => a.finished))
    .then(() => without(tooMany(), look))
    .then(
      (faults) =>
        done(
          faults.map(
            (f) =>
              `${f.id}: ${f.help} (${f.nodes
                .slice(0, 3)
                .map((n) => n.html.slice(0, 160))
                .join(' | ')})`,
          ),
        ),
      (e: unknown) => done([`axe: ${String(e)}`]),
    )
}
