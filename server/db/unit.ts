/**
 * One change, one transaction: what a door does and the row of the trail that tells it are stored together or not at all,
 * and screens are told of it once it is stored. Within a unit every query of the house goes into its transaction.
 */
import { AsyncLocalStorage } from 'node:async_hooks'
import { Turns } from '../turns'
import { alone, triedAgain } from './alone'
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

/** Changes of one server wait here, and not each with a connection of its own for the lock of the practice. */
const changes = new WeakMap<Db, Turns>()
const turnsOf = (base: Db): Turns => {
  const turns = changes.get(base) ?? new Turns()
  changes.set(base, turns)
  return turns
}

/**
 * Does a task in one transaction, alone in the practice; again where it met another at work, so that it has to look at
 * everything anew. Nothing in it may wait for another transaction: an embedded database has one connection.
 * @throws whatever the task throws; then nothing of it is stored, and nobody is told
 */
export function asOne<T>(base: Db, task: () => Promise<T>): Promise<T> {
  return turnsOf(base).take('change', () => triedAgain(() => once(base, task)))
}

async function once<T>(base: Db, task: () => Promise<T>): Promise<T> {
  const unit: Unit = { tx: undefined, after: [] }
  const answer = await base.transaction((tx) =>
    units.run(unit, async () => {
      await alone(tx)
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
