/** J14: incisors under general anaesthesia. */
import { milkIncisorLines } from '../cuts/cavities'
import { lay } from '../lay'
import { after } from './follow-ups'
import { only, sequence, type Block } from '../build'
import { lastOf } from '../../sure'
import { type Case, type Unit } from '../case'
import { pulp } from '../generators/pulp'
import { cutSteps } from '../generators/cutting'
import type { VisitKind } from './kind'
import { each } from './child-steps'

/** One crown tried downward through its sizes, and crimped where it is loose. */
function fitIncisor(c: Case, u: Unit): Block {
  const part = `${c.jaw} ${['central', 'lateral', 'canine'][Number(u.tooth[1]) - 1]}`
  const kind = `preveneered crown.${part}`
  const words = (n: number): string => `preveneered crown size ${n}, ${part}`
  return sequence(
    lay(c, 'crown.$tooth.fit:front', {
      u,
      kind,
      largestWords: words(4),
      middleWords: words(3),
      smallestWords: words(2),
    }),
    lay(c, 'crown.$tooth.crimp', { u }),
  )
}

/** Filled and seated; what sets is not waited for here. */
function seatIncisor(c: Case, u: Unit): Block {
  return sequence(lay(c, 'crown.$tooth.cement:front', { u }), lay(c, 'crown.$tooth.seat:front', { u }))
}

/** All crowns fitted, tried together, seated one after the other, and waited for once: asleep, every minute counts. */
function incisors(c: Case): Block {
  const last = lastOf(c.units)
  return sequence(
    each(c, (u) => fitIncisor(c, u)),
    only(c.units.length > 1, () => lay(c, 'crown.together')),
    each(c, (u) => seatIncisor(c, u)),
    lay(c, 'crown.rinse', { lastTooth: last.tooth, lastSeat: `crown.${last.tooth}.seat` }),
  )
}

/** J14. The throat pack goes round all of the visit's work (see the frame); quick back teeth are further work, done first. */
export const primaryIncisors: VisitKind = {
  id: 'primary.incisors',
  asleep: true,
  work: (c) => sequence(cutSteps(c, milkIncisorLines, [2, 4, 7]), pulp(c), incisors(c), lay(c, 'crown.look')),
  followUps: (c) => [
    {
      title: 'Look at gum and crowns',
      tell: 'a look at the gum and the crowns',
      ...after(c, 'recall.asleep'),
    },
  ],
}
