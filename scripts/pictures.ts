/**
 * Takes the pictures in docs/screenshots from the demo data: runs are brought to the moment wanted by the core's own
 * driver, stored as events with their times, and then looked at in the real interface.
 *   node --import tsx scripts/pictures.ts [FOLDER]
 */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Key } from 'selenium-webdriver'
import { compile } from '../core/plan/compile'
import { checkable, trayReadiness } from '../core/plan/ready'
import { composeNote } from '../core/record/note'
import { give, runThrough, startDrive } from '../core/run/drive'
import type { Who } from '../core/run/decide'
import { seedDemo } from '../demo/seed'
import { openDatabase, type Db } from '../server/db/open'
import * as t from '../server/db/schema'
import { loadPractice, loadVisit } from '../server/db/store'
import { freePort, Screen } from '../e2e/harness'

const target = process.argv[2] ?? 'docs/screenshots'
const day = new Date().toISOString().slice(0, 10)

/** Signs a visit's tray and runs it up to a step; the last event happened just now. */
async function bringTo(db: Db, visitId: string, until: string | undefined, start: boolean): Promise<void> {
  const file = await loadVisit(db, visitId)
  const practice = await loadPractice(db)
  const plan = compile(file.request, practice)
  const dentistId = plan.people.find((p) => p.dentist)!.id
  const who = (id: string, codeShown: boolean): Who => ({ personId: id, roles: practice.people.find((p) => p.id === id)!.roles, codeShown })
  const [assistant, dentist] = [who(plan.people.find((p) => !p.dentist)!.id, false), who(dentistId, true)]
  const run = (from: number) => {
    const drive = runThrough(startDrive(plan, from), assistant, dentist, until)
    if (start && until) give(drive, { kind: 'advance', start: until }, assistant)
    return drive
  }
  // Once to learn how long it takes, then again so that it ends now.
  const drive = run(Date.now() - (run(0).now + 20_000))
  const acknowledged = trayReadiness(plan, new Set()).toAcknowledge.map((a) => a.id)
  await db.insert(t.trayMarks).values(checkable(plan).map((l) => ({ visitId, lineId: l.id, by: assistant.personId, at: drive.events[0]!.at - 600_000 })))
  await db.insert(t.plans).values({ visitId, plan, signedBy: assistant.personId, signedAt: drive.events[0]!.at - 60_000, acknowledged })
  await db.insert(t.runEvents).values(drive.events.map((e) => ({ visitId, ...e })))
  if (drive.state.core.status === 'closed') await db.insert(t.records).values({ visitId, note: composeNote(plan, drive.events, { name: file.patient.name }, practice.zone), closedAt: drive.now })
}

const folder = mkdtempSync(join(tmpdir(), 'jade-pictures-'))
const database = await openDatabase(folder)
await seedDemo(database.db, Date.now(), 'Etc/UTC')
await bringTo(database.db, `${day}-one`, 'impression.load-syringe', false)
await bringTo(database.db, `${day}-two`, undefined, false)
await bringTo(database.db, `${day}-four`, 'cutting.contact-mesial.46', true)
await bringTo(database.db, `${day}-three`, 'cutting.reduction-check', true)
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
  await take('case', `/visits/${day}-six/case`, '[data-question]')
  await take('tray', `/visits/${day}-six/tray`, '[data-line]', async () => {
    await (await screen.driver.findElements({ css: '[role=tab]' })).at(-2)!.click()
    await screen.find('[data-line="cord-0"]')
  })
  await take('chairside', `/visits/${day}-four/chairside`, '[data-now="cutting.contact-mesial.46"]')
  await take('chairside-clocks', `/visits/${day}-one/chairside`, '[data-clock]')
  await take('close', `/visits/${day}-two/close`, '#note')
  await screen.driver.executeScript('localStorage.setItem("jade.theme", "dim")')
  await screen.press('sign out')
  await screen.signIn('Kofi Lindqvist', '5822')
  await take('chairside-dentist', `/visits/${day}-three/chairside`, '[data-hold]')
  await take('hold', '', '[data-hold]', async () => {
    await screen.key('h')
    await (await screen.find('[role=dialog] input[type=password]')).sendKeys('58', Key.NULL)
  })
} finally {
  await screen.close()
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
  rmSync(folder, { recursive: true, force: true })
}
process.exit(0)
