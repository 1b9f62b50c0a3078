/**
 * The live socket of a visit, or of the day: opened again by itself when it is lost, and held to be lost where nothing is
 * heard on it for too long. No React in it; what it needs of the world is handed in.
 */
import type { RunEvent } from '../../core/run/events'
import type { LiveMessage } from '../../wire/live'
import type { Present } from '../../wire/people'
import type { Mark } from '../../wire/visit'
import type { ServerClock } from './server-clock'

/** `away`: the server is heard, its database does not answer. */
export type LinkState = 'live' | 'connecting' | 'lost' | 'away'
export interface LinkInfo {
  state: LinkState
  /** Set for a while after the server came back as another process. */
  restarted: boolean
}

export interface LiveHandlers {
  present?: (people: Present[]) => void
  run?: (events: RunEvent[]) => void
  tray?: (marks: Mark[]) => void
  visit?: () => void
  day?: () => void
  /** After each (re)connection: whatever was missed has to be fetched. */
  opened?: () => void
}

export interface LinkPorts {
  /** A socket on its way open. */
  open: () => Pick<WebSocket, 'addEventListener' | 'close' | 'readyState' | 'OPEN'>
  clock: Pick<ServerClock, 'told' | 'measure'>
  /** The process last heard, over all sockets of this device. */
  boot: { last: string }
  handlers: () => LiveHandlers
  /** What is kept by these names has to be read again. */
  readAnew: (...keys: string[]) => void
  say: (info: LinkInfo) => void
}

/** Without a beat for so long a socket is lost, though it may never say so; after so long it is opened again. */
export const silentMs = 25_000
export const retryMs = 700
const watchMs = 5_000

export class LiveLink {
  private socket: ReturnType<LinkPorts['open']> | undefined
  private again: ReturnType<typeof setTimeout> | undefined
  private readonly watch: ReturnType<typeof setInterval>
  private ended = false
  private heardAt = Date.now()
  private away = false

  constructor(private readonly ports: LinkPorts) {
    this.open()
    this.watch = setInterval(() => this.listen(), watchMs)
  }

  end(): void {
    this.ended = true
    clearTimeout(this.again)
    clearInterval(this.watch)
    this.socket?.close()
  }

  private open(): void {
    const own = this.ports.open()
    this.socket = own
    this.heardAt = Date.now()
    own.addEventListener('message', (e) => this.hear(JSON.parse(e.data)))
    own.addEventListener('close', () => {
      if (this.ended || this.socket !== own) return
      this.ports.say({ state: 'lost', restarted: false })
      this.again = setTimeout(() => this.open(), retryMs)
    })
  }

  /** A dead link may never say that it closed. */
  private listen(): void {
    const { socket } = this
    if (Date.now() - this.heardAt <= silentMs || socket?.readyState !== socket?.OPEN) return
    this.heardAt = Date.now()
    socket?.close()
  }

  private hear(message: LiveMessage): void {
    this.heardAt = Date.now()
    const { handlers, readAnew, clock } = this.ports
    const own = handlers()
    switch (message.event) {
      case 'hello':
        return this.welcome(message.data)
      case 'run':
        return own.run?.(message.data.events)
      case 'tray':
        return own.tray?.(message.data.marks)
      case 'presence':
        return own.present?.(message.data.people)
      case 'visit':
        return own.visit?.()
      case 'day':
        return own.day?.()
      case 'needed':
      case 'instruments':
        return readAnew(message.event)
      case 'practice':
        return readAnew('practice', 'day', 'visit')
      case 'clock':
        return void clock.measure()
      case 'beat':
        return this.beat(message.data.away)
    }
  }

  private welcome(hello: Extract<LiveMessage, { event: 'hello' }>['data']): void {
    const { clock, boot, say, readAnew, handlers } = this.ports
    clock.told(hello.now, hello.pace)
    void clock.measure()
    const restarted = boot.last !== '' && boot.last !== hello.boot
    boot.last = hello.boot
    this.away = false
    say({ state: 'live', restarted })
    readAnew('needed')
    handlers().opened?.()
  }

  private beat(away: boolean): void {
    if (this.away === away) return
    this.away = away
    this.ports.say({ state: away ? 'away' : 'live', restarted: false })
    // Back again: whatever was told meanwhile was told to nobody.
    if (!away) this.ports.handlers().opened?.()
  }
}
