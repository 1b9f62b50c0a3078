/** J17: class III on a primary front tooth. */
import { soreGum } from '../measure/numbing'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep, type Spot, spotOn } from '../phases/bonding'
import { only, open, practice, sequence, type Block } from '../phases/build'
import { type Case, type Unit } from '../phases/case'
import { cutSteps } from '../phases/cutting'
import { polishComposite, shapeComposite } from '../phases/filling'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import type { VisitKind } from './kind'
import { child, each } from './child-steps'

const spot = (u: Unit): Spot => spotOn(u, `filling.${u.tooth}`, 'restoring')

function classThree(c: Case, u: Unit): Block {
  const s = spot(u)
  const id = (act: string): string => `filling.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const flow = cureOf(c, `flowable, ${u.tooth}, each side`, 'cure.increment', 'composite.flowable', 1)
  return sequence(
    child(id('strip'), 'Plastic strip cut lengthwise in half, through the contact', [0.5, 1, 2], {
      ...at,
      fn: 'matrix placement',
      passes: ['half strip', 'wedge'],
      needs: [open('plastic strip'), open('cord scissors')],
      countsIn: [{ id: `strip.${u.tooth}`, what: `strip, ${u.tooth}`, planned: 1, outStep: id('strip-out') }],
      reason: practice('half the height: it fits a primary crown'),
    }),
    bondTooth(c, s, 'cavity'),
    child(id('box'), 'Flowable into the box, composite on it', [0.3, 0.5, 1], {
      ...at,
      fn: 'placing',
      passes: ['flowable', 'composite on its instrument'],
      needs: [open('composite.flowable', 0.3), open('composite.universal', 0.3), open('plastic instrument')],
    }),
    child(id('pull'), 'Strip pulled tight by finger, held until cured from both sides', [0.2, 0.4, 0.8], {
      ...at,
      fn: 'placing',
      passes: ['light'],
      told: `filled ${u.label}, class III, with flowable`,
      tell: 'The tooth is filled. Watch the numb lip. Soft food today.',
      mistakes: ['let go between the two lights: an overhang at the gum'],
    }),
    lightStep(s, id('cure-front'), flow, { title: `Light ${flow.value} s from the front, strip held` }),
    lightStep(s, id('cure-back'), flow, { title: `Light ${flow.value} s from behind, strip held` }),
    child(id('strip-out'), 'Wedge and strip out; floss', [0.3, 0.5, 1], {
      ...at,
      fn: 'matrix placement',
      needs: [open('floss', 300)],
      countsOut: [`strip.${u.tooth}`, `wedge.${u.tooth}`],
    }),
    shapeComposite(u, 'side'),
    polishComposite(u),
  )
}

/** J17. One-third rules: axial wall 0.5 mm into dentine, dovetail no further than half across and within its middle third. */
export const primaryClass3: VisitKind = {
  id: 'primary.class3',
  work: (c) => {
    const dam = c.choices.bondingIsolation === 'dam'
    return sequence(
      dam ? sheetOn(c, { purpose: 'bonding' }) : rolls(c),
      each(c, (u) =>
        child(`filling.${u.tooth}.wedge`, `Wedge at ${u.label}: guards neighbour and gum`, [0.3, 0.5, 1], {
          tooth: u.tooth,
          fn: 'matrix placement',
          hurts: soreGum([u.tooth]),
          passes: ['wedge in forceps'],
          needs: [open('wedge')],
          countsIn: [
            { id: `wedge.${u.tooth}`, what: `wedge, ${u.tooth}`, planned: 1, outStep: `filling.${u.tooth}.strip-out` },
          ],
        }),
      ),
      cutSteps(
        c,
        () => [
          {
            act: 'outline',
            title: 'From the front: box a third of the crown high, axial wall 0.5 mm into dentine',
            form: 'retention',
            depthMm: 0.5,
            surface: 'proximal',
            share: 2,
            detail: 'The contact opened toward the gum and the inner side; toward the edge it may stay.',
            mistakes: ['deeper than 0.5 mm: the pulp of a primary tooth is close'],
          },
          {
            act: 'dovetail',
            title: 'Dovetail on the inner side: half across at most, within its middle third',
            form: 'retention',
            depthMm: 0.5,
            surface: 'inner',
            share: 1,
            because: practice('thirds: the rest of a small crown has to hold it'),
          },
          {
            act: 'caries',
            title: 'Soft decay out by hand or slow round',
            form: 'caries',
            depthMm: 1,
            surface: 'dentine',
            share: 1,
            needs: [open('slow handpiece'), open('spoon excavator')],
          },
          {
            act: 'bevel',
            title: 'Bevel 0.5 mm',
            form: 'enamel bevel',
            depthMm: 0.5,
            surface: 'enamel edge',
            share: 1,
            told: 'prepared the class III cavity',
          },
        ],
        [3, 5, 9],
      ),
      each(c, (u) => classThree(c, u)),
      only(dam, () => sheetOff(c)),
    )
  },
  followUps: () => [],
}
