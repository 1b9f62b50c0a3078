/**
 * A visit left open: begun, never closed, and nothing done on it for longer than anything in it lasts. Whoever forgot to close
 * it went home; a clock that runs on says nothing of the visit any more.
 */
import { edgeOf, type RunCore } from './state'

/** So long without a touch, ms, nobody is at it any more. From memory: no step or wait of any visit comes near it. */
export const leftAfterMs = 4 * 3_600_000

/** Whatever was done, ms since the epoch, in its order; nothing where the run has not begun. */
function actsOf({ startedAt, steps, holds, measured }: RunCore): number[] {
  if (startedAt === undefined) return []
  return [
    startedAt,
    ...Object.values(steps).flatMap((s) =>
      s.status === 'skipped' ? [s.skippedAt] : [edgeOf(s, 'start'), edgeOf(s, 'finish')],
    ),
    ...Object.values(holds).map((h) => (h.status === 'open' ? undefined : h.at)),
    ...measured.map((m) => m.at),
  ]
    .filter((at) => at !== undefined)
    .toSorted((a, b) => a - b)
}

/** When something was last done, ms since the epoch; nothing where the run has not begun. */
export const lastActAt = (core: RunCore): number | undefined => actsOf(core).at(-1)

/** The last that was done before the visit was first left, ms since the epoch; what came after was made up for later. */
export function attendedUntil(core: RunCore): number | undefined {
  const acts = actsOf(core)
  return acts.find((at, i) => (acts[i + 1] ?? at) - at > leftAfterMs) ?? acts.at(-1)
}

/** Whether a run that goes on has been left. */
export const leftOpen = (core: RunCore, now: number): boolean =>
  core.status === 'running' && now - (lastActAt(core) ?? now) > leftAfterMs

/** Up to when a run is shown, ms: to its closing; where it was left open to the last act; else to now. */
export function shownUntil(core: RunCore, now: number): number {
  if (core.closedAt !== undefined) return core.closedAt
  return leftOpen(core, now) ? (lastActAt(core) ?? now) : now
}

/** How long a run has gone on, seconds, as far as it is shown; 0 before it begins. */
export const goneS = (core: RunCore, now: number): number =>
  core.startedAt === undefined ? 0 : (shownUntil(core, now) - core.startedAt) / 1000
