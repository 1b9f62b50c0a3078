/** Four visits by two people on two windows, each from where it grows difficult; the assistant's side is driven by keys alone. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { sure } from '../core/sure'
import { demoCodes, type DemoVisit } from '../demo/practice'
import { addVisit } from '../demo/seed'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { enter, nowStep, pedal, tabTo, Team } from './team'

const team = { dentist: 'varen', assistants: ['bram'] }
const own: DemoVisit[] = [
  {
    key: 'laminate',
    time: '09:00',
    chairId: 'chair-2',
    patient: 'Solveig Marrin',
    alerts: [],
    team,
    request: { kind: 'laminate.deliver', teeth: ['11'] },
  },
  {
    key: 'metal',
    time: '09:00',
    chairId: 'chair-3',
    patient: 'Teun Abbas',
    alerts: [],
    team,
    request: { kind: 'bridge.metal.deliver', teeth: ['21', '23'], pontics: ['22'] },
  },
  {
    key: 'asleep',
    time: '09:00',
    chairId: 'chair-4',
    patient: 'Pip Halloran',
    alerts: [],
    team,
    request: { kind: 'primary.incisors', teeth: ['51'], weightKg: 15 },
  },
]

let server: Served
let assistant: Screen
let dentist: Screen
let orrell: Screen
const chair = (key: string): string => `/visits/${day}-${key}/chairside`
beforeAll(async () => {
  server = await serve({
    prepare: async (db, now) => {
      for (const v of own) await addVisit(db, v, day, 'Etc/UTC')
      await bringTo(db, `${day}-one`, { until: 'impression.inspect', start: true, agoS: 5 }, now)
      await bringTo(db, `${day}-laminate`, { until: 'delivery.cement-shade', start: true, agoS: 5 }, now)
      await bringTo(db, `${day}-metal`, { until: 'delivery.vacuum', start: true, agoS: 60 }, now)
      await bringTo(db, `${day}-asleep`, { until: 'asleep.pack-in', start: true, agoS: 5 }, now)
    },
  })
  assistant = await Screen.open(server.url)
  dentist = await Screen.open(server.url)
  orrell = dentist
})
afterAll(async () => {
  await assistant?.close()
  await dentist?.close()
  await server?.stop()
})

/** Both at one chair. */
async function at(key: string, assistantId: string, dentistId: string): Promise<Team> {
  await assistant.enter(assistantId)
  await dentist.enter(dentistId)
  for (const screen of [assistant, dentist]) {
    await screen.load(chair(key))
    await screen.find('[data-status=running]')
  }
  return new Team(server, assistant, dentist, sure(demoCodes[dentistId]))
}
/** The note as it stands so far. */
async function noteOf(key: string): Promise<string> {
  await assistant.go(`/visits/${day}-${key}/close`)
  return (await assistant.find('#note')).getText()
}
/** Comes to the closing screen and closes, by keys. */
async function close(): Promise<void> {
  await enter(assistant, 'Close the visit')
  await assistant.find('#note')
  await enter(assistant, 'Close the visit')
  await assistant.says('closed: counts agree, holds answered, the record kept')
}
const errors = async (): Promise<void> => {
  for (const screen of [assistant, dentist]) expect(await screen.errors()).toEqual([])
}

describe('a crown visit with a retake of the impression', () => {
  it('a bubble on the margin is read by keys, keeps the signature back, is done over with its cord, and the second is good', async () => {
    const pair = await at('one', 'juno', 'orrell')
    await pair.runOn('impression.inspect')
    await assistant.key('m')
    await assistant.find('[role=dialog] [data-part]')
    await tabTo(assistant, 'distal: clear')
    // Short, then bubble.
    await assistant.key('\uE007', '\uE007')
    await assistant.find('[data-part=distal][data-fault=bubble]')
    await assistant.moved(() => enter(assistant, 'Keep these readings'))
    // The dentist sees the picture of it beside the hold, and cannot sign it as good.
    await orrell.find('[data-measured=inspection] [data-part=distal][data-fault=bubble]')
    await orrell.seen()
    await orrell.click('[data-hold="impression"]')
    await (await orrell.find('[role=dialog] input[type=password]')).sendKeys('471108', '\uE007')
    await orrell.says('is not signed as it was read: 37 distal: a bubble on the margin')
    await orrell.press('Close this box')
    await pair.again('impression', 'bubble on the distal margin')
    await assistant.until(async () => (await nowStep(assistant)) !== 'impression.inspect', 15_000, 'it did not go back')
    const seen: string[] = []
    await pair.runOn('impression.inspect', async (step) => void (seen.at(-1) === step || seen.push(step)))
    // What is done over: the cord that was drawn, its dwell, syringe, tray.
    expect(seen).toContain('tissue.top-cord.37')
    expect(seen).toContain('impression.seat')
    await assistant.key('m')
    await assistant.find('[role=dialog] [data-verdict=good]')
    await assistant.moved(() => enter(assistant, 'Keep these readings'))
    await pair.sign('impression')
    await pair.runOn('provisional.try-in')
    await assistant.key('m')
    await assistant.find('[role=dialog] [data-measure=provisional]')
    await tabTo(assistant, 'distal: clear')
    await assistant.key('\uE007', '\uE007', '\uE007')
    await assistant.find('[data-verdict=correct]')
    await assistant.moved(() => enter(assistant, 'Keep these readings'))
    await dentist.find('[data-measured=provisional] [data-part=distal][data-fault=over]')
    await assistant.key('m')
    await assistant.says('read 1 time so far')
    await tabTo(assistant, 'distal: over')
    await assistant.key('\uE007')
    await assistant.find('[data-part=distal][data-fault=""]')
    await assistant.moved(() => enter(assistant, 'Keep these readings'))
    const note = await noteOf('one')
    expect(note).toMatch(/Done over from “[^”]+” on Dr Tamsin Orrell’s word, because: bubble on the distal margin/)
    expect(note).toContain('37 margin parts: all eight parts clear')
    expect(note).toContain('read for the 2nd time')
    await errors()
  })
})

