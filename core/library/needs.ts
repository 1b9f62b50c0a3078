/** Shorthand of the library's data: things laid out, and reasons. */
import type { Need } from '../catalog/match'
import type { NeedKey } from '../catalog/need-key'
import type { Reason, Standing } from '../figure'
import type { Choice, Laid } from './template'

type Words = Laid<string>
/** What is asked for; where a part of it is a value of the case, the rest is checked when it is laid out. */
type Key = NeedKey | Choice<NeedKey> | `${string}$${string}`
type Amount = Laid<number>
type More = { readonly [K in keyof Need]?: Laid<NonNullable<Need[K]>> }

/** Laid out open. */
export const open = (what: Key, quantity: Amount = 1, more: More = {}): Laid<Need> => ({
  what,
  quantity,
  readiness: 'open',
  ...more,
})
/** At hand, not opened, and what opens it. */
export const standby = (what: Key, when: Words, quantity: Amount = 1, more: More = {}): Laid<Need> => ({
  what,
  quantity,
  readiness: 'standby',
  when,
  ...more,
})
/** Stays in the drawer until asked for. */
export const drawer = (what: Key, when: Words, quantity: Amount = 1): Laid<Need> => ({
  what,
  quantity,
  readiness: 'drawer',
  when,
})

export const reason = (text: Words, standing: Standing, source?: string): Laid<Reason> => ({
  text,
  standing,
  ...(source === undefined ? {} : { source }),
})
/** Common practice, the commonest standing. */
export const practice = (text: Words): Laid<Reason> => ({ text, standing: 'C' })
