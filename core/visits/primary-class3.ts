/** J17: class III on a primary front tooth. */
import { soreGum } from '../measure/numbing'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep, spotOn } from '../phases/bonding'
import type { Need } from '../catalog/match'
import { only, open, practice, sequence, standby, step, type Block } from '../library/build'
import { type Case, type Unit } from '../library/case'
import { cutSteps } from '../phases/cutting'
import { polishComposite, shapeComposite } from '../phases/filling'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import type { VisitKind } from './kind'
import { child, each } from './child-steps'

/** What goes between the teeth: half a plastic strip, or a sectional band. */
function between(c: Case): { word: string; needs: Need[]; title: string; why: string; held: string } {
  return c.choices.frontBand === 'sectional band'
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
  const id = (act: string): string => `filling.${u.tooth}.${act}`
  const { word, needs, title, why } = between(c)
  return sequence(
    child(
      id('bleeding'),
      `Gum at the box of ${u.label} looked at: a moist pellet held on it until it stays dry`,
      [0.5, 1, 2],
      {
        tooth: u.tooth,
        fn: 'chairside',
        passes: ['moist pellet in tweezers'],
        needs: [
          open('cotton pellet'),
          open('tweezers'),
          standby('agent.aluminium chloride', 'it still bleeds: by the dentist’s word', 0.2),
        ],
        countsIn: [{ id: `pellet.${u.tooth}`, what: `pellet on the gum, ${u.said}`, planned: 1, outStep: id('strip') }],
        mistakes: ['bonded over a gum that weeps: the edge stains and comes away'],
      },
    ),
    child(id('strip'), `Pellet and wedge out; ${title}; wedge in again`, [0.5, 1, 2], {
      tooth: u.tooth,
      fn: 'matrix placement',
      passes: [word === 'strip' ? 'half strip' : 'sectional band', 'wedge'],
      needs,
      countsIn: [{ id: `strip.${u.tooth}`, what: `${word}, ${u.said}`, planned: 1, outStep: id('strip-out') }],
      countsOut: [`pellet.${u.tooth}`],
      reason: practice(why),
      mistakes: ['the wedge left in while it goes through: pushed into the box'],
    }),
  )
}

function classThree(c: Case, u: Unit): Block {
  const s = spotOn(u, `filling.${u.tooth}`, 'restoring')
  const id = (act: string): string => `filling.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const flow = cureOf(c, `flowable, ${u.said}, each side`, 'cure.increment', 'composite.flowable', 1)
  const { word, held } = between(c)
  return sequence(
    bandIn(c, u),
    bondTooth(c, s, 'cavity'),
    child(id('box'), 'Flowable thin into the box, composite on it by instrument or from its tip', [0.3, 0.5, 1], {
      ...at,
      fn: 'placing',
      passes: ['flowable', 'composite on its instrument'],
      needs: [open('composite.flowable', 0.3), open('composite.universal', 0.3), open('plastic instrument')],
    }),
    child(id('pull'), `${held} by finger, held until cured from both sides`, [0.2, 0.4, 0.8], {
      ...at,
      fn: 'placing',
      passes: ['light'],
      told: `filled ${u.label}, class III, with flowable and composite`,
      tell: 'The tooth is filled. Watch the numb lip. Soft food today.',
      mistakes: ['let go between the two lights: an overhang at the gum'],
    }),
    lightStep(s, id('cure-front'), flow, { title: `Light ${flow.value} s from the front, ${word} held` }),
    lightStep(s, id('cure-back'), flow, { title: `Light ${flow.value} s from behind, ${word} held` }),
    child(id('strip-out'), `Wedge and ${word} out`, [0.3, 0.5, 1], {
      ...at,
      fn: 'matrix placement',
      countsOut: [`strip.${u.tooth}`, `wedge.${u.tooth}`],
    }),
    shapeComposite(u, 'side'),
    polishComposite(u),
    child(id('floss'), `Floss through at ${u.label}: snaps in, does not tear, no ledge at the gum`, [0.2, 0.3, 0.6], {
      ...at,
      phase: 'finishing',
      fn: 'chairside',
      passes: ['floss'],
      needs: [open('floss', 300)],
      mistakes: ['flossed before finishing only: the ledge made by the disc is found by the child'],
    }),
  )
}

/** J17. One-third rules: axial wall 0.5 mm into dentine; a lock only if wanted, no further than half across and within its middle third. */
export const primaryClass3: VisitKind = {
  id: 'primary.class3',
  work: (c) => {
    const dam = c.choices.bondingIsolation === 'dam'
    return sequence(
      step({
        id: 'records.shade',
        phase: 'records',
        title: 'Shade by daylight, teeth still wet',
        detail: 'A primary tooth is lighter and bluer than most of the guide.',
        told: 'took the shade on wet teeth',
        fn: 'shade preview',
        place: 'mouth',
        minutes: [0.5, 1, 2],
        needs: [open('shade guide')],
        mistakes: ['taken when the teeth have dried out: they read too light'],
      }),
      dam ? sheetOn(c, { purpose: 'bonding' }) : rolls(c),
      each(c, (u) =>
        child(`filling.${u.tooth}.wedge`, `Wedge at ${u.label}: guards neighbour and gum`, [0.3, 0.5, 1], {
          tooth: u.tooth,
          fn: 'matrix placement',
          hurts: soreGum([u.tooth]),
          passes: ['wedge in forceps'],
          needs: [open('wedge')],
          countsIn: [
            { id: `wedge.${u.tooth}`, what: `wedge, ${u.said}`, planned: 1, outStep: `filling.${u.tooth}.strip-out` },
          ],
        }),
      ),
      cutSteps(
        c,
        () => [
          {
            act: 'outline',
            title: 'From the front: box a third of the crown high, axial wall 0.5 mm into dentine',
            form: 'outline',
            prefer: 'pear',
            depthMm: 0.5,
            surface: 'proximal',
            share: 2,
            detail: 'The contact opened toward the gum and the inner side; toward the edge it may stay.',
            mistakes: ['deeper than 0.5 mm: the pulp of a primary tooth is close'],
          },
          ...(c.choices.lock === 'none'
            ? []
            : [
                {
                  act: 'lock',
                  title: `Lock ${c.choices.lock === 'front' ? 'from the front' : 'on the inner side'}: half across at most, within the middle third`,
                  form: 'retention' as const,
                  depthMm: 0.5,
                  surface: c.choices.lock === 'front' ? 'labial' : 'inner',
                  share: 1,
                  because: practice('thirds: the rest of a small crown has to hold it'),
                },
              ]),
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
