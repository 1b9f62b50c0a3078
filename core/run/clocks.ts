import { isClock, type Clock, type Link } from '../model/link'
import type { Plan } from '../model/plan'
import { edgeOf, type RunCore, stepState } from './state'

export interface RunningClock {
  linkId: string
  title: string
  from: string
  to: string
  startedAt: number
  elapsedS: number
  notBeforeS?: number
  warnS?: number
  closesS?: number
  /** `wait`: too early for the next step. `go`: it may happen. `warn`: soon too late. `missed`: the window has closed. */
  phase: 'wait' | 'go' | 'warn' | 'missed'
  whenMissed?: string
  because: string
}

/** When the first edge of a link happened, ms, or `undefined`. A skipped step has no edges. */
export function edgeAt(link: Link, core: RunCore): number | undefined {
  return edgeOf(stepState(core, link.from), link.fromEdge)
}

const reached = (link: Link, core: RunCore): boolean => {
  const s = core.steps[link.to]
  if (!s) return true
  return link.toEdge === 'start' ? s.status !== 'todo' : s.status === 'done' || s.status === 'skipped'
}

/** The phase of a timed link after so many seconds. */
export function clockPhase(
  link: Pick<Clock, 'atLeastS' | 'warnS' | 'atMostS'>,
  elapsedS: number,
): RunningClock['phase'] {
  if (link.atMostS !== undefined && elapsedS > link.atMostS) return 'missed'
  if (link.atLeastS !== undefined && elapsedS < link.atLeastS) return 'wait'
  return link.warnS !== undefined && elapsedS >= link.warnS ? 'warn' : 'go'
}

/**
 * The clocks that run at `now` (ms): every timed link whose first edge has happened and whose second has not. A plain lag
 * stops being shown once it has passed, unless something still warns or closes. Soonest trouble first.
 * @example clocksAt(plan, state.core, now) // []
 */
export function clocksAt(plan: Pick<Plan, 'links'>, core: RunCore, now: number): RunningClock[] {
  if (core.status !== 'running') return []
  const clocks: RunningClock[] = []
  for (const link of plan.links) {
    if (!isClock(link) || core.accepted[link.id] || reached(link, core)) continue
    const startedAt = edgeAt(link, core)
    if (startedAt === undefined) continue
    const elapsedS = (now - startedAt) / 1000
    const phase = clockPhase(link, elapsedS)
    if (phase === 'go' && link.warnS === undefined && link.kind === 'lag') continue
    clocks.push({
      linkId: link.id,
      title: link.title,
      from: link.from,
      to: link.to,
      startedAt,
      elapsedS,
      ...(link.atLeastS === undefined ? {} : { notBeforeS: link.atLeastS }),
      ...(link.warnS === undefined ? {} : { warnS: link.warnS }),
      ...(link.atMostS === undefined ? {} : { closesS: link.atMostS }),
      phase,
      ...(link.whenMissed ? { whenMissed: link.whenMissed } : {}),
      because: link.because.text,
    })
  }
  const left = (c: RunningClock): number => (c.closesS ?? c.warnS ?? c.notBeforeS ?? Infinity) - c.elapsedS
  return clocks.toSorted((a, b) => left(a) - left(b))
}
