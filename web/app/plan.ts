/** The plan of a visit on this device: the frozen one once signed, else compiled here from request and practice. */
import { useMemo } from 'react'
import { compile } from '../../core/plan/compile'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import type { VisitView } from '../../wire/visit'
import { usePractice, useVisit } from './queries'

export interface VisitAndPlan {
  visit: VisitView
  practice: Practice
  plan: Plan
}

/** The visit with its plan, or what is still being waited for. */
export function useVisitPlan(visitId: string): { data?: VisitAndPlan; error: unknown; again: () => void } {
  const visit = useVisit(visitId)
  const practice = usePractice()
  const [request, signed] = [visit.data?.request, visit.data?.frozen?.plan]
  // A visit read again with the same request keeps its plan, and with it all that was worked out from it.
  const plan = useMemo(
    () => signed ?? (request && practice.data ? compile(request, practice.data) : undefined),
    [request, signed, practice.data],
  )
  const data = useMemo(
    () => (visit.data && practice.data && plan ? { visit: visit.data, practice: practice.data, plan } : undefined),
    [visit.data, practice.data, plan],
  )
  return {
    ...(data ? { data } : {}),
    error: visit.error ?? practice.error,
    again: () => {
      void visit.refetch()
      void practice.refetch()
    },
  }
}
