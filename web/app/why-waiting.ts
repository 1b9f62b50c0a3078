/** Why what a screen waits for does not come; nothing while it is merely on its way. */
import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useSyncExternalStore } from 'react'
import { messageOf } from '../../core/sure'

export function useWhyWaiting(): string | undefined {
  const cache = useQueryClient().getQueryCache()
  const why = (): string | undefined => {
    const tried = cache.getAll().find((q) => q.state.status === 'pending' && q.state.fetchFailureReason !== null)
    return tried === undefined ? undefined : messageOf(tried.state.fetchFailureReason)
  }
  return useSyncExternalStore(
    useCallback((tell) => cache.subscribe(tell), [cache]),
    why,
  )
}
