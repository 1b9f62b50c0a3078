/** What a delivery takes over from the visits before it: asked of the laboratory, sealed, left in under the provisional. */
import type { VisitRequest } from '../model/request'
import type { Tooth } from '../teeth/notation'
import type { Case } from './case'

type Earlier = VisitRequest['earlier'][number]
/** The last visit before this one that says something; what it says stands. */
const last = (c: Case, key: 'asked' | 'shade' | 'sealed' | 'left'): Earlier | undefined =>
  c.asks('earlier').findLast((e) => e[key] !== undefined)

/** Whether the dentine was sealed at the first visit: as it was planned and signed there, else as the school has it. */
export const dentineSealed = (c: Case, tooth: Tooth): boolean =>
  last(c, 'sealed')?.sealed?.includes(tooth) ?? c.school('dentineSeal') === 'at once'

/** Pieces that lie under the provisional. */
export const leftIn = (c: Case): { what: string; n: number }[] => last(c, 'left')?.left ?? []
export const leftWords = (left: readonly { what: string; n: number }[]): string =>
  left.map(({ what, n }) => `${n} ${what}`).join(', ')

/** What the piece is held against: sentences, empty where no earlier visit of the case is on record. */
export function askedOfLab(c: Case): string[] {
  const [asked, shade] = [last(c, 'asked'), last(c, 'shade')]
  return [
    ...(asked?.asked && asked.asked.length > 0 ? [`Asked for on ${asked.date}: ${asked.asked.join('; ')}.`] : []),
    ...(shade?.shade ? [`Shade read on ${shade.date}: ${shade.shade}.`] : []),
  ]
}
