import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const child = { phase: 'restoring', fn: 'crown fitting', place: 'mouth', helped: true } as const

export const primaryIncisorsSteps = {
  'crown.$tooth.fit:front': {
    ...child,
    title: 'Fit $label: sizes downward until it seats without force',
    minutes: [1, 2, 4],
    tooth: '$tooth',
    told: 'fitted a preveneered crown on $label',
    passes: ['crown, larger', 'crown, next smaller'],
    needs: [
      open('$kind.4', 1, { words: '$largestWords' }),
      open('$kind.3', 1, {
        words: '$middleWords',
        because: practice('sizes downward: the largest that seats without force'),
      }),
      standby('$kind.2', '3 does not seat without force', 1, { words: '$smallestWords' }),
    ],
    countsIn: [
      {
        id: 'crowns.$tooth',
        what: 'preveneered crowns tried, $said',
        planned: 2,
        stays: 1,
        outStep: 'crown.$tooth.seat',
      },
    ],
    cautions: [reason('{Throat pack} in; every crown counted: one behind the pack is in the airway', 'C')],
    mistakes: ['pressed on: the facing cracks; cut more instead'],
  },
  'crown.$tooth.crimp': {
    ...child,
    title: 'Crimp only what is loose: $(inner side) edge, little by little',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    place: 'bench',
    helped: false,
    needs: [open('crimping pliers')],
    mistakes: ['{pliers} on the facing: it flakes'],
  },
  'crown.$tooth.cement:front': {
    ...child,
    title: '{Cement} filled without bubbles',
    minutes: [0.3, 0.5, 0.8],
    tooth: '$tooth',
    place: 'bench',
    helped: false,
    fn: 'chairside',
    needs: [open('cement.glass ionomer luting', 1), open('mixing pad'), open('mixing spatula')],
  },
  'crown.$tooth.seat:front': {
    ...child,
    title: 'Seat $label, hold; wipe toward the gum',
    minutes: [0.5, 0.8, 1.5],
    tooth: '$tooth',
    told: 'cemented the crown on $label',
    tell: 'These teeth wear white crowns. The gum is sore for some days. Soft food, nothing bitten off. Brush along the edge.',
    passes: ['filled crown', 'wet {gauze}'],
    needs: [open('gauze', 2)],
    countsOut: ['crowns.$tooth'],
    reason: practice('wiped toward the gum: away from it drags the cement out'),
  },
  'crown.together': {
    ...child,
    title: 'Tried together, $teeth: line, length, midline',
    minutes: [0.5, 1, 2],
    fn: 'crown fitting',
    passes: ['crowns on wet {gauze}', '{mirror}'],
    needs: [open('gauze', 2)],
    reason: practice('each may fit alone and stand crooked beside the other'),
  },
  'crown.rinse': {
    ...child,
    title: 'Excess off, rinse, $teeth',
    minutes: [0.3, 0.5, 1],
    fn: 'excess removal',
    needs: [open('scaler'), open('floss', 300)],
    ties: [{ from: 'crown.$tooth.seat', fromEdge: 'finish', least: 'crown cement.sets', title: 'Cement sets' }],
    reason: { if: 'several teeth', use: practice('one set for all of them') },
  },
  'crown.look': {
    ...child,
    title: 'Crowns level, edges closed; bite closed by hand',
    minutes: [0.5, 1, 2],
    fn: 'occlusal check',
    told: 'checked the crowns',
    bite: 'preformed crown',
    needs: [open('articulating paper')],
  },
} as const satisfies Record<string, Template>
