import { makeTemplate } from '../demo/template'
import { shareDriver } from './browsers'

/** The wall's own day: the browser knows no other. */
export const makeToday = (): Promise<() => void> =>
  makeTemplate(Date.parse(`${new Date().toISOString().slice(0, 10)}T06:00:00Z`))

export default async (): Promise<() => Promise<void>> => {
  const removeTemplate = await makeToday()
  const endBrowsers = await shareDriver()
  return async () => {
    await endBrowsers()
    removeTemplate()
  }
}
