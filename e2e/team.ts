/** A team at one chair: the assistant's hands on keys only, the dentist on a second window. */
import { Key } from 'selenium-webdriver'
import * as z from 'zod'
import { compile } from '../core/plan/compile'
import { checkable } from '../core/plan/ready'
import { practice } from '../core/practice/practice'
import { soundReadingsOf } from '../core/run/drive'
import { replay } from '../core/run/state'
import { sure } from '../core/sure'
import { eventsView } from '../wire/run'
import { visitView } from '../wire/visit'
import type { Screen } from './screen'
import type { Served } from './serve'

/** What a screen of the chair shows, seen at one glance. */
const glance = z.object({
  /** The step in front; empty while nothing runs. */
  step: z.string(),
  /** Whether a window was missed and asks. */
  missed: z.boolean(),
  asks: z.boolean(),
  /** What came out with the step in front and is not counted yet. */
  out: z.array(z.string()),
  /** Seconds that are left of what the step has to last; of what is waited for. */
  lastsS: z.number().nullable(),
  waitS: z.number().nullable(),
  ready: z.boolean(),
  waits: z.boolean(),
  waitsForDentist: z.boolean(),
  answered: z.boolean(),
})
const look = async (s: Screen): Promise<z.infer<typeof glance>> => {
  await s.find('[data-seq]')
  return glance.parse(
    await s.driver.executeScript(`
      const all = (css) => [...document.querySelectorAll(css)]
      const seconds = (name) => { const said = all('[' + name + ']')[0]?.getAttribute(name); return said == null ? null : Number(said) }
      const text = document.body.innerText
      return {
        step: all('[data-now]')[0]?.dataset.now ?? '',
        missed: all('[role=dialog] button').some((b) => b.innerText.trim() === 'Do it over'),
        asks: all('[role=dialog]').length > 0,
        out: all('[data-out-now]:not([data-open="0"])').map((e) => e.dataset.count),
        lastsS: seconds('data-lasting'),
        waitS: seconds('data-wait'),
        ready: text.includes('Ready for the next step'),
        waits: text.includes('Waiting'),
        waitsForDentist: text.includes('Waiting for the dentist'),
        answered: text.includes('All steps are answered'),
      }`),
  )
}
/** The step in front on a screen; empty while nothing runs. */
export const nowStep = async (s: Screen): Promise<string> => (await look(s)).step

/** Presses "next" with the key of a foot pedal, until the server has taken it. */
export const pedal = (s: Screen, key: string = Key.PAGE_DOWN): Promise<void> => s.moved(() => s.key(key))

