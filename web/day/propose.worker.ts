/** The search for other times, beside the screen. */
import { proposeDay, type DayProblem } from '../../core/schedule/propose'

self.addEventListener('message', (e: MessageEvent<DayProblem>) => self.postMessage(proposeDay(e.data)))
