/** The event stream and the server's clock, shared by the screens. */
import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react'
import type { RunEvent } from '../../core/run/events'
import type { Mark } from './api'

export type LinkState = 'live' | 'connecting' | 'lost'
interface LinkInfo {
  state: LinkState
  /** Set for a while after the server came back as another process. */
  restarted: boolean
}
/** The server's clock as last heard, and how fast it runs (1 but for rehearsal). */
let heard = { server: Date.now(), here: Date.now(), pace: 1 }
export const serverNow = (): number => heard.server + (Date.now() - heard.here) * heard.pace

export interface LiveHandlers {
  run?: (events: RunEvent[]) => void
  tray?: (marks: Mark[]) => void
  visit?: () => void
  day?: () => void
  /** After each (re)connection: whatever was missed has to be fetched. */
  opened?: () => void
}

const LinkContext = createContext<{ info: LinkInfo; set: (info: LinkInfo) => void }>({ info: { state: 'connecting', restarted: false }, set: () => undefined })
export const useLink = (): LinkInfo => useContext(LinkContext).info

export function LinkProvider({ children }: { children: ReactNode }) {
  const [info, set] = useState<LinkInfo>({ state: 'connecting', restarted: false })
  return <LinkContext.Provider value={{ info, set }}>{children}</LinkContext.Provider>
}

const parse = <T,>(event: Event): T => JSON.parse((event as MessageEvent<string>).data) as T
let lastBoot = ''

/** Opens the stream of a visit, or of the day, for as long as the screen is up; reconnects by itself. */
export function useLive(visitId: string | undefined, handlers: LiveHandlers): void {
  const kept = useRef(handlers)
  useEffect(() => {
    kept.current = handlers
  })
  const { set } = useContext(LinkContext)
  useEffect(() => {
    let source: EventSource | undefined
    let again: ReturnType<typeof setTimeout> | undefined
    let ended = false
    let beatAt = Date.now()
    const open = (): void => {
      source = new EventSource(`/api/live${visitId ? `?visit=${encodeURIComponent(visitId)}` : ''}`)
      source.addEventListener('hello', (e) => {
        const hello = parse<{ now: number; boot: string; pace: number }>(e)
        heard = { server: hello.now, here: Date.now(), pace: hello.pace }
        beatAt = Date.now()
        const restarted = lastBoot !== '' && lastBoot !== hello.boot
        lastBoot = hello.boot
        set({ state: 'live', restarted })
        kept.current.opened?.()
      })
      source.addEventListener('beat', () => {
        beatAt = Date.now()
      })
      source.addEventListener('run', (e) => kept.current.run?.(parse<{ events: RunEvent[] }>(e).events))
      source.addEventListener('tray', (e) => kept.current.tray?.(parse<{ marks: Mark[] }>(e).marks))
      source.addEventListener('visit', () => kept.current.visit?.())
      source.addEventListener('day', () => kept.current.day?.())
      source.addEventListener('error', () => {
        if (ended) return
        set({ state: 'lost', restarted: false })
        // A stream the browser has given up on does not come back by itself.
        source?.close()
        again = setTimeout(open, 700)
      })
    }
    open()
    const watch = setInterval(() => {
      if (Date.now() - beatAt > 25_000 && source?.readyState === EventSource.OPEN) {
        source.close()
        set({ state: 'lost', restarted: false })
        beatAt = Date.now()
        open()
      }
    }, 5_000)
    return () => {
      ended = true
      clearTimeout(again)
      clearInterval(watch)
      source?.close()
    }
  }, [visitId, set])
}

/** The server's time, told again every `everyMs`. */
export function useNow(everyMs = 250): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), everyMs)
    return () => clearInterval(timer)
  }, [everyMs])
  return now
}
