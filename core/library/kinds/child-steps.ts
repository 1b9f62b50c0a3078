/** What visits of children share. */
import { sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'

export const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))
