/**
 * What came up beside a visit while it runs, and is the dentist's to answer: an alert entered, a cassette pulled back, a
 * product marked. Outside what a touch can take back: it is there until it is answered, or is no longer so.
 */
import { alertSaid } from '../vocabulary'
import type { RunEvent } from './events'

export interface Matter {
  id: string
  kind: 'alert' | 'cassette' | 'mark'
  /** What it is, in words: 'latex allergy'. */
  says: string
  /** What of this tray, plan and team it touches, one line each; what is not known is not made up. */
  touches: readonly string[]
  at: number
  by: string
  answered?: { by: string; at: number; reason: string }
}

const without = (matters: readonly Matter[], id: string): Matter[] => matters.filter((m) => m.id !== id)

/**
 * The matters after an event.
 * @example mattersAfter([], { what: { kind: 'run.closed' }, at: 0, by: 'a' }) // []
 */
export function mattersAfter(
  matters: readonly Matter[],
  { what, at, by }: Pick<RunEvent, 'what' | 'at' | 'by'>,
): readonly Matter[] {
  const came = (id: string, kind: Matter['kind'], says: string, touches: readonly string[]): Matter[] => [
    ...without(matters, id),
    { id, kind, says, touches, at, by },
  ]
  switch (what.kind) {
    case 'alerts.changed': {
      const left = matters.filter((m) => !what.taken.some((a) => m.id === `alert ${a}`))
      const entered = what.entered.map((a): Matter => ({
        id: `alert ${a}`,
        kind: 'alert',
        says: alertSaid(a),
        touches: what.touches?.[a] ?? [],
        at,
        by,
      }))
      return [...left.filter((m) => !entered.some((e) => e.id === m.id)), ...entered]
    }
    case 'mark.changed': {
      const id = `mark ${what.item} ${what.mark}`
      return what.on ? came(id, 'mark', `${what.item} is marked: ${alertSaid(what.mark)}`, []) : without(matters, id)
    }
    case 'cassette.doubted': {
      const load = what.load === null ? '' : ` out of load ${what.load}`
      return came(`cassette ${what.cassetteId}`, 'cassette', `${what.name}${load} was pulled back: ${what.why}`, [])
    }
    case 'cassette.cleared':
      return without(matters, `cassette ${what.cassetteId}`)
    case 'cassette.changed':
      return without(matters, `cassette ${what.cassetteId}`)
    case 'matter.answered':
      return matters.map((m) => (m.id === what.matterId ? { ...m, answered: { by, at, reason: what.reason } } : m))
    default:
      return matters
  }
}

/** What still waits for the dentist. @example openMatters([]) // [] */
export const openMatters = (matters: readonly Matter[]): Matter[] => matters.filter((m) => m.answered === undefined)

/** How a matter is said in a line: what, and what it touches. */
export const matterWords = ({ kind, says, touches }: Matter): string =>
  `${kind === 'alert' ? 'Alert entered: ' : ''}${says}${touches.length > 0 ? ` (${touches.join('; ')})` : ''}`
