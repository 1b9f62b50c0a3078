/** Kinds of visit other than the crown, planned and laid up through the interface; the library, the chain, the scanner. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { layUpAndSign } from './team'

let server: Served
let bram: Screen
let varen: Screen
const at = (key: string, screen: string): string => `/visits/${day}-${key}/${screen}`
beforeAll(async () => {
  server = await serve({
    pace: 1,
    prepare: async (db, now) => void (await bringTo(db, `${day}-ten`, { onlySigned: true }, now)),
  })
  bram = await Screen.open(server.url)
  varen = await Screen.open(server.url)
  await bram.enter('bram')
  await varen.enter('varen')
})
afterAll(async () => {
  await bram?.close()
  await varen?.close()
  await server?.stop()
})

/** The keys of a barcode scanner: quick, ended by Enter, wherever the focus is. */
const scan = (screen: Screen, code: string): Promise<unknown> =>
  screen.driver.executeScript(
    'for (const key of [...arguments[0], "Enter"]) document.body.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }))',
    code,
  )

describe('a bonded bridge from nothing', () => {
  it('is added with its gap, asks only its own questions, and says what it is worked out from', async () => {
    await bram.go('/')
    await bram.press('Add a visit')
    await bram.click('[role=dialog] select[aria-label="Kind of visit"] option[value="bridge.ceramic.deliver"]')
    await bram.says('Sheet with every abutment tied')
    await (await bram.find('input[name=patientName]')).sendKeys('Ottilie Brand')
    await (await bram.find('input[name=teethText]')).sendKeys('31 LR2')
    await bram.says('lower right lateral incisor')
    await (await bram.find('input[name=ponticText]')).sendKeys('41')
    await bram.accessible('[role=dialog]')
    await bram.press('decide what will be done')
    await bram.find('[data-question="resinExcess"]')
    await bram.says('replaces 41 (LR1)')
    expect(await bram.driver.findElements({ css: '[data-question="cord"]' })).toHaveLength(0)
    await bram.says('2 retainers × 2 sides × 60 s = 240 s')
    await bram.find('[data-follow-up="recall.week"]')
    await bram.accessible('[data-question="resinExcess"]')
  })
  it('a rolls-and-suction choice is questioned before it is taken; the piece not here stops the tray', async () => {
    await bram.says('◆ Bonded bridge without the sheet')
    await bram.tick('piece is here')
    await bram.find('[data-clash="piece"]')
    await bram.press('Lay up the tray')
    await bram.find('[data-line]')
    await bram.says('The ceramic bridge is not here')
    expect(await (await bram.driver.findElement({ xpath: '//button[contains(., "Sign the tray")]' })).isEnabled()).toBe(
      false,
    )
    await bram.driver.navigate().back()
    await bram.find('[data-question]')
    await bram.tick('piece is here')
    // What it is made of is not guessed.
    await bram.find('[data-clash="made-of-what"]')
    await bram.press('lithium disilicate')
    await bram.press('Lay up the tray')
  })
  it('is scanned and laid up: own labels check off, an expired box never does', async () => {
    await bram.find('[data-line="mirror"]')
    await bram.until(
      async () => {
        await scan(bram, 'mirror')
        return (await bram.driver.findElements({ css: '[data-line="mirror"][aria-checked="true"]' })).length > 0
      },
      15_000,
      'the scan checked nothing off',
    )
    await scan(bram, 'scanner')
    await bram.says('Intra-oral scanner is not on this tray')
    await scan(bram, '(01)09506000134353')
    await bram.says('its check digit is wrong')
    await layUpAndSign(bram)
  })
})

describe('a child’s preformed crown, a root canal with core and crown', () => {
  it('the child: primary arch, ceiling by weight; sealed in takes the cutting and the needle out', async () => {
    await bram.go(at('seven', 'case'))
    await bram.find('[data-tooth="75"][aria-pressed="true"]')
    expect(await bram.driver.findElements({ css: '[data-tooth="36"]' })).toHaveLength(0)
    await bram.says('4.4 mg/kg × 21 kg = 92.4 mg')
    // In a pit that has a cavity the table has a filling: said to the dentist, until the lesion is where a crown is sealed over it.
    await bram.press('Sealed in, not cut')
    await bram.find('[data-clash="sealed-in"]')
    await bram.press('between the teeth')
    await bram.gone('[data-clash="sealed-in"]', 'the clash stayed')
    await bram.says('nothing in this visit hurts')
    await bram.gone('[data-worked^="anaesthesia"]', 'the needle stayed')
    await bram.press('Lay up the tray')
    await layUpAndSign(bram)
  })
  it('the root canal: no latex anywhere, files and cones by canal; without the sheet it is stopped', async () => {
    await bram.go(at('nine', 'case'))
    await bram.find('[data-question="core"]')
    await bram.says('working length MB')
    await bram.press('Suction retractor')
    await bram.find('[data-clash="hypochlorite"]')
    await bram.press('as before')
    await bram.gone('[data-clash="hypochlorite"]', 'the clash stayed')
    await bram.press('Lay up the tray')
    await bram.find('[data-line]')
    expect(await bram.text()).not.toContain('latex, medium')
    await layUpAndSign(bram)
  })
  it('a second piece of work shares the visit: its own teeth, one frame', async () => {
    await bram.go(at('five', 'case'))
    await bram.find('[data-question]')
    await bram.click('select[aria-label="Further work in this visit"] option[value="filling.amalgam"]')
    await bram.says('Amalgam')
    await bram.until(async () => /filling|Band round/.test(await bram.text()), 5_000, 'the filling is not in the plan')
    await bram.click('button[aria-label^="Take Amalgam"]')
    await bram.gone('button[aria-label^="Take Amalgam"]', 'the further work stayed')
  })
})

