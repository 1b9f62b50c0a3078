/** Accessibility of what is shown, by axe in the page itself. */
import axe, { type RunOnly } from 'axe-core'
import type { WebDriver } from 'selenium-webdriver'
import { expect } from 'vitest'

/** WCAG 2.2, levels A and AA. */
export const wcag = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/** Of things in a row that are made alike, inside and out, so many are looked at. */
const alike = 6

/** Has axe look at a part of the page from within: it comes once with each page. */
export async function lookedAt(driver: WebDriver, part: string, where: string, runOnly: RunOnly): Promise<void> {
  if (!(await driver.executeScript<boolean>('return "axe" in window'))) await driver.executeScript(axe.source)
  const found = await driver.executeAsyncScript<string[]>(
    `const [part, runOnly, alike, done] = arguments
     // How something is made: it and all it holds, by tag, looks, and what is said of it.
     const said = /^(aria-|alt$|type$|disabled$)/
     const looks = (e) =>
       [e.tagName, ...['class', 'fill', 'style', 'role'].map((of) => e.getAttribute(of)), ...e.getAttributeNames().filter((n) => said.test(n))].join(' ')
     const made = (e) => [...new Set([e, ...e.querySelectorAll('*')].map(looks))].sort().join('\\n')
     const more = []
     for (const row of document.querySelectorAll(part + ' *')) {
       if (row.childElementCount <= alike) continue
       const seen = new Map()
       for (const child of row.children) {
         const how = made(child)
         seen.set(how, (seen.get(how) ?? 0) + 1)
         if (seen.get(how) > alike) more.push(child)
       }
     }
     // Out of sight while it looks: it would weigh each of them although it is to say nothing of them.
     const unseen = new CSSStyleSheet()
     unseen.replaceSync('[data-more] { display: none !important }')
     document.adoptedStyleSheets.push(unseen)
     for (const e of more) e.dataset.more = ''
     const seenAgain = () => {
       for (const e of more) delete e.dataset.more
       document.adoptedStyleSheets.pop()
     }
     // What is on its way into sight has not its colours yet.
     const moving = document.getAnimations().filter((a) => a.playState === 'running' && a.effect.getComputedTiming().endTime < Infinity)
     Promise.allSettled(moving.map((a) => a.finished)).then(() => axe.run({ include: part }, { runOnly, resultTypes: ['violations'] })).finally(seenAgain).then(
       ({ violations }) => done(violations.map((v) => \`\${v.id}: \${v.help} (\${v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ')})\`)),
       (error) => done([\`axe: \${error.message}\`]),
     )`,
    part,
    runOnly,
    alike,
  )
  expect(found, where).toEqual([])
}
