/** A team at one chair: the assistant's hands on keys only, the dentist on a second window. */
import { Key } from 'selenium-webdriver'
import { soundReadingsOf } from '../core/run/drive'
import { replay } from '../core/run/state'
import { sure } from '../core/sure'
import { eventsView } from '../wire/run'
import { visitView } from '../wire/visit'
import type { Screen, Served } from './harness'

/** The step in front on a screen; empty while nothing runs. */
export const nowStep = async (s: Screen): Promise<string> =>
  (await (
    await s.find('[data-now], [data-status="closed"], [data-status="laid up"], [data-status="running"]')
  ).getAttribute('data-now')) ??
  (await (await s.driver.findElements({ css: '[data-now]' }))[0]?.getAttribute('data-now')) ??
  ''

/** Presses "next" with the key of a foot pedal, until the server has taken it. */
export const pedal = (s: Screen, key: string = Key.PAGE_DOWN): Promise<void> => s.moved(() => s.key(key))

/** Goes from control to control by tab until one with these words has the focus. */
export async function tabTo(s: Screen, words: string, most = 120): Promise<void> {
  const at = () =>
    s.driver.executeScript<string>(
      'const e = document.activeElement; return e && e !== document.body ? `${e.getAttribute("aria-label") ?? ""} ${e.innerText ?? e.textContent ?? ""}` : ""',
    )
  for (let i = 0; i < most; i++) {
    if ((await at()).includes(words)) return
    await s.key(Key.TAB)
  }
  throw new Error(`no way to “${words}” by tab`)
}
/** Comes to a control by tab and presses it. */
export async function enter(s: Screen, words: string): Promise<void> {
  await tabTo(s, words)
  await s.key(Key.ENTER)
}

/** Whether what is waited for now, by the seconds it takes, is another thing than before. */
const another = (before: number | undefined, now: number | undefined): boolean =>
  before === undefined || now === undefined ? before !== now : Math.abs(now - before) > 2

export class Team {
  constructor(
    private readonly server: Served,
    readonly assistant: Screen,
    readonly dentist: Screen,
    private readonly code: string,
    /** Counts that are left open on purpose. */
    private readonly uncounted: readonly string[] = [],
  ) {}

  /** What the signature rests on is read, and found good: told to the server by the assistant's own browser. */
  private async read(hold: string): Promise<void> {
    const { assistant, dentist } = this
    const unread = { css: `[data-unread="${hold}"]` }
    if ((await dentist.driver.findElements(unread)).length === 0) return
    const visit = sure(/visits\/([^/]+)/.exec(await assistant.driver.getCurrentUrl())?.[1])
    const { frozen } = visitView.parse(await assistant.asks(`/visits/${visit}`))
    const { plan } = sure(frozen)
    const { events } = eventsView.parse(await assistant.asks(`/visits/${visit}/events`))
    const { core } = replay(plan, events)
    for (const [n, command] of soundReadingsOf(plan, core, hold).entries())
      await assistant.asks(`/visits/${visit}/commands`, {
        commandId: `e2e-read-${events.length}-${n}`,
        basedOn: events.length + n,
        device: 'e2e',
        command,
      })
    await dentist.until(
      async () => (await dentist.driver.findElements(unread)).length === 0,
      15_000,
      `${hold}: what was read did not come`,
    )
  }

  /** Signs the hold that is asked, with the dentist's code, on the dentist's window. */
  async sign(hold: string): Promise<void> {
    await this.read(hold)
    await this.dentist.click(`[data-hold="${hold}"]`)
    await this.dentist.moved(async () =>
      (await this.dentist.find('[role=dialog] input[type=password]')).sendKeys(this.code, Key.ENTER),
    )
  }

  /** The dentist's answer is "not good", with a reason. */
  async again(hold: string, why: string): Promise<void> {
    await this.dentist.click(`[data-hold="${hold}"]`)
    await this.dentist.press('Not good: again')
    await (await this.dentist.find('[role=dialog] textarea')).sendKeys(why)
    await this.dentist.moved(() => this.dentist.press('Do it over'))
  }

  /** Counts out, by the key, what comes out with the step in front. */
  async countOut(): Promise<void> {
    const css = '[data-out-now]:not([data-open="0"])'
    for (;;) {
      const [out] = await this.assistant.driver.findElements({ css })
      const id = await out?.getAttribute('data-count')
      if (!out || this.uncounted.includes(id!)) return
      await this.assistant.moved(() => this.assistant.key('o'))
      await this.assistant.until(
        async () =>
          (await this.assistant.driver.findElements({ css: `[data-count="${id}"][data-out-now]` })).length === 0,
        15_000,
        `${id} stays open`,
      )
    }
  }

  /** Seconds an element of the assistant's screen says are left; nothing where it is not there. */
  private async left(attribute: 'data-lasting' | 'data-wait'): Promise<number | undefined> {
    const [found] = await this.assistant.driver.findElements({ css: `[${attribute}]` })
    const said = await found?.getAttribute(attribute).catch(() => null)
    return said === null || said === undefined ? undefined : Number(said)
  }

  /**
   * Runs the visit on as a team does: pedal, count out what came out, the dentist signs on the other window; where a clock
   * says wait, time passes. Stops before the step named is finished, or when nothing is left.
   * @param look what is looked at when a step has come
   */
  async runOn(until: string, look?: (stepId: string) => Promise<void>): Promise<void> {
    const { assistant, dentist } = this
    for (let turns = 0; turns < 500; turns++) {
      // A machine under load may miss a window of seconds: then it is done over, as at the chair.
      if (
        (await assistant.driver.findElements({ xpath: '//*[@role="dialog"]//button[normalize-space(.)="Do it over"]' }))
          .length > 0
      ) {
        await assistant.moved(() => enter(assistant, 'Do it over'))
        continue
      }
      const at = await nowStep(assistant)
      await look?.(at)
      if (at === until) return
      await this.countOut()
      if (at) {
        // A step that has a time to last is given it.
        const lastsS = await this.left('data-lasting')
        if (lastsS !== undefined) {
          await this.server.pass(lastsS)
          await assistant.until(
            async () => (await this.left('data-lasting')) === undefined,
            15_000,
            `${at} lasts for ever`,
          )
        }
        await pedal(assistant)
        continue
      }
      const text = await assistant.text()
      if (text.includes('All steps are answered')) return
      if (text.includes('Ready for the next step')) {
        await pedal(assistant)
        continue
      }
      const [asked] = await dentist.driver.findElements({ css: '[data-hold]' })
      const waitS = await this.left('data-wait')
      if (asked && text.includes('Waiting for the dentist')) await this.sign((await asked.getAttribute('data-hold'))!)
      else if (waitS !== undefined) await this.server.pass(waitS)
      // Whatever it is that is waited for, the screen changes by itself when it has come; the next wait may stand there then.
      await assistant.until(
        async () =>
          !/Waiting/.test(await assistant.text()) ||
          another(waitS, await this.left('data-wait')) ||
          (await assistant.driver.findElements({ css: '[role=dialog]' })).length > 0 ||
          (await dentist.driver.findElements({ css: '[data-hold]' })).length > 0,
        30_000,
        'waited for nothing',
      )
    }
    throw new Error(`never came to ${until}`)
  }
}
