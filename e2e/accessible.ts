/** Accessibility of what is shown, by axe in the page itself. */
import axe, { type RunOnly } from 'axe-core'
import type { WebDriver } from 'selenium-webdriver'
import { expect } from 'vitest'

/** WCAG 2.2, levels A and AA. */
export const wcag = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/** Has axe look at the page from within: it comes once with each page. */
export async function lookedAt(driver: WebDriver, where: string, runOnly: RunOnly): Promise<void> {
  if (!(await driver.executeScript<boolean>('return "axe" in window'))) await driver.executeScript(axe.source)
  const found = await driver.executeAsyncScript<string[]>(
    `const [runOnly, done] = arguments
     // What is on its way into sight has not its colours yet.
     const moving = document.getAnimations().filter((a) => a.playState === 'running' && a.effect.getComputedTiming().endTime < Infinity)
     Promise.allSettled(moving.map((a) => a.finished)).then(() => axe.run(document, { runOnly, resultTypes: ['violations'] })).then(
       ({ violations }) => done(violations.map((v) => \`\${v.id}: \${v.help} (\${v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ')})\`)),
       (error) => done([\`axe: \${error.message}\`]),
     )`,
    runOnly,
  )
  expect(found, where).toEqual([])
}
