/**
 * Takes the pictures in docs/screenshots from the demo data: runs are brought to the moment wanted by the core's own
 * driver, stored as events with their times, and then looked at in the real interface.
 *   node --import tsx scripts/pictures.ts [FOLDER]
 */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bringTo } from '../demo/bring'
import { seedDemo } from '../demo/seed'
import { openDatabase } from '../server/db/open'
import * as t from '../server/db/schema'
import { freePort, Screen } from '../e2e/harness'

const target = process.argv[2] ?? 'docs/screenshots'
const day = new Date().toISOString().slice(0, 10)

const folder = mkdtempSync(join(tmpdir(), 'jade-pictures-'))
const database = await openDatabase(folder)
await seedDemo(database.db, Date.now(), 'Etc/UTC')
await bringTo(database.db, `${day}-one`, { until: 'impression.load-syringe' })
await bringTo(database.db, `${day}-two`, {})
await bringTo(database.db, `${day}-four`, { until: 'cutting.contact-mesial.46', start: true })
await bringTo(database.db, `${day}-three`, { until: 'cutting.reduction-check', start: true })
// A tray half laid out.
await database.db.insert(t.trayMarks).values(['mirror', 'explorer', 'probe', 'tweezers', 'bib', 'gloves-nitrile', 'high-speed', 'cord-0', 'cord-packer', 'face-shield'].map((lineId) => ({ visitId: `${day}-six`, lineId, by: 'juno', at: Date.now() }))).onConflictDoNothing()
await database.close()

const port = await freePort()
const child = spawn(process.execPath, ['dist/server.js', '--demo'], { env: { ...process.env, JADE_DATA: folder, PORT: String(port), DATABASE_URL: '', TZ: 'Etc/UTC' }, stdio: ['ignore', 'pipe', 'inherit'] })
await new Promise<void>((resolve) => child.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Jade Tray is at') && resolve()))
const screen = await Screen.open(`http://127.0.0.1:${port}`)
const settled = () => screen.driver.executeAsyncScript('const done = arguments[arguments.length - 1]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))')
const take = async (name: string, path: string, css: string, before?: () => Promise<void>): Promise<void> => {
  if (path) await screen.go(path)
  await screen.find(css)
  await before?.()
  await settled()
  writeFileSync(join(target, `${name}.png`), await screen.driver.takeScreenshot(), 'base64')
}
try {
  await screen.signIn('Juno Abara', '1234')
  await take('day', '/', '[data-visit]')
  await take('case', `/visits/${day}-six/case`, '[data-forecast]')
  await take('tray', `/visits/${day}-six/tray`, '[data-line]', async () => {
    await (await screen.driver.findElements({ css: '[role=tab]' })).at(-2)!.click()
    await screen.find('[data-line="cord-0"]')
  })
  await take('chairside', `/visits/${day}-four/chairside`, '[data-now="cutting.contact-mesial.46"]')
  await take('chairside-clocks', `/visits/${day}-one/chairside`, '[data-clock]')
  await take('close', `/visits/${day}-two/close`, '#note')
  await take('case-bridge', `/visits/${day}-eight/case`, '[data-forecast]')
  await take('tray-root-canal', `/visits/${day}-nine/tray`, '[data-line]', async () => {
    await screen.press('Root canal')
    await screen.find('[data-line="rotary-files"]')
  })
  await take('library', '/library/bridge.metal.deliver', '[data-step]')
  await take('library-cards', '/library/crown.prepare', '[data-step]', async () => {
    await screen.press('Two cards')
    await screen.find('tr[data-question]')
  })
  await take('cupboard', '/cupboard', '[data-lot]')
  await take('settings', '/settings', '[data-function]')
  await screen.driver.executeScript('localStorage.setItem("jade.theme", "dim")')
  await screen.press('sign out')
  await screen.signIn('Kofi Lindqvist', '5822')
  await take('chairside-dentist', `/visits/${day}-three/chairside`, '[data-hold]')
} finally {
  await screen.close()
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
  rmSync(folder, { recursive: true, force: true })
}
process.exit(0)
