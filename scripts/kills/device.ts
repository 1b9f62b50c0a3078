/** A device as the run client is one: one thing on its way, sent again under its id until it is answered. */
import * as z from 'zod'
import { sure } from '../../core/sure'
import { demoCodes } from '../../demo/seed'
import { eventsView } from '../../wire/run'

/** What one device has been told is stored; the one thing it has sent without an answer it sends again, until it has one. */
export class Device {
  private cookie = ''
  private sent = 0
  private seq = 0
  private waiting: { commandId: string; text: string } | undefined
  readonly acknowledged: string[] = []
  readonly lots = { acknowledged: [] as string[], unanswered: [] as string[] }
  constructor(
    readonly name: string,
    private readonly who: keyof typeof demoCodes,
    private readonly url: string,
    private readonly visit: string,
  ) {}

  private async call(method: string, path: string, body?: object): Promise<{ status: number; body: unknown }> {
    const answer = await fetch(`${this.url}/api${path}`, {
      method,
      headers: { cookie: this.cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
      signal: AbortSignal.timeout(20_000),
    })
    const set = answer.headers.get('set-cookie')
    if (set) this.cookie = sure(set.split(';')[0])
    const text = await answer.text()
    return { status: answer.status, body: text === '' ? {} : JSON.parse(text) }
  }
  async signIn(): Promise<void> {
    await this.call('POST', '/session', { personId: this.who, code: demoCodes[this.who] })
  }
  /** @throws where no answer came, or one that says to come again */
  private async put(): Promise<void> {
    this.waiting ??= { commandId: `${this.name}-${++this.sent}-of-the-run`, text: `${this.name} ${this.sent}` }
    const { commandId, text } = this.waiting
    for (;;) {
      const { status, body } = await this.call('POST', `/visits/${this.visit}/commands`, {
        commandId,
        basedOn: this.seq,
        device: this.name,
        command: { kind: 'note', text },
      })
      const told = z.looseObject({ seq: z.number().optional() }).parse(body)
      this.seq = told.seq ?? this.seq
      // Another device was first: on from what it did.
      if (status === 409 && told.seq !== undefined) continue
      if (status !== 200) throw new Error(`${status} ${JSON.stringify(body).slice(0, 200)}`)
      this.acknowledged.push(commandId)
      this.waiting = undefined
      return
    }
  }
  private async lot(): Promise<void> {
    const number = `${this.name}${++this.sent}`
    this.lots.unanswered.push(number)
    const { status } = await this.call('POST', '/lots', {
      itemId: 'cotton-roll',
      number,
      expires: '2031-01-31',
      left: 5,
    })
    if (status !== 201) throw new Error(`lot: ${status}`)
    this.lots.unanswered.pop()
    this.lots.acknowledged.push(number)
  }
  /** Writes as fast as it is answered until it is told to stop or something fails. */
  async write(goOn: () => boolean): Promise<void> {
    while (goOn()) {
      try {
        await (this.sent % 5 === 4 && this.waiting === undefined ? this.lot() : this.put())
      } catch {
        return
      }
    }
  }
  /** Sends again what waits. @returns whether something did, and whether it had arrived the first time */
  async again(stored: ReadonlySet<string>): Promise<{ waited: boolean; hadArrived: boolean }> {
    if (!this.waiting) return { waited: false, hadArrived: false }
    const hadArrived = stored.has(this.waiting.commandId)
    await this.put()
    return { waited: true, hadArrived }
  }
  async events() {
    const { status, body } = await this.call('GET', `/visits/${this.visit}/events`)
    if (status !== 200) throw new Error(`events: ${status} ${JSON.stringify(body)}`)
    return eventsView.parse(body).events
  }
}
