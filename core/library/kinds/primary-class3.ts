/** J17: class III on a primary front tooth. */
import { classThreeLines } from '../cuts/cavities'
import { lay } from '../lay'
import { soreGum } from '../../measure/numbing'
import { bondTooth } from '../generators/adhesive'
import { cureOf, lightStep, spotOn } from '../generators/bonding'
import type { Need } from '../../catalog/match'
import { only, open, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { cutSteps } from '../generators/cutting'
import { polishComposite, shapeComposite } from '../generators/filling'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import type { VisitKind } from './kind'
import { each } from './child-steps'

/** What goes between the teeth: half a plastic strip, or a sectional band. */
function between(c: Case): { word: string; needs: Need[]; title: string; why: string; held: string } {
  return c.school('frontBand') === 'sectional band'
    ? {
        word: 'band',
        needs: [open('matrix band.sectional')],
        title: 'sectional band through the contact',
        why: 'it keeps its curve: nothing has to hold it',
        held: 'Band pressed home',
      }
    : {
        word: 'strip',
        needs: [open('plastic strip'), open('cord scissors')],
        title: 'plastic strip, cut lengthwise in half, through the contact',
        why: 'half the height: it fits a primary crown',
        held: 'Strip pulled tight',
      }
}

/** The gum dry, then the wedge out, the band through, the wedge in again. */
function bandIn(c: Case, u: Unit): Block {
  const { word, needs, title, why } = between(c)
  return sequence(
    lay(c, 'filling.$tooth.bleeding', { u }),
    lay(c, 'filling.$tooth.strip:child', { title, u, word, needs, why }),
  )
}

function classThree(c: Case, u: Unit): Block {
  const s = spotOn(u, `filling.${u.tooth}`, 'restoring')
  const id = (act: string): string => `filling.${u.tooth}.${act}`
  const flow = cureOf(c, `flowable, ${u.said}, each side`, 'cure.increment', 'composite.flowable', 1)
  const { word, held } = between(c)
  return sequence(
    bandIn(c, u),
    bondTooth(c, s, 'cavity'),
    lay(c, 'filling.$tooth.box', { u }),
    lay(c, 'filling.$tooth.pull', { held, u }),
    lightStep(c, s, id('cure-front'), flow, { as: 'light:from the front', word }),
    lightStep(c, s, id('cure-back'), flow, { as: 'light:from behind', word }),
    lay(c, 'filling.$tooth.strip-out', { word, u }),
    shapeComposite(c, u, 'side'),
    polishComposite(c, u),
    lay(c, 'filling.$tooth.floss:child', { u }),
  )
}

/** J17. One-third rules: axial wall 0.5 mm into dentine; a lock only if wanted, no further than half across and within its middle third. */
export const primaryClass3: VisitKind = {
  id: 'primary.class3',
  work: (c) => {
    const dam = c.school('bondingIsolation') === 'dam'
    return sequence(
      lay(c, 'records.shade:child'),
      dam ? sheetOn(c, { purpose: 'bonding' }) : rolls(c),
      each(c, (u) => lay(c, 'filling.$tooth.wedge', { u, soreGum: soreGum([u.tooth]) })),
      cutSteps(c, classThreeLines, [3, 5, 9]),
      each(c, (u) => classThree(c, u)),
      only(dam, () => sheetOff(c)),
    )
  },
  followUps: () => [],
}
