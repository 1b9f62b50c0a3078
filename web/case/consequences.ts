/** What each other school would change, worked out in slices so that the screen stays quick under the finger. */
import { useEffect, useState } from 'react'
import { comparePlans } from '../../core/plan/compare'
import type { VisitRequest } from '../../core/plan/request'
import { questions } from '../../core/practice/choices'
import type { VisitAndPlan } from '../app/plan'
import { inShort, tryPlan } from './change'

/** Lets the browser paint and take input before the next slice. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0))

/** Lines by `question:school`. One plan is compiled per slice; a change meanwhile stops the run and the old lines stand until the new are whole. */
export function useConsequences({ plan, practice, visit }: VisitAndPlan, off: boolean): ReadonlyMap<string, string> {
  const [lines, setLines] = useState<ReadonlyMap<string, string>>(new Map())
  useEffect(() => {
    if (off) return
    let stopped = false
    const run = async (): Promise<void> => {
      const found = new Map<string, string>()
      for (const q of questions) {
        if (!plan.asked.choices.includes(q.name)) continue
        for (const s of q.schools) {
          if (s.value === plan.choices[q.name].value) continue
          await breathe()
          if (stopped) return
          const other = tryPlan(visit.request, { visitChoices: { ...visit.request.visitChoices, [q.name]: s.value } as VisitRequest['visitChoices'] }, practice)
          found.set(`${q.name}:${s.value}`, typeof other === 'string' ? other : inShort(comparePlans(plan, other)))
        }
      }
      setLines(found)
    }
    void run()
    return () => void (stopped = true)
  }, [plan, practice, visit, off])
  return lines
}
