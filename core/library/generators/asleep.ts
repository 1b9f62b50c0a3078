/** General anaesthesia round a visit's work: under, throat pack in, looked at; and at the end the pack out before waking. */
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { throatPack } from '../../vocabulary'
import { reason } from '../../figure'
import { sequence, type Block } from '../build'
import { labels, type Case } from '../case'
const licensed = reason(
  'General anaesthesia: only where licensed, with its own team; the anaesthetist’s word comes first',
  'C',
)

/** From the anaesthetist's word to the confirmed plan. The pack is counted in before anything else is in the mouth. */
export function goingUnder(works: readonly Case[]): Block {
  const c = firstOf(works)
  return sequence(
    lay(c, 'asleep.before', { all: works.map(labels).join(', ') }),
    lay(c, 'asleep.under', { licensed }),
    lay(c, 'asleep.pack-in', { throatPack }),
    lay(c, 'asleep.clean', { all: works.map(labels).join(', ') }),
    lay(c, 'asleep.look', { all: works.map(labels).join(', ') }),
  )
}

/** Told, woken, turned on its side and handed over: before that nobody goes home, and the room is not free. */
export const wakeUp = (c: Case): Block =>
  sequence(lay(c, 'asleep.tell'), lay(c, 'asleep.wake'), lay(c, 'asleep.recovery'))

/** Nothing more is done in the mouth after the pack is out. */
export function packOut(c: Case): Block {
  return sequence(lay(c, 'asleep.suction'), lay(c, 'asleep.pack-out', { throatPack }))
}