/** Goes from control to control by tab until one with these words has the focus. */
export async function tabTo(s: Screen, words: string, most = 120): Promise<void> {
  const at = () =>
    s.driver.executeScript<string>(
      'const e = document.activeElement; return e && e !== document.body && !e.matches("[role=dialog]") ? `${e.getAttribute("aria-label") ?? ""} ${e.innerText ?? e.textContent ?? ""}` : ""',
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
const another = (before: number | null, now: number | null): boolean =>
  before === null || now === null ? before !== now : Math.abs(now - before) > 2

/** A dentist's own touch on a signature that is asked; the code is given where it is asked for, too. */
export const signsOn = (s: Screen, hold: string, code: string): Promise<void> =>
  s.moved(async () => {
    const open = `[data-hold="${hold}"]`
    await s.click(open)
    const pad = '[role=dialog] input[type=password]'
    const there = async (css: string): Promise<boolean> => (await s.driver.findElements({ css })).length > 0
    await s.until(async () => (await there(pad)) || !(await there(open)), 15_000)
    if (await there(pad)) await (await s.find(pad)).sendKeys(code, Key.ENTER)
  })

/** The visit a screen is at. */
const visitAt = async (s: Screen): Promise<string> => sure(/visits\/([^/]+)/.exec(await s.driver.getCurrentUrl())?.[1])

/**
 * Lays out what is not laid out yet, told to the server by the screen's own browser (touch by touch it is laid in
 * crown-visit.test.ts); reads what has to be read, and signs.
 */
export async function layUpAndSign(s: Screen): Promise<void> {
  await s.find('[data-line]')
  const visitId = await visitAt(s)
  const { request } = visitView.parse(await s.asks(`/visits/${visitId}`))
  const plan = compile(request, practice.parse(await s.asks('/practice')))
  await s.asks(`/visits/${visitId}/tray`, { lineIds: checkable(plan).map((l) => l.id), done: true }, 'PUT')
  await s.gone('svg g[role=checkbox]:not([data-line])[aria-checked="false"]', 'the screen does not show what is laid')
  await s.readAll()
  await s.press('Sign the tray')
  await s.says('Ready to begin')
}

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
    const unread = `[data-unread="${hold}"]`
    if ((await dentist.driver.findElements({ css: unread })).length === 0) return
    const visit = await visitAt(assistant)
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
    await dentist.gone(unread, `${hold}: what was read did not come`)
  }

  /** Signs the hold that is asked, with the dentist's code, on the dentist's window. */
  async sign(hold: string): Promise<void> {
    await this.read(hold)
    await signsOn(this.dentist, hold, this.code)
  }

  /** The dentist's answer is "not good", with a reason. */
  async again(hold: string, why: string): Promise<void> {
    await this.dentist.click(`[data-other-answer="${hold}"]`)
    await this.dentist.press('Not good: again')
    await (await this.dentist.find('[role=dialog] textarea')).sendKeys(why)
    await this.dentist.moved(() => this.dentist.press('Do it over'))
  }

  /** Counts out, by the key, what comes out with the step in front. */
  async countOut(): Promise<void> {
    const first = async (): Promise<string | undefined> => (await look(this.assistant)).out[0]
    for (let id = await first(); id !== undefined && !this.uncounted.includes(id); id = await first()) {
      const counted = id
      await this.assistant.moved(() => this.assistant.key('o'))
      await this.assistant.until(async () => (await first()) !== counted, 15_000, `${counted} stays open`)
    }
  }

  /**
   * Runs the visit on as a team does: pedal, count out what came out, the dentist signs on the other window; where a clock
   * says wait, time passes. Stops before the step named is finished, or when nothing is left.
   * @param lookAt what is looked at when a step has come
   */
  async runOn(until: string, lookAt?: (stepId: string) => Promise<void>): Promise<void> {
    const { assistant, dentist } = this
    for (let turns = 0; turns < 500; turns++) {
      const seen = await look(assistant)
      // A machine under load may miss a window of seconds: then it is done over, as at the chair.
      if (seen.missed) {
        await assistant.moved(() => enter(assistant, 'Do it over'))
        continue
      }
      await lookAt?.(seen.step)
      if (seen.step === until || seen.answered) return
      if (seen.step) {
        if (seen.out.length > 0) await this.countOut()
        // A step that has a time to last is given it.
        if (seen.lastsS !== null) {
          await this.server.pass(seen.lastsS)
          await assistant.until(
            async () => (await look(assistant)).lastsS === null,
            15_000,
            `${seen.step} lasts for ever`,
          )
        }
        await pedal(assistant)
        continue
      }
      if (seen.ready) {
        await pedal(assistant)
        continue
      }
      const [asked] = await dentist.driver.findElements({ css: '[data-hold]' })
      if (asked && seen.waitsForDentist) await this.sign((await asked.getAttribute('data-hold'))!)
      else if (seen.waitS !== null) await this.server.pass(seen.waitS)
      // Whatever it is that is waited for, the screen changes by itself when it has come; the next wait may stand there then.
      await assistant.until(
        async () => {
          const now = await look(assistant)
          return (
            !now.waits ||
            now.asks ||
            another(seen.waitS, now.waitS) ||
            (await dentist.driver.findElements({ css: '[data-hold]' })).length > 0
          )
        },
        30_000,
        'waited for nothing',
      )
    }
    throw new Error(`never came to ${until}`)
  }
}
