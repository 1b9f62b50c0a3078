/** Moments of a visit and of the desk that a straight run does not meet, each from visits brought to that moment. */
import { rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let juno: Screen
let second: Screen
const at = (key: string, screen: string): string => `/visits/${day}-${key}/${screen}`
beforeAll(async () => {
  server = await serve({
    pace: 1,
    prepare: async (db, now) => {
      // Mixed three and a half minutes ago: the rubbery stage has closed unanswered.
      await bringTo(db, `${day}-one`, { until: 'provisional.lift', agoS: 210 }, now)
      await bringTo(db, `${day}-three`, { until: 'impression.inspect', start: true }, now)
      await bringTo(db, `${day}-four`, { until: 'cutting.finish-inner.47', start: true }, now)
      await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, now)
    },
  })
  juno = await Screen.open(server.url)
  second = await Screen.open(server.url)
  await juno.enter('juno')
  await second.enter('orrell')
})
afterAll(async () => {
  await juno?.close()
  await second?.close()
  await server?.stop()
})

describe('a window that closed', () => {
  it('asks at once, in words and shape, and is accepted only by the dentist with a reason and the code', async () => {
    await juno.go(at('one', 'chairside'))
    await juno.says('Rubbery stage: closed')
    await juno.says('it may be locked on: cut it off, do not pull')
    await juno.find('[data-clock="Rubbery stage"][data-phase="missed"]')
    await juno.accessible('[role=dialog]')
    await juno.press('The dentist accepts')
    await (await juno.find('[role=dialog] textarea')).sendKeys('still springy on the bead')
    await (await juno.find('[role=dialog] input[type=password]')).sendKeys('3816', Key.ENTER)
    await juno.says('That code does not belong to that person.')
    await juno.moved(async () => (await juno.find('[role=dialog] input[type=password]')).sendKeys('471108', Key.ENTER))
    await juno.says('Rubbery: first lift')
    await juno.go(at('one', 'close'))
    await juno.says('accepted by Dr Tamsin Orrell, because: still springy on the bead')
  })
})

describe('an impression or scan that is not good', () => {
  it('is done over from the hold: the steps come back, the hold stays open, the reason is in the record', async () => {
    await juno.go(at('three', 'chairside'))
    await juno.click('[data-hold="impression"]')
    await juno.press('Not good: again')
    expect(
      await (
        await juno.driver.findElement({ xpath: '//*[@role="dialog"]//button[contains(., "Do it over")]' })
      ).isEnabled(),
    ).toBe(false)
    await (await juno.find('[role=dialog] textarea')).sendKeys('distal margin missing on screen')
    await juno.moved(() => juno.press('Do it over'))
    await juno.says('Ready for the next step')
    await juno.says('Cord 1, 35 mm, 16 (UR6)')
    await juno.go(at('three', 'close'))
    await juno.says('because: distal margin missing on screen')
    await juno.find('[data-hold="impression"]')
  })
})

describe('two devices on one run', () => {
  it('pressing next at the same moment moves the run on once, and both show the same', async () => {
    await juno.go(at('four', 'chairside'))
    await second.go(at('four', 'chairside'))
    await juno.find('[data-now="cutting.finish-inner.47"]')
    await second.find('[data-now="cutting.finish-inner.47"]')
    const before = await juno.seq()
    const moment = Date.now() + 500
    const press = (s: Screen): Promise<unknown> =>
      s.driver.executeAsyncScript(
        `setTimeout((done) => { document.querySelector('[data-next]').click(); done() }, arguments[0] - Date.now(), arguments[1])`,
        moment,
      )
    await Promise.all([press(juno), press(second)])
    await juno.find('[data-now="cutting.finish.47"]')
    await second.find('[data-now="cutting.finish.47"]')
    expect([await juno.seq(), await second.seq()]).toEqual([before + 2, before + 2])
  })

  it('what one did, the other cannot take back, but the dentist can', async () => {
    await juno.moved(() => juno.key(Key.SPACE))
    await second.find('[data-now="cutting.reduction-check"]')
    await second.moved(() => second.key(Key.SPACE))
    await juno.says('Waiting for the dentist')
    await juno.seen()
    await juno.key('u')
    await juno.says('somebody else’s')
    await second.moved(() => second.key('u'))
    await juno.find('[data-now="cutting.reduction-check"]')
  })
})

