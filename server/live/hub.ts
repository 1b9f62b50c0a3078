/** What goes to every screen that looks at a topic. */
import { liveMessage, type LiveMessage } from '../../wire/live'
import { checkAnswer } from '../answers'
import { onceStored } from '../db/unit'

/** The little of a socket the hub needs. */
export interface Listener {
  send: (text: string) => void
  /** Bytes that were sent and not read yet, and how to let a screen go that reads nothing any more. */
  bufferedAmount?: number
  terminate?: () => void
  close: () => void
  on: (event: 'close', gone: () => void) => void
}

/** A screen that has not read so much is asleep or means ill; when it wakes it opens anew and asks what it missed. */
const mostUnread = 1_000_000

/** Fans messages out to open sockets by topic. A slow or gone screen never holds up the others. */
export class Hub {
  private readonly topics = new Map<string, Set<Listener>>()

  /** @param check whether every message is held against what the wire says of it; in tests */
  constructor(private readonly check = false) {}

  private written(message: LiveMessage): string {
    const text = JSON.stringify(message)
    if (this.check) checkAnswer(liveMessage, text, `message ${message.event}`)
    return text
  }

  private tell(listener: Listener, text: string): void {
    if ((listener.bufferedAmount ?? 0) > mostUnread) return listener.terminate?.()
    listener.send(text)
  }

  /** To one screen. */
  write(listener: Listener, message: LiveMessage): void {
    this.tell(listener, this.written(message))
  }

  /** Adds a socket to a topic until it closes. */
  join(topic: string, listener: Listener): void {
    const set = this.topics.get(topic) ?? new Set()
    set.add(listener)
    this.topics.set(topic, set)
    listener.on('close', () => {
      set.delete(listener)
      if (set.size === 0) this.topics.delete(topic)
    })
  }

  /** To whoever looks at a topic, once what it tells is stored. */
  send(topic: string, message: LiveMessage): void {
    const text = this.written(message)
    onceStored(() => {
      for (const listener of this.topics.get(topic) ?? []) this.tell(listener, text)
    })
  }

  /** To every screen, whatever it looks at. */
  broadcast(message: LiveMessage): void {
    for (const topic of this.topics.keys()) this.send(topic, message)
  }

  /** How many look at a topic. */
  count(topic: string): number {
    return this.topics.get(topic)?.size ?? 0
  }

  /** Ends the sockets of a topic. */
  end(topic: string): void {
    onceStored(() => {
      for (const listener of this.topics.get(topic) ?? []) listener.close()
    })
  }

  /** Ends every socket, for a clean stop. */
  close(): void {
    for (const set of this.topics.values()) for (const listener of set) listener.close()
    this.topics.clear()
  }
}
