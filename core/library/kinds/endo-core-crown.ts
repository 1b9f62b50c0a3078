/** J04: root canal, core and crown in one visit. */
import { afterCoreLines, topFirstLines } from '../cuts/crowns'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { bondTooth } from '../generators/adhesive'
import { etch, lightStep, cureOf, spotOn } from '../generators/bonding'
import { access, fillCanals, shapeCanals } from '../generators/canal'
import { only, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import { impressionAndProvisional } from '../generators/impression-and-provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../generators/records'
import { cordPlan } from '../generators/cord-plan'
import { overgrownTissue } from '../generators/overgrown'
import { cords } from '../generators/tissue'
import { tissueRecall, after } from './follow-ups'
import { restoring } from './kind'
const first = (c: Case): Unit => firstOf(c.units)

/** A missing wall is built with flowable before the preliminary impression: the mould needs a whole tooth. */
function wall(c: Case): Block {
  return only(c.asks('missingWall'), () => lay(c, 'records.wall', { u: first(c) }))
}

/** The core, by the school picked: glass ionomer, or dual-cure resin. */
function core(c: Case): Block {
  const u = first(c)
  const s = spotOn(u, 'core', 'core')
  const band = lay(c, 'core.band', { u })
  const off = lay(c, 'core.band-off', { u })
  if (c.school('core') === 'glass ionomer') {
    return sequence(
      band,
      etch(c, s, 'before glass ionomer'),
      lay(c, 'core.place', { u }),
      lay(c, 'core.pellet-out', { u }),
      lay(c, 'core.set', { u }),
      off,
    )
  }
  const light = cureOf(c, 'core, each side', 'cure.piece', 'core.dual-cure')
  return sequence(
    band,
    bondTooth(c, s, 'cavity', { dualCure: true }),
    lay(c, 'core.place:dual-cure', { u }),
    ...['occlusal', 'buccal', c.jaw === 'upper' ? 'palatal' : 'lingual'].map((side) =>
      lightStep(c, s, `core.cure-${side}`, light, { as: 'light:one side', side }),
    ),
    lay(c, 'core.set:dual-cure', { u }),
    off,
  )
}

export const endoCoreCrown = restoring({
  id: 'endo.core.crown',
  // On record before the needle: afterwards a pulp answers nothing.
  deciding: (c) => [lay(c, 'records.vitality', { u: first(c) })],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), wall(c), provisionalMould(c), opposingArch(c))],
  work: (c) => {
    const u = first(c)
    const cord = cordPlan(c)
    return sequence(
      cutSteps(c, topFirstLines, [4, 7, 12]),
      cutSteps(c, ['canal first.caries'], [1, 2, 5]),
      sheetOn(c, { purpose: 'canal' }),
      only(c.school('bondingIsolation') === 'dam', () => lay(c, 'isolation.seal:canal', { u })),
      access(c, u),
      shapeCanals(c, u),
      fillCanals(c, u, 2),
      core(c),
      sheetOff(c, { purpose: 'canal' }),
      lay(c, 'core.film', { u }),
      only(c.school('bondingIsolation') === 'dam', () => rolls(c)),
      cutSteps(c, afterCoreLines, [8, 13, 25]),
      reductionCheck(c),
      overgrownTissue(c),
      cords(c, cord),
      impressionAndProvisional(c, cord),
    )
  },
  followUps: (c) => [
    {
      title: 'Crown, milled in-house: delivery',
      kind: 'crown.deliver',
      ...after(c, 'milled.delivery'),
    },
    ...tissueRecall(c),
  ],
})
