/** Time: a day with two clashes mended by a proposal and taken back; the forecast of a visit; quick touches in order. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { dayView } from '../wire/day'
import { visitView } from '../wire/visit'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let juno: Screen
let petra: Screen
beforeAll(async () => {
  server = await serve({ pace: 1, at: '07:40' })
  juno = await Screen.open(server.url)
  petra = await Screen.open(server.url)
  await juno.enter('juno')
  await juno.go('/')
  await petra.enter('petra')
})
afterAll(async () => {
  await juno?.close()
  await petra?.close()
  await server?.stop()
})

const starts = async (): Promise<Record<string, number>> =>
  Object.fromEntries(dayView.parse(await juno.asks(`/days/${day}`)).visits.map((v) => [v.id, v.startsAt]))
const until = (screen: Screen, met: () => Promise<boolean>, otherwise: string) => screen.until(met, 15_000, otherwise)

describe('a day with two clashes', () => {
  it('marks them in place, on every screen: a dentist in two chairs, a chair with two visits', async () => {
    await petra.go('/')
    await petra.says('nobody and no chair is needed twice at once')
    // The dentist of the visits two and three is wanted in both; the visits four and six lie in one chair.
    const move = async (id: string, chairId: string, time: string): Promise<void> => {
      const saw = visitView.parse(await juno.asks(`/visits/${id}`))
      const body = { chairId, day, time, saw: { chairId: saw.chairId, startsAt: saw.startsAt } }
      await juno.asks(`/visits/${id}/time`, body, 'PUT')
    }
    await move(`${day}-three`, 'chair-3', '11:00')
    await move(`${day}-two`, 'chair-2', '11:10')
    await move(`${day}-four`, 'chair-1', '13:30')
    for (const screen of [petra, juno]) {
      await screen.go('/')
      await screen.find('[data-twice="chair"]')
      await screen.says('Chair 1')
      await screen.says(/Dr Kofi Lindqvist, 11:\d\d/)
      expect((await screen.driver.findElements({ css: '[data-twice-mark]' })).length).toBeGreaterThanOrEqual(4)
    }
    await juno.accessible('[data-twice]')
  })

  it('is mended by the proposal, which says what moves; what the other screen shows follows; undone, every visit is where it was', async () => {
    const before = await starts()
    await juno.press('60 min')
    await juno.press('Propose times')
    await juno.find('[data-proposal]')
    const moves = await juno.driver.findElements({ css: '[data-move]' })
    expect(moves.length).toBeGreaterThan(0)
    expect(await starts()).toEqual(before)
    await juno.says('needed twice')
    await juno.accessible('[data-proposal]')
    const named = await Promise.all(moves.map((m) => m.getAttribute('data-move')))
    await juno.press(moves.length === 1 ? 'Move it' : `Move these ${moves.length}`)
    await juno.says('nobody and no chair is needed twice at once')
    await petra.says('nobody and no chair is needed twice at once')
    const after = await starts()
    const moved = Object.keys(before).filter((id) => before[id] !== after[id])
    expect(new Set(moved)).toEqual(new Set(named))
    for (const id of named) expect(Math.abs(after[id!]! - before[id!]!) % (5 * 60_000)).toBe(0)
    await juno.press('Undo')
    await juno.find('[data-twice="chair"]')
    await until(
      juno,
      async () => JSON.stringify(await starts()) === JSON.stringify(before),
      'the times did not come back',
    )
  })
})

describe('how long it takes', () => {
  it('8 visits in 10 take longer than the likely time, and the list says what decides the length', async () => {
    await juno.go(`/visits/${day}-one/case`)
    await juno.find('[data-forecast]')
    const minutesIn = async (css: string): Promise<number> =>
      Number(/\d+/.exec(await (await juno.find(css)).getText())![0])
    expect(await minutesIn('[data-forecast] strong')).toBeGreaterThan(await minutesIn('[data-figure="chair"]'))
    await juno.click('details summary')
    await juno.says('decides')
    await juno.says('to spare')
    const order = await Promise.all(
      (await juno.driver.findElements({ css: '[data-order]' })).map((e) => e.getAttribute('data-order')),
    )
    expect(order[0]).toBe('arrival.seat')
    expect(order.indexOf('anaesthesia.inject')).toBeLessThan(order.indexOf('anaesthesia.test'))
    await juno.accessible('details[open]')
  })

  it('quick touches all arrive in order, none is refused, none comes back', async () => {
    await juno.driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1]
      const touches = ['Double', 'Single', 'Double', 'Single', 'Double']
      const next = () => {
        const word = touches.shift()
        if (!word) return done()
        ;[...document.querySelectorAll('[data-question=cord] button')].find((b) => b.textContent.startsWith(word)).click()
        requestAnimationFrame(() => requestAnimationFrame(next))
      }
      next()`)
    const shown = async (): Promise<string> => (await juno.find('[data-question=cord] [data-state=on]')).getText()
    expect(await shown()).toContain('Double')
    const stored = async (): Promise<string> =>
      visitView.parse(await juno.asks(`/visits/${day}-one`)).request.visitChoices.cord ?? ''
    await until(juno, async () => (await stored()) === 'double', 'the last touch was not stored')
    expect(await juno.driver.findElements({ css: '[data-sonner-toast][data-type=error]' })).toHaveLength(0)
    await juno.driver.navigate().refresh()
    expect(await shown()).toContain('Double')
    expect(await juno.errors()).toEqual([])
  })
})
