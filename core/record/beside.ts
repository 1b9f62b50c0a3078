/** What came up beside a visit while it ran, as its record tells it: by whom, when, why, and what the dentist answered. */
import { openMatters, mattersAfter, type Matter } from '../run/matters'
import type { RunEvent } from '../run/events'
import { alertSaid } from '../vocabulary'
import { ended } from '../words'

interface Telling {
  time: (ms: number) => string
  name: (personId: string) => string
}

/** What an event of that kind says; nothing where it is of another. */
function said({ what, at, by }: RunEvent, before: readonly Matter[], { time, name }: Telling): string[] {
  const who = `${time(at)} ${name(by)}`
  const because = 'why' in what && what.why !== undefined ? `, because: ${what.why}` : ''
  switch (what.kind) {
    case 'alerts.changed':
      return [
        ...what.entered.map((a) => {
          const touches = what.touches?.[a] ?? []
          return ended(
            `${who} entered an alert while the visit ran: ${alertSaid(a)}${touches.length > 0 ? `; it touches ${touches.join('; ')}` : ''}`,
          )
        }),
        ...what.taken.map((a) => ended(`${who} took an alert away while the visit ran: ${alertSaid(a)}${because}`)),
      ]
    case 'mark.changed': {
      const did = what.on ? 'marked' : 'took a mark off'
      return [ended(`${who} ${did} a product of this tray while the visit ran: ${what.item}, ${what.mark}${because}`)]
    }
    case 'cassette.doubted':
      return [
        ended(
          `${time(at)} ${what.name}${what.load === null ? '' : ` out of load ${what.load}`} was pulled back: ${what.why}`,
        ),
      ]
    case 'cassette.cleared':
      return [ended(`${who} took that back for ${what.name}: ${what.why}`)]
    case 'cassette.changed':
      return [
        ended(`${who} changed ${what.name} for ${what.to}${what.load === null ? '' : ` out of load ${what.load}`}`),
      ]
    case 'matter.answered': {
      const matter = before.find((m) => m.id === what.matterId)
      return [ended(`${who} answered with their own code${matter ? ` on “${matter.says}”` : ''}: ${what.reason}`)]
    }
    default:
      return []
  }
}

/** Alerts entered or taken away, marks of products, cassettes pulled back; and what nobody has answered. */
export function besideSentences(events: readonly RunEvent[], telling: Telling): string[] {
  let matters: readonly Matter[] = []
  const sentences: string[] = []
  for (const event of events) {
    sentences.push(...said(event, matters, telling))
    matters = mattersAfter(matters, event)
  }
  return [...sentences, ...openMatters(matters).map((m) => ended(`Not answered by the dentist: ${m.says}`))]
}

/** The cassettes it began with, out of which loads, and who held them against the shelf. */
export function cassetteSentences(events: readonly RunEvent[], { name }: Telling): string[] {
  const started = events.flatMap(({ what }) => (what.kind === 'run.started' ? (what.cassettes ?? []) : []))
  if (started.length === 0) return []
  const words = started.map((c) => {
    const load = c.load === null ? ', no load on record' : ` out of load ${c.load}`
    return `${c.name}${load}${c.confirmedBy === null ? ', confirmed by nobody' : `, confirmed by ${name(c.confirmedBy)}`}`
  })
  return [ended(`Cassettes: ${words.join('; ')}`)]
}

/** Alerts that came up while it ran and stand. */
export function alertsSince(events: readonly RunEvent[]): string[] {
  const since = new Set<string>()
  for (const { what } of events) {
    if (what.kind !== 'alerts.changed') continue
    for (const a of what.entered) since.add(a)
    for (const a of what.taken) since.delete(a)
  }
  return [...since]
}
