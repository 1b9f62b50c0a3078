/** What the direct fillings share: how their steps are named, and what they go by where the case says nothing. */
import { sequence, type Block } from '../build'
import type { Case, Unit } from '../case'

export const underSheet = (c: Case): boolean => c.school('bondingIsolation') === 'dam'
export const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))
export const id = (u: Unit, act: string): string => `filling.${u.tooth}.${act}`

export const afterFilling =
  'You may eat on it today, once the numbness is gone. It may feel cold for some days. Call us if the bite feels high.'

/** Two surfaces where the case does not say. */
export const two = 'MO'
