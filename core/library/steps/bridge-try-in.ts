import { open, practice } from '../needs'
import type { Template } from '../template'

const act = { phase: 'delivery', fn: 'chairside', place: 'mouth', helped: true } as const

export const bridgeTryInSteps = {
  'delivery.pontic': {
    ...act,
    title: 'Pontic $pontics: touches the tissue without whitening, {floss} passes',
    minutes: [1, 2, 4],
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
} as const satisfies Record<string, Template>
