import { makeTemplate } from '../demo/template'
import { shareDriver } from './browsers'
import { shownAt } from './serve'

/** The demo folder, made on the morning of the tests' day. */
export const makeDay = (): Promise<() => void> => makeTemplate(shownAt('06:00'))

export default async (): Promise<() => Promise<void>> => {
  const removeTemplate = await makeDay()
  const endBrowsers = await shareDriver()
  return async () => {
    await endBrowsers()
    removeTemplate()
  }
}
