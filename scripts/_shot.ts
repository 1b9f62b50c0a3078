import { writeFileSync } from 'node:fs'
import { Screen, serve } from '../e2e/harness'
import makeTemplate from '../e2e/template'
const rm = await makeTemplate()
const day = new Date().toISOString().slice(0, 10)
const server = await serve({ pace: 1, at: '10:20' })
const s = await Screen.open(server.url)
const shot = async (n: string) => writeFileSync(`/tmp/${n}.png`, await s.driver.takeScreenshot(), 'base64')
try {
  await s.signIn('Dr Imke Varen', '7711')
  await s.go('/settings')
  await s.find('[data-rule]')
  await s.driver.executeScript(
    "const d=[...document.querySelectorAll('details')].find(d=>/Cord/.test(d.textContent)); d.open=true; d.scrollIntoView({block:'center'}); d.scrollIntoView()",
  )
  await shot('rules')
  for (const v of ['two', 'three', 'four', 'six', 'nine', 'ten']) {
    await s.go(`/visits/${day}-${v}/case`)
    await s.find('[data-question]')
    const n = (await s.driver.findElements({ css: '[data-tooth-facts], [data-facts-of]' })).length
    console.log(v, n, (await s.text()).slice(0, 160).replaceAll('\n', ' '))
  }
} catch (e) {
  console.log(String(e))
} finally {
  await s.close()
  await server.stop()
  rm?.()
}
process.exit(0)
