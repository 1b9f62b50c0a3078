/** General anaesthesia round a visit's work: under, throat pack in, looked at; and at the end the pack out before waking. */
import { throatPack } from '../vocabulary'
import { reason } from '../figure'
import { acts, open, practice, sequence, type Block } from '../library/build'
import { labels, type Case } from '../library/case'

const act = acts({ phase: 'isolation', fn: 'chairside', place: 'mouth', helped: true })
const licensed = reason(
  'General anaesthesia: only where licensed, with its own team; the anaesthetist’s word comes first',
  'C',
)

/** From the anaesthetist's word to the confirmed plan. The pack is counted in before anything else is in the mouth. */
export function goingUnder(works: readonly Case[]): Block {
  return sequence(
    act('asleep.under', 'Asleep, the anaesthetist says so; eyes taped and covered', [2, 4, 8], {
      act: 'numb',
      place: 'chair',
      helped: false,
      hold: {
        name: 'numb',
        title: 'Asleep',
        evidence: 'the anaesthetist’s word, said aloud',
        because: practice('nothing in the mouth before the anaesthetist says so'),
      },
      cautions: [licensed],
    }),
    act(
      'asleep.pack-in',
      'Throat pack in: said aloud, written on the door, tape tail out of the mouth',
      [0.3, 0.5, 1],
      {
        fn: 'dam',
        told: 'placed the throat pack',
        detail: 'Blood and saliva cleared first: a pack in a wet throat slips.',
        needs: [open('throat pack'), open('mouth prop')],
        countsIn: [{ id: throatPack, what: 'THROAT PACK', planned: 1, outStep: 'asleep.pack-out' }],
        hold: {
          name: 'throat',
          title: 'Throat pack in',
          evidence: 'tail seen, count said aloud by two',
          because: practice('a pack nobody remembers is an airway closed on waking'),
        },
        cautions: [reason('It is out before the child wakes: on the log, on the door, on every count', 'C')],
      },
    ),
    act('asleep.clean', `Clean, look, film: ${works.map(labels).join(', ')} and the rest`, [2, 4, 7], {
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
    }),
  )
}

/** Nothing more is done in the mouth after the pack is out. */
export function packOut(): Block {
  return sequence(
    act('asleep.suction', 'Rinse, suction over the pack', [0.3, 0.5, 1], { fn: 'rinse', passes: ['suction'] }),
    act('asleep.pack-out', 'Throat pack out: said aloud, shown, off the door', [0.2, 0.3, 0.5], {
      fn: 'dam',
      told: 'removed the throat pack',
      countsOut: [throatPack],
      hold: {
        name: 'throat',
        key: 'out',
        title: 'Throat pack out',
        evidence: 'pack on the table, whole; back of the throat looked at',
        because: practice('before the child wakes'),
        mandatory: true,
      },
    }),
  )
}
