/** Accessibility of what is shown, by axe in the page itself. */
import axe from 'axe-core'
import type { WebDriver } from 'selenium-webdriver'
import { expect } from 'vitest'
import { lookInPage, type Look } from './look-in-page'

/** WCAG 2.2, levels A and AA. */
const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/**
 * Has axe look at a part of the page from within: it comes once with each page. Whether words stand out from their ground
 * costs it more than all else together, and depends on their colour and size and on what lies under them: of words that have
 * all this in common it weighs a few.
 * @param looked everything of {@link tags}, or what another theme alone could have broken
 */
export async function lookedAt(
  driver: WebDriver,
  part: string,
  where: string,
  looked: 'everything' | 'colours',
): Promise<void> {
  if (!(await driver.executeScript<boolean>('return "axe" in window'))) await driver.executeScript(axe.source)
  const look: Look = { part, tags, coloursOnly: looked === 'colours', rows: 6, words: 3 }
  expect(await driver.executeAsyncScript<string[]>(lookInPage, look), where).toEqual([])
}
