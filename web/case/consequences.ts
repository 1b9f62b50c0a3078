/** What is worked out beside the Case screen: the forecast of its plan, and the consequences of the schools not taken. */
import { sure } from '../../core/sure'
import { useEffect, useRef, useState } from 'react'
import type { Practice } from '../../core/practice/practice'
import type { Delegation } from '../../core/schedule/delegate'
import type { Forecast } from '../../core/schedule/simulate'
import type { VisitAndPlan } from '../app/plan'
import type { Answered, Asked } from './consequences.worker'

export interface Consequences {
  /** Null until the first answer; then the last whole answer, until the next is whole. */
  forecast: Forecast | null
  delegation: Delegation | null
  /** Where a cord lies too long: what could be done otherwise, with the stay it gives. */
  waysOut: readonly string[]
  /** Lines by `question:school`. */
  consequences: ReadonlyMap<string, string>
}

export function useConsequences(data: VisitAndPlan | undefined): Consequences {
  const [beside, setBeside] = useState<Consequences>({
    forecast: null,
    delegation: null,
    waysOut: [],
    consequences: new Map(),
  })
  const worker = useRef<Worker>(undefined)
  const sent = useRef<{ id: number; practice?: Practice }>({ id: 0 })
  useEffect(() => {
    const own = new Worker(new URL('./consequences.worker.ts', import.meta.url), { type: 'module' })
    own.addEventListener('message', ({ data: { id, ...answer } }: MessageEvent<Answered>) => {
      if (id === sent.current.id) setBeside((before) => ({ ...before, ...answer }))
    })
    worker.current = own
    return () => own.terminate()
  }, [])
  const { plan, practice } = data ?? {}
  const open = data?.visit.frozen === null
  useEffect(() => {
    if (!plan || !practice) return
    const asked: Asked = {
      id: sent.current.id + 1,
      plan,
      schools: open,
      ...(practice === sent.current.practice ? {} : { practice }),
    }
    sent.current = { id: asked.id, practice }
    sure(worker.current).postMessage(asked)
  }, [plan, practice, open])
  return beside
}
