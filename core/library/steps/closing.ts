import { reason } from '../needs'
import type { Template } from '../template'

export const closingSteps = {
  'closing.rinse': {
    phase: 'closing',
    title: {
      if: '$asleep',
      use: '{Suction} until dry, then look round the mouth and behind the soft palate',
      else: {
        if: '$out',
        use: '{Rolls} out; rinse, look round the mouth, chair upright',
        else: 'Rinse, look round the mouth, chair upright',
      },
    },
    fn: 'rinse',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    countsOut: ['$out'],
  },
  'closing.counts': {
    act: 'counts squared',
    phase: 'closing',
    title: {
      if: '$asleep',
      use: 'Count: everything that went in is out, before waking',
      else: 'Count: everything that went in is out',
    },
    fn: 'chairside',
    place: 'chair',
    minutes: [0.2, 0.3, 1],
    hold: {
      name: 'counts',
      title: 'Counts agree',
      evidence: 'the count of every piece',
      because: reason('a forgotten cord is an infection; a missing piece of dam a body in the sulcus', 'C'),
      mandatory: true,
    },
  },
  'closing.instructions': {
    phase: 'closing',
    title: {
      if: '$child',
      use: 'Instructions to child and parent, by word and on paper; next visit made',
      else: 'Instructions, by word and on paper; next visit made',
    },
    told: 'gave the instructions by word and on paper',
    fn: 'instructions',
    place: { if: '$asleep', use: 'desk', else: 'chair' },
    minutes: [1, 2, 4],
  },
  'closing.home': {
    act: 'going home',
    phase: 'closing',
    title: { if: '$asleep', use: 'Ready to go home, from recovery', else: 'Ready to go home' },
    fn: 'chairside',
    place: { if: '$asleep', use: 'desk', else: 'chair' },
    minutes: [0.2, 0.3, 1],
    ties: {
      if: '$asleep',
      use: [{ from: 'asleep.recovery', fromEdge: 'finish', least: 'recovery.watched', title: 'Watched in recovery' }],
    },
    hold: {
      name: 'home',
      title: 'Going home',
      evidence: {
        if: '$asleep',
        use: 'awake, drinking, with an adult, and the anaesthetist agrees',
        else: 'patient well, instructions given',
      },
      because: reason('the dentist sees the patient before they leave', 'C'),
    },
  },
  'closing.chart': {
    phase: 'closing',
    title: { if: '$lab', use: 'Chart note and laboratory slip', else: 'Chart note, with every material used' },
    fn: 'chart note',
    place: 'desk',
    minutes: [3, 5, 8],
  },
  'closing.turnover': {
    phase: 'closing',
    title: 'Turn the room over; cassette to the sterilising room',
    fn: 'turnover',
    place: 'room',
    minutes: [8, 10, 15],
    cautions: [reason('Sharps first, then instruments; heavy {gloves}', 'C')],
  },
} as const satisfies Record<string, Template>
