/** J16, delivery: tried in with water or glycerine, cement shade chosen, middle two first, cured in turns, finished. */
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { mostTintG } from '../../measure/restoring'
import { bondTooth, bottleOf } from '../generators/adhesive'
import { cureOf, lightStep, resinExcess, spotOn } from '../generators/bonding'
import { sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { provisionalOff } from '../generators/delivery'
import { rolls } from '../generators/isolation'
import { bondingCordCounts, cordsForBonding } from '../generators/tissue'
import { parts } from '../../teeth/notation'
import { weekAfter } from './follow-ups'
import type { VisitKind } from './kind'

/** The middle two first, then outward, in the order they are named: the midline decides the rest. */
export const seatingOrder = (units: readonly Unit[]): Unit[] =>
  units.toSorted((a, b) => parts(a.tooth).position - parts(b.tooth).position)

function tryInAll(c: Case): Block {
  const tint = mostTintG(0.4)
  return sequence(
    lay(c, 'delivery.try-in:laminate'),
    lay(c, 'delivery.cement-shade', {
      tint,
    }),
  )
}

/** The fitting side: acid, silane over it, rinse. Times of one two-bottle method; the product's instructions win. */
function conditionPieces(c: Case): Block {
  return sequence(
    lay(c, 'delivery.pieces-clean'),
    lay(c, 'delivery.pieces-acid'),
    lay(c, 'delivery.pieces-silane'),
    lay(c, 'delivery.pieces-rinse'),
    lay(c, 'delivery.pieces-bond'),
  )
}

/** One laminate from the strip to the last light. Laminate bonding 6 · 9 · 15 minutes each. */
function bondOne(c: Case, u: Unit): Block {
  const spot = spotOn(u, `delivery.${u.tooth}`, 'delivery')
  const on = (act: string): string => `delivery.${u.tooth}.${act}`
  const light = (where: string) =>
    cureOf(
      c,
      `laminate ${u.said}, ${where}`,
      where === 'edge' ? 'cure.laminate edge' : 'cure.piece',
      where === 'edge' ? undefined : 'cement.veneer',
    )
  const cureStep = (where: 'edge' | 'neck' | 'behind'): Block => {
    const figure = light(where)
    return lightStep(c, spot, on(`cure-${where}`), figure, {
      as: 'light:laminate',
      u,
      where,
    })
  }
  return sequence(
    lay(c, 'delivery.$tooth.foil', { u }),
    bondTooth(c, spot, c.asks('inEnamel') ? 'enamel' : 'cavity', { cured: false }),
    lay(c, 'delivery.$tooth.load:laminate', { u }),
    lay(c, 'delivery.$tooth.seat:laminate', { u }),
    // Cleared before any light: what the edge light has set is no longer brushed off.
    c.school('resinExcess') === 'tack and scrape'
      ? resinExcess(c, spot)
      : resinExcess(c, spot, { as: '$stem.excess:laminate', u }),
    cureStep('edge'),
    lay(c, 'delivery.$tooth.neck', { u }),
    cureStep('neck'),
    cureStep('behind'),
    lay(c, 'delivery.$tooth.floss', { u }),
  )
}

function finish(c: Case): Block {
  return sequence(
    lay(c, 'finishing.neck', { u: firstOf(c.units) }),
    lay(c, 'finishing.tabs', { u: firstOf(c.units) }),
    lay(c, 'finishing.wheels'),
    lay(c, 'finishing.bite'),
    lay(c, 'finishing.cords-out', { bondingCordCounts: bondingCordCounts(c) }),
  )
}

export const laminateDeliver: VisitKind = {
  id: 'laminate.deliver',
  work: (c) =>
    sequence(
      rolls(c),
      c.school('veneerProvisional') === 'none' ? lay(c, 'delivery.clean:laminate') : provisionalOff(c, 'cut'),
      tryInAll(c),
      cordsForBonding(c, 'finishing.cords-out'),
      conditionPieces(c),
      ...seatingOrder(c.units).map((u) => bondOne(c, u)),
      lay(c, 'delivery.missed-spots', { bottleOf: bottleOf(c) }),
      finish(c),
    ),
  followUps: (c) => [weekAfter(c, 'tissue round the laminates')],
}
