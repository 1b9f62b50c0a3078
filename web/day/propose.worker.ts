/** The search for other times, beside the screen: tells how far it is, then what it found. */
import { proposeDay, type DayProblem, type Proposal } from '../../core/schedule/propose'

export type Told = { share: number } | { proposal: Proposal }
const say = (told: Told): void => self.postMessage(told)

self.addEventListener('message', (e: MessageEvent<DayProblem>) =>
  say({ proposal: proposeDay(e.data, undefined, (share) => say({ share })) }),
)
