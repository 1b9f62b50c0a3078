import { jawOf, parts, type Tooth } from './notation'
import { reason, type Reason } from '../figure'

export type EdgeShape = 'smile' | 'stretched S' | 'frown'

/**
 * The outline of a preformed crown's edge on a primary molar, seen from a side: smile on every lingual side and on the
 * buccal of second molars, stretched S on the buccal of first molars, frown on every proximal side. Standing C; the buccal
 * of the upper first molar M.
 */
export function crownEdge(t: Tooth, side: 'buccal' | 'lingual' | 'proximal'): { shape: EdgeShape; because: Reason } {
  if (side === 'proximal') return { shape: 'frown', because: reason('proximal sides: a downward curve, a frown', 'C') }
  if (side === 'lingual') return { shape: 'smile', because: reason('lingual sides: an upward curve, a smile', 'C') }
  if (parts(t).position === 5)
    return { shape: 'smile', because: reason('buccal of a second primary molar: a smile', 'C') }
  return {
    shape: 'stretched S',
    because: reason(`buccal of the ${jawOf(t)} first primary molar: a stretched S`, jawOf(t) === 'lower' ? 'C' : 'M'),
  }
}