describe('laminates, signed, then an alert', () => {
  it('the tray opens again on both windows, says why and what differs, and is signed anew', async () => {
    await varen.go(at('ten', 'tray'))
    await varen.says('The plan is fixed')
    await bram.go(at('ten', 'case'))
    await bram.says('a change re-opens the signed tray')
    await bram.tick('nickel')
    await bram.says('The tray is open again')
    await varen.find('[data-reopened]')
    await varen.says('alert entered: nickel')
    await varen.accessible('[data-reopened]')
    await bram.go(at('ten', 'tray'))
    await bram.find('[data-reopened]')
    await layUpAndSign(bram)
  })
  it('the chain: delivery is proposed after the laboratory’s days and put into the day with the case’s own teeth', async () => {
    await bram.go(at('ten', 'case'))
    await bram.click('[data-follow-up="laminate.deliver"] button')
    await bram.says('Delivery of 3 laminates: Fenella Ro')
    await bram.press('decide what will be done')
    await bram.says('Laminates, delivery')
    await bram.says('12 (UR2)')
    expect(await bram.text()).toContain('Laminates for dark teeth, preparation')
  })
})

describe('the library', () => {
  it('reads as the trade reads, with clocks, counts, common errors and their standing', async () => {
    await varen.go('/library/bridge.metal.deliver')
    await varen.find('[data-step="delivery.seat"]')
    await varen.says('closes 90 s after the start of “Bond mixed')
    await varen.says('common error')
    await varen.says('(common practice)')
    await varen.press('Setup and burs')
    await varen.says('Have ready, do not open')
    await varen.accessible('main')
  })
  it('is amended where it stands: what cannot be is said before, what can is in the next plan with name and reason, out and in as a file', async () => {
    await varen.load('/library/primary.metal-crown')
    await varen.click('[data-step="anaesthesia.test"] button')
    await varen.press('Leave it out')
    await varen.says('Not possible')
    await varen.driver.actions().sendKeys(Key.ESCAPE).perform()
    await (
      await varen.find('[data-step="crown.36.seat"] button, [data-step^="crown."][data-step$=".seat"] button')
    ).click()
    await (await varen.find('input[name=title]')).sendKeys('Sticker for the child')
    await varen.tick('nothing of these')
    await varen.says('on every plan of this kind that is not signed yet')
    await (await varen.find('input[name=why]')).sendKeys('they ask for it')
    await varen.accessible('form')
    await (await varen.driver.findElement({ xpath: '//button[normalize-space(.)="Amend"]' })).click()
    await varen.says('this practice’s own')
    await varen.says('they ask for it')
    const file = await varen.driver.executeAsyncScript<string>(
      'const done = arguments[0]; fetch("/api/practice/amendments").then((r) => r.text()).then(done)',
    )
    expect(JSON.parse(file)).toMatchObject({
      format: 'jade-tray amendments',
      amendments: [{ by: 'Dr Imke Varen', why: 'they ask for it' }],
    })
    await varen.press('Amendments, 1')
    await varen.press('Take back')
    await varen.says('as the library has it')
    const folder = mkdtempSync(join(tmpdir(), 'jade-amendments-'))
    writeFileSync(join(folder, 'amendments.json'), file)
    expect(readFileSync(join(folder, 'amendments.json'), 'utf8')).toBe(file)
    await (await varen.driver.findElement({ css: 'input[type=file]' })).sendKeys(join(folder, 'amendments.json'))
    await varen.says('1 added, 0 replaced')
    await varen.find('[data-amendment]')
    rmSync(folder, { recursive: true, force: true })
  })
  it('lays two cards side by side, and a dentist changes their own there', async () => {
    await varen.go('/library/crown.prepare')
    await varen.press('Two cards')
    const own = await varen.find('tr[data-question="cord"] select')
    await (await own.findElement({ css: 'option[value="double"]' })).click()
    await varen.says('From Dr Imke Varen to')
    await varen.accessible('table')
    // Her card now decides for her visits: the laminates’ cords come from it.
    await varen.go(at('ten', 'case'))
    await varen.find('[data-question="cord"]')
    await varen.says('from dentist’s card')
  })
})
