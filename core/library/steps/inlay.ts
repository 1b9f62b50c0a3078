import { deliverySteps } from './delivery'
import { cuttingSteps } from './cutting'
import { bondingSteps } from './bonding'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const temp = { phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true } as const
const sheet = { phase: 'isolation', fn: 'dam', place: 'mouth', helped: true } as const
const act = { phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true, tooth: '$tooth' } as const

const holdsThePlace =
  'The tooth wears a soft temporary filling. It holds the place only: nothing sticky on it, and do not floss there: it would come out.'

export const inlaySteps = {
  'tissue.bite-gauze': {
    ...temp,
    title: 'Bite on {gauze} while the {cords} dwell',
    minutes: [0.3, 0.5, 1],
    phase: 'tissue',
    fn: 'chairside',
    needs: [open('gauze', 2)],
  },
  'provisional.stopping': {
    ...temp,
    title: {
      if: ['boxes of the work', 'is', 1],
      use: '{Soft stopping} in $(boxes of the work) box',
      else: '{Soft stopping} in $(boxes of the work) boxes',
    },
    minutes: [0.5, 1, 2],
    needs: [open('stopping', '$(boxes of the work)'), open('plastic instrument')],
    countsIn: [
      {
        id: 'stopping',
        what: {
          if: ['boxes of the work', 'is', 1],
          use: 'piece of {stopping} in the box',
          else: 'pieces of {stopping} in the boxes',
        },
        planned: '$(boxes of the work)',
        outStep: 'provisional.check',
        stays: '$(boxes of the work)',
        untilDelivery: true,
      },
    ],
    told: 'placed {stopping} in the boxes',
  },
  'provisional.separate:inlay': {
    ...temp,
    title: '{Separator} thin over every sealed surface and the neighbours',
    minutes: [0.3, 0.5, 1],
    leaves: 'separator',
    needs: [open('separator', 0.5), open('micro brush', 2)],
    hold: {
      if: ['school.dentineSeal', 'is', 'at once'],
      use: {
        name: 'separator',
        title: '{Separator} on',
        evidence: 'a film on every sealed surface, seen in good light',
        because: practice('without it, resin-sealed preparations bond to the provisional for good'),
        mandatory: true,
      },
    },
  },
  'provisional.paint': {
    ...temp,
    title: 'Painted, bead by bead: powder and liquid from {two wells}, {brush} clean between',
    minutes: [2, 4, 7],
    told: 'painted the provisional in powder and liquid',
    tell: holdsThePlace,
    needs: [open('provisional powder', 2), open('provisional liquid', 2), open('paint brush'), open('dappen dish', 2)],
    detail: 'Liquid, powder, liquid again; while it is soft the patient bites, side to side, and that is its shape.',
    cautions: [reason('Liquid is a sensitiser and smells: {suction} near, {gloves} on, wells covered', 'C')],
    mistakes: ['bead too wet: it runs over the margin'],
    reason: practice('quick, not pretty, holds the tooth’s place'),
  },
  'provisional.soft': {
    ...temp,
    title: 'Light-cured soft material pressed in, trimmed to the bite, cured',
    minutes: [1.5, 3, 5],
    told: 'placed a light-cured soft provisional',
    tell: holdsThePlace,
    needs: [open('soft provisional', 1), open('plastic instrument'), open('curing light'), open('light shield')],
    reason: practice('comes out in one piece'),
  },
  'provisional.check': {
    ...temp,
    title: 'Closed to the margins, out of the bite; no flossing here',
    minutes: [0.5, 1, 2],
    bite: 'provisional, out of contact',
    fn: 'provisional trimming',
    asks: [{ reading: 'provisional', teeth: '$(tooth codes)', parts: '$(parts of the margin)' }],
    needs: [open('articulating paper', 2)],
    countsOut: [],
    hold: {
      name: 'provisional',
      title: 'Provisional good',
      evidence: 'closed to the margin, bite clear',
      because: practice('what the patient wears for weeks is seen by the dentist'),
      mandatory: true,
      again: [
        'provisional.separate',
        'provisional.stopping',
        'provisional.paint',
        'provisional.soft',
        'provisional.check',
      ],
    },
  },
  'isolation.fold': {
    ...sheet,
    title: 'Septa cut, the tips in sight; {sheet} folded away, {clamp} still on',
    minutes: [0.5, 1, 2],
    passes: ['{blunt scissors}'],
    needs: [open('blunt scissors')],
    told: 'cut the septa and folded the {sheet} away',
    reason: practice('the clamp still holds the sheet: the cords go in with the field half dry'),
    mistakes: ['a shred of {sheet} left in the contact: it shows in the impression'],
  },
  'delivery.$tooth.load:inlay': {
    ...act,
    title: '{Resin cement} into the cavity and on the piece',
    minutes: [0.3, 0.5, 0.75],
    fn: 'chairside',
    place: 'bench',
    helped: false,
    needs: [open('cement.resin', 1, { words: 'resin cement' }), open('mixing tip'), open('placement stick')],
  },
  'delivery.$tooth.seat:inlay': {
    ...act,
    title: 'Seat $label on its {stick}, press, hold',
    minutes: [0.3, 0.5, 1],
    told: 'bonded the $restoration of $label',
    tell: 'Your new inlay is glued in. Floss and brush as usual. Call us if the bite feels high.',
    passes: ['piece on its {stick}', '{ball burnisher}'],
    needs: [open('burnisher.ball')],
    cautions: [reason('Small pieces: {gauze} behind', 'C')],
  },
  'light:glycerine over the seal': {
    ...bondingSteps['light'],
    title: '{Glycerine} over it, light again $lightValue s; rinse, wipe with {alcohol}',
    needs: [open('glycerine gel', 0.5), open('alcohol'), open('curing light'), open('light shield')],
    told: 'sealed the dentine with resin',
    seals: '$(tooth codes)',
    reason: practice(
      'the sticky layer of fresh resin stops addition silicone and bis-acryl: cured under glycerine, wiped with alcohol',
    ),
  },
  'cutting.reduction-check:inlay': {
    ...cuttingSteps['cutting.reduction-check'],
    title: 'Check the preparation: draw, isthmus, no undercut',
    passes: ['{mirror}', '{probe}'],
    figures: [],
    needs: [open('periodontal probe')],
    detail: 'Draw seen with one eye; isthmus $(reduction.inner) or more; butt edges.',
    hold: {
      name: 'reduction',
      title: 'Preparation good',
      evidence: '{mirror} from above, {probe} at the isthmus',
      because: practice('an undercut is blocked out before the impression, not after'),
      again: ['$(finishing cuts)', 'cutting.reduction-check'],
    },
    mistakes: ['looked at with two eyes: an undercut hides'],
  },
  '$stem.pumice:inlay': {
    ...bondingSteps['$stem.pumice'],
    title: 'Sealed dentine roughened with {pumice}, rinse: $label',
    reason: practice('what was sealed weeks ago takes the new bond only where it is cleaned and roughened'),
  },
  'delivery.try-in:inlay': {
    ...deliverySteps['delivery.try-in'],
    passes: ['piece on its {stick}', '{floss}', '{contact film}', '{explorer}'],
    needs: [
      open('floss', 300),
      open('contact film', 2),
      open('placement stick'),
      standby('shade guide', 'the shade is doubted'),
    ],
  },
  'finishing.edges:inlay': {
    phase: 'finishing',
    fn: 'finishing',
    place: 'mouth',
    helped: true,
    title: 'Edges under water with the bur',
    minutes: [1, 2, 4],
    cut: {
      id: 'finishing.edges',
      form: 'edge',
      depthMm: 0.2,
      part: 'top',
      widestMm: '$(edge widest)',
      surface: 'margins',
    },
    needs: [open('high-speed handpiece')],
    told: 'finished the margins',
  },
  'finishing.edges-polish': {
    phase: 'finishing',
    fn: 'polishing',
    place: 'mouth',
    helped: true,
    title: {
      if: 'boxes of the work',
      use: 'Edges under water: {polishers}, {strips}',
      else: 'Edges under water: {polishers}',
    },
    minutes: [1, 2, 4],
    needs: [
      open('ceramic polisher', 2),
      open('slow handpiece'),
      { if: 'boxes of the work', use: [open('finishing strip', 2)] },
    ],
    told: 'polished the margins',
  },
} as const satisfies Record<string, Template>
