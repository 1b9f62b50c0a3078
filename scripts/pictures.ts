/**
 * Takes the pictures in docs/screenshots from the demo data: runs are brought to the moment wanted by the core's own
 * driver, stored as events with their times, and then looked at in the real interface.
 *   node --import tsx scripts/pictures.ts [FOLDER]
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By } from 'selenium-webdriver'
import { bringTo } from '../demo/bring'
import * as t from '../server/db/schema'
import { Screen } from '../e2e/screen'
import { day, serve } from '../e2e/serve'
import { makeDay } from '../e2e/template'

const target = process.argv[2] ?? 'docs/screenshots'

const removeTemplate = await makeDay()

/** A screen or a part of it that is still waited for. */
const loading = '//p[@role="status" and contains(., "…")]'

type Take = (name: string, path: string, css: string, before?: () => Promise<void>) => Promise<void>
/** One moment of the demo day, and the pictures taken of it. */
async function scene(
  at: string,
  prepare: NonNullable<NonNullable<Parameters<typeof serve>[0]>['prepare']>,
  look: (screen: Screen, take: Take) => Promise<void>,
): Promise<void> {
  const server = await serve({ pace: 1, at, prepare })
  const screen = await Screen.open(server.url)
  const settled = () =>
    screen.driver.executeAsyncScript(
      'const done = arguments[arguments.length - 1]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))',
    )
  try {
    await look(screen, async (name, path, css, before) => {
      if (path) await screen.go(path)
      await screen.find(css)
      // What the last screen showed answers to the same name while this one is still on its way: it has to stand, drawn.
      await screen.until(
        async () => {
          await settled()
          const count = async (by: By): Promise<number> => (await screen.driver.findElements(by)).length
          return (await count(By.xpath(loading))) === 0 && (await count(By.css(css))) > 0
        },
        15_000,
        `${name} stays loading`,
      )
      await before?.()
      await settled()
      writeFileSync(join(target, `${name}.png`), await screen.driver.takeScreenshot(), 'base64')
    })
  } finally {
    await screen.close()
    await server.stop()
  }
}

/** A paper, as the browser's own reader shows it. */
async function takePaper(screen: Screen, name: string, path: string): Promise<void> {
  const base64 = await screen.driver.executeAsyncScript<string>(
    `const [path, done] = arguments
     fetch(path).then((r) => r.blob()).then((blob) => {
       const reader = new FileReader()
       reader.onload = () => done(reader.result.split(',')[1])
       reader.readAsDataURL(blob)
     })`,
    path,
  )
  const folder = mkdtempSync(join(tmpdir(), 'jade-paper-'))
  writeFileSync(join(folder, 'paper.pdf'), base64, 'base64')
  writeFileSync(
    join(folder, 'paper.html'),
    '<body style="margin:0"><embed src="paper.pdf#toolbar=0&view=FitH" type="application/pdf" width="1280" height="800"></body>',
  )
  await screen.driver.get(`file://${folder}/paper.html`)
  const empty = await screen.driver.takeScreenshot()
  // The reader draws when it is ready, and says so to nobody: it is ready when it shows something and stands still.
  let before = empty
  await screen.until(
    async () => {
      const now = await screen.driver.takeScreenshot()
      const still = now === before && now !== empty
      before = now
      return still
    },
    15_000,
    `${name} is not drawn`,
  )
  writeFileSync(join(target, `${name}.png`), before, 'base64')
  rmSync(folder, { recursive: true })
}

