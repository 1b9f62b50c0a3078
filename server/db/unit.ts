/**
 * One change, one transaction: what a door does and the row of the trail that tells it are stored together or not at all,
 * and screens are told of it once it is stored. Within a unit every query of the house goes into its transaction.
 */
import { AsyncLocalStorage } from 'node:async_hooks'
import type { Db } from './open'

interface Unit {
  tx: Db | undefined
  after: (() => void)[]
}
const units = new AsyncLocalStorage<Unit>()

/** The database as the house uses it: the transaction of the unit under way, else the database itself. */
export const inUnits = (base: Db): Db =>
  new Proxy(base, {
    get(target, key) {
      const on = units.getStore()?.tx ?? target
      const value: unknown = Reflect.get(on, key, on)
      return typeof value === 'function' ? value.bind(on) : value
    },
  })

/**
 * Does a task in one transaction. Nothing in it may wait for another transaction: an embedded database has one connection.
 * @throws whatever the task throws; then nothing of it is stored, and nobody is told
 */
export async function asOne<T>(base: Db, task: () => Promise<T>): Promise<T> {
  const unit: Unit = { tx: undefined, after: [] }
  const answer = await base.transaction((tx) =>
    units.run(unit, async () => {
      unit.tx = tx
      try {
        return await task()
      } finally {
        unit.tx = undefined
      }
    }),
  )
  for (const tell of unit.after) tell()
  return answer
}

/** Once the unit under way is stored, or at once where none is. */
export function onceStored(tell: () => void): void {
  const unit = units.getStore()
  if (unit?.tx) unit.after.push(tell)
  else tell()
}
