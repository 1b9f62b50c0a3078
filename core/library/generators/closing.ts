import { lay } from '../lay'
import { meanwhile, sequence, type Block } from '../build'
import { firstOf } from '../../sure'
import { wakeUp } from './asleep'
import type { Case } from '../case'

/** Rinse, counts agree, instructions, home, then the desk and the room. */
export function closing(works: readonly Case[], { asleep, out }: { asleep: boolean; out: readonly string[] }): Block {
  const c = firstOf(works)
  const lab = works.some((w) => w.kind.lab)
  const child = works.some((w) => w.kind.dentition === 'primary')
  const home = [lay(c, 'closing.instructions', { child, asleep }), lay(c, 'closing.home', { asleep })]
  const desk = [lay(c, 'closing.chart', { lab }), lay(c, 'closing.turnover')]
  return sequence(
    lay(c, 'closing.rinse', { asleep, out }),
    lay(c, 'closing.counts', { asleep }),
    // Home from recovery, in its own time: the room is turned over meanwhile.
    ...(asleep
      ? [wakeUp(c), meanwhile('the child is in recovery', ...desk, sequence(...home))]
      : [...home, meanwhile('the patient has left', ...desk)]),
  )
}
