/** Two people, one run: words between chair and bench, what waits in another chair, the wall; the assistant's hands on no screen. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { Screen, serve, type Served } from './harness'

let server: Served
let juno: Screen
let orrell: Screen
let wall: Screen
const day = new Date().toISOString().slice(0, 10)
const one = `/visits/${day}-one`
beforeAll(async () => {
  server = await serve({
    pace: 1,
    at: '10:20',
    prepare: async (db, now) => {
      await bringTo(db, `${day}-one`, { until: 'tissue.top-cord.37', start: true, agoS: 30 }, now)
      await bringTo(db, `${day}-four`, { onlySigned: true }, now)
    },
  })
  juno = await Screen.open(server.url)
  orrell = await Screen.open(server.url)
  wall = await Screen.open(server.url)
  await juno.signIn('Juno Abara', '1234')
  await orrell.signIn('Tamsin Orrell', '4711')
  await wall.signIn('Wim Castellan', '3456')
})
afterAll(async () => {
  await juno?.close()
  await orrell?.close()
  await wall?.close()
  await server?.stop()
})
const gone = (screen: Screen, css: string) => screen.driver.wait(async () => (await screen.driver.findElements({ css })).length === 0, 15_000, `${css} stays`)

describe('words between chair and bench', () => {
  it('are said by one key, stand large on the other’s screen with the chair and the time, and are seen by one key', async () => {
    await juno.go(`${one}/chairside`)
    await orrell.go(`${one}/chairside`)
    await juno.find('[data-status=running]')
    await orrell.find('[data-status=running]')
    await juno.key('3')
    await juno.find('[data-call=cord][data-state=said]')
    await orrell.find('[data-incoming=cord]')
    await orrell.accessible()
    await orrell.key('a')
    await gone(orrell, '[data-incoming]')
    await juno.find('[data-call=cord][data-state=seen]')
    await juno.says('seen by Dr Tamsin Orrell')
    await orrell.press('Leaving the room, back in 10 minutes')
    await juno.find('[data-incoming=leaving]')
    await juno.says('Leaving the room, back in about 10 min')
    await juno.key('a')
    await orrell.find('[data-call=leaving][data-state=seen]')
  })

  it('reach the dentist in another chair, on whatever screen, and lead there in one touch', async () => {
    await orrell.go(`/visits/${day}-four/chairside`)
    await juno.key('1')
    const strip = await orrell.find(`[data-needed="${day}-one"]`)
    expect(await strip.getText()).toMatch(/Chair 1[\s\S]*Ready for you[\s\S]*\d:\d\d/)
    await orrell.accessible()
    await orrell.click(`[data-needed="${day}-one"] a`)
    await orrell.find('[data-incoming=ready]')
    await gone(orrell, '[data-needed]')
    await orrell.key('a')
    await gone(orrell, '[data-incoming]')
  })

  it('the wall follows the run without a touch, and says what is still in', async () => {
    await wall.go(`${one}/wall`)
    await wall.says('Top cord')
    await wall.find('[data-wall-count]')
    await wall.accessible()
    const before = await (await wall.find('[data-wall-now]')).getText()
    await juno.moved(() => juno.key(' '))
    await wall.driver.wait(async () => (await (await wall.find('[data-wall-now]')).getText()) !== before, 15_000, 'the wall does not follow')
    expect(await wall.errors()).toEqual([])
  })

  it('stand in the record, with who saw them', async () => {
    await juno.go(`${one}/close`)
    await juno.says(/Juno Abara: the cord has had its time; seen by Dr Tamsin Orrell at \d\d:\d\d/)
    await juno.says(/Dr Tamsin Orrell: leaving the room, back in about 10 min; seen by Juno Abara/)
    expect(await juno.errors()).toEqual([])
    expect(await orrell.errors()).toEqual([])
  })
})

describe('what a device sounds like', () => {
  it('is picked in reach and kept on the device: shown only, quiet, loud', async () => {
    await juno.go(`${one}/chairside`)
    await juno.press('shown only')
    await juno.driver.navigate().refresh()
    await juno.find('[data-status=running]')
    expect(await (await juno.find('[aria-label="Sound of this device"] [data-state=on]')).getText()).toBe('shown only')
  })
})
