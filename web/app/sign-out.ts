/** Leaving a device: nothing of a patient stays on it but what was touched and not sent, and that is said. */
import { useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { api } from './api'
import type { Waiting } from './outbox'

const withinMs = 5_000
const readMs = 12_000

/** What of a person's touches is still here; nothing where all was sent. */
export function unsentWords(waiting: readonly Waiting[], personId: string): string | undefined {
  const own = waiting.filter((w) => w.personId === personId)
  const touches = own.reduce((n, w) => n + w.queue.length, 0)
  if (touches === 0) return undefined
  const what = touches === 1 ? '1 touch of yours is' : `${touches} touches of yours are`
  const where = own.length === 1 ? 'the visit' : `${own.length} visits`
  return `${what} not sent yet and stay${touches === 1 ? 's' : ''} on this device: sign in here again and open ${where}, and nothing is lost.`
}

export function useSignOut(personId: string): () => Promise<void> {
  const client = useQueryClient()
  return async () => {
    try {
      await api('/session', { method: 'DELETE', withinMs })
    } catch {
      // The cookie is the server's to take back: a page that looked signed out would not be.
      toast.error(
        'You are still signed in: the server does not answer. Sign out again when it does, and leave this device to nobody until then.',
        { duration: readMs },
      )
      return
    }
    const { outbox } = await import('./outbox')
    const unsent = unsentWords((await outbox()).waiting, personId)
    if (unsent !== undefined) toast(unsent, { duration: readMs })
    // The session goes first and stays in the cache: cleared away, its watchers would hear nothing of it.
    client.setQueryData(['session'], null)
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== 'session' })
  }
}
