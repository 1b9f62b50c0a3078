/** The one way to the server. Every failure becomes an {@link ApiProblem} with words a person can act on. */
import type { DayRules } from '../../core/practice/day-rules'
import type { CassetteType } from '../../core/practice/instruments'
import type { Practice } from '../../core/practice/practice'
import type { Role } from '../../core/practice/functions'
import type { ChartNote } from '../../core/record/note'
import type { Refusal } from '../../core/run/refusals'
import type { RunEvent } from '../../core/run/events'
import type { VisitRequest } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { TurnoverView } from '../../core/schedule/turnover-day'
import type { Timeline } from '../../core/schedule/timeline'

export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly slug: string,
    message: string,
    readonly more: {
      refusal?: Refusal
      seq?: number
      events?: RunEvent[]
      missing?: string[]
      unread?: string[]
      blocked?: string[]
      errors?: { path: string; message: string }[]
    } = {},
  ) {
    super(message)
    this.name = 'ApiProblem'
  }
  /** The request may never have arrived: it can be sent again as it is. */
  get offline(): boolean {
    return this.status === 0
  }
}

/** @param options.withinMs after which a server that does not answer counts as not heard */
export async function api<T>(
  path: string,
  options: { method?: string; body?: unknown; withinMs?: number } = {},
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method: options.method ?? 'GET',
      ...(options.withinMs === undefined ? {} : { signal: AbortSignal.timeout(options.withinMs) }),
      ...(options.body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(options.body) }),
    })
  } catch {
    throw new ApiProblem(0, 'offline', 'The server does not answer. Nothing is lost; it is tried again.')
  }
  if (response.status === 204) return undefined as T
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return body as T
  const problem = (body ?? {}) as { type?: string; detail?: string }
  throw new ApiProblem(
    response.status,
    problem.type?.split('/').at(-1) ?? 'unknown',
    problem.detail ?? `The server answered ${response.status}.`,
    problem as ApiProblem['more'],
  )
}

export interface Person {
  id: string
  name: string
  roles: Role[]
  shownCode?: string
}
export type Stage = 'planned' | 'laid up' | 'running' | 'closed'
export interface VisitHead {
  id: string
  chairId: string
  day: string
  startsAt: number
  patient: { id: string; name: string }
  request: VisitRequest
  stage: Stage
}
export interface DayVisit extends VisitHead {
  title: string
  teeth: Plan['teeth']
  alerts: VisitRequest['alerts']
  people: Plan['people']
  /** Of what has begun the score as it really goes, from when it began. */
  score: Timeline
  beganAt?: number
  plannedS: number
  mayMoveMin: number | null
  /** The cassettes it takes; named where they are laid up for it. */
  cassettes: { type: CassetteType; name?: string; pulledBack?: boolean }[]
  tray: { checked: number; total: number; warnings: string[]; blocked: string[] }
}
export interface DayView {
  day: string
  /** The day it is where the practice is. */
  today: string
  rules: DayRules
  dentists: string[]
  /** Whether a simulated practice calendar can be asked. */
  simulated: boolean
  /** What the day's cassettes come to; null where none are kept on record, or the day is past. */
  turnover: TurnoverView | null
  practice: string
  notation: Practice['notation']
  zone: string
  chairs: Practice['chairs']
  visits: DayVisit[]
}
export interface Mark {
  lineId: string
  by: string
  at: number
}
export interface VisitView extends VisitHead {
  version: number
  caseId: string
  team: { dentist: string; assistants: string[] }
  /** The plan that stood signed when an alert re-opened the tray. */
  reopened: { plan: Plan; at: number; by: string; why: string } | null
  /** Every visit of the case, by its start. */
  chain: { id: string; day: string; startsAt: number; kind: VisitRequest['kind']; stage: Stage }[]
  throatPackIn: boolean
  /** What is laid up for it, out of which load. */
  cassettes: { name: string; load: number | null; pulledBack: boolean }[]
  frozen: { plan: Plan; signedBy: string; signedAt: number } | null
  marks: Mark[]
}
export interface RecordView {
  note: ChartNote
  closedAt: number | null
}

/** A random id; crypto.randomUUID is missing where the page came over plain http from another machine. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('')
}

/** A name for this device that lasts; storage may be refused, then it lasts as long as the page. */
function deviceName(): string {
  try {
    const kept = localStorage.getItem('jade.device')
    if (kept) return kept
    const made = newId().slice(0, 12)
    localStorage.setItem('jade.device', made)
    return made
  } catch {
    return newId().slice(0, 12)
  }
}
export const device = deviceName()
