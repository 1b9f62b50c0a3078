/** What visits of children share. */
import { acts, sequence, type Block } from '../library/build'
import { type Case, type Unit } from '../library/case'

export const child = acts({ phase: 'restoring', fn: 'crown fitting', place: 'mouth', helped: true })
export const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))
