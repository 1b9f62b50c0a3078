/** The live socket and the server's clock, as the screens have them. */
import { useQueryClient } from '@tanstack/react-query'
import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react'
import type { Health } from '../../wire/live'
import { kept } from './kept'
import { LiveLink, type LinkInfo, type LiveHandlers } from './live-link'
import { ServerClock } from './server-clock'

const clock = new ServerClock({
  wall: () => Date.now(),
  steady: () => performance.now(),
  ask: () =>
    fetch('/api/health', { cache: 'no-store' })
      .then((r): Promise<Health> => r.json())
      .then(({ now }) => now)
      .catch(() => undefined),
  kept: {
    get: () => Number(kept.get('jade.clock')) || 0,
    set: (offsetMs) => kept.set('jade.clock', String(offsetMs)),
  },
})
export const serverNow = clock.now
// For whoever looks after the machines: how far this device's own clock is off, and how well that is known.
clock.subscribe((measured) => {
  if (measured) document.documentElement.dataset['clock'] = JSON.stringify(measured)
})

const LinkContext = createContext<{ info: LinkInfo; set: (info: LinkInfo) => void }>({
  info: { state: 'connecting', restarted: false },
  set: () => undefined,
})
export const useLink = (): LinkInfo => useContext(LinkContext).info

export function LinkProvider({ children }: { children: ReactNode }) {
  const [info, set] = useState<LinkInfo>({ state: 'connecting', restarted: false })
  return <LinkContext.Provider value={{ info, set }}>{children}</LinkContext.Provider>
}

/** One server for all sockets of this device. */
const boot = { last: '' }
const addressOf = (visitId: string | undefined): string =>
  `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/live${visitId ? `?visit=${encodeURIComponent(visitId)}` : ''}`

/** Opens the socket of a visit, or of the day, for as long as the screen is up. */
export function useLive(visitId: string | undefined, handlers: LiveHandlers): void {
  const latest = useRef(handlers)
  useEffect(() => {
    latest.current = handlers
  })
  const { set } = useContext(LinkContext)
  const client = useQueryClient()
  useEffect(() => {
    const link = new LiveLink({
      open: () => new WebSocket(addressOf(visitId)),
      clock,
      boot,
      handlers: () => latest.current,
      readAnew: (...keys) => {
        for (const key of keys) void client.invalidateQueries({ queryKey: [key] })
      },
      say: set,
    })
    return () => link.end()
  }, [visitId, set, client])
}

/** The server's time, told again every `everyMs`. */
export function useNow(everyMs = 250): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const tick = (): void => setNow(serverNow())
    const timer = setInterval(tick, everyMs)
    const unsubscribe = clock.subscribe(tick)
    return () => {
      clearInterval(timer)
      unsubscribe()
    }
  }, [everyMs])
  return now
}