// The desk: twenty past ten, one visit late, two over.
await scene(
  '10:20',
  async (db, now) => {
    await bringTo(db, `${day}-seven`, {}, now - 80 * 60_000)
    await bringTo(db, `${day}-eight`, {}, now)
    await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, now)
    await bringTo(db, `${day}-one`, { until: 'cutting.margin.37', start: true, agoS: 44 * 60 }, now)
    // A tray half laid out.
    await db
      .insert(t.trayMarks)
      .values(
        [
          'mirror',
          'explorer',
          'probe',
          'tweezers',
          'bib',
          'gloves-nitrile',
          'high-speed',
          'cord-0',
          'cord-packer',
          'face-shield',
        ].map((lineId) => ({ visitId: `${day}-six`, lineId, by: 'juno', at: now })),
      )
      .onConflictDoNothing()
  },
  async (screen, take) => {
    await screen.signIn('Juno Abara', '3816')
    await take('day', '/', '[data-visit]')
    await take('day-late', '', '[data-late]', async () => {
      await screen.press('60 min')
      await screen.press('Propose from now')
      await screen.find('[data-proposal]')
      await screen.driver.executeScript('window.scrollTo(0, 9999)')
    })
    await take('case', `/visits/${day}-six/case`, '[data-delegation]')
    await take('tray', `/visits/${day}-six/tray`, '[data-line]', async () => {
      await screen.press('Cutting, Tissue')
      await screen.find('[data-line="cord-0"]')
    })
    await take('close', `/visits/${day}-eight/close`, '#note')
    await take('tray-root-canal', `/visits/${day}-nine/tray`, '[data-line]', async () => {
      await screen.press('Root canal')
      await screen.find('[data-line="rotary-files"]')
    })
    await take('library', '/library/bridge.metal.deliver', '[data-step]')
    await take('cupboard', '/cupboard', '[data-lot]')
    await take('cupboard-instruments', '/cupboard/instruments', '[data-load]')
    await take('cupboard-order', '/cupboard/order', '[data-stock]')
    await take('lookback', '/lookback', 'canvas')
    await take('settings', '/settings', '[data-function]')
    await takePaper(screen, 'setup-sheet', `/api/visits/${day}-four/setup.pdf`)
  },
)

// The chair: an impression about to be taken, a contact being cut, a dentist's signature awaited.
await scene(
  '12:05',
  async (db, now) => {
    await bringTo(db, `${day}-one`, { until: 'impression.inject', start: true, agoS: 12 }, now)
    await bringTo(db, `${day}-four`, { until: 'cutting.contact-mesial.47', start: true }, now)
    await bringTo(db, `${day}-three`, { until: 'cutting.reduction-check', start: true }, now)
    await bringTo(db, `${day}-six`, { until: 'impression.inspect', start: true }, now)
  },
  async (screen, take) => {
    await screen.signIn('Juno Abara', '3816')
    await take('case-bridge', `/visits/${day}-eight/case`, '[data-delegation]')
    await take('chairside', `/visits/${day}-four/chairside`, '[data-now="cutting.contact-mesial.47"]')
    await take('chairside-clocks', `/visits/${day}-one/chairside`, '[data-clock]')
    await take('readings', `/visits/${day}-six/chairside`, '[data-status=running]', async () => {
      await screen.key('m')
      await screen.click('[role=dialog] [data-part=distal]')
      await screen.click('[role=dialog] [data-part=distal]')
      await screen.click('[data-field="bubble clear of margin and contact"]')
    })
    await screen.press('Close this box')
    await take('drill', '/drill', '[data-start]', async () => {
      await screen.click('[data-kind="bridge.metal.deliver"]')
      await screen.click('[data-piece]')
      await screen.press('The tray is laid')
      while ((await screen.driver.findElements({ css: '[data-exercise]' })).length === 0) {
        if ((await screen.driver.findElements({ css: '[data-choice]' })).length > 0) await screen.click('[data-choice]')
        else await screen.press('This is their order')
      }
      await screen.key(' ')
      await screen.press('Leave the rest undone')
      await screen.find('[data-score]')
    })
    await screen.driver.executeScript('localStorage.setItem("jade.theme", "dim")')
    await screen.press('sign out')
    await screen.signIn('Kofi Lindqvist', '582236')
    await take('chairside-dentist', `/visits/${day}-three/chairside`, '[data-hold]')
  },
)
removeTemplate()
process.exit(0)
