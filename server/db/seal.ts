/**
 * Seals: each row of the trail and each event of a run carries a hash over itself and the seal before it, so that a row
 * changed, taken out or put in behind the program's back no longer fits. Whoever can recompute every seal is found by the
 * ends of the chains that each backup keeps.
 */
import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'

/** SHA-256 over the seal before and the row as JSON in its canonical form (RFC 8785), hex. */
export const sealOf = (before: string | null, row: object): string =>
  createHash('sha256')
    .update(before ?? '')
    .update('\n')
    .update(canonicalize(row) ?? '')
    .digest('hex')

/** What of an event is sealed: all that is told of it. */
export interface SealedEvent {
  visitId: string
  seq: number
  id: string
  at: number
  by: string
  device: string
  commandId: string
  receivedAt?: number | null | undefined
  via?: string | null | undefined
  library?: string | null | undefined
  what: object
}
const eventRow = (e: SealedEvent): object => ({
  visitId: e.visitId,
  seq: e.seq,
  id: e.id,
  at: e.at,
  by: e.by,
  device: e.device,
  commandId: e.commandId,
  receivedAt: e.receivedAt ?? null,
  via: e.via ?? null,
  library: e.library ?? null,
  what: e.what,
})
export const eventSeal = (before: string | null, e: SealedEvent): string => sealOf(before, eventRow(e))

/** Events of one run in order, each with its seal. @param before the seal of the event before the first */
export function sealed<E extends SealedEvent>(
  events: readonly E[],
  before: string | null = null,
): (E & { seal: string })[] {
  let last = before
  return events.map((e) => {
    last = eventSeal(last, e)
    return { ...e, seal: last }
  })
}

/** What of a row of the trail is sealed. */
export interface SealedNote {
  at: number
  by: string | null
  what: string
  target: string
  asked: unknown
}
export const noteSeal = (before: string | null, { at, by, what, target, asked }: SealedNote): string =>
  sealOf(before, { at, by, what, target, asked: asked ?? null })
