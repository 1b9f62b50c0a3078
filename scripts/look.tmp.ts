import { mkdirSync, writeFileSync } from 'node:fs'
import { bringTo } from '../demo/bring'
import { Screen, serve } from '../e2e/harness'
import makeTemplate from '../e2e/template'
const day = new Date().toISOString().slice(0, 10)
const remove = await makeTemplate()
mkdirSync('/tmp/look', { recursive: true })
const server = await serve({ pace: 1, at: '10:20', prepare: async (db, now) => {
  await bringTo(db, `${day}-one`, { until: 'impression.inspect', start: true, agoS: 20 }, now)
  await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, now)
  await bringTo(db, `${day}-four`, { until: 'provisional.try-in', start: true }, now)
  await bringTo(db, `${day}-three`, { until: 'provisional.lift', start: true, agoS: 5 }, now)
  await bringTo(db, `${day}-eight`, { until: 'isolation.dam-on', start: true }, now)
} })
const s = await Screen.open(server.url)
const shot = async (name: string) => { await s.driver.executeAsyncScript('const d=arguments[arguments.length-1];document.fonts.ready.then(()=>requestAnimationFrame(()=>requestAnimationFrame(()=>d())))'); writeFileSync(`/tmp/look/${name}.png`, await s.driver.takeScreenshot(), 'base64') }
try {
  await s.signIn('Juno Abara', '1234')
  await s.go('/drill'); await s.find('[data-start]'); await shot('drill')
  await s.click('[data-kind="bridge.metal.deliver"]'); await s.find('[data-piece]'); await shot('drill-tray')
  await s.click('[data-piece]'); await s.press('The tray is laid')
  for (;;) { const c = await s.driver.findElements({ css: '[data-choice]' }); if (c.length === 0) break; if (c.length === 3) await shot('drill-order'); await c[0]!.click() }
  await s.press('This is their order')
  await s.driver.sleep(200)
  if ((await s.driver.findElements({ css: '[data-choice]' })).length > 0) { for (;;) { const c = await s.driver.findElements({ css: '[data-choice]' }); if (c.length === 0) break; await c[0]!.click() } await s.press('This is their order') }
  await s.find('[data-exercise]'); await s.key(' '); await s.driver.sleep(900); await s.key('1'); await shot('drill-clock'); await s.press('Leave the rest undone'); await s.find('[data-score]'); await shot('drill-score')
} catch (e) { console.log(e); await shot('error') } finally { await s.close(); await server.stop(); remove() }
