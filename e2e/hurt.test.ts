/**
 * What could hurt, at the chair of a practice that writes Universal: a load pulled back before and after the visit has begun, an
 * alert in the middle of it, a cord past its limit; and a signature given elsewhere while the pedal waits.
 */
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { instrumentsView } from '../wire/instruments'
import { recordView, visitView, type VisitView } from '../wire/visit'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { layUpAndSign, nowStep, pedal, Team } from './team'

const visit = `/visits/${day}-one`
const code = '471108'
let server: Served
let juno: Screen
let orrell: Screen
let team: Team
beforeAll(async () => {
  server = await serve({ at: '08:00' })
  juno = await Screen.open(server.url)
  orrell = await Screen.open(server.url)
  await juno.go('/')
  await juno.enter('juno')
  await orrell.go('/')
  await orrell.enter('orrell')
  await orrell.asks('/practice', { notation: 'universal' }, 'PATCH')
  team = new Team(server, juno, orrell, code)
})
afterAll(async () => {
  await juno.close()
  await orrell.close()
  await server.stop()
})

const seen = async (): Promise<VisitView> => visitView.parse(await juno.asks(visit))
/** Pulls back the load that one of the visit's cassettes came out of. */
async function pullBack(): Promise<void> {
  const { loads } = instrumentsView.parse(await juno.asks('/instruments'))
  const own = (await seen()).cassettes.find((c) => c.pulledBack === null && c.load !== null)!
  const load = loads.find((l) => l.number === own.load)!
  await juno.asks(`/loads/${load.id}/fail`, { why: 'the strip was read wrongly' })
}
/** The dentist's answer with a reason, given on the assistant's screen. */
async function answered(reason: string): Promise<void> {
  await (await juno.find('[role=dialog] textarea')).sendKeys(reason)
  await juno.moved(async () => (await juno.find('[role=dialog] input[type=password]')).sendKeys(code, Key.ENTER))
}

describe('a crown visit in a Universal practice', () => {
  it('is signed cassette by cassette, and does not begin on one that was pulled back: it is changed first', async () => {
    await juno.go(`${visit}/tray`)
    await layUpAndSign(juno)
    await juno.says('18 (ISO 37)')
    await pullBack()
    await juno.says('was pulled back: the strip was read wrongly')
    await orrell.go(`${visit}/chairside`)
    await orrell.says('was pulled back: the strip was read wrongly')
    await juno.seen()
    await juno.key('b')
    await juno.says('not begun, a cassette was pulled back')
    await juno.press('Close this box')
    for (const { id } of (await seen()).cassettes.filter((c) => c.pulledBack !== null))
      await juno.asks(`${visit}/cassettes/change`, { cassetteId: id })
    await pedal(juno, 'b')
    await pedal(juno)
    expect(await nowStep(juno)).toBe('arrival.seat')
  })
  it('a signature given elsewhere closes the box that the pedal opened, and the pedal lives', async () => {
    await team.runOn('anaesthesia.test')
    await pedal(juno)
    await juno.says('Waiting for the dentist')
    await juno.seen()
    await juno.key(Key.SPACE)
    await juno.find('[role=dialog] input[type=password]')
    // The one it waits for first.
    await team.sign('shade')
    await juno.gone('[role=dialog]', 'the box of a signature that is given stays')
    await team.sign('numb')
    await pedal(juno)
  })
  it('an alert in the middle of it says what it touches, and waits for the dentist; the record and the sheet have it', async () => {
    const { request } = await seen()
    await orrell.asks(`${visit}/alerts`, { alerts: [...request.alerts, 'latex'], saw: request.alerts }, 'PUT')
    await juno.find('[data-matter="alert latex"]')
    await juno.says('the gloves of the team')
    await juno.press('The dentist answers')
    await answered('nitrile gloves on everybody; the rest is latex-free')
    await juno.gone('[data-matter]', 'the alert is answered and stays')
    const { note } = recordView.parse(await juno.asks(`${visit}/record`))
    const told = note.sections.flatMap((s) => s.sentences).join(' ')
    expect(told).toContain('Alerts on record: latex allergy, entered while the visit ran')
    expect(told).toMatch(/Orrell answered with their own code on “latex allergy”: nitrile gloves/)
  })
  it('a load pulled back after it has begun waits for the dentist as well', async () => {
    await pullBack()
    await juno.find('[data-matter^="cassette"]')
    for (let left = (await seen()).matters.length; left > 0; left--) {
      await juno.press('The dentist answers')
      await answered('changed for another out of the cupboard')
      await juno.until(async () => (await seen()).matters.length === left - 1)
    }
    await team.runOn('tissue.top-cord.37')
  })
  it('a cord past its limit asks, and comes out whatever it would wait for; a fresh one is placed', async () => {
    await server.pass(46 * 60)
    await juno.find('[data-cord-over="tissue.base-cord.37"]')
    await juno.moved(() => juno.press('It is out'))
    await juno.gone('[data-cord-over]', 'the cord is out and still asks')
    await team.runOn('impression.inspect')
    const { note } = recordView.parse(await juno.asks(`${visit}/record`))
    expect(note.sections.find((s) => s.title === 'Cords')?.sentences.join(' ')).toMatch(
      /Base cord, 18: lay \d+ min, longer than the 45 min it should\..*Base cord, 18: /,
    )
  })
  it('names every tooth as the practice writes it', async () => {
    for (const place of ['chairside', 'close', 'case', 'tray']) {
      await juno.go(`${visit}/${place}`)
      await juno.says('18 (ISO 37)')
      // What is kept names a tooth in all three, the practice's own first.
      const text = (await juno.text()).replaceAll(/\(ISO \d\d[^)]*\)/g, '')
      expect(text, place).not.toMatch(/\b37\b|\bLL\d\b/)
    }
  })
})
