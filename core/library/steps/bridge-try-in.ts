import { deliverySteps } from './delivery'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const act = { phase: 'delivery', fn: 'chairside', place: 'mouth', helped: true } as const

export const bridgeTryInSteps = {
  'delivery.pontic': {
    ...act,
    title: 'Pontic $pontics: touches the tissue without whitening, {floss} passes',
    minutes: [1, 2, 4],
    fn: 'look',
    needs: [open('floss threader')],
    told: 'checked the pontic against the tissue',
  },
  'delivery.room': {
    ...act,
    title: 'Room for the ceramic in every bite',
    minutes: [1, 2, 4],
    bite: 'room',
    fn: 'occlusal check',
    needs: [open('clearance tabs'), open('articulating paper', 2)],
    told: 'checked the room for the ceramic',
  },
  'delivery.shade-again': {
    ...act,
    title: 'Shade taken again, with a {picture}',
    minutes: [1, 2, 4],
    fn: 'shade preview',
    needs: [open('shade guide'), open('camera')],
    hold: {
      name: 'shade',
      title: 'Shade',
      evidence: 'tab beside wet teeth',
      because: practice('the ceramic is layered after this visit'),
      mandatory: true,
    },
  },
  'delivery.bite-again': {
    ...act,
    title: 'New bite record over the framework',
    minutes: [1, 1.5, 3],
    fn: 'bite record',
    needs: [open('bite silicone', 6), open('mixing tip')],
  },
  'delivery.try-in:framework': {
    ...deliverySteps['delivery.try-in'],
    title: 'Try in the framework, $teeth: rocks on no abutment, $(margin parts) each',
    detail: 'The inside, then the margin; pressed on one end after the other.',
    passes: ['piece in {gauze}', '{floss}', '{explorer}'],
    needs: [
      open('floss', 300),
      open('fit checker', '$(number of teeth)'),
      open('explorer'),
      standby('soldering index', 'it rocks: cut, indexed, soldered'),
    ],
    mistakes: ['pressed down on one end: the other end lifts unseen'],
  },
} as const satisfies Record<string, Template>
