import { reason } from '../figure'
import { meanwhile, sequence, step, type Block } from '../library/build'
import type { Case } from '../library/case'

/** Rinse, counts agree, instructions, home, then the desk and the room. */
export function closing(works: readonly Case[], { asleep, out }: { asleep: boolean; out: readonly string[] }): Block {
  const lab = works.some((w) => w.kind.lab)
  const child = works.some((w) => w.kind.dentition === 'primary')
  return sequence(
    step({
      id: 'closing.rinse',
      phase: 'closing',
      title: asleep
        ? 'Suction until dry, then look round the mouth and behind the soft palate'
        : `${out.length > 0 ? 'Rolls out; rinse' : 'Rinse'}, look round the mouth, chair upright`,
      fn: 'rinse',
      place: 'mouth',
      minutes: [0.5, 1, 2],
      countsOut: [...out],
    }),
    step({
      id: 'closing.counts',
      act: 'counts squared',
      phase: 'closing',
      title: `Count: everything that went in is out${asleep ? ', before waking' : ''}`,
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
    }),
    step({
      id: 'closing.instructions',
      phase: 'closing',
      title: `Instructions${child ? ' to child and parent' : ''}, by word and on paper; next visit made`,
      told: 'gave the instructions by word and on paper',
      fn: 'instructions',
      place: 'chair',
      minutes: [1, 2, 4],
    }),
    step({
      id: 'closing.home',
      act: 'going home',
      phase: 'closing',
      title: 'Ready to go home',
      fn: 'chairside',
      place: 'chair',
      minutes: [0.2, 0.3, 1],
      hold: {
        name: 'home',
        title: 'Going home',
        evidence: asleep
          ? 'awake, drinking, with an adult, and the anaesthetist agrees'
          : 'patient well, instructions given',
        because: reason('the dentist sees the patient before they leave', 'C'),
      },
    }),
    meanwhile(
      'the patient has left',
      step({
        id: 'closing.chart',
        phase: 'closing',
        title: lab ? 'Chart note and laboratory slip' : 'Chart note, with every material used',
        fn: 'chart note',
        place: 'desk',
        minutes: [3, 5, 8],
      }),
      step({
        id: 'closing.turnover',
        phase: 'closing',
        title: 'Turn the room over; cassette to the sterilising room',
        fn: 'turnover',
        place: 'room',
        minutes: [8, 10, 15],
        cautions: [reason('Sharps first, then instruments; heavy gloves', 'C')],
      }),
    ),
  )
}
