/**
 * What was touched here and is not stored by the server yet, kept in the browser's database: by visit and by person, for
 * what one has touched is never sent under another's name. Read whole once, held in memory from then on and written
 * through; where the browser keeps nothing, the touches wait as long as the page does.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Queued } from '../../core/run/queue'

interface Kept extends DBSchema {
  waiting: { key: [visitId: string, personId: string]; value: Waiting }
}
export interface Waiting {
  visitId: string
  personId: string
  queue: readonly Queued[]
}

const keyOf = (visitId: string, personId: string): string => `${visitId} ${personId}`

/** The outbox of one visit and person. */
export interface OwnOutbox {
  read: () => Queued[]
  write: (queue: readonly Queued[]) => void
}

export class Outbox {
  private constructor(
    private readonly rows: Map<string, Waiting>,
    private readonly db: IDBPDatabase<Kept> | undefined,
  ) {}

  /** @param name of the database, for tests */
  static async open(name = 'jade-tray'): Promise<Outbox> {
    try {
      const db = await openDB<Kept>(name, 1, {
        upgrade: (made) => void made.createObjectStore('waiting', { keyPath: ['visitId', 'personId'] }),
      })
      const rows = await db.getAll('waiting')
      const box = new Outbox(new Map(rows.map((r) => [keyOf(r.visitId, r.personId), r])), db)
      box.takeOver()
      return box
    } catch {
      return new Outbox(new Map(), undefined)
    }
  }

  of(visitId: string, personId: string): OwnOutbox {
    const key = keyOf(visitId, personId)
    return {
      read: () => [...(this.rows.get(key)?.queue ?? [])],
      write: (queue) => {
        const row = { visitId, personId, queue }
        if (queue.length === 0) this.rows.delete(key)
        else this.rows.set(key, row)
        void this.keep(row)
      },
    }
  }

  /** Everything that waits on this device, whoever touched it. */
  get waiting(): Waiting[] {
    return [...this.rows.values()]
  }

  /** What an older page had left in the browser's storage. */
  private takeOver(): void {
    for (const key of Object.keys(globalThis.localStorage ?? {}).filter((k) => k.startsWith('jade.queue.'))) {
      const [visitId, personId] = key.slice('jade.queue.'.length).split('.')
      const queue: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
      if (visitId && personId && Array.isArray(queue) && !this.rows.has(keyOf(visitId, personId)))
        this.of(visitId, personId).write(queue)
      localStorage.removeItem(key)
    }
  }

  /** One write after the other: a database of the browser takes them in the order they were asked for. */
  private async keep(row: Waiting): Promise<void> {
    try {
      if (row.queue.length === 0) await this.db?.delete('waiting', [row.visitId, row.personId])
      else await this.db?.put('waiting', row)
    } catch {
      // Full or refused: what waits is in memory, and the screen says that it waits.
    }
  }
}

/** This device's; opened with the first screen that runs a visit. */
let opened: Promise<Outbox> | undefined
export const outbox = (): Promise<Outbox> => (opened ??= Outbox.open())