describe('hands full', () => {
  it('shows its keys, opens the hold by key, and leaves everything by escape', async () => {
    await juno.go(at('two', 'chairside'))
    await juno.find('[data-now="cutting.reduction-check"]')
    await juno.key('?')
    await juno.says('space, page-down, →, pedal')
    await juno.key(Key.ESCAPE)
    await juno.key('h')
    await juno.says('Reduction enough?')
    const before = await juno.seq()
    // In a box "next" is not next: a pedal pressed by accident while a code is typed does nothing to the run.
    await juno.key(Key.PAGE_DOWN)
    await juno.key(Key.ESCAPE)
    await juno.gone('[role=dialog]', 'the box stayed')
    expect(await juno.seq()).toBe(before)
  })

  it('counts many pieces out with one touch, and mends a miscount', async () => {
    const open = async (): Promise<string | null> =>
      (await juno.find('[data-count="dam-pieces"]')).getAttribute('data-open')
    expect(await open()).toBe('7')
    await juno.moved(() => juno.press('all 7 out'))
    expect(await open()).toBe('0')
    await juno.moved(() => juno.press('pieces of dam between the holes: not out after all'))
    expect(await open()).toBe('1')
    await juno.accessible('[aria-label=Counts]')
  })

  it('space is "next" after a touch, and the button itself where the keyboard went to it', async () => {
    await juno.go(at('four', 'chairside'))
    await juno.find('[data-now="cutting.reduction-check"]')
    // Touched: the focus stays on the button, and space still means next, once, and not undo.
    await juno.moved(() => juno.press('Undo'))
    await juno.find('[data-now="cutting.finish.47"]')
    await juno.moved(() => juno.key(Key.SPACE))
    await juno.find('[data-now="cutting.reduction-check"]')
    // Tabbed to: space presses the button.
    await juno.driver.executeScript('document.activeElement.blur()')
    for (
      let i = 0;
      i < 40 &&
      (await juno.driver.executeScript<string>('return document.activeElement.textContent.trim()')) !== 'Keys';
      i++
    )
      await juno.key(Key.TAB)
    await juno.key(Key.SPACE)
    await juno.says('space, page-down, →, pedal')
    await juno.key(Key.ESCAPE)
    await juno.find('[data-now="cutting.reduction-check"]')
  })

  it('a step left out and a note stand in the record with their words', async () => {
    await juno.go(at('two', 'chairside'))
    await juno.find('[data-now="cutting.reduction-check"]')
    await juno.key('n')
    await (await juno.find('[role=dialog] textarea')).sendKeys('patient asked for a pause')
    await juno.moved(() => juno.press('Keep'))
    await juno.press('Leave a step out')
    await (await juno.find('[role=dialog] textarea')).sendKeys('checked by index already')
    await juno.moved(async () =>
      (await juno.driver.findElement({ xpath: '//*[@role="dialog"]//button[normalize-space(.)="Leave out"]' })).click(),
    )
    await juno.says('Waiting for the dentist')
    await juno.go(at('two', 'close'))
    await juno.says('Left out: Check the reduction, because: checked by index already.')
    await juno.says('patient asked for a pause')
  })
})

