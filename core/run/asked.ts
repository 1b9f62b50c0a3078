/** What a decision is asked with and answers, and what all handlers share. */
import type { Plan } from '../model/plan'
import type { Role } from '../practice/functions'
import type { Command, Happening } from './events'
import { refuse, type Refusal, type RefusalCode } from './refusals'
import type { RunCore, RunState } from './state'

/** Who asks. `codeShown` is set by the server when the person's own code was given with this very request. */
export interface Who {
  personId: string
  roles: readonly Role[]
  codeShown: boolean
  /** Set where a touch stands for the code: given on this device so long ago, seconds. */
  codeAgoS?: number
}
/** `held` is set when an `advance` could finish but not start: it says what the next step waits for. */
export type Decision = { events: Happening[]; held?: Refusal } | { refused: Refusal }

/** What a handler is given beside its command. */
/** What a decision to begin looks at beside the run: the cassettes laid up for it. */
export interface Beside {
  cassettes: readonly {
    id: string
    name: string
    load: number | null
    confirmedBy: string | null
    /** Why its load was pulled back, where it was. */
    pulledBack: string | null
  }[]
}
export const nothingBeside: Beside = { cassettes: [] }

export interface Asked {
  beside: Beside
  plan: Plan
  state: RunState
  core: RunCore
  who: Who
  now: number
}
type ByKind = { [K in Command['kind']]: Extract<Command, { kind: K }> }
export type Of<K extends Command['kind']> = ByKind[K]
export type Handlers = { [K in Command['kind']]: (c: Of<K>, asked: Asked) => Decision }

export const no = (code: RefusalCode, message: string, more: Partial<Refusal> = {}): Decision => ({
  refused: refuse(code, message, more),
})

export const isDentist = (who: Who): boolean => who.roles.includes('dentist')
export const mayRecord = (who: Who): boolean =>
  who.roles.some((r) => r === 'assistant' || r === 'expanded assistant' || r === 'dentist')

export function dentistsCode(who: Who, what: string): Refusal | null {
  if (!isDentist(who)) return refuse('not-allowed', `${what} is the dentist’s`, { missing: ['the dentist’s own code'] })
  return who.codeShown
    ? null
    : refuse('code', `${what} asks for the dentist’s own code`, { missing: ['the dentist’s own code'] })
}
