import { kind } from './facts'

export const recallKinds = {
  'recall.week': kind({
    j: '–',
    title: 'Recall after a week',
    group: 'Between and after',
    family: 'recall',
    file: 'recall',
    says: 'Tissue, floss under the pontic, bite, colour after rehydration.',
    dentition: 'permanent',
    most: 10,
    restorations: [],
    pontics: 'may',
  }),
  'recall.half-year': kind({
    j: '–',
    title: 'Half-yearly check of a bonded bridge',
    group: 'Between and after',
    family: 'recall',
    file: 'recall',
    says: 'Each retainer tested by itself, edges, tissue, bite.',
    dentition: 'permanent',
    most: 4,
    restorations: [],
    pontics: 'may',
  }),
} as const
