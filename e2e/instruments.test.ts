/** What comes back: a visit without a cassette, a load that fails, traced to the visits it touched; what runs out; looking back. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let wim: Screen
beforeAll(async () => {
  server = await serve({
    pace: 1,
    at: '09:30',
    prepare: async (db, now) => {
      await bringTo(db, `${day}-seven`, {}, now - 30 * 60_000)
      await bringTo(db, `${day}-four`, { onlySigned: true }, now)
    },
  })
  wim = await Screen.open(server.url)
  await wim.enter('wim')
})
afterAll(async () => {
  await wim?.close()
  await server?.stop()
})

const loads = async (): Promise<string[]> =>
  wim.driver.executeScript("return [...document.querySelectorAll('[data-load]')].map((e) => e.dataset.load)")
const startLoad = async (): Promise<string> => {
  const before = await loads()
  await wim.press('Start a load')
  await wim.press('Start it')
  await wim.until(async () => (await loads()).length > before.length, 15_000, 'no load was started')
  return (await loads())[0]!
}

describe('cassettes', () => {
  it('the day says which visit finds none, when, and what saves it', async () => {
    await wim.go('/')
    await wim.find(`[data-dry="${day}-six"]`)
    await wim.says(/finds no crown cassette at 14:20; the next is ready 1\d:\d\d/)
    await wim.find('[data-saving="extra run"]')
    await wim.find('[data-saving="one more cassette"]')
  })

  it('a load that was too cold is not let out; run again and good, it is, with the indicator', async () => {
    await wim.go('/cupboard/instruments')
    await wim.find('[data-load="234"]')
    const number = await startLoad()
    await wim.driver.executeScript(
      "const s = document.querySelector(arguments[0]); Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(s, 'too cold'); s.dispatchEvent(new Event('change', { bubbles: true }))",
      `[data-load="${number}"] select`,
    )
    await wim.press('It ends')
    await wim.says('not hot enough for long enough: not let out')
    await wim.says(/never hotter than 1\d\d\.?\d? °C of 132/)
    expect(await (await wim.find(`[data-load="${number}"]`)).getText()).not.toContain('let out by')
    await wim.press('Indicator not changed')
    await wim.find(`[data-trace="${number}"]`)
    await startLoad()
    await wim.press('It ends')
    await wim.press('Indicator changed: let out')
    await wim.says(/let out \d\d:\d\d by Wim Castellan/)
    await wim.accessible(`[data-trace="${number}"]`)
  })

  it('a load found bad afterwards is traced: off the shelf, the tray to change, the visit it was used for', async () => {
    await wim.press('Pull load 231 back')
    await (await wim.find('[role=dialog] input')).sendKeys('the strip was read wrongly')
    await wim.press('Pull it back')
    const trace = await wim.find('[data-trace="231"]')
    await wim.until(
      async () => (await trace.getText()).includes('Tilly Marrow'),
      15_000,
      'the visit it was used for is not named',
    )
    expect(await trace.getText()).toContain('Tell the dentist')
    await wim.find(`[data-touched="${day}-seven"]`)
    // What is laid up out of it is changed, and only then is the tray good again.
    await wim.go('/')
    await wim.find(`[data-pulled="${day}-four"]`)
    await wim.accessible(`[data-pulled="${day}-four"]`)
    await wim.go('/cupboard/instruments')
    const toChange = async (): Promise<number> =>
      (await wim.driver.findElements({ xpath: '//button[contains(., "It is changed")]' })).length
    await wim.find('[data-trace="231"]')
    for (let left = await toChange(); left > 0; left--) {
      await wim.press('It is changed')
      await wim.until(async () => (await toChange()) < left, 15_000, 'the cassette was not changed')
    }
    await wim.go('/')
    await wim.find(`[data-visit="${day}-four"]`)
    await wim.gone(`[data-pulled="${day}-four"]`, 'the tray is still to be changed')
  })
})

describe('stock and looking back', () => {
  it('what runs out is named with its day, and the order comes as a file', async () => {
    await wim.go('/cupboard/order')
    const row = await wim.find('[data-stock="bis-acryl"]')
    expect(await row.getText()).toContain(`short on ${day}`)
    await wim.button('Order as CSV')
    await wim.press('New one in')
    await wim.until(
      async () => !(await wim.text()).includes('Depth cutter 2.0, medium 10/10'),
      15_000,
      'the bur still counts as worn',
    )
    await wim.accessible('main')
  })

  it('forecasts are held against what came, and every chart has its table', async () => {
    await wim.go('/lookback')
    await wim.find('canvas')
    await wim.says(/2\d of 2\d\s+ended by their 8-in-10 time|\d+ of \d+/)
    await wim.click('details summary')
    expect((await wim.driver.findElements({ css: '[data-looked]' })).length).toBeGreaterThanOrEqual(24)
    expect((await wim.driver.findElements({ css: '[data-learned]' })).length).toBeGreaterThan(5)
    // A heading sorts: pressed once, the shortest real time stands first.
    const real = async (): Promise<number[]> => {
      const cells = await wim.driver.findElements({ css: '[data-looked] td:last-child' })
      return Promise.all(cells.map(async (c) => Number.parseFloat(await c.getText())))
    }
    await wim.press('real')
    const sorted = await real()
    expect(sorted).toEqual(sorted.toSorted((a, b) => a - b))
    expect(new Set(sorted).size).toBeGreaterThan(1)
    await wim.accessible('table')
    expect(await wim.errors()).toEqual([])
  })
})
