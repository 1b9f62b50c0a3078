/** Gold under one sheet: inlays cemented, foil annealed, handed, placed and malleted. */
import { reason, type Figure } from '../../figure'
import { goldFor } from '../../measure/volumes'
import { nothing, sequence, type Block } from '../build'
import { labels, type Case, type Unit } from '../case'
import { pitLines } from '../cuts/cavities'
import { goldWork } from '../gold-work'
import { lay } from '../lay'
import { cutSteps } from './cutting'
import { cementPiece, provisionalOff, tryIn } from './delivery'

/** The case with only these teeth. */
const onlyUnits = (c: Case, units: Unit[]): Case => ({ ...c, units })

/** The inlays of the work together: provisional off, tried in, cemented. */
export function goldInlays(c: Case): Block {
  const { inlays } = goldWork(c)
  if (inlays.length === 0) return nothing
  const own = onlyUnits(c, inlays)
  return sequence(
    provisionalOff(own, 'flick'),
    tryIn(own, 'gold inlay', { as: 'delivery.try-in:gold', labels: labels(own) }),
    lay(c, 'delivery.antiseptic:gold', { labels: labels(own) }),
    cementPiece(own, 'gold inlay'),
  )
}

/** A pit for foil: 2.5 mm across at its mouth, as deep as the case says, else 2 mm; a block that holds it. Our estimate. */
function pitVolume(u: Unit): Figure {
  const [acrossMm, deepMm] = [2.5, u.says('depthMm') ?? 2]
  const value = Math.round(acrossMm * acrossMm * deepMm * 10) / 10
  return {
    name: 'pit, about',
    value,
    unit: 'mm³',
    text: `${acrossMm} × ${acrossMm} × ${deepMm} mm = ${value} mm³`,
    standing: 'estimate',
  }
}

/** How often a piece is due where so many are placed in so many minutes. */
const pace = (n: number, likelyMin: number) => ({ n, everyS: Math.floor((likelyMin * 60) / n) })

/** Powdered gold to two thirds, cohesive foil for the rest. Foil filling 20 · 30 · 40 minutes. */
export function goldFoil(c: Case, u: Unit): Block {
  const pit = pitVolume(u)
  const gold = goldFor(pit.value)
  const flame = reason('Open flame: away from oxygen, hair and rubber; the lid at hand to put it out', 'C')
  return sequence(
    cutSteps(onlyUnits(c, [u]), pitLines, [3, 5, 10]),
    lay(c, 'foil.$tooth.dry', { u }),
    lay(c, 'foil.$tooth.light', { powdered: gold.powdered, foil: gold.foil, pit, figure: gold.figure, flame, u }),
    lay(c, 'foil.$tooth.powdered', { u, ...pace(gold.powdered, 5) }),
    lay(c, 'foil.$tooth.cohesive', { u, ...pace(gold.foil, 17) }),
    lay(c, 'foil.$tooth.burnish', { u }),
    lay(c, 'foil.$tooth.trim', { u }),
  )
}
