/** What comes over the socket reaches the screen; a way that is lost is found again, and what was missed meanwhile is read. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LiveMessage } from '../../wire/live'
import { LiveLink, retryMs, silentMs, type LinkInfo } from './live-link'

class Socket extends EventTarget {
  readonly OPEN = 1
  readyState: WebSocket['readyState'] = this.OPEN
  says(...messages: LiveMessage[]): void {
    for (const m of messages) this.dispatchEvent(new MessageEvent('message', { data: JSON.stringify(m) }))
  }
  close(): void {
    this.readyState = 3
    this.dispatchEvent(new Event('close'))
  }
}
const hello = (boot: string, now = 0): LiveMessage => ({ event: 'hello', data: { now, boot, pace: 1 } })
const beat = (away = false): LiveMessage => ({ event: 'beat', data: { now: 0, away } })

/** A screen with its socket; everything it was told, in order. */
function screen() {
  const sockets: Socket[] = []
  const heard: string[] = []
  const said: LinkInfo[] = []
  const link = new LiveLink({
    open: () => {
      sockets.push(new Socket())
      return sockets.at(-1)!
    },
    clock: { told: (now) => heard.push(`clock ${now}`), measure: async () => void heard.push('measured') },
    boot,
    handlers: () => ({
      run: (events) => heard.push(`run ${events.length}`),
      tray: (marks) => heard.push(`tray ${marks.length}`),
      present: (people) => heard.push(people.map((p) => p.name).join()),
      visit: () => heard.push('visit'),
      day: () => heard.push('day'),
      opened: () => heard.push('opened'),
    }),
    readAnew: (...keys) => heard.push(`read ${keys.join()}`),
    say: (info) => said.push(info),
  })
  return { link, sockets, heard, said, now: () => sockets.at(-1)! }
}
let boot = { last: '' }
let open: ReturnType<typeof screen>

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] })
  boot = { last: '' }
  open = screen()
})
afterEach(() => {
  open.link.end()
  vi.useRealTimers()
})

describe('the live socket', () => {
  it('sets the clock, says that it is live, and has what was missed read', () => {
    open.now().says(hello('first', 7))
    expect(open.heard).toEqual(['clock 7', 'measured', 'read needed', 'opened'])
    expect(open.said).toEqual([{ state: 'live', restarted: false }])
  })
  it('hands each message to whoever has to do with it', () => {
    open
      .now()
      .says(
        { event: 'run', data: { visitId: 'one', events: [] } },
        { event: 'tray', data: { visitId: 'one', marks: [{ lineId: 'mirror', by: 'juno', at: 1 }] } },
        { event: 'presence', data: { visitId: 'one', people: [{ id: 'wim', name: 'Wim' }] } },
        { event: 'visit', data: { visitId: 'one' } },
        { event: 'day', data: {} },
        { event: 'needed', data: { visitId: 'one' } },
        { event: 'instruments', data: {} },
        { event: 'practice', data: {} },
        { event: 'clock', data: {} },
      )
    expect(open.heard).toEqual([
      'run 0',
      'tray 1',
      'Wim',
      'visit',
      'day',
      'read needed',
      'read instruments',
      'read practice,day,visit',
      'measured',
    ])
  })
  it('is opened again when it is lost, until it is back, and says whether the server is another process', () => {
    open.now().says(hello('first'))
    for (let i = 0; i < 3; i++) {
      open.now().close()
      expect(open.said.at(-1)).toEqual({ state: 'lost', restarted: false })
      vi.advanceTimersByTime(retryMs)
    }
    expect(open.sockets).toHaveLength(4)
    open.now().says(hello('first'))
    expect(open.said.at(-1)).toEqual({ state: 'live', restarted: false })
    open.now().close()
    vi.advanceTimersByTime(retryMs)
    open.now().says(hello('second'))
    expect(open.said.at(-1)).toEqual({ state: 'live', restarted: true })
    expect(open.heard.filter((h) => h === 'opened')).toHaveLength(3)
  })
  it('that is silent for too long is lost, though it never said so; beats keep it', () => {
    open.now().says(hello('first'))
    for (let i = 0; i < 20; i++) {
      vi.advanceTimersByTime(10_000)
      open.now().says(beat())
    }
    expect(open.sockets).toHaveLength(1)
    vi.advanceTimersByTime(silentMs + 10_000)
    expect(open.said.at(-1)).toEqual({ state: 'lost', restarted: false })
    expect(open.sockets).toHaveLength(2)
  })
  it('of a device that slept is taken for lost as soon as it wakes', () => {
    open.now().says(hello('first'))
    vi.setSystemTime(Date.now() + 3_600_000)
    vi.advanceTimersByTime(5_000)
    expect(open.said.at(-1)!.state).toBe('lost')
  })
  it('says that the database is away, and when it is back has read what nobody was told', () => {
    open.now().says(hello('first'), beat(), beat(true), beat(true))
    expect(open.said.slice(1)).toEqual([{ state: 'away', restarted: false }])
    open.heard.length = 0
    open.now().says(beat(), beat())
    expect(open.said.at(-1)).toEqual({ state: 'live', restarted: false })
    expect(open.heard).toEqual(['opened'])
  })
  it('is silent for ever once the screen is gone', () => {
    open.now().says(hello('first'))
    open.link.end()
    vi.advanceTimersByTime(120_000)
    expect(open.sockets).toHaveLength(1)
    expect(open.said).toHaveLength(1)
  })
})
