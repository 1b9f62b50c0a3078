/** “Our cords stay at least six minutes”: set once by the practice, then seen in the plan, in print, in the clock at the chair and in the note. */
import { Key } from 'selenium-webdriver'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let orrell: Screen
let juno: Screen
beforeAll(async () => {
  server = await serve({ pace: 1 })
  orrell = await Screen.open(server.url)
  juno = await Screen.open(server.url)
  await orrell.enter('orrell')
  await juno.enter('juno')
})
afterAll(async () => {
  await orrell?.close()
  await juno?.close()
  await server?.stop()
})

/** The words of a paper the server prints, as another program's reader finds them. */
async function printed(screen: Screen, path: string): Promise<string> {
  const cookie = (await screen.driver.manage().getCookies()).map((c) => `${c.name}=${c.value}`).join('; ')
  const response = await fetch(server.url + path, { headers: { cookie } })
  const pdf = await getDocument({ data: new Uint8Array(await response.arrayBuffer()), verbosity: 0 }).promise
  const pages = await Promise.all(Array.from({ length: pdf.numPages }, (_, i) => pdf.getPage(i + 1)))
  const texts = await Promise.all(pages.map((p) => p.getTextContent()))
  return texts
    .flatMap((t) => t.items.map((i) => ('str' in i ? i.str : '')))
    .join(' ')
    .replace(/\s+/g, ' ')
}

describe('a value of the practice’s own', () => {
  it('is set by a dentist under Settings; what cannot be read is refused with what would be right', async () => {
    await orrell.go('/settings')
    const find = await orrell.find('[aria-label="Find a time or an amount"]')
    await find.sendKeys('cord dwells')
    const field = () => orrell.find('input[aria-label="Cord dwells, at least"]')
    expect(await (await field()).getAttribute('value')).toBe('5 min')
    await (await field()).sendKeys(Key.chord(Key.CONTROL, 'a'), 'six', Key.ENTER)
    await orrell.says('Write it as 5 min, from 60 s to 15 min.')
    await (await field()).sendKeys(Key.chord(Key.CONTROL, 'a'), '6 min', Key.ENTER)
    await orrell.says(/◆ own, Dr Tamsin Orrell, \d{4}-\d\d-\d\d; usually 5 min/)
    await orrell.accessible('tr[data-own]')
    await juno.go('/settings')
    await juno.says('Set by this practice')
    expect(await (await juno.find('input[aria-label="Cord dwells, at least"]')).isEnabled()).toBe(false)
  })
  it('stands in the plan and on the setup sheet', async () => {
    await juno.go('/library/crown.prepare')
    await juno.says(/Cord dwells: not before 360 s/)
    await juno.says('this practice’s own, Dr Tamsin Orrell')
    expect(await printed(juno, `/api/visits/${day}-one/setup.pdf`)).toContain(
      'Cord dwells at least 6 min (this practice’s own)',
    )
  })
  it('runs in the clock at the chair, and stands in the note', async () => {
    await server.whileDown(
      async (db, now) => void (await bringTo(db, `${day}-one`, { until: 'provisional.separate', agoS: 10 }, now)),
    )
    await juno.go(`/visits/${day}-one/chairside`)
    const clock = await juno.find('[data-clock="Cord dwells"]')
    expect(await clock.getAttribute('data-phase')).toBe('wait')
    // Ten seconds and a little have passed: of five minutes there would be no more than 4:50 left.
    expect(await clock.getText()).toMatch(/^5:[0-4]\d/)
    await juno.go(`/visits/${day}-one/close`)
    await juno.says('Cord dwells, at least: 6 min (usually 5 min), set by Dr Tamsin Orrell')
    expect(await juno.errors()).toEqual([])
  })
})
