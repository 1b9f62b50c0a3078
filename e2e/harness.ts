/** The real interface in headless Chromium against the real built server. Waits are conditions, never sleeps. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, By, error, Key, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder, Driver } from 'selenium-webdriver/chrome'
import { sure } from '../core/sure'
import { demoCodes } from '../demo/practice'
import { templateVariable } from '../demo/template'
import { openDatabase, type Db } from '../server/db/open'
import { lookedAt, wcag } from './accessible'

process.env['SE_OFFLINE'] = 'true'
// Server, browser and test speak of the same day wherever they run.
process.env['TZ'] = 'Etc/UTC'

/** A port nobody listens on just now. */
export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const at = probe.address()
      probe.close(() => resolve(typeof at === 'object' && at ? at.port : 0))
    })
  })
}

export interface Served {
  url: string
  folder: string
  kill: () => Promise<void>
  restart: () => Promise<void>
  /** Does something to the folder while the server is down, and starts it again. */
  whileDown: (prepare: (db: Db, now: number) => Promise<void>) => Promise<void>
  stop: () => Promise<void>
  /** Lets time pass, on the server's clock and with it on every screen's. */
  pass: (seconds: number) => Promise<void>
}

/** The demo day is the wall's own, at an hour of the test's choosing: no test depends on when it is run. */
const from = Date.now()
const shownAt = (time: string): number => Date.parse(`${new Date(from).toISOString().slice(0, 10)}T${time}:00Z`)
/** What every clock of a served program shows now. */
export const shownNow = (pace: number, at: string): number => Math.round(shownAt(at) + (Date.now() - from) * pace)

interface Clock {
  pace: number
  at: string
  /** What a test has let pass already, ms. */
  passedMs: number
}

function launch(folder: string, port: number, { pace, at, passedMs }: Clock): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['dist/server.js', '--demo'], {
    env: {
      ...process.env,
      JADE_DATA: folder,
      PORT: String(port),
      DATABASE_URL: '',
      TZ: 'Etc/UTC',
      JADE_PACE: String(pace),
      JADE_CLOCK_FROM: String(from),
      JADE_CLOCK_SHOWS: String(shownAt(at) + passedMs),
      JADE_CLOCK_MOVES: '1',
      JADE_HOSTS: 'clinic.test',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  return new Promise((resolve, reject) => {
    let said = ''
    const hear = (chunk: Buffer): void => {
      said += chunk.toString()
      if (said.includes('Jade Tray is at')) resolve(child)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)))
  })
}

const ended = (child: ChildProcess): Promise<void> =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((resolve) => child.once('exit', () => resolve()))

/** A session of the test's own, beside those of its screens. */
async function signedIn(url: string): Promise<string> {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: 'wim', code: demoCodes.wim }),
  })
  return sure(answer.headers.get('set-cookie')?.split(';')[0])
}

/**
 * Starts the built server on a fresh demo folder.
 * `prepare` may bring visits to a moment before the server opens the folder.
 */
