/** What was changed beside a visit while it ran, as its record tells it: by whom, when and why. */
import type { RunEvent } from '../run/events'
import { among, keysOf } from '../sure'
import { alertWords } from '../vocabulary'

const alertSaid = (alert: string): string => {
  const known = among(keysOf(alertWords), alert)
  return known === undefined ? alert : alertWords[known]
}

/** Alerts entered or taken away, and marks of products that alerts look at. */
export function besideSentences(
  events: readonly RunEvent[],
  { time, name }: { time: (ms: number) => string; name: (personId: string) => string },
): string[] {
  return events.flatMap(({ at, by, what }): string[] => {
    const who = `${time(at)} ${name(by)}`
    const because = 'why' in what && what.why !== undefined ? `, because: ${what.why}` : ''
    if (what.kind === 'alerts.changed')
      return [
        ...what.entered.map((a) => `${who} entered an alert while the visit ran: ${alertSaid(a)}.`),
        ...what.taken.map((a) => `${who} took an alert away while the visit ran: ${alertSaid(a)}${because}.`),
      ]
    if (what.kind !== 'mark.changed') return []
    const did = what.on ? 'marked' : 'took a mark off'
    return [`${who} ${did} a product of this tray while the visit ran: ${what.item}, ${what.mark}${because}.`]
  })
}
