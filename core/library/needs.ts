/** Shorthand of the library's data: things laid out, and reasons. */
import type { Need } from '../catalog/match'
import type { Reason, Standing } from '../figure'
import type { Laid } from './template'

type Words = Laid<string>
type Amount = Laid<number>
type More = { readonly [K in keyof Need]?: Laid<NonNullable<Need[K]>> }

/** Laid out open. */
export const open = (what: Words, quantity: Amount = 1, more: More = {}): Laid<Need> => ({
  what,
  quantity,
  readiness: 'open',
  ...more,
})
/** At hand, not opened, and what opens it. */
export const standby = (what: Words, when: Words, quantity: Amount = 1, more: More = {}): Laid<Need> => ({
  what,
  quantity,
  readiness: 'standby',
  when,
  ...more,
})
/** Stays in the drawer until asked for. */
export const drawer = (what: Words, when: Words, quantity: Amount = 1): Laid<Need> => ({
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
