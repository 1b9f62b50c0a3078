/** What goes to every screen that looks at a topic. */
export interface Message {
  event: 'hello' | 'beat' | 'run' | 'tray' | 'visit' | 'day' | 'practice' | 'instruments' | 'needed' | 'presence'
  data: unknown
}

/** The little of a socket the hub needs. */
export interface Listener {
  send: (text: string) => void
  close: () => void
  on: (event: 'close', gone: () => void) => void
}

export const write = (listener: Listener, message: Message): void => listener.send(JSON.stringify(message))

/** Fans messages out to open sockets by topic. A slow or gone screen never holds up the others. */
export class Hub {
  private readonly topics = new Map<string, Set<Listener>>()

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

  send(topic: string, message: Message): void {
    const text = JSON.stringify(message)
    for (const listener of this.topics.get(topic) ?? []) listener.send(text)
  }

  /** To every screen, whatever it looks at. */
  broadcast(message: Message): void {
    for (const topic of this.topics.keys()) this.send(topic, message)
  }

  /** Ends every socket, for a clean stop. */
  close(): void {
    for (const set of this.topics.values()) for (const listener of set) listener.close()
    this.topics.clear()
  }
}
