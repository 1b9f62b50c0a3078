/** The light on the retainers of a bonded ceramic bridge: front and back of each, and how long that is in all. */
import { retainerCure } from '../../measure/restoring'
import type { Block } from '../build'
import type { Case, Unit } from '../case'
import { cureOf, lightStep, spotOn } from './bonding'

export function retainerLight(c: Case, u: Unit, side: 'front' | 'back'): Block {
  const light = cureOf(c, `retainer ${u.said}, ${side}`, 'cure.retainer')
  return lightStep(c, spotOn(u, 'delivery', 'delivery'), `delivery.cure-${side}.${u.tooth}`, light, {
    as: 'light:ceramic bridge',
    side,
    u,
    first: u === c.units[0],
    light,
    whole: retainerCure(c.units.length, c.rule('cure.retainer').value),
  })
}
