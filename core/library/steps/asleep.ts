import { open, practice, reason } from '../needs'
import type { Template } from '../template'

const act = { phase: 'isolation', fn: 'chairside', place: 'mouth', helped: true } as const

export const asleepSteps = {
  'asleep.before': {
    ...act,
    title: 'Said aloud by the team before sleep: child, weight, fasting, the parent’s consent, teeth $all',
    minutes: [0.5, 1, 2],
    place: 'chair',
    helped: false,
    told: 'confirmed child, weight, fasting, consent and teeth aloud before sleep',
    mistakes: ['the list read by one alone: nobody hears what is wrong in it'],
  },
  'asleep.under': {
    ...act,
    title: 'Asleep, the anaesthetist says so; eyes and tube {taped}, eyes covered',
    needs: [open('skin tape')],
    minutes: [2, 4, 8],
    act: 'numb',
    place: 'chair',
    helped: false,
    hold: {
      name: 'numb',
      title: 'Asleep',
      evidence: 'the anaesthetist’s word, said aloud',
      because: practice('nothing in the mouth before the anaesthetist says so'),
    },
    cautions: ['$licensed'],
  },
  'asleep.pack-in': {
    ...act,
    title:
      '{Throat pack} in, by the dentist or the anaesthetist: said aloud, written on the door, tail out of the mouth',
    minutes: [0.3, 0.5, 1],
    fn: 'throat pack',
    told: 'placed the {throat pack}',
    detail:
      'One with a tail, and a thread that shows on X-ray. Blood and saliva cleared first: a pack in a wet throat slips.',
    needs: [open('throat pack'), open('mouth prop')],
    countsIn: [
      { id: '$throatPack', what: '{THROAT PACK}', planned: 1, outStep: 'asleep.pack-out' },
      // Asleep nobody coughs a piece up: gauze is counted with the rest.
      { id: 'gauze', what: '{gauze}', planned: 0, asLaid: 'gauze', outStep: 'closing.rinse' },
    ],
    hold: {
      name: 'throat',
      title: '{Throat pack} in',
      evidence: 'tail seen, count said aloud by two',
      because: practice('a pack nobody remembers is an airway closed on waking'),
    },
    cautions: [reason('It is out before the child wakes: on the log, on the door, on every count', 'C')],
  },
  'asleep.clean': {
    ...act,
    title: 'Clean, look, film: $all and the rest',
    minutes: [2, 4, 7],
    fn: 'polishing',
    needs: [open('prophy cup'), open('pumice'), open('slow handpiece'), open('film holder')],
    told: 'cleaned and examined under anaesthesia',
    detail: 'Back teeth are done first, front teeth last.',
    hold: {
      name: 'plan',
      title: 'Plan confirmed asleep',
      evidence: 'what is seen and on film agrees with the consent',
      because: practice('under anaesthesia one sees more: what is not consented is not done'),
    },
  },
  'asleep.suction': {
    ...act,
    title: 'Rinse, {suction} over the pack',
    minutes: [0.3, 0.5, 1],
    fn: 'rinse',
    passes: ['{suction}'],
  },
  'asleep.pack-out': {
    ...act,
    title: '{Throat pack} out, by the dentist or the anaesthetist: said aloud, shown, off the door',
    minutes: [0.2, 0.3, 0.5],
    fn: 'throat pack',
    told: 'removed the {throat pack}',
    countsOut: ['$throatPack'],
    hold: {
      name: 'throat',
      key: 'out',
      title: '{Throat pack} out',
      evidence: 'pack on the table, whole; back of the throat looked at',
      because: practice('before the child wakes'),
      mandatory: true,
    },
  },
  'asleep.tell': {
    ...act,
    phase: 'closing',
    title: 'The anaesthetist is told: finished, pack out, counts agree',
    minutes: [0.2, 0.3, 0.5],
    place: 'chair',
    helped: false,
    told: 'told the anaesthetist that the work is finished and the pack is out',
    reason: practice('nobody wakes a child before the mouth is empty and that is said'),
  },
  'asleep.wake': {
    ...act,
    phase: 'closing',
    title: 'Throat suctioned; tube out and waking, by the anaesthetist',
    minutes: [4, 8, 15],
    place: 'chair',
    helped: false,
    passes: ['{suction}'],
    told: 'was there while the anaesthetist woke the child',
    cautions: [reason('The airway is the anaesthetist’s: hands off, {suction} on, the dentist stays in the room', 'C')],
  },
  'asleep.recovery': {
    ...act,
    phase: 'closing',
    title: 'Child on its side, to recovery; handed over: what was done, what was given, what to watch',
    minutes: [2, 4, 8],
    place: 'chair',
    told: 'handed the child over to recovery, on its side',
    detail: 'Watched there by whoever is trained for it. The room is free when the child has left it.',
    mistakes: ['handed over in the doorway: what was given is not known where it is needed'],
  },
} as const satisfies Record<string, Template>