export async function serve({
  prepare,
  pace = 1,
  at = '08:30',
}: { prepare?: (db: Db, now: number) => Promise<void> } & Partial<Omit<Clock, 'passedMs'>> = {}): Promise<Served> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-e2e-'))
  cpSync(process.env[templateVariable]!, folder, { recursive: true })
  let passedMs = 0
  const inFolder = async (act: (db: Db, now: number) => Promise<void>): Promise<void> => {
    const database = await openDatabase(folder)
    await act(database.db, shownNow(pace, at) + passedMs)
    await database.close()
  }
  if (prepare) await inFolder(prepare)
  const port = await freePort()
  let child = await launch(folder, port, { pace, at, passedMs })
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    child.kill(signal)
    await ended(child)
  }
  const url = `http://127.0.0.1:${port}`
  let cookie: string | undefined
  return {
    url,
    folder,
    kill: () => end('SIGKILL'),
    restart: async () => {
      child = await launch(folder, port, { pace, at, passedMs })
    },
    whileDown: async (act) => {
      await end('SIGTERM')
      await inFolder(act)
      child = await launch(folder, port, { pace, at, passedMs })
    },
    pass: async (seconds) => {
      const byS = Math.ceil(seconds)
      cookie ??= await signedIn(url)
      const answer = await fetch(`${url}/api/standins/clock`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({ byS }),
      })
      if (!answer.ok) throw new Error(`time did not pass: ${await answer.text()}`)
      passedMs += byS * 1000
    },
    stop: async () => {
      await end('SIGTERM')
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** How often a condition is looked at, ms. */
const pollMs = 30

export class Screen {
  private constructor(
    readonly driver: WebDriver,
    readonly url: string,
    private readonly profile: string,
  ) {}

  /**
   * Opens a window. With `overTheNet` it comes by a name that is no secure context, as over plain http on the clinic's
   * network, where some browser functions are missing.
   */
  static async open(served: string, overTheNet = false): Promise<Screen> {
    const url = overTheNet ? served.replace('127.0.0.1', 'clinic.test') : served
    const profile = mkdtempSync(join(tmpdir(), 'jade-chromium-'))
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
      `--user-data-dir=${profile}`,
      '--host-resolver-rules=MAP clinic.test 127.0.0.1',
    )
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
      .build()
    if (!(driver instanceof Driver)) throw new Error('this needs the chrome driver, for what it tells of the page')
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width: 1280,
      height: 800,
      deviceScaleFactor: 1,
      mobile: false,
    })
    return new Screen(driver, url, profile)
  }

  /** Waits for something, looking often: a test waits no longer than what it waits for. */
  async until(condition: () => boolean | Promise<boolean>, ms = 15_000, words?: string): Promise<void> {
    await this.driver.wait(condition, ms, words, pollMs)
  }

  async go(path: string): Promise<void> {
    await this.driver.get(this.url + path)
  }

  /** Waits for an element, by CSS or by the accessible words in it. */
  async find(css: string, ms = 15_000): Promise<WebElement> {
    return this.driver.wait(until.elementLocated(By.css(css)), ms, `no ${css}`, pollMs).catch(async () => {
      throw new Error(`no ${css}; the page says: ${(await this.text()).slice(0, 1500)}`)
    })
  }

  async button(words: string, ms = 15_000): Promise<WebElement> {
    const xpath = `//*[self::button or self::a][contains(normalize-space(.), "${words}") or contains(@aria-label, "${words}")]`
    const element = await this.driver.wait(until.elementLocated(By.xpath(xpath)), ms, `no button "${words}"`, pollMs)
    await this.driver.wait(until.elementIsEnabled(element), ms, `button "${words}" stays disabled`, pollMs)
    return element
  }

  async press(words: string): Promise<void> {
    await this.touch(() => this.button(words))
  }

  /** Brings an element into sight; whether it then stays where it is for three frames: what moves is not touched yet. */
  private atRest(element: WebElement): Promise<boolean> {
    return this.driver.executeAsyncScript<boolean>(
      `const [element, done] = arguments
       element.scrollIntoView({ block: 'center' })
       const place = () => { const r = element.getBoundingClientRect(); return r.x + ' ' + r.y }
       const at = place()
       let frames = 3
       const look = () => (place() !== at ? done(false) : --frames === 0 ? done(true) : requestAnimationFrame(look))
       requestAnimationFrame(look)`,
      element,
    )
  }

  /** Touches an element as soon as it lies where it can be touched: what is still being laid out moves. */
  private async touch(find: () => Promise<WebElement>): Promise<void> {
    await this.until(
      async () => {
        try {
          const element = await find()
          if (!(await this.atRest(element))) return false
          await element.click()
          return true
        } catch (e) {
          if (e instanceof error.ElementClickInterceptedError || e instanceof error.StaleElementReferenceError)
            return false
          throw e
        }
      },
      15_000,
      'it could not be touched',
    )
  }

  async click(css: string): Promise<void> {
    await this.touch(() => this.find(css))
  }

  /** Touches the box beside some words. */
  async tick(words: string): Promise<void> {
    const box = By.xpath(`//label[contains(normalize-space(.), "${words}")]/input`)
    await this.touch(() => this.driver.wait(until.elementLocated(box), 15_000, `no box "${words}"`, pollMs))
  }

  /** Lays everything out, band by band of every tray. */
  async layOut(): Promise<void> {
    const open = 'svg g[role=checkbox]:not([data-line])[aria-checked="false"]'
    const tabs = (await this.driver.findElements(By.css('[role=tab]'))).length
    for (let at = 1; at <= tabs; at++) {
      await this.click(`[role=tab]:nth-of-type(${at})`)
      await this.find(`[role=tab]:nth-of-type(${at})[aria-selected="true"]`)
      const left = async (): Promise<number> => (await this.driver.findElements(By.css(open))).length
      for (let before = await left(); before > 0; before = await left()) {
        await this.click(open)
        await this.until(async () => (await left()) < before, 15_000, 'the band was not laid out')
      }
    }
  }

  /** Ticks everything that has to be read. */
  async readAll(): Promise<void> {
    const unread = 'label input[type=checkbox]:not(:checked)'
    while ((await this.driver.findElements(By.css(unread))).length > 0) await this.click(unread)
  }

  /** Waits until the page's text says something. */
  async says(words: string | RegExp, ms = 15_000): Promise<void> {
    let text = ''
    await this.until(async () => {
      text = await this.text()
      return typeof words === 'string' ? text.includes(words) : words.test(text)
    }, ms).catch(() => {
      throw new Error(`the page never said ${String(words)}; it says: ${text.slice(0, 900)}`)
    })
  }

  /** What the server answers this browser, as a page of it would ask: with its sign-in. @throws where it refuses */
  async asks(path: string, body?: object): Promise<unknown> {
    const answer = await this.driver.executeAsyncScript<{ status: number; body: unknown }>(
      `const [path, body, done] = arguments
       const asked = body === null ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
       fetch('/api' + path, asked).then(async (r) => done({ status: r.status, body: await r.json() }))`,
      path,
      body ?? null,
    )
    if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${JSON.stringify(answer.body)}`)
    return answer.body
  }

  async text(): Promise<string> {
    return this.driver.executeScript<string>('return document.body.innerText')
  }

  async key(...keys: string[]): Promise<void> {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform()
  }

  async signIn(name: string, code: string): Promise<void> {
    await this.go('/')
    await this.press(name)
    await (await this.find('input[type=password]')).sendKeys(code, Key.ENTER)
    await this.find('header')
    await this.says(name)
  }

  /** The sequence number of the run on this screen. */
  async seq(): Promise<number> {
    return Number(await (await this.find('[data-seq]')).getAttribute('data-seq'))
  }

  /** Does something and waits until the run has moved on by it. */
  async moved(act: () => Promise<unknown>): Promise<void> {
    const before = await this.seq()
    await act()
    await this.until(async () => (await this.seq()) > before, 15_000).catch(async () => {
      throw new Error(`the run did not move on; the page says: ${(await this.text()).slice(0, 1500)}`)
    })
  }

  /** No serious fault of accessibility on what is shown now (axe, WCAG 2.2 AA). */
  accessible(where = ''): Promise<void> {
    return lookedAt(this.driver, where, { type: 'tag', values: wcag })
  }

  /** The same of both themes: a theme is colours and nothing else, so in the second only they are looked at. */
  async accessibleInBoth(where = ''): Promise<void> {
    const show = (theme: string): Promise<unknown> =>
      this.driver.executeScript('document.documentElement.dataset.theme = arguments[0]', theme)
    await this.accessible(where)
    await show('dim')
    await lookedAt(this.driver, `${where}, dim`, { type: 'rule', values: ['color-contrast'] })
    await show('light')
  }

  /**
   * Console errors since the last look. A refusal the test asked for (401, 409) is an answer, not a fault of the page; so is
   * that of a socket whose person signed out before it was open.
   */
  async errors(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.BROWSER)
    return entries
      .filter((e) => e.level.value >= logging.Level.SEVERE.value)
      .map((e) => e.message)
      .filter((m) => !/\/api\/.*(status of (401|409)|HTTP Authentication failed)/.test(m))
  }

  async close(): Promise<void> {
    await this.driver.quit()
    rmSync(this.profile, { recursive: true, force: true })
  }
}
