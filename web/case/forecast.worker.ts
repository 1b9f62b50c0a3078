/** Ten thousand runs of a visit beside the screen, so that nothing under the finger waits for them. */
import { forecast } from '../../core/schedule/simulate'
import type { Scored } from '../../core/schedule/timeline'

self.onmessage = (e: MessageEvent<Scored>) => self.postMessage(forecast(e.data))
