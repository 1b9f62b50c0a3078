/**
 * Reading never throws for the rest: what this program cannot read of one visit is that visit's own, with its reason, and
 * everything beside it is shown. What is stored stays as it is, to be downloaded and to be read by a later version.
 */
import * as z from 'zod'
import { messageOf } from '../../core/sure'
import type { Unread } from '../../wire/unread'
import { inPieces } from '../pieces'
import { Problem } from '../problem'

/** Whatever the list of what is known: what stands there is not on it. */
const plainly = (issue: z.core.$ZodIssue): string =>
  issue.code === 'invalid_value' ? 'what stands there is none that this version knows' : issue.message

/** Why, in a line a person can hand on. */
export const whyUnread = (error: unknown): string =>
  error instanceof z.ZodError
    ? error.issues
        .slice(0, 3)
        .map((i) => [i.path.join('.'), plainly(i)].filter(Boolean).join(': '))
        .join('; ')
    : messageOf(error)

/** One visit cannot be read; answered 409 with where its raw data are. */
export class CannotRead extends Problem {
  readonly why: string
  constructor(visitId: string, part: 'case' | 'plan' | 'signed plan' | 'run', cause: unknown) {
    const why = `its ${part}: ${whyUnread(cause)}`
    super('unreadable', `This visit cannot be read by this version of the program; ${why}. What is stored is kept.`, {
      raw: `/api/visits/${visitId}/raw`,
    })
    this.why = why
    this.cause = cause
  }
}

/** Reads one part of a visit. @throws CannotRead in place of whatever reading it throws */
export function reading<T>(visitId: string, part: ConstructorParameters<typeof CannotRead>[1], read: () => T): T {
  try {
    return read()
  } catch (error) {
    throw error instanceof CannotRead ? error : new CannotRead(visitId, part, error)
  }
}

/** What has to be known of a visit to name it, though nothing else of it can be read. */
interface Named {
  visit: { id: string; day: string; startsAt: number; chairId: string }
  patient: { name: string }
}
export const unreadOf = ({ visit, patient }: Named, why: string): Unread => ({
  visitId: visit.id,
  day: visit.day,
  startsAt: visit.startsAt,
  chairId: visit.chairId,
  patient: patient.name,
  why,
})

/** Each of these made into something, one after the other and with others served between them; those that cannot be read beside them. @throws whatever else is thrown */
export async function eachRead<F extends Named, T>(
  files: readonly F[],
  make: (file: F) => T | Promise<T>,
): Promise<{ read: T[]; unread: Unread[] }> {
  const [read, unread]: [T[], Unread[]] = [[], []]
  const turn = inPieces()
  for (const file of files)
    try {
      await turn()
      read.push(await make(file))
    } catch (error) {
      if (!(error instanceof CannotRead)) throw error
      unread.push(unreadOf(file, error.why))
    }
  return { read, unread }
}
