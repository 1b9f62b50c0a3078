import { lay } from '../lay'
import { meanwhile, sequence, type Block } from '../build'
import { firstOf } from '../../sure'
import type { Case } from '../case'

/** Rinse, counts agree, instructions, home, then the desk and the room. */
export function closing(works: readonly Case[], { asleep, out }: { asleep: boolean; out: readonly string[] }): Block {
  const c = firstOf(works)
  const lab = works.some((w) => w.kind.lab)
  const child = works.some((w) => w.kind.dentition === 'primary')
  return sequence(
    lay(c, 'closing.rinse', { asleep, out }),
    lay(c, 'closing.counts', { asleep }),
    lay(c, 'closing.instructions', { child }),
    lay(c, 'closing.home', { asleep }),
    meanwhile('the patient has left', lay(c, 'closing.chart', { lab }), lay(c, 'closing.turnover')),
  )
}
