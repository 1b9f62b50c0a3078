/** One crown visit through the interface, from the day to the chart note, with the dentist on a second window. */
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { nowStep, pedal, Team } from './team'

let server: Served
let juno: Screen
let orrell: Screen
let team: Team
const visit = `/visits/${day}-one`

beforeAll(async () => {
  server = await serve()
  juno = await Screen.open(server.url)
  orrell = await Screen.open(server.url, true)
  // The needle and the base cord are left uncounted on purpose.
  team = new Team(server, juno, orrell, '471108', ['needle', 'cord.base.37'])
})
afterAll(async () => {
  await juno?.close()
  await orrell?.close()
  await server?.stop()
})

describe('a zirconia crown on 37', () => {
  it('opens the day, refuses a wrong code, and shows the day’s ten visits with their readiness', async () => {
    await juno.go('/')
    await juno.press('Juno Abara')
    await (await juno.find('input[type=password]')).sendKeys('9999', Key.ENTER)
    await juno.says('That code does not belong to that person.')
    await juno.signIn('Juno Abara', '3816')
    await juno.find('[data-visit]')
    expect(await juno.driver.findElements({ css: '[data-visit]' })).toHaveLength(10)
    await juno.says('37 (LL7)')
    await juno.says('Bis-acryl: short: 1.6 left of 2.2 needed')
    await juno.press('See what will be done')
  })

  it('shows the plan, and what changes when a decision changes', async () => {
    await juno.find('[data-question]')
    await juno.says('distal contact of 37: the neighbour is missing')
    const items = async () => (await juno.find('[data-figure="items"]')).getText()
    const before = await items()
    await juno.press('Optical scan')
    await juno.until(async () => (await items()) !== before, 5_000, 'the items did not answer')
    await juno.says('from this visit')
    await juno.press('as before')
    await juno.until(async () => (await items()) === before, 5_000, 'the choice was not taken back')
    await juno.press('Delivered with resin')
    await juno.find('[data-clash="eugenol-bonding"]')
    await juno.press('glass ionomer')
    await juno.gone('[data-clash="eugenol-bonding"]', 'the clash stayed')
    await juno.driver.navigate().refresh()
    await juno.find('[data-question]')
    expect(await items()).toBe(before)
  })

  it('lays up the tray and signs it; the dentist’s window follows without a reload', async () => {
    await orrell.signIn('Tamsin Orrell', '471108')
    // The dentist's window comes over plain http: no crypto.randomUUID, no service worker, and nothing may miss them.
    expect(
      await orrell.driver.executeScript(
        'return [isSecureContext, typeof crypto.randomUUID, navigator.serviceWorker === undefined]',
      ),
    ).toEqual([false, 'undefined', true])
    await orrell.go(`${visit}/tray`)
    await orrell.find('[data-line]')
    await juno.press('Lay up the tray')
    await juno.find('[data-line]')
    await juno.click('[data-line="mirror"]')
    await orrell.find('[data-line="mirror"][aria-checked="true"]')
    await juno.layOut()
    expect(await (await juno.driver.findElement({ xpath: '//button[contains(., "Sign the tray")]' })).isEnabled()).toBe(
      false,
    )
    await juno.readAll()
    await juno.press('Sign the tray')
    await juno.says('Ready to begin')
    await orrell.says('Signed by Juno Abara')
    await juno.accessible('main')
  })

  it('runs the first steps by pedal; the second window shows each without a reload', async () => {
    await orrell.go(`${visit}/chairside`)
    await orrell.says('Ready to begin')
    // The pedal that was pressed for the tray does not begin the visit.
    await juno.seen()
    await juno.key(Key.SPACE)
    await juno.says('The visit is begun by a touch on “Begin”, or with b')
    expect(await juno.seq()).toBe(0)
    await pedal(juno, 'b')
    await pedal(juno)
    expect(await nowStep(juno)).toBe('arrival.seat')
    await orrell.find('[data-now="arrival.seat"]')
    await pedal(juno)
    expect(await nowStep(juno)).toBe('anaesthesia.topical')
  })

  it('refuses a step whose time has not come and says what is missing', async () => {
    await pedal(juno)
    // Topical is done; the needle waits a minute, and nothing else may start.
    await juno.says('too early: topical 1–2 min before the needle')
    await juno.find('[data-clock="Topical takes"][data-phase="wait"]')
    await juno.key(Key.SPACE)
    await juno.says('Waiting')
  })

  it('takes back the last act with undo', async () => {
    await juno.moved(() => juno.key('u'))
    expect(await nowStep(juno)).toBe('anaesthesia.topical')
    await pedal(juno)
    await server.pass(60)
    await juno.says('Ready for the next step')
  })

  it('a double tap is one tap, slow or quick, and so is a pedal that is held', async () => {
    expect(await nowStep(juno)).toBe('')
    const before = await juno.seq()
    // Tapped twice at once, and again as soon as the next step has come.
    await juno.driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1]
      const tap = () => document.querySelector('[data-next]').click()
      const come = new MutationObserver(() => {
        if (!document.querySelector('[data-now="anaesthesia.inject"]')) return
        come.disconnect()
        tap()
        requestAnimationFrame(() => { tap(); done() })
      })
      come.observe(document.body, { subtree: true, childList: true, attributes: true })
      tap()
      tap()`)
    await juno.seen()
    await juno.driver.executeScript(`
      for (let i = 0; i < 5; i++)
        document.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', code: 'PageDown', repeat: true, bubbles: true }))`)
    await juno.find('[data-now="anaesthesia.inject"]')
    expect(await juno.seq()).toBe(before + 1)
  })

  it('survives a kill of the server in mid-visit: a touch made meanwhile arrives once, and it says it is back', async () => {
    const before = await juno.seq()
    await server.kill()
    await juno.says('server not heard')
    await juno.key(Key.PAGE_DOWN)
    await juno.says('waits to be sent')
    await server.restart()
    await juno.says('server is back, nothing lost', 30_000)
    await juno.find('[data-now="anaesthesia.rinse"]', 30_000)
    // Finish of the injection, needle in, start of the rinse: three events, once.
    expect(await juno.seq()).toBe(before + 3)
    await orrell.find('[data-now="anaesthesia.rinse"]', 30_000)
    await juno.errors()
    await orrell.errors()
  })

  it('survives a reload', async () => {
    await juno.driver.navigate().refresh()
    await juno.find('[data-now="anaesthesia.rinse"]')
    await juno.find('[data-count="needle"][data-open="1"]')
  })

  it('the dentist sees what waits and signs with the code; the assistant’s screen follows', async () => {
    await pedal(juno)
    expect(await nowStep(juno)).toBe('records.shade')
    await orrell.find('[data-hold="shade"]')
    await orrell.accessible('[data-hold="shade"]')
    await team.sign('shade')
    await juno.says('✓ shade')
  })

  it('cannot close with a count open or a hold unsigned, and says which', async () => {
    await juno.go(`${visit}/close`)
    await juno.press('Close the visit')
    await juno.says('not closed, a count is open: needle: 1 still in')
    await juno.accessible('[role=alert]')
    await juno.go(`${visit}/chairside`)
    await juno.find('[data-seq]')
  })

  it('runs on through cutting, cords, provisional and impression with every hold signed on the other window', async () => {
    await team.runOn('tissue.base-out.37')
    await juno.says('Base cord out, wet')
    await juno.find('[data-count="cord.base.37"][data-open="1"]')
    // Finish it without counting, and come to the end: the count stays open.
    await pedal(juno)
    await team.runOn('closing.counts')
    await juno.accessible('[aria-label=Counts]')
  })

  it('the counts hold cannot be signed while a needle and a cord are still in', async () => {
    await pedal(juno)
    await orrell.seen()
    await orrell.click('[data-hold="counts"]')
    await (await orrell.find('[role=dialog] input[type=password]')).sendKeys('471108', Key.ENTER)
    await orrell.says('the counts do not agree: needle: 1 still in; base cord, 37: 1 still in')
    await orrell.press('Close this box')
    await juno.press('needle: one out')
    await juno.find('[data-count="needle"][data-open="0"]')
    await juno.press('base cord, 37: one out')
    await juno.find('[data-count="cord.base.37"][data-open="0"]')
    await team.sign('counts')
  })

  it('closes when everything is done, signed and counted', async () => {
    await team.runOn('closing.chart')
    await juno.press('Close the visit')
    await juno.says('every step is done or left out with a reason')
    await juno.press('Close the visit')
    await juno.says('closed: counts agree, holds answered, the record kept')
    // The other window's path of the visit is walked to its end as well, without a reload.
    await orrell.until(
      async () =>
        (await orrell.driver.findElements({ css: 'nav[aria-label="The visit"] [aria-label="done"]' })).length === 4,
      10_000,
      'the second window did not hear of the closing',
    )
  })

  it('keeps the chart note: both notations, signatures, counts, what went otherwise and why', async () => {
    await juno.says('37 (LL7, Universal 18, lower left second molar)')
    const note = await (await juno.find('#note')).getText()
    expect(note).toContain('Marguerite Pell')
    expect(note).toContain('Needle: 1 in, 1 out.')
    expect(note).toMatch(/Shade: signed by Dr Tamsin Orrell at \d\d:\d\d\./)
    expect(note).toMatch(/Impression good: signed by Dr Tamsin Orrell/)
    expect(note).toContain('Base cord, 37: 1 in, 1 out.')
    expect(note).toMatch(/Polyether, medium .* lot Q\d+/)
    // Nothing but windows of seconds that a machine under load may have missed, each done over and told; the strict case
    // is in core/run/run.test.ts, where no machine is under load.
    expect(note).toMatch(
      /Otherwise than planned\n(Nothing\.|(\d\d:\d\d Done over from “[^”]+” on [^.]+ word, because: [^.]+: window missed\.\s?)+)\n/,
    )
    await juno.says('Do not eat until the feeling is back')
    await juno.says('slide the floss out sideways')
    await juno.go('/')
    await juno.find('[data-visit]')
    await juno.says('closed')
    await juno.go(`${visit}/chairside`)
    await juno.says('The record stands.')
    expect(await juno.errors()).toEqual([])
  })
})
