/** The real interface in headless Chromium. Waits are conditions, never sleeps. */
import { By, error, Key, logging, until, type WebElement } from 'selenium-webdriver'
import type { Driver } from 'selenium-webdriver/chrome'
import { lookedAt } from './accessible'
import { leaveBrowser, takeBrowser } from './browsers'
import { signedIn } from './serve'

/** How often a condition is looked at, ms. */
const pollMs = 30
/** So long a touch is tried, ms: on a machine with much else to do a page may stand still for seconds. */
const touchMs = 30_000

export class Screen {
  private constructor(
    readonly driver: Driver,
    readonly url: string,
  ) {}

  /**
   * Opens a window. With `overTheNet` it comes by a name that is no secure context, as over plain http on the clinic's
   * network, where some browser functions are missing.
   */
  static async open(served: string, overTheNet = false): Promise<Screen> {
    const url = overTheNet ? served.replace('127.0.0.1', 'clinic.test') : served
    return new Screen(await takeBrowser(), url)
  }

  /** Waits for something, looking often: a test waits no longer than what it waits for. */
  async until(condition: () => boolean | Promise<boolean>, ms = 15_000, words?: string): Promise<void> {
    await this.driver.wait(condition, ms, words, pollMs)
  }

  /** Goes to another page as a link would; where nobody is signed in yet, or from a page to itself, by loading the program. */
  async go(path: string): Promise<void> {
    const linked = await this.driver.executeScript<boolean>(
      `const [base, path] = arguments
       const here = location.origin === base ? location.pathname + location.search : undefined
       if (here === undefined || here === path || !document.querySelector('main[data-at]')) return false
       history.pushState({ idx: (history.state?.idx ?? 0) + 1 }, '', path)
       dispatchEvent(new PopStateEvent('popstate', { state: history.state }))
       return true`,
      this.url,
      path,
    )
    if (!linked) return this.load(path)
    // Where nobody is signed in any more there is the way in, and no page of anybody's.
    const there =
      'const main = document.querySelector("main[data-at]"); return !main || main.dataset.at === location.pathname'
    await this.until(() => this.driver.executeScript<boolean>(there), 15_000, `${path} did not open`)
  }

  /** Loads the program anew, at a page. */
  async load(path: string): Promise<void> {
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

  /**
   * Touches an element as soon as it lies where it can be touched: what is still being laid out moves.
   * @throws what kept it from being touched the last time
   */
  private async touch(find: () => Promise<WebElement>): Promise<void> {
    let why = 'it was not looked at'
    await this.until(async () => {
      try {
        const element = await find()
        if (await this.atRest(element)) {
          await element.click()
          return true
        }
        why = 'it moves'
      } catch (e) {
        // Something lies over it, or it is not there any more; which, its message says.
        if (!(e instanceof error.ElementClickInterceptedError || e instanceof error.StaleElementReferenceError)) throw e
        why = e.message
      }
      return false
    }, touchMs).catch((e: unknown) => {
      throw e instanceof error.TimeoutError ? new Error(`it could not be touched: ${why} (${e.message})`) : e
    })
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
  async asks(path: string, body?: object, method = 'POST'): Promise<unknown> {
    const answer = await this.driver.executeAsyncScript<{ status: number; body: unknown }>(
      `const [path, body, method, done] = arguments
       const asked = body === null ? {} : { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
       fetch('/api' + path, asked).then(async (r) => done({ status: r.status, body: await r.json() }))`,
      path,
      body ?? null,
      method,
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

  /** Lets a person in from the next page on, without the way in: that is gone by hand in crown-visit.test.ts. */
  async enter(personId: string): Promise<void> {
    for (const cookie of await signedIn(this.url, personId)) {
      const [name = '', value = ''] = cookie.split('=', 2)
      await this.driver.sendDevToolsCommand('Network.setCookie', {
        url: this.url,
        name,
        value: decodeURIComponent(value),
        httpOnly: true,
        sameSite: 'Strict',
      })
    }
  }

  async signIn(name: string, code: string): Promise<void> {
    await this.go('/')
    await this.press(name)
    await (await this.find('input[type=password]')).sendKeys(code, Key.ENTER)
    await this.find('header')
    await this.says(name)
  }

  /** Waits until nothing such is there any more. */
  async gone(css: string, why: string): Promise<void> {
    await this.until(async () => (await this.driver.findElements({ css })).length === 0, 15_000, why)
  }

  /** The sequence number of the run on this screen. */
  async seq(): Promise<number> {
    return Number(await (await this.find('[data-seq]')).getAttribute('data-seq'))
  }

  /** What stands in front at the chair has stood there long enough to be meant by a touch (web/chairside/seen.ts). */
  async seen(): Promise<void> {
    await this.driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1]
      const from = Number(document.querySelector('[data-seen-from]')?.dataset.seenFrom ?? 0)
      setTimeout(done, from - performance.now())`)
  }

  /** Does something and waits until the run has moved on by it. */
  async moved(act: () => Promise<unknown>): Promise<void> {
    const before = await this.seq()
    await this.seen()
    await act()
    await this.until(async () => (await this.seq()) > before, 15_000).catch(async () => {
      throw new Error(`the run did not move on; the page says: ${(await this.text()).slice(0, 1500)}`)
    })
  }

  /**
   * No fault of accessibility (axe, WCAG 2.2 AA) in a part of the page: what is new there. The screens themselves are looked
   * at whole, in both themes, in every-screen.test.ts.
   */
  async accessible(part: string, where = part): Promise<void> {
    await this.find(part)
    return lookedAt(this.driver, part, where, 'everything')
  }

  /** The same of both themes: a theme is colours and nothing else, so in the second only they are looked at. */
  async accessibleInBoth(where = ''): Promise<void> {
    const show = (theme: string): Promise<unknown> =>
      this.driver.executeScript('document.documentElement.dataset.theme = arguments[0]', theme)
    await this.accessible('body', where)
    await show('dim')
    await lookedAt(this.driver, 'body', `${where}, dim`, 'colours')
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

  close(): Promise<void> {
    return leaveBrowser(this.driver, this.url)
  }
}
