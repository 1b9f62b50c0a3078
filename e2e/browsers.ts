/**
 * Browsers, taken and left: within a run of the tests one is handed on from file to file of a worker, swept clean; a script
 * has its own and ends it.
 */
import { Builder, logging } from 'selenium-webdriver'
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome'
import * as z from 'zod'

process.env['SE_OFFLINE'] = 'true'

/** Where the driver of a whole run listens, told to the workers by environment. */
const driverVariable = 'JADE_TEST_DRIVER'
/** The device's own zone is far from the practice's: what is shown is the practice's time, wherever it is looked at. */
const driverService = (): ServiceBuilder =>
  new ServiceBuilder('/usr/bin/chromedriver').setEnvironment({ ...process.env, TZ: 'Pacific/Kiritimati' })

/** Browsers of this worker that nobody looks at just now. */
const free: Driver[] = []

async function openBrowser(): Promise<Driver> {
  const prefs = new logging.Preferences()
  prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL)
  const options = new Options()
  options.setChromeBinaryPath('/usr/bin/chromium')
  options.setLoggingPrefs(prefs)
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // As for whoever asks for less motion: nothing fades while it is looked at.
    '--force-prefers-reduced-motion',
    // A page lives for seconds: making its code fast costs more than it saves.
    '--js-flags=--no-opt',
    '--host-resolver-rules=MAP clinic.test 127.0.0.1',
  )
  const builder = new Builder().forBrowser('chrome').setChromeOptions(options)
  const shared = process.env[driverVariable]
  if (shared) builder.usingServer(shared)
  else builder.setChromeService(driverService())
  const driver = await builder.build()
  if (!(driver instanceof Driver)) throw new Error('this needs the chrome driver, for what it tells of the page')
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width: 1280,
    height: 800,
    deviceScaleFactor: 1,
    mobile: false,
  })
  return driver
}

/** A browser nobody has signed in on. */
export async function takeBrowser(): Promise<Driver> {
  return free.pop() ?? openBrowser()
}

/** Ends a browser, or sweeps out what was kept for an address and leaves it to whoever takes the next. */
export async function leaveBrowser(driver: Driver, url: string): Promise<void> {
  if (!process.env[driverVariable]) return driver.quit()
  await driver.get('about:blank')
  await driver.sendDevToolsCommand('Storage.clearDataForOrigin', { origin: url, storageTypes: 'all' })
  await driver.sendDevToolsCommand('Network.clearBrowserCookies', {})
  await driver.manage().logs().get(logging.Type.BROWSER)
  free.push(driver)
}

/** Starts the driver of a whole run. @returns what ends it and every browser that was opened by it */
export async function shareDriver(): Promise<() => Promise<void>> {
  const service = driverService().build()
  const url = await service.start()
  process.env[driverVariable] = url
  return async () => {
    const answer = await fetch(new URL('sessions', url))
    const { value } = z.object({ value: z.array(z.object({ id: z.string() })) }).parse(await answer.json())
    for (const { id } of value) await fetch(new URL(`session/${id}`, url), { method: 'DELETE' })
    await service.kill()
  }
}
