/** Time goes on: a visit runs twenty minutes late and the day is planned anew, by proposal, by hand, by the practice's calendar. */
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type * as z from 'zod'
import { bringTo } from '../demo/bring'
import { dayView, type dayVisitView } from '../wire/day'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let juno: Screen
let bram: Screen
beforeAll(async () => {
  server = await serve({
    pace: 1,
    at: '10:20',
    prepare: async (db, now) => {
      await bringTo(db, `${day}-seven`, {}, now - 80 * 60_000)
      await bringTo(db, `${day}-one`, { until: 'closing.instructions', agoS: 60 }, now)
      // The try-in began twenty minutes ago and should have been done in five.
      await bringTo(db, `${day}-eight`, { until: 'delivery.try-in', start: true, agoS: 25 * 60 }, now)
    },
  })
  juno = await Screen.open(server.url)
  bram = await Screen.open(server.url)
  await juno.enter('juno')
  await bram.enter('bram')
})
afterAll(async () => {
  await juno?.close()
  await bram?.close()
  await server?.stop()
})

type Visit = z.infer<typeof dayVisitView>
const visits = async (): Promise<Map<string, Visit>> =>
  new Map(dayView.parse(await juno.asks(`/days/${day}`)).visits.map((v) => [v.id, v]))
const until = (met: () => Promise<boolean>, otherwise: string) => juno.until(met, 15_000, otherwise)
const id = (key: string): string => `${day}-${key}`
const minute = 60_000

describe('a visit runs twenty minutes late', () => {
  it('is seen on the day: who is out later than planned, and who is to be called before setting out', async () => {
    for (const screen of [juno, bram]) {
      await screen.go('/')
      await screen.find(`[data-late="${id('eight')}"]`)
      await screen.find(`[data-late="${id('nine')}"]`)
      await screen.says('Running late')
      await screen.says(/Orla Wickstead 10:40: seated about 1[01]:\d\d, \d+ min late/)
    }
    await juno.accessible('[data-late]')
  })

  it('is planned anew from now: the past stays as it was, nothing is put before now, the other screen follows, and undone all is as before', async () => {
    const before = await visits()
    await juno.press('60 min')
    await juno.press('Propose from now')
    await juno.find('[data-proposal]')
    const moves = await Promise.all(
      (await juno.driver.findElements({ css: '[data-move]' })).map((m) => m.getAttribute('data-move')),
    )
    expect(moves).toContain(id('nine'))
    expect(moves).not.toContain(id('eight'))
    await juno.press(moves.length === 1 ? 'Move it' : `Move these ${moves.length}`)
    await until(
      async () => (await visits()).get(id('nine'))!.startsAt !== before.get(id('nine'))!.startsAt,
      'nothing was moved',
    )
    const after = await visits()
    const now = server.now()
    for (const [key, v] of after) {
      const was = before.get(key)!
      if (moves.includes(key)) expect(v.startsAt).toBeGreaterThanOrEqual(now - 5 * minute)
      else expect(v.startsAt).toBe(was.startsAt)
      // What was done lies where it lay.
      if (was.beganAt !== undefined) {
        expect(v.beganAt).toBe(was.beganAt)
        const nowS = (now - was.beganAt) / 1000
        for (const b of was.score.bars.filter((x) => x.endS < nowS - 30))
          expect(v.score.bars.find((x) => x.stepId === b.stepId)).toEqual(b)
      }
    }
    await juno.gone(`[data-late="${id('nine')}"]`, 'still late after it was moved')
    await bram.gone(`[data-late="${id('nine')}"]`, 'the other screen does not follow')
    await juno.press('Undo')
    await until(
      async () => (await visits()).get(id('nine'))!.startsAt === before.get(id('nine'))!.startsAt,
      'the times did not come back',
    )
  })

  it('who says they cannot come later is held, and the proposal is made anew without them', async () => {
    await juno.find(`[data-late="${id('nine')}"]`)
    await juno.press('Propose from now')
    await juno.find(`[data-move="${id('nine')}"]`)
    await juno.press('Wickstead cannot move')
    await juno.until(
      async () =>
        (await juno.driver.findElements({ css: '[data-proposal]' })).length > 0 &&
        (await juno.driver.findElements({ css: `[data-move="${id('nine')}"]` })).length === 0,
      15_000,
      'the held visit is still moved',
    )
    await juno.press('Leave as it is')
    await juno.asks(`/visits/${id('nine')}/shift`, { mayMoveMin: null }, 'PUT')
  })
})

