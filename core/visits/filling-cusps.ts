/** J21: cusp by cusp. */
import { capital } from '../words'
import { type Case, type Unit } from '../library/case'
import { bondTooth, bottleOf } from '../phases/adhesive'
import { cureOf, cureTogether, lightStep } from '../phases/bonding'
import { open, practice, sequence, type Block } from '../library/build'
import { cutSteps } from '../phases/cutting'
import { biteUntilEven, polishComposite, readCavity, shapeComposite, spotOf } from '../phases/filling'
import { sheetOff, sheetOn } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import type { VisitKind } from './kind'
import { place, underSheet, each, id, afterFilling } from './filling-steps'

/** One tooth: bonded, floored with flowable, each cusp by itself, stain, the last light under glycerine. */
function buildUp(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const flow = cureTogether(`thin flowable with the adhesive, ${u.said}`, [
    cureOf(c, `adhesive, ${u.said}`, 'cure.adhesive', bottleOf(c)),
    cureOf(c, `thin flowable, ${u.said}`, 'cure.increment', 'composite.flowable'),
  ])
  const layer = cureOf(c, `cusp, ${u.said}`, 'cure.increment', 'composite.universal', 2)
  const glycerine = cureOf(c, `under glycerine, ${u.said}`, 'cure.increment', 'composite.universal')
  const cusps =
    u.size.mesiodistalMm >= 9 ? ['mesiobuccal', 'distobuccal', 'mesiolingual', 'distolingual'] : ['buccal', 'lingual']
  return sequence(
    readCavity(s),
    bondTooth(c, s, 'cavity', { cured: false }),
    place(id(u, 'flow'), 'Thin flowable over floor and walls', [0.3, 0.5, 1], {
      tooth: u.tooth,
      needs: [open('composite.flowable', 0.3)],
      passes: ['flowable', 'probe to spread it'],
    }),
    lightStep(s, id(u, 'flow-cure'), flow, {
      reason: practice('longer: adhesive and flowable are both being cured'),
    }),
    ...cusps.flatMap((cusp) => [
      place(id(u, `cusp-${cusp}`), `${capital(cusp)} cusp, by itself`, [0.5, 1, 2], {
        tooth: u.tooth,
        needs: [
          open('composite.universal', 0.3),
          open('composite carver.fissure', 1, {
            words: 'fissure instrument',
            orElse: [{ what: 'composite carver', loss: 'its tip is too broad for a fissure' }],
          }),
          open('composite plugger'),
        ],
        passes: ['composite on its instrument', 'fissure instrument'],
      }),
      lightStep(s, id(u, `cusp-${cusp}-cure`), layer),
    ]),
    place(id(u, 'stain'), 'Stain in the fissures, as the neighbour has it', [0.3, 0.5, 1], {
      tooth: u.tooth,
      fn: 'fissure seal',
      needs: [open('composite stain', 0.1), open('micro brush')],
      told: `built up ${u.label} cusp by cusp`,
      tell: afterFilling,
    }),
    lightStep(s, id(u, 'glycerine-cure'), glycerine, {
      title: `Glycerine over it, light ${glycerine.value} s`,
      needs: [open('glycerine gel', 0.5), open('curing light'), open('light sleeve'), open('light shield')],
      reason: practice('without air the top layer sets too'),
    }),
    shapeComposite(u),
  )
}

/** J21: cusp by cusp on one surface; thin flowable cured longer; stain; glycerine. */
export const fillingCusps: VisitKind = {
  id: 'filling.cusps',
  sheet: underSheet,
  beforehand: (c) => [shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      each(c, (u) =>
        place(id(u, 'clean'), `Fissures cleaned by powder jet, ${u.label}`, [0.5, 1, 2], {
          tooth: u.tooth,
          phase: 'cutting',
          fn: 'polishing',
          needs: [
            open('powder jet', 1, {
              orElse: [{ what: 'pumice', loss: 'does not reach the floor of a narrow fissure' }],
            }),
            open('powder'),
          ],
          reason: practice('nothing flavoured or oily before bonding'),
        }),
      ),
      cutSteps(
        c,
        (u) => [
          {
            act: 'fissure',
            title: 'Fine flame in the fissures, no further than the stain',
            form: 'fissure',
            depthMm: 1,
            surface: 'fissures',
            share: 2,
          },
          {
            act: 'caries',
            title: 'Soft decay out, slow round',
            form: 'caries',
            depthMm: 1.2,
            surface: 'dentine',
            share: 2,
            needs: [open('slow handpiece'), open('spoon excavator')],
            told: `opened the fissures of ${u.label} and removed the decay`,
          },
        ],
        [3, 5, 10],
      ),
      each(c, (u) => buildUp(c, u)),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(u, 'filling'), polishComposite(u))),
  followUps: () => [],
}