describe('a laminate delivery with its clocks', () => {
  it('etch, silane and light run by their clocks, too early is refused, light is summed, tint is held to its limit', async () => {
    const pair = await at('laminate', 'bram', 'varen')
    expect(await nowStep(assistant)).toBe('delivery.cement-shade')
    await assistant.key('m')
    await assistant.find('[role=dialog] [data-measure=tint]')
    for (const [field, value] of [
      ['base cement, g', '0.4'],
      ['tint, g', '0.2'],
    ] as const) {
      await tabTo(assistant, field)
      await assistant.key(...value.split(''))
    }
    await assistant.says('at most 0.133 g to 0.4 g')
    await assistant.key('\uE00C')
    const clocks = new Set<string>()
    const refusals: string[] = []
    await pair.runOn('delivery.11.floss', async (step) => {
      for (const c of await assistant.driver.findElements({ css: '[data-clock]' }))
        clocks.add((await c.getAttribute('data-clock').catch(() => ''))!)
      if (
        /\.etch\.?/.test(step) &&
        refusals.length === 0 &&
        (await assistant.driver.findElements({ css: '[data-lasting]' })).length > 0
      ) {
        const before = await assistant.seq()
        await assistant.seen()
        await assistant.key(' ')
        await assistant.says(/too early/)
        expect(await assistant.seq()).toBe(before)
        refusals.push(step)
      }
      if (step.includes('cure') && (await assistant.driver.findElements({ css: '[data-light]' })).length > 0)
        clocks.add(`light: ${await (await assistant.find('[data-light]')).getText()}`)
    })
    expect([...clocks]).toEqual(expect.arrayContaining(['Etch', 'Light', 'Silane']))
    expect(
      [...clocks].some((c) => /^light: Light on 11: \d+ of \d+ s given, cure \d of \d/.test(c)),
      [...clocks].join('\n'),
    ).toBe(true)
    expect(refusals).toHaveLength(1)
    expect(await noteOf('laminate')).toMatch(/Light on 11: \d+ s in \d+ cures\./)
    await errors()
  })
})

describe('a bonded metal bridge’s 90 s', () => {
  it('in lanes: the cement is called for by name at 20 s; missed at 90 s it is taken off and begun anew; in time it stands', async () => {
    const pair = await at('metal', 'bram', 'varen')
    await pair.runOn('delivery.bond-mix')
    // Both see who does what, and the mark that runs over it.
    const mark = async (screen: Screen): Promise<number> =>
      Number(await (await screen.find('[data-lanes="delivery.seat"] [data-mark]')).getAttribute('data-mark'))
    const began = await mark(dentist)
    await server.pass(20)
    for (const screen of [assistant, dentist]) {
      await screen.says('Bram: mix the cement')
      await screen.says(/20–40 s Mix the cement/)
    }
    expect(await mark(dentist)).toBeGreaterThan(began)
    await dentist.find('[data-clock="Etched metal to be seated"]')
    // Nobody moves: the window closes and asks, in both windows.
    await server.pass(75)
    await assistant.says('Etched metal to be seated: closed')
    await assistant.says('cleaned, dried, etched again and begun anew')
    await assistant.accessible('[role=dialog]')
    // The pedal that was on its way when the box came answers nothing.
    const before = await assistant.seq()
    await assistant.key(' ')
    expect(await assistant.seq()).toBe(before)
    await assistant.moved(() => enter(assistant, 'Do it over'))
    await pair.runOn('isolation.dam-off')
    const note = await noteOf('metal')
    expect(note).toMatch(/Done over from/)
    expect(note).toContain('seated the etched metal bridge on 21 (UL1), 23 (UL3)')
    await errors()
  })
})

describe('a child under general anaesthesia', () => {
  it('the throat pack stands on every screen of the visit until it is out; with it in nothing closes', async () => {
    const pair = await at('asleep', 'bram', 'varen')
    expect(await nowStep(assistant)).toBe('asleep.pack-in')
    await pedal(assistant)
    for (const screen of [assistant, dentist]) await screen.find('[data-throat-pack]')
    await pair.sign('throat')
    for (const page of ['case', 'tray', 'close', 'wall', 'chairside']) {
      await dentist.go(`/visits/${day}-asleep/${page}`)
      await dentist.says('THROAT PACK IN')
    }
    await enter(assistant, 'Close the visit')
    await assistant.find('#note')
    await assistant.says('THROAT PACK IN')
    await enter(assistant, 'Close the visit')
    await assistant.says('not closed, a count is open')
    await assistant.says('THROAT PACK: 1 still in')
    await assistant.accessible('[role=alert]')
    await enter(assistant, 'Chairside')
    await assistant.find('[data-status=running]')
    await pair.runOn('asleep.pack-out')
    await assistant.find('[data-throat-pack]')
    await pair.countOut()
    for (const screen of [assistant, dentist]) await screen.gone('[data-throat-pack]', 'the pack still stands there')
    // Home from recovery, in its own time: the last that is done.
    await pair.runOn('closing.home')
    await pedal(assistant)
    await pair.sign('home')
    await close()
    expect(await (await assistant.find('#note')).getText()).toContain('THROAT PACK: 1 in, 1 out.')
    await errors()
  })
})