describe('the desk', () => {
  it('reads a tooth in any notation and says how it read it; what cannot be is refused', async () => {
    await juno.go(at('five', 'case'))
    const field = await juno.find('input[aria-label="Tooth, in any notation"]')
    await field.sendKeys('14', Key.ENTER)
    await juno.says('Read as 14 (UR4); in the universal notation it would be 26 (UL6)')
    await juno.says('upper right first premolar')
    await field.sendKeys('K', Key.ENTER)
    await juno.says('75 (LLE) is a primary tooth')
    await field.sendKeys('UL5', Key.ENTER)
    await juno.says('upper left second premolar')
  })

  it('a neighbour marked missing takes its contact out of the plan, seen on the second window too', async () => {
    await second.go(at('five', 'case'))
    await second.find('[data-question]')
    await juno.press('Missing')
    await juno.click('[data-tooth="26"]')
    await juno.says('distal contact of 25: the neighbour is missing')
    await second.says('distal contact of 25: the neighbour is missing')
  })

  it('an alert changes the tray before it is laid', async () => {
    await juno.go(at('six', 'tray'))
    await juno.press('Cutting, Tissue')
    await juno.find('[data-line="cord-0"]')
    expect(await juno.text()).toContain('Methacrylate alert, and Bis-acryl')
    await juno.click('[data-line="aluminium-chloride"]')
    await juno.says(/lot Q\d+, expires/)
    await juno.says('take it off the shelf')
    await juno.click('[data-line="aluminium-chloride"]')
  })

  it('a lot entered in the cupboard is what the next tray takes', async () => {
    await juno.go('/cupboard')
    await juno.find('[data-lot="Q3902"]')
    await juno.says('expired: off the shelf')
    await juno.press('Add a lot of Bis-acryl')
    await (await juno.find('input[name=number]')).sendKeys('BX-9')
    await juno.driver.executeScript(
      'const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set; set.call(arguments[0], "2029-05-31"); arguments[0].dispatchEvent(new Event("input", { bubbles: true }))',
      await juno.find('input[name=expires]'),
    )
    await (await juno.find('input[name=left]')).sendKeys('76')
    await juno.press('Into the cupboard')
    await juno.find('[data-lot="BX-9"]')
    await juno.go(at('six', 'tray'))
    await juno.press('Provisional')
    await juno.click('[data-line="bis-acryl"]')
    await juno.says('lot BX-9, expires 2029-05-31')
    await juno.click('[data-line="bis-acryl"]')
  })

  it('adds a visit, with the reason where a field is wrong, and plans it', async () => {
    await juno.go('/')
    await juno.press('Add a visit')
    await juno.accessible('[role=dialog]')
    await (await juno.find('input[name=patientName]')).sendKeys('Odile Marsh')
    const teeth = await juno.find('input[name=teethText]')
    await teeth.sendKeys('99')
    await juno.says('"99" is not a tooth')
    await teeth.sendKeys(Key.BACK_SPACE, Key.BACK_SPACE, '75')
    await juno.says('primary second molar')
    await juno.press('decide what will be done')
    await juno.says('(ISO 75) is a primary tooth; this kind of visit is for permanent teeth')
    await teeth.sendKeys(Key.BACK_SPACE, Key.BACK_SPACE, 'LR5')
    await juno.press('decide what will be done')
    await juno.find('[data-question]')
    await juno.says('lower right second premolar')
  })

  it('a dentist sets the notation, and every screen writes teeth so; an assistant may only read', async () => {
    await juno.go('/settings')
    await juno.says('A dentist of the practice changes these; you may read them.')
    await second.go('/settings')
    await second.says('37 (LL7)')
    await second.press('Universal')
    await second.says('18 (ISO 37)')
    await juno.go('/')
    await juno.says('18 (ISO 37)')
    await second.press('Quadrant')
    await second.says('LL7 (ISO 37)')
    await second.press('ISO')
    await second.says('37 (LL7)')
  })

  it('an empty day says what to do; a page that is not there leads back', async () => {
    await juno.go('/days/2031-01-07')
    await juno.says('Nothing is planned on this day. Add a visit to begin.')
    await juno.go('/nowhere/at/all')
    await juno.says('There is no such page')
    await juno.go('/visits/nobody/case')
    await juno.says('There is no visit "nobody".')
  })

  it('brings a list of ten thousand items in without freezing, shown row by row first', async () => {
    const rows = Array.from(
      { length: 10_000 },
      (_, i) =>
        `own-${i},"Own item ${i}, spare",hand instrument,own need ${i},${100 + (i % 80)},12,${i === 4321 ? 'perhaps' : 'yes'},3`,
    )
    const file = join(tmpdir(), `jade-items-${process.pid}.csv`)
    writeFileSync(file, ['id,name,family,serves,lengthMm,widthMm,reusable,stock', ...rows].join('\n'))
    await juno.go('/cupboard')
    await juno.find('[data-item]')
    // The longest gap between two frames while the file is read and shown: the page must not stand still.
    await juno.driver.executeScript(
      'window.__gap = 0; let last = performance.now(); const tick = () => { const now = performance.now(); window.__gap = Math.max(window.__gap, now - last); last = now; requestAnimationFrame(tick) }; requestAnimationFrame(tick)',
    )
    await (await juno.find('input[type=file]')).sendKeys(file)
    await juno.says('new 9999')
    await juno.says('wrong 1')
    expect(await juno.driver.executeScript<number>('return window.__gap')).toBeLessThan(1_000)
    expect((await juno.driver.findElements({ css: '[data-row]' })).length).toBeLessThan(60)
    await juno.press('wrong 1')
    await juno.find('[data-row="4323"][data-state="wrong"]')
    await juno.says('reusable:')
    await juno.accessible('[role=dialog]')
    await juno.press('Store 9999 new and 0 changed')
    await juno.says('9999 items stored.', 30_000)
    rmSync(file)
  })
})
