/** What happens in the mouth, by two people on two windows, the assistant on keys: both sides numb, an impression as one train, a scan as a scan. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import type { DemoVisit } from '../demo/practice'
import { addVisit } from '../demo/seed'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { pedal, Team } from './team'

const team = { dentist: 'varen', assistants: ['bram'] }
const visit = (key: string, time: string, chairId: string, request: DemoVisit['request']): DemoVisit => ({
  key,
  time,
  chairId,
  patient: `Patient ${key}`,
  alerts: [],
  team,
  request,
})
const own: DemoVisit[] = [
  visit('both', '09:00', 'chair-2', { kind: 'filling.bulk', teeth: ['36', '46'] }),
  visit('train', '09:00', 'chair-3', {
    kind: 'inlay.prepare',
    teeth: ['15', '16'],
    ofTooth: { 15: { surfaces: 'MO' }, 16: { surfaces: 'MOD' } },
  }),
  visit('scan', '09:00', 'chair-4', { kind: 'crown.prepare', teeth: ['26'], choices: { impression: 'optical scan' } }),
]

let server: Served
let assistant: Screen
let dentist: Screen
beforeAll(async () => {
  server = await serve({
    prepare: async (db, now) => {
      for (const v of own) await addVisit(db, v, day, 'Etc/UTC')
      await bringTo(db, `${day}-both`, { until: 'anaesthesia.inject', start: true, agoS: 5 }, now)
      await bringTo(db, `${day}-train`, { until: 'impression.pellets-out', start: true, agoS: 5 }, now)
      await bringTo(db, `${day}-scan`, { until: 'impression.rinse', start: true, agoS: 5 }, now)
    },
  })
  assistant = await Screen.open(server.url)
  dentist = await Screen.open(server.url)
  await assistant.enter('bram')
  await dentist.enter('varen')
})
afterAll(async () => {
  await assistant?.close()
  await dentist?.close()
  await server?.stop()
})

async function at(key: string): Promise<Team> {
  for (const screen of [assistant, dentist]) {
    await screen.go(`/visits/${day}-${key}/chairside`)
    await screen.find('[data-status=running]')
  }
  return new Team(server, assistant, dentist, '771194')
}
/** Runs on to a step and tells the steps that stood in front on the way, each once. */
async function through(pair: Team, until: string): Promise<string[]> {
  const seen: string[] = []
  await pair.runOn(until, async (step) => {
    if (step && seen.at(-1) !== step) seen.push(step)
  })
  return seen
}
const errors = async (): Promise<void> => {
  for (const screen of [assistant, dentist]) expect(await screen.errors()).toEqual([])
}

describe('lower molars on both sides', () => {
  it('two blocks, each with its needle out; both lips are tested, and signed before anything hurts', async () => {
    const pair = await at('both')
    await assistant.says(/Injections: blocks? and long buccal/)
    await assistant.says('lower left')
    await assistant.says('lower right')
    // A block on both sides in an adult is said, and left to the dentist.
    await pair.runOn('anaesthesia.test')
    for (const words of ['lip to the middle, lower left', 'lip to the middle, lower right']) await assistant.says(words)
    await pedal(assistant)
    await pair.sign('numb')
    await assistant.says('✓ numb, tested')
    await errors()
  })
})

describe('an impression of two inlays', () => {
  it('is one train: pellets out, rinse, syringe loaded, every cord drawn, dried once, washed, the tray in its lane', async () => {
    const pair = await at('train')
    const seen = await through(pair, 'impression.seat')
    const order = seen.map((s) => s.replace(/\.(15|16)-?\w*$/, ''))
    const first = (step: string): number => order.indexOf(step)
    expect(first('impression.pellets-out')).toBe(0)
    const train = [
      'impression.pellets-out',
      'impression.rinse',
      'tissue.draw-cord',
      'impression.dry',
      'impression.inject',
    ]
    expect(train.map(first)).toEqual(train.map(first).toSorted((a, b) => a - b))
    expect(Math.min(...train.map(first))).toBeGreaterThanOrEqual(0)
    expect(order.filter((s) => s === 'impression.dry')).toHaveLength(1)
    expect(order.slice(first('impression.inject'))).not.toContain('tissue.draw-cord')
    expect(order.slice(0, first('tissue.draw-cord'))).toContain('impression.load-syringe')
    // Who has the syringe and who the tray stands on both windows.
    for (const screen of [assistant, dentist]) await screen.find('[data-lanes="impression.seat"]')
    await assistant.says('Wash and tray')
    await errors()
  })
})

describe('a scan', () => {
  it('has nothing of an impression on its tray, and is dried, scanned, filled and read before it is signed', async () => {
    await assistant.go(`/visits/${day}-scan/tray`)
    await assistant.says('The plan is fixed')
    const laid = await assistant.driver.executeScript<string>(
      'return [...document.querySelectorAll("[data-line]")].map((e) => e.textContent).join("\\n")',
    )
    expect(laid.length).toBeGreaterThan(200)
    expect(laid).not.toMatch(/impression syringe|light body|heavy body|dual-arch|custom tray|tray adhesive/i)
    const pair = await at('scan')
    const seen = await through(pair, 'impression.inspect')
    expect(seen.filter((s) => s.startsWith('impression.'))).toEqual([
      'impression.rinse',
      'impression.dry',
      'impression.scan-preparation',
      'impression.scan-bite',
      'impression.scan-holes',
      'impression.inspect',
    ])
    // Not signed before its margin parts are read.
    await dentist.says('to be read first')
    await pair.sign('impression')
    await assistant.says('✓ scan good')
    await errors()
  })
})
