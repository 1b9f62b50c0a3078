import { milkIncisorLines } from '../cuts/cavities'
import type { Kind } from '../kind'

/**
 * J14: incisors under general anaesthesia. The throat pack goes round all of the visit's work (see the frame); quick back teeth are
 * further work, done first. All crowns fitted, tried together, seated one after the other, and waited for once: every minute counts.
 */
export const primaryIncisors: Kind = {
  id: 'primary.incisors',
  asleep: true,
  work: [
    { cut: milkIncisorLines, minutes: [2, 4, 7] },
    ['milk pulps'],
    { each: 'tooth', do: [['front crown fitted'], 'crown.$tooth.crimp'] },
    { if: 'several teeth', do: ['crown.together'] },
    { each: 'tooth', do: ['crown.$tooth.cement:front', 'crown.$tooth.seat:front'] },
    { each: 'last tooth', do: ['crown.rinse'] },
    'crown.look',
  ],
  bites: ['preformed crown'],
  followUps: [{ title: 'Look at gum and crowns', tell: 'a look at the gum and the crowns', after: 'recall.asleep' }],
}
