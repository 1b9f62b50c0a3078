import type { ServerResponse } from 'node:http'

/** What goes to every screen that looks at a topic. */
export interface Message {
  event: 'run' | 'tray' | 'visit' | 'day'
  data: unknown
}

/** Fans messages out to open event streams by topic. A slow or gone screen never holds up the others. */
export class Hub {
  private readonly topics = new Map<string, Set<ServerResponse>>()

  /** Adds a stream to topics until it closes. */
  join(topics: readonly string[], stream: ServerResponse): void {
    for (const topic of topics) {
      const set = this.topics.get(topic) ?? new Set()
      set.add(stream)
      this.topics.set(topic, set)
    }
    stream.on('close', () => {
      for (const topic of topics) {
        const set = this.topics.get(topic)
        set?.delete(stream)
        if (set?.size === 0) this.topics.delete(topic)
      }
    })
  }

  send(topic: string, message: Message): void {
    const text = `event: ${message.event}\ndata: ${JSON.stringify(message.data)}\n\n`
    for (const stream of this.topics.get(topic) ?? []) stream.write(text)
  }

  /** Ends every stream, for a clean stop. */
  close(): void {
    for (const set of this.topics.values()) for (const stream of set) stream.end()
    this.topics.clear()
  }
}
