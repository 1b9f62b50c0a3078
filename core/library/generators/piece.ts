/**
 * What is done to a piece before it is bonded, by what it is made of. Zirconia is not etched like glass ceramic: acid does
 * nothing to it, phosphoric acid takes the place its primer needs, silane finds no glass. Standing C; the product's own
 * instructions win.
 */
import { lay } from '../lay'
import { type Block } from '../build'
import type { Case } from '../case'

/** `not known`: nobody has said what the framework is made of; nothing is put on it before somebody does. */
export type Stuff = 'glass ceramic' | 'zirconia' | 'metal' | 'not known'

/** What the fitting side is made of. */
export function stuffOf(c: Case): Stuff {
  if (c.restoration === 'resin-bonded retainer')
    switch (c.asks('framework')) {
      case 'zirconia':
        return 'zirconia'
      case 'base metal':
        return 'metal'
      case 'lithium disilicate':
        return 'glass ceramic'
      case null:
        return 'not known'
    }
  if (c.restoration === 'monolithic zirconia crown') return 'zirconia'
  return c.restoration === 'full metal crown' || c.restoration === 'metal-ceramic crown' ? 'metal' : 'glass ceramic'
}

const cleaned: Record<Stuff, string> = {
  'glass ceramic': 'etched at the laboratory; not touched again',
  zirconia: 'no acid on zirconia: it takes the place its primer needs',
  metal: 'dry metal: a film of water keeps the primer off',
  'not known': 'silane for glass ceramic, a primer with phosphate for zirconia and metal: the wrong one holds nothing',
}

/** What is bonded with resin: every bonded bridge and laminate, and a crown where resin was named. */
const isBonded = (c: Case): boolean => c.kind.bonds === true || c.asks('deliveryCement') === 'resin'

/** The piece cleaned of its try-in. */
export function cleanPiece(c: Case, what: string): Block {
  const stuff = stuffOf(c)
  return lay(c, 'delivery.clean-piece', { what, stuff, bonded: isBonded(c) })
}

/** The primer its stuff wants, on the fitting side. */
export function primePiece(c: Case): Block {
  const stuff = stuffOf(c)
  return lay(c, 'delivery.prime-piece', { stuff, cleaned: cleaned[stuff] })
}
