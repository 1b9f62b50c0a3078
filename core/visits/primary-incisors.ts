/** J14: incisors under general anaesthesia. */
import { after } from './follow-ups'
import { reason } from '../figure'
import { only, open, practice, sequence, standby, type Block, atLeast } from '../library/build'
import { lastOf } from '../sure'
import { labels, type Case, type Unit } from '../library/case'
import { pulp } from '../phases/pulp'
import { cutSteps } from '../phases/cutting'
import type { VisitKind } from './kind'
import { child, each } from './child-steps'

/** One crown tried downward through its sizes, and crimped where it is loose. */
function fitIncisor(c: Case, u: Unit): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const part = `${c.jaw} ${['central', 'lateral', 'canine'][Number(u.tooth[1]) - 1]}`
  const kind = `preveneered crown.${part}`
  const words = (n: number): string => `preveneered crown size ${n}, ${part}`
  return sequence(
    child(id('fit'), `Fit ${u.label}: sizes downward until it seats without force`, [1, 2, 4], {
      ...at,
      told: `fitted a preveneered crown on ${u.label}`,
      passes: ['crown, larger', 'crown, next smaller'],
      needs: [
        open(`${kind}.4`, 1, { words: words(4) }),
        open(`${kind}.3`, 1, {
          words: words(3),
          because: practice('sizes downward: the largest that seats without force'),
        }),
        standby(`${kind}.2`, '3 does not seat without force', 1, { words: words(2) }),
      ],
      countsIn: [
        {
          id: `crowns.${u.tooth}`,
          what: `preveneered crowns tried, ${u.said}`,
          planned: 2,
          stays: 1,
          outStep: id('seat'),
        },
      ],
      cautions: [reason('Throat pack in; every crown counted: one behind the pack is in the airway', 'C')],
      mistakes: ['pressed on: the facing cracks; cut more instead'],
    }),
    child(id('crimp'), 'Crimp only what is loose: palatal edge, little by little', [0.5, 1, 2], {
      ...at,
      place: 'bench',
      helped: false,
      needs: [open('crimping pliers')],
      mistakes: ['pliers on the facing: it flakes'],
    }),
  )
}

/** Filled and seated; what sets is not waited for here. */
function seatIncisor(u: Unit): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  return sequence(
    child(id('cement'), 'Cement filled without bubbles', [0.3, 0.5, 0.8], {
      ...at,
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [open('cement.glass ionomer luting', 1), open('mixing pad'), open('mixing spatula')],
    }),
    child(id('seat'), `Seat ${u.label}, hold; wipe toward the gum`, [0.5, 0.8, 1.5], {
      ...at,
      told: `cemented the crown on ${u.label}`,
      tell: 'These teeth wear white crowns. The gum is sore for some days. Soft food, nothing bitten off. Brush along the edge.',
      passes: ['filled crown', 'wet gauze'],
      needs: [open('gauze', 2)],
      countsOut: [`crowns.${u.tooth}`],
      reason: practice('wiped toward the gum: away from it drags the cement out'),
    }),
  )
}

/** All crowns fitted, tried together, seated one after the other, and waited for once: asleep, every minute counts. */
function incisors(c: Case): Block {
  const last = lastOf(c.units)
  return sequence(
    each(c, (u) => fitIncisor(c, u)),
    only(c.units.length > 1, () =>
      child('crown.together', `Tried together, ${labels(c)}: line, length, midline`, [0.5, 1, 2], {
        fn: 'crown fitting',
        passes: ['crowns on wet gauze', 'mirror'],
        needs: [open('gauze', 2)],
        reason: practice('each may fit alone and stand crooked beside the other'),
      }),
    ),
    each(c, seatIncisor),
    child('crown.rinse', `Excess off, rinse, ${labels(c)}`, [0.3, 0.5, 1], {
      fn: 'excess removal',
      needs: [open('scaler'), open('floss', 300)],
      ties: [
        {
          from: `crown.${last.tooth}.seat`,
          fromEdge: 'finish',
          ...atLeast(c.rule('crown cement.sets')),
          title: 'Cement sets',
        },
      ],
      ...(c.units.length > 1 ? { reason: practice('one set for all of them') } : {}),
    }),
  )
}

/** J14. The throat pack goes round all of the visit's work (see the frame); quick back teeth are further work, done first. */
export const primaryIncisors: VisitKind = {
  id: 'primary.incisors',
  asleep: true,
  work: (c) =>
    sequence(
      cutSteps(
        c,
        () => [
          { act: 'incisal', title: 'Incisal 1.5–2 mm', form: 'incisal', depthMm: 1.75, surface: 'incisal', share: 1 },
          {
            act: 'slices',
            title: 'Slices, then generously all round, to a feather edge below the gum',
            form: 'slice',
            depthMm: 1,
            surface: 'proximal and all round',
            share: 2,
            because: practice('a preveneered crown does not bend: the tooth is made to fit it'),
            mistakes: ['too little off the palate side: the crown binds, and the bite stands open'],
          },
          {
            act: 'caries',
            title: 'Decay out',
            form: 'caries',
            depthMm: 1,
            surface: 'dentine',
            share: 1,
            needs: [open('slow handpiece'), open('spoon excavator')],
            told: 'prepared the incisors',
          },
        ],
        [2, 4, 7],
      ),
      pulp(c),
      incisors(c),
      child('crown.look', 'Crowns level, edges closed; bite closed by hand', [0.5, 1, 2], {
        fn: 'occlusal check',
        told: 'checked the crowns',
        bite: 'preformed crown',
        needs: [open('articulating paper')],
      }),
    ),
  followUps: (c) => [
    {
      title: 'Look at gum and crowns',
      tell: 'a look at the gum and the crowns',
      ...after(c, 'recall.asleep'),
    },
  ],
}
