/** Changing something on the server: one way to send it, to say why it was not stored, and to read again what it touches. */
import { useMutation, useQueryClient, type QueryKey } from '@tanstack/react-query'
import { toast } from 'sonner'
import { messageOf } from '../../core/sure'
import { ApiProblem } from './api'

/** What is read from the server, by the first word of its key. */
export type Read = 'practice' | 'people' | 'day' | 'visit' | 'instruments'

/** Why something was not stored: the server's own words where it has any, with what is missing. */
export const whyNot = (e: unknown): string =>
  e instanceof ApiProblem
    ? [e.message, ...(e.more.missing ?? []), ...(e.more.unread ?? [])].join(' ')
    : `Not stored: ${messageOf(e)}`

/** Words stay up as long as it takes to read them, ms. */
const readingMs = (text: string): number => Math.max(4_000, text.length * 60)
const said = new WeakSet<object>()
/** Somebody has been told of this failure already. */
export const wasSaid = (e: unknown): boolean => typeof e === 'object' && e !== null && said.has(e)
export const sayWhyNot = (e: unknown): void => {
  if (typeof e === 'object' && e !== null) said.add(e)
  const text = whyNot(e)
  toast.error(text, { duration: readingMs(text) })
}

/**
 * One kind of change.
 * @param reads what is read again when it has been answered, stored or refused
 * @param more.inTurn changes of one name are sent one after the other, so that two quick touches arrive in order
 * @param more.settled beside the reading again, stored or refused
 */
export function useChange<Of = void, Answer = unknown>(
  send: (of: Of) => Promise<Answer>,
  reads: readonly Read[],
  more: { stored?: (answer: Answer, of: Of) => void; settled?: () => void; inTurn?: string; key?: QueryKey } = {},
) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: send,
    ...(more.key ? { mutationKey: more.key } : {}),
    ...(more.inTurn === undefined ? {} : { scope: { id: more.inTurn } }),
    onError: sayWhyNot,
    onSuccess: more.stored,
    onSettled: () => {
      for (const read of reads) void client.invalidateQueries({ queryKey: [read] })
      more.settled?.()
    },
  })
}
