/** The live socket and the server's clock, shared by the screens. */
import { useQueryClient } from '@tanstack/react-query'
import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react'
import type { RunEvent } from '../../core/run/events'
import type { Health, LiveMessage } from '../../wire/live'
import type { Present } from '../../wire/people'
import type { Mark } from '../../wire/visit'

/** `away`: the server is heard, its database does not answer. */
export type LinkState = 'live' | 'connecting' | 'lost' | 'away'
interface LinkInfo {
  state: LinkState
  /** Set for a while after the server came back as another process. */
  restarted: boolean
}
/** The server's clock as last heard, and how fast it runs (1 but for rehearsal). */
let heard = { server: Date.now(), here: Date.now(), pace: 1 }
/** Told when the server's clock has been heard: until then a screen shows the device's own. */
const clockHeard = new Set<() => void>()
export const serverNow = (): number => Math.round(heard.server + (Date.now() - heard.here) * heard.pace)

export interface LiveHandlers {
  present?: (people: Present[]) => void
  run?: (events: RunEvent[]) => void
  tray?: (marks: Mark[]) => void
  visit?: () => void
  day?: () => void
  /** After each (re)connection: whatever was missed has to be fetched. */
  opened?: () => void
}

const LinkContext = createContext<{ info: LinkInfo; set: (info: LinkInfo) => void }>({
  info: { state: 'connecting', restarted: false },
  set: () => undefined,
})
export const useLink = (): LinkInfo => useContext(LinkContext).info

export function LinkProvider({ children }: { children: ReactNode }) {
  const [info, set] = useState<LinkInfo>({ state: 'connecting', restarted: false })
  return <LinkContext.Provider value={{ info, set }}>{children}</LinkContext.Provider>
}

/** Tries at measuring the clock; the one that came back soonest says it best. */
const clockTries = 4
/** How often a measuring was begun: only the last one counts. */
let measured = 0

/**
 * Measures the server's clock: it lies half way between asking and hearing, give or take half of that. What a socket says
 * at its opening is late by the way it took; this is not.
 */
async function measureClock(pace: number): Promise<void> {
  const own = ++measured
  let best = { rtt: Infinity, server: 0, here: 0 }
  for (let i = 0; i < clockTries; i++) {
    const asked = performance.now()
    const answer = await fetch('/api/health', { cache: 'no-store' })
      .then((r): Promise<Health> => r.json())
      .catch(() => null)
    if (!answer) return
    const rtt = performance.now() - asked
    if (rtt < best.rtt) best = { rtt, server: answer.now + (rtt / 2) * pace, here: Date.now() }
  }
  // What was begun before the clock was moved, or by a socket since closed, knows less than what was begun after it.
  if (own !== measured) return
  heard = { server: best.server, here: best.here, pace }
  // For whoever looks after the machines: how far this device's own clock is off, and how well that is known.
  document.documentElement.dataset['clock'] = JSON.stringify({
    offsetMs: Math.round(best.server - best.here),
    withinMs: Math.round(best.rtt / 2),
  })
  for (const tell of clockHeard) tell()
}

let lastBoot = ''
const silentMs = 25_000
const retryMs = 700

/** Opens the socket of a visit, or of the day, for as long as the screen is up; reconnects by itself. */
export function useLive(visitId: string | undefined, handlers: LiveHandlers): void {
  const kept = useRef(handlers)
  useEffect(() => {
    kept.current = handlers
  })
  const { set } = useContext(LinkContext)
  const client = useQueryClient()
  useEffect(() => {
    let socket: WebSocket | undefined
    let again: ReturnType<typeof setTimeout> | undefined
    let ended = false
    let heardAt = Date.now()
    const welcome = (hello: Extract<LiveMessage, { event: 'hello' }>['data']): void => {
      heard = { server: hello.now, here: Date.now(), pace: hello.pace }
      for (const tell of clockHeard) tell()
      void measureClock(hello.pace)
      const restarted = lastBoot !== '' && lastBoot !== hello.boot
      lastBoot = hello.boot
      set({ state: 'live', restarted })
      readAnew('needed')
      kept.current.opened?.()
    }
    const readAnew = (...keys: string[]): void => {
      for (const key of keys) void client.invalidateQueries({ queryKey: [key] })
    }
    let away = false
    const beat = (isAway: boolean): void => {
      if (away === isAway) return
      away = isAway
      set({ state: isAway ? 'away' : 'live', restarted: false })
      // Back again: whatever was told meanwhile was told to nobody.
      if (!isAway) kept.current.opened?.()
    }
    const hear = (message: LiveMessage): void => {
      heardAt = Date.now()
      const own = kept.current
      switch (message.event) {
        case 'hello':
          welcome(message.data)
          return
        case 'run':
          return own.run?.(message.data.events)
        case 'tray':
          return own.tray?.(message.data.marks)
        case 'presence':
          return own.present?.(message.data.people)
        case 'visit':
          return own.visit?.()
        case 'day':
          return own.day?.()
        case 'needed':
        case 'instruments':
          return readAnew(message.event)
        case 'practice':
          return readAnew('practice', 'day', 'visit')
        case 'clock':
          return void measureClock(heard.pace)
        case 'beat':
          return beat(message.data.away)
      }
    }
    const open = (): void => {
      const own = new WebSocket(
        `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/live${visitId ? `?visit=${encodeURIComponent(visitId)}` : ''}`,
      )
      socket = own
      own.addEventListener('message', (e: MessageEvent<string>) => hear(JSON.parse(e.data)))
      own.addEventListener('close', () => {
        if (ended || socket !== own) return
        set({ state: 'lost', restarted: false })
        again = setTimeout(open, retryMs)
      })
    }
    open()
    // A dead link may never say that it closed: too long without a beat counts as lost.
    const watch = setInterval(() => {
      if (Date.now() - heardAt <= silentMs || socket?.readyState !== WebSocket.OPEN) return
      heardAt = Date.now()
      socket.close()
    }, 5_000)
    return () => {
      ended = true
      clearTimeout(again)
      clearInterval(watch)
      socket?.close()
    }
  }, [visitId, set, client])
}

/** The server's time, told again every `everyMs`. */
export function useNow(everyMs = 250): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const tick = (): void => setNow(serverNow())
    const timer = setInterval(tick, everyMs)
    clockHeard.add(tick)
    return () => {
      clearInterval(timer)
      clockHeard.delete(tick)
    }
  }, [everyMs])
  return now
}
