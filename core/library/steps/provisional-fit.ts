import { open, reason } from '../needs'
import type { Template } from '../template'

/** Beside whoever scales. */
export const flakes = '{high-volume suction} at the {scaler}, flakes off the tongue'

export const provisionalFitSteps = {
  'provisional.load': {
    phase: 'provisional',
    title: 'Mix the {cement}, thin along the inner edge of the provisional',
    fn: 'chairside',
    place: 'bench',
    minutes: [0.3, 0.5, 0.75],
    needs: [
      open('$need', 1, {
        because: '$cementBecause',
        orElse: { if: '$eugenol', use: [{ what: 'provisional cement.non-eugenol', loss: 'does not soothe' }] },
      }),
      open('mixing pad'),
      open('mixing spatula'),
    ],
    mistakes: ['filled to the brim: it does not go down'],
  },
  'provisional.cement': {
    act: 'provisional cemented',
    phase: 'provisional',
    title: 'Dry the tooth, seat, bite on the {stick}',
    told: {
      if: '$nonEugenol',
      use: 'cemented the provisional with {non-eugenol cement}',
      else: 'cemented the provisional with zinc oxide and eugenol {cement}',
    },
    tell: 'A temporary crown is on it. Nothing hard or sticky on that side. When you floss, slide the floss out sideways, not up. Call us if it comes loose, breaks, or feels too high. Do not leave it out: the teeth move, and the new crown would no longer fit.',
    fn: 'provisional cementing',
    place: 'mouth',
    helped: true,
    minutes: [0.7, 1, 1.5],
    passes: ['loaded provisional', '{bite stick}'],
    needs: [open('bite stick'), open('cotton roll', 2)],
    cautions: [reason('A loose crown can be swallowed: {gauze} behind it, patient upright enough to cough', 'C')],
    reason: '$cementBecause',
  },
  'provisional.excess': {
    phase: 'provisional',
    title: 'Excess off with {scaler} and {suction}; knotted {floss} out sideways, rinse',
    told: 'removed the excess {cement} and flossed sideways',
    fn: 'excess removal',
    place: 'mouth',
    helped: true,
    helps: flakes,
    passes: ['{scaler}', 'knotted {floss}', 'water'],
    minutes: [1, 2, 3],
    needs: [open('scaler'), open('floss', 300)],
    ties: [
      {
        from: 'provisional.cement',
        fromEdge: 'finish',
        least: 'provisional.cement.sets',
        title: 'Provisional cement sets',
      },
    ],
    mistakes: ['{floss} pulled up: the provisional comes with it', '{cement} left in the sulcus: sore gum within days'],
  },
  'provisional.try-in': {
    phase: 'provisional',
    told: 'tried the provisional in: margins, contacts, bite',
    bite: '$provisionalBite',
    title: 'Try in: $(margin parts), contacts, bite, $teeth',
    detail: {
      say: [
        'Bite: $checks. Contacts to {floss}: ',
        { if: '$contacts', use: '$contactWords', else: 'none, it has no neighbours' },
        '. ',
        { if: '$joined', use: 'Joined, so a {threader} passes under: $joinedWords. ' },
        'Short or open in up to two parts and 1 mm: reline; more: make again.',
      ],
    },
    fn: 'provisional trimming',
    asks: [{ reading: 'provisional', teeth: '$(tooth codes)', parts: '$(parts of the margin)' }],
    place: 'mouth',
    minutes: [2, 3, 5],
    needs: [open('floss', 600), { if: '$joined', use: [open('floss threader')] }, open('articulating paper', 2)],
    hold: {
      name: 'provisional',
      title: 'Provisional good',
      evidence: 'margins, contacts and bite',
      because: reason('what the patient wears for weeks is seen by the dentist before it is cemented', 'C'),
      mandatory: true,
      again: ['$mouldSteps', 'provisional.trim', 'provisional.polish', 'provisional.try-in'],
    },
  },
  'provisional.bite': {
    phase: 'provisional',
    title: 'Bite checked in every movement',
    fn: 'occlusal check',
    place: 'mouth',
    minutes: [0.5, 1, 3],
    hold: {
      name: 'bite',
      title: 'Bite',
      evidence: '{paper} marks, closed and sideways',
      because: reason('the dentist’s card asks for it', 'practice'),
      fromCard: true,
    },
  },
} as const satisfies Record<string, Template>
