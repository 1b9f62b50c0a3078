/** The plan of a visit on this device: the frozen one once signed, else compiled here from request and practice. */
import { useMemo } from 'react'
import { compile } from '../../core/plan/compile'
import type { Plan } from '../../core/plan/types'
import type { Practice } from '../../core/practice/practice'
import type { VisitView } from './api'
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
  const data = useMemo(() => {
    if (!visit.data || !practice.data) return undefined
    return { visit: visit.data, practice: practice.data, plan: visit.data.frozen?.plan ?? compile(visit.data.request, practice.data) }
  }, [visit.data, practice.data])
  return {
    ...(data ? { data } : {}),
    error: visit.error ?? practice.error,
    again: () => {
      void visit.refetch()
      void practice.refetch()
    },
  }
}