describe('a visit moved by hand', () => {
  it('by keys: Space picks it up, arrows move it by five minutes and say what comes of it, Escape puts it back, Space puts it down', async () => {
    const before = (await visits()).get(id('ten'))!
    const pick = async (): Promise<void> => {
      await juno.driver.executeScript('document.querySelector(arguments[0]).focus()', `[data-visit="${id('ten')}"]`)
      await juno.key(Key.SPACE)
      await juno.find('[data-consequence]')
    }
    await pick()
    await juno.key(Key.ARROW_RIGHT)
    await juno.says('Ro 13:35')
    await juno.key(Key.ESCAPE)
    await until(
      async () => (await juno.driver.findElements({ css: '[data-consequence]' })).length === 0,
      'it is still held',
    )
    expect((await visits()).get(id('ten'))!.startsAt).toBe(before.startsAt)
    await pick()
    for (let i = 0; i < 3; i++) await juno.key(Key.ARROW_RIGHT)
    await juno.says('Ro 13:45')
    await juno.says(/waiting \d+ min/)
    await juno.key(Key.SPACE)
    await until(
      async () => (await visits()).get(id('ten'))!.startsAt === before.startsAt + 15 * minute,
      'it did not move',
    )
    await juno.press('Undo')
    await until(async () => (await visits()).get(id('ten'))!.startsAt === before.startsAt, 'it did not come back')
  })

  it('by mouse, to another chair; what has begun cannot be picked up', async () => {
    const drag = async (key: string, x: number, y: number): Promise<void> => {
      const block = await juno.find(`[data-visit="${id(key)}"]`)
      await juno.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', block)
      await juno.driver
        .actions()
        .move({ origin: block })
        .press()
        .move({ origin: block, x: Math.round(x / 2), y: Math.round(y / 2) })
        .move({ origin: block, x, y })
        .perform()
    }
    const before = (await visits()).get(id('six'))!
    await drag('six', -60, 206)
    await juno.says(/Brill 1[34]:\d\d Chair 3/)
    await juno.driver.actions().release().perform()
    await until(async () => (await visits()).get(id('six'))!.chairId === 'chair-3', 'it did not change the chair')
    expect(Math.abs((await visits()).get(id('six'))!.startsAt - before.startsAt) % (5 * minute)).toBe(0)
    await juno.press('Undo')
    await until(
      async () =>
        (await visits()).get(id('six'))!.startsAt === before.startsAt &&
        (await visits()).get(id('six'))!.chairId === 'chair-1',
      'it did not come back',
    )
    await drag('eight', 80, 0)
    expect(await juno.driver.findElements({ css: '[data-consequence]' })).toHaveLength(0)
    await juno.driver.actions().release().perform()
  })
})

describe('the practice’s calendar', () => {
  it('is asked, compared row by row, and what is ticked is taken', async () => {
    await juno.go('/')
    await juno.press('Calendar')
    await juno.press('Ask the practice calendar')
    await juno.find('[data-row=moved]')
    await juno.says('is cancelled in the calendar')
    await juno.says('Holiday of the front desk (it takes the whole day)')
    await juno.accessible('[role=dialog]')
    const before = await visits()
    await juno.press('Take this time')
    await until(
      async () => [...(await visits()).values()].filter((v) => v.startsAt !== before.get(v.id)!.startsAt).length === 1,
      'the time was not taken',
    )
    expect(await juno.errors()).toEqual([])
  })
})
