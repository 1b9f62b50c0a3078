import { open, practice, reason } from '../needs'
import type { Template } from '../template'

const act = { phase: 'isolation', fn: 'chairside', place: 'mouth', helped: true } as const

export const asleepSteps = {
  'asleep.under': {
    ...act,
    title: 'Asleep, the anaesthetist says so; eyes taped and covered',
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
    title: '{Throat pack} in: said aloud, written on the door, tape tail out of the mouth',
    minutes: [0.3, 0.5, 1],
    fn: 'dam',
    told: 'placed the {throat pack}',
    detail: 'Blood and saliva cleared first: a pack in a wet throat slips.',
    needs: [open('throat pack'), open('mouth prop')],
    countsIn: [{ id: '$throatPack', what: '{THROAT PACK}', planned: 1, outStep: 'asleep.pack-out' }],
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
    title: '{Throat pack} out: said aloud, shown, off the door',
    minutes: [0.2, 0.3, 0.5],
    fn: 'dam',
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
} as const satisfies Record<string, Template>
