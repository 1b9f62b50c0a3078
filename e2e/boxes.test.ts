/** Every box, opened, at four sizes: nothing that is typed into or touched lies under anything, or outside. */
import { rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import { bringTo } from '../demo/bring'
import * as t from '../server/db/schema'
import { visitView } from '../wire/visit'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'

let server: Served
let juno: Screen
let orrell: Screen
const list = join(tmpdir(), `jade-boxes-${process.pid}.csv`)
const at = (visit: string, place: string): string => `/visits/${day}-${visit}/${place}`
beforeAll(async () => {
  server = await serve({
    at: '10:00',
    prepare: async (db, now) => {
      await bringTo(db, `${day}-one`, { until: 'cutting.reduction-check', start: true }, now)
      await bringTo(db, `${day}-two`, { until: 'records.shade', start: true }, now)
      await bringTo(db, `${day}-three`, { until: 'impression.inspect', start: true }, now)
      await bringTo(db, `${day}-four`, { until: 'impression.inspect', start: true, agoS: 3600 }, now)
      await bringTo(db, `${day}-six`, { until: 'provisional.lift', agoS: 210 }, now)
      await db.update(t.loads).set({ spore: true, sporeResult: null }).where(eq(t.loads.number, 234))
    },
  })
  juno = await Screen.open(server.url)
  orrell = await Screen.open(server.url)
  await juno.go('/')
  await juno.enter('juno')
  await orrell.go('/')
  await orrell.enter('orrell')
  const { request } = visitView.parse(await juno.asks(`/visits/${day}-one`))
  const body = { alerts: [...request.alerts, 'latex'], saw: request.alerts }
  await juno.asks(`/visits/${day}-one/alerts`, body, 'PUT')
  const heart = { alerts: ['mouth breather', 'adrenaline-sensitive'], saw: ['mouth breather'] }
  await juno.asks(`/visits/${day}-five/alerts`, heart, 'PUT')
  writeFileSync(
    list,
    'id,name,family,serves,lengthMm,widthMm,reusable,stock\nown-1,Own item,hand instrument,own,90,9,perhaps,1\n',
  )
})
afterAll(async () => {
  await juno.close()
  await orrell.close()
  await server.stop()
  rmSync(list, { force: true })
})

const sizes = [
  [1280, 800],
  [1024, 768],
  [820, 1180],
  [640, 800],
] as const

/** Every control of the open box, brought into sight as the focus brings it, is what a touch in its middle meets. */
const notFree = (s: Screen): Promise<string[]> =>
  s.driver.executeScript<string[]>(`
    const box = [...document.querySelectorAll('[role=dialog]')].at(-1)
    if (!box) return ['no box']
    const said = []
    for (const field of box.querySelectorAll('input, select, textarea, button, [role=radio], [role=button]')) {
      // What is drawn is no field: a thin shape is not met in its middle.
      if (field instanceof SVGElement || field.closest('.sr-only') || field.offsetParent === null) continue
      field.scrollIntoView({ block: 'nearest', inline: 'nearest' })
      const r = field.getBoundingClientRect()
      if (r.width < 2 || r.height < 2) continue
      const words = (field.getAttribute('aria-label') || field.innerText || field.name || field.tagName).slice(0, 50)
      if (r.left < -1 || r.right > innerWidth + 1 || r.top < -1 || r.bottom > innerHeight + 1) {
        said.push('outside: ' + words)
        continue
      }
      const hit = document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2)
      const label = field.closest('label')
      if (!hit || !(hit === field || field.contains(hit) || (label && label.contains(hit))))
        said.push('covered: ' + words + ' by ' + (hit ? hit.tagName + ' ' + (hit.innerText || '').slice(0, 30) : 'nothing'))
    }
    return said`)

async function sized(s: Screen, width: number, height: number): Promise<void> {
  await s.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  })
  await s.until(() => s.driver.executeScript<boolean>(`return innerWidth === ${width} && innerHeight === ${height}`))
}

const chair: [name: string, visit: string, open: (s: Screen) => Promise<unknown>][] = [
  ['reduction, site by site', 'one', (s) => s.key('m')],
  ['shade', 'two', (s) => s.key('m')],
  ['impression, part by part', 'three', (s) => s.key('m')],
  ['what was injected', 'one', (s) => s.press('Change')],
  ['a signature', 'three', (s) => s.key('h')],
  ['a note', 'one', (s) => s.key('n')],
  ['leave out', 'one', (s) => s.key('s')],
  ['how it is worked out', 'one', (s) => s.key('w')],
  ['keys', 'one', (s) => s.key('?')],
  ['a piece is missing', 'one', (s) => s.press('a piece is missing')],
  ['what came up', 'one', (s) => s.press('The dentist answers')],
  ['a cord that stays', 'four', (s) => s.press('It stays, because')],
  ['the device goes to another person', 'one', (s) => s.click('[data-switch]')],
  ['a missed window', 'six', (s) => s.press('The dentist accepts')],
]
const elsewhere: [name: string, path: string, open: (s: Screen) => Promise<unknown>, who?: 'juno'][] = [
  ['add a visit', '/', (s) => s.press('Add a visit')],
  ['calendar', '/', (s) => s.press('Calendar')],
  ['amend a step', '/library/crown.prepare', (s) => s.click('[aria-label^="Amend"]')],
  ['a person', '/settings', (s) => s.press('Add a person')],
  ['another zone', '/settings', (s) => s.press('Another zone')],
  ['a lot', '/cupboard', (s) => s.click('[aria-label^="Add a lot"], [data-add-lot]')],
  ['a load started', '/cupboard/instruments', (s) => s.press('Start a load')],
  ['a spore test', '/cupboard/instruments', (s) => s.click('[aria-label^="Read the spore test"]')],
  ['a list of items', '/cupboard', async (s) => (await s.find('input[type=file]')).sendKeys(list)],
  ['an alert taken away', at('five', 'case'), (s) => s.tick('mouth breather'), 'juno'],
  [
    'the dentist answers at the tray',
    at('five', 'tray'),
    async (s) => {
      await s.layOut()
      await s.readAll()
      await s.press('Sign the tray')
    },
    'juno',
  ],
  ['a load pulled back', '/cupboard/instruments', (s) => s.click('[aria-label^="Pull load"]')],
]

describe('every field is free', () => {
  it.each(chair)('at the chair: %s', async (_name, visit, open) => {
    await juno.go(at(visit, 'chairside'))
    await juno.find('[data-seq]')
    await juno.seen()
    await open(juno)
    await juno.find('[role=dialog]')
    const found: string[] = []
    for (const [w, h] of sizes) {
      await sized(juno, w, h)
      found.push(...(await notFree(juno)).map((f) => `${w}×${h} ${f}`))
    }
    await sized(juno, 1280, 800)
    await juno.press('Close this box')
    expect(found).toEqual([])
  })
  it.each(elsewhere)('%s', async (_name, path, open, who) => {
    const s = who === 'juno' ? juno : orrell
    await s.go(path)
    await open(s)
    await s.find('[role=dialog]')
    const found: string[] = []
    for (const [w, h] of sizes) {
      await sized(s, w, h)
      found.push(...(await notFree(s)).map((f) => `${w}×${h} ${f}`))
    }
    await sized(s, 1280, 800)
    await s.press('Close this box')
    expect(found).toEqual([])
  })
})
