/** Accessibility of what is shown, by axe in the page itself. */
import axe from 'axe-core'
import type { WebDriver } from 'selenium-webdriver'
import { expect } from 'vitest'

/** WCAG 2.2, levels A and AA. */
const wcag = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/** Of things in a row that are made alike, inside and out, so many are looked at; and of words that lie alike on the same ground. */
const alike = 6
const alikeWords = 3

/** What is looked for: everything of {@link wcag}, or what another theme alone could have broken. */
export type Looked = 'everything' | 'colours'

/**
 * Has axe look at a part of the page from within: it comes once with each page. Whether words stand out from their ground
 * costs it more than all else together, and depends on their colour and size and on what lies under them: of words that have
 * all this in common it weighs a few.
 */
export async function lookedAt(driver: WebDriver, part: string, where: string, looked: Looked): Promise<void> {
  if (!(await driver.executeScript<boolean>('return "axe" in window'))) await driver.executeScript(axe.source)
  const found = await driver.executeAsyncScript<string[]>(
    `const [part, wcag, looked, alike, alikeWords, done] = arguments
     // How something is made: it and all it holds, by tag, looks, and what is said of it.
     const said = /^(aria-|alt$|type$|disabled$)/
     const looks = (e) =>
       [e.tagName, ...['class', 'fill', 'style', 'role'].map((of) => e.getAttribute(of)), ...e.getAttributeNames().filter((n) => said.test(n))].join(' ')
     const made = (e) => [...new Set([e, ...e.querySelectorAll('*')].map(looks))].sort().join('\\n')
     const counted = (seen, how) => seen.set(how, (seen.get(how) ?? 0) + 1).get(how)
     const tooMany = () => {
       const more = []
       for (const row of document.querySelectorAll(part + ' *')) {
         if (row.childElementCount <= alike) continue
         const seen = new Map()
         for (const child of row.children) if (counted(seen, made(child)) > alike) more.push(child)
       }
       return more
     }
     // Words, by all that makes them readable or not; what cannot be seen or used is nobody's example.
     const words = () => {
       const seen = new Map()
       const some = []
       const typed = /^(INPUT|TEXTAREA|SELECT)$/
       const from = (e, ground) => {
         const s = getComputedStyle(e)
         if (s.display === 'none') return
         const own = [s.backgroundColor === 'rgba(0, 0, 0, 0)' ? '' : s.backgroundColor, s.backgroundImage === 'none' ? '' : s.backgroundImage, s.opacity === '1' ? '' : s.opacity].join('')
         const under = own ? ground + ' | ' + own : ground
         const { width, height } = e.getBoundingClientRect()
         const says = typed.test(e.tagName) || [...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.data.trim() !== '')
         if (says && width > 1 && height > 1 && s.visibility === 'visible') {
           const off = e.closest('[disabled], [aria-disabled=true], [aria-hidden=true]') !== null
           const how = [e.namespaceURI, off, s.color, s.fill, s.fontSize, s.fontWeight, s.position, under].join(' ')
           if (counted(seen, how) <= alikeWords) some.push(e)
         }
         for (const child of e.children) from(child, under)
       }
       const top = document.querySelector(part)
       from(top, top.tagName)
       return some
     }
     const run = (include, options) => axe.run({ include }, { ...options, resultTypes: ['violations'] }).then((r) => r.violations)
     // Out of sight while it looks: it would weigh each of them although it is to say nothing of them.
     const without = (more, look) => {
       const unseen = new CSSStyleSheet()
       unseen.replaceSync('[data-more] { display: none !important }')
       document.adoptedStyleSheets.push(unseen)
       for (const e of more) e.dataset.more = ''
       return look().finally(() => {
         for (const e of more) delete e.dataset.more
         document.adoptedStyleSheets.pop()
       })
     }
     const everything = () => run(part, { runOnly: { type: 'tag', values: wcag }, rules: { 'color-contrast': { enabled: false } } })
     const colours = () => {
       const some = words()
       return some.length === 0 ? [] : run(some, { runOnly: { type: 'rule', values: ['color-contrast'] } })
     }
     const look = async () => [...(looked === 'everything' ? await everything() : []), ...(await colours())]
     // What is on its way into sight has not its colours yet.
     const moving = document.getAnimations().filter((a) => a.playState === 'running' && a.effect.getComputedTiming().endTime < Infinity)
     Promise.allSettled(moving.map((a) => a.finished)).then(() => without(tooMany(), look)).then(
       (violations) => done(violations.map((v) => \`\${v.id}: \${v.help} (\${v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ')})\`)),
       (error) => done([\`axe: \${error.message}\`]),
     )`,
    part,
    wcag,
    looked,
    alike,
    alikeWords,
  )
  expect(found, where).toEqual([])
}
