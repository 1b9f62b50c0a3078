/**
 * What is done to a piece before it is bonded, by what it is made of. Zirconia is not etched like glass ceramic: acid does
 * nothing to it, phosphoric acid takes the place its primer needs, silane finds no glass. Standing C; the product's own
 * instructions win.
 */
import { reason } from '../figure'
import { acts, lastingBy, open, practice, type Block } from '../library/build'
import type { Case } from '../library/case'

export type Stuff = 'glass ceramic' | 'zirconia' | 'metal'

/** What the fitting side is made of. */
export function stuffOf(c: Case): Stuff {
  if (c.restoration === 'resin-bonded retainer')
    return c.request.framework === 'zirconia'
      ? 'zirconia'
      : c.request.framework === 'base metal'
        ? 'metal'
        : 'glass ceramic'
  if (c.restoration === 'monolithic zirconia crown') return 'zirconia'
  return c.restoration === 'full metal crown' || c.restoration === 'metal-ceramic crown' ? 'metal' : 'glass ceramic'
}

const bench = acts({ phase: 'delivery', fn: 'chairside', place: 'bench' })

const cleaned: Record<Stuff, string> = {
  'glass ceramic': 'etched at the laboratory; not touched again',
  zirconia: 'no acid on zirconia: it takes the place its primer needs',
  metal: 'dry metal: a film of water keeps the primer off',
}

/** The piece cleaned of its try-in. */
export function cleanPiece(c: Case, what: string): Block {
  const stuff = stuffOf(c)
  return bench('delivery.clean-piece', `Clean the ${what} of the try-in: alcohol, ultrasonic, dry`, [1, 2, 3], {
    needs: [open('alcohol'), open('ultrasonic bath')],
    reason: practice('a contaminated piece: alcohol, ultrasonic, dry'),
    cautions: [reason('Hydrofluoric acid only at the laboratory, never in the mouth', 'C')],
    mistakes: [
      'fitting side touched with the finger after cleaning',
      ...(stuff === 'zirconia' ? ['cleaned with phosphoric acid: nothing holds on it any more'] : []),
    ],
  })
}

/** The primer its stuff wants, on the fitting side. */
export function primePiece(c: Case): Block {
  const stuff = stuffOf(c)
  const silane = c.rule('silane')
  return bench(
    'delivery.prime-piece',
    stuff === 'glass ceramic'
      ? `Silane on the fitting side ${silane.value} s, dry`
      : `Primer for ${stuff} on the fitting side, dry`,
    [1, 1.2, 2],
    {
      needs: [open(stuff === 'glass ceramic' ? 'silane' : 'primer.metal and zirconia', 0.1), open('micro brush')],
      ...(stuff === 'glass ceramic' ? { ties: [lastingBy(silane, 'Silane')] } : {}),
      reason: practice(cleaned[stuff]),
    },
  )
}
