/** Every screen, in both themes, under axe; and the boxes in which something is read or asked. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { addVisit } from '../demo/seed'
import { firstScreenBytes } from '../scripts/first-screen'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let screen: Screen
const visit = (key: string, page: string): string => `/visits/${day}-${key}/${page}`
beforeAll(async () => {
  server = await serve({
    pace: 1,
    at: '10:20',
    prepare: async (db, now) => {
      await bringTo(db, `${day}-seven`, {}, now - 80 * 60_000)
      await bringTo(db, `${day}-one`, { until: 'impression.inspect', start: true }, now)
      await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, now)
      await bringTo(db, `${day}-three`, { until: 'provisional.lift', start: true, agoS: 5 }, now)
      // In the book of another day, so that no chair of today has two patients at once; yesterday's was forgotten.
      for (const [key, until, inDays, agoS] of [
        ['tried', 'provisional.try-in', 1, 20],
        ['shaded', 'records.shade', 1, 20],
        ['left', 'records.shade', -1, 20 * 3600],
      ] as const) {
        await addVisit(
          db,
          {
            key,
            inDays,
            time: '09:00',
            chairId: 'chair-1',
            patient: 'Renske Oyelaran',
            alerts: [],
            team: { dentist: 'orrell', assistants: ['juno'] },
            request: { teeth: ['46'], restoration: 'metal-ceramic crown' },
          },
          day,
          'Etc/UTC',
        )
        await bringTo(db, `${day}-${key}`, { until, start: true, agoS }, now)
      }
      await bringTo(db, `${day}-eight`, { until: 'isolation.dam-on', start: true }, now)
      await bringTo(db, `${day}-six`, { onlySigned: true }, now)
    },
  })
  screen = await Screen.open(server.url)
})
afterAll(async () => {
  await screen?.close()
  await server?.stop()
})

it('the first screen is 200 kB of JavaScript at most, compressed', () => {
  expect(firstScreenBytes() / 1000).toBeLessThan(200)
})

const screens: readonly (readonly [path: string, shows: string])[] = [
  ['/', '[data-left-open]'],
  [visit('left', 'chairside'), '[data-left-since]'],
  [visit('nine', 'case'), '[data-question]'],
  [visit('nine', 'tray'), '[data-line]'],
  [visit('six', 'chairside'), '[data-status="laid up"]'],
  [visit('three', 'chairside'), '[data-coming], [data-called]'],
  [visit('three', 'wall'), '[data-wall]'],
  [visit('one', 'close'), '#note'],
  [visit('seven', 'close'), '#note'],
  ['/cupboard', 'table, [data-item]'],
  ['/cupboard/instruments', 'h2'],
  ['/cupboard/order', 'h2'],
  ['/library', 'h2'],
  ['/library/bridge.metal.deliver', 'h2'],
  ['/drill', '[data-start]'],
  ['/lookback', 'h2'],
  ['/settings', 'h2'],
  ['/no-such-page', 'main'],
]
/** What is read at a step, by the visit that stands at it. */
const boxes: readonly (readonly [key: string, opens: string, shows: string])[] = [
  ['one', 'm', '[data-measure=inspection]'],
  ['two', 'm', '[data-measure=reduction]'],
  ['tried', 'm', '[data-measure=provisional]'],
  ['shaded', 'm', '[data-measure=shade]'],
  ['eight', 'm', '[data-hole]'],
  ['three', 'w', '[data-worked-step]'],
  ['three', '?', '[role=dialog]'],
]

describe('in both themes', () => {
  it('the way in, and every screen behind it', async () => {
    await screen.driver.manage().deleteAllCookies()
    await screen.go('/')
    await screen.find('[data-sign-in]')
    await screen.accessibleInBoth()
    // A dentist sees the settings, the trail and what waits besides.
    await screen.signIn('Tamsin Orrell', '471108')
    const theme = () => screen.driver.executeScript<string>('return document.documentElement.dataset.theme')
    // What is picked stays.
    await screen.press('Dim theme')
    await screen.driver.navigate().refresh()
    await screen.find('header')
    expect(await theme()).toBe('dim')
    await screen.press('Light theme')
    for (const [path, shows] of screens) {
      await screen.go(path)
      await screen.find(shows)
      await screen.until(
        async () =>
          (await screen.driver.findElements({ xpath: '//p[@role="status" and contains(., "…")]' })).length === 0,
        15_000,
        `${path} stays loading`,
      )
      await screen.accessibleInBoth(path)
    }
  })
  it('the boxes in which something is read', async () => {
    for (const [key, opens, shows] of boxes) {
      await screen.go(visit(key, 'chairside'))
      await screen.find('[data-status=running]')
      await screen.key(opens)
      await screen.find(`[role=dialog]`)
      await screen.find(shows)
      await screen.accessibleInBoth(`${key} ${shows}`)
    }
    expect(await screen.errors()).toEqual([])
  })
  it('a round of drill', async () => {
    await screen.go('/drill')
    await screen.click('[data-kind="bridge.metal.deliver"]')
    await screen.click('[data-piece]')
    await screen.accessibleInBoth()
    await screen.press('The tray is laid')
    for (;;) {
      const order = await screen.driver.findElements({ css: '[data-choice]' })
      const exercise = await screen.driver.findElements({ css: '[data-exercise]' })
      if (exercise.length > 0) break
      if (order.length > 0) await screen.click('[data-choice]')
      else await screen.press('This is their order')
    }
    await screen.key(' ')
    await screen.find('[data-exercise=running]')
    await screen.accessibleInBoth()
    await screen.press('Leave the rest undone')
    await screen.find('[data-score]')
    await screen.accessibleInBoth()
    await screen.press('Enough')
    await screen.find('[data-round="bridge.metal.deliver"]')
    expect(await screen.errors()).toEqual([])
  })
})
