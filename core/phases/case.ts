import type { Alert } from '../plan/vocabulary'
import type { VisitRequest } from '../plan/request'
import type { Practice } from '../practice/practice'
import { resolveChoices, type Choices, type ResolvedChoices } from '../practice/choices'
import { dimensions, type Dimensions } from '../teeth/dimensions'
import { functionalCusps, neighbours, type Cusps, type Neighbour } from '../teeth/arch'
import { writeBoth, type Tooth } from '../teeth/notation'

/** One tooth of the visit with what the phases ask of it. */
export interface Unit {
  tooth: Tooth
  /** In both notations, for words a person reads. */
  label: string
  size: Dimensions
  cusps: Cusps | null
  mesial: Neighbour
  distal: Neighbour
}

/** The case as the phases see it: request and practice with everything resolved. */
export interface Case {
  request: VisitRequest
  practice: Practice
  choices: Choices
  resolved: ResolvedChoices
  units: Unit[]
  has: (alert: Alert) => boolean
}

/** Resolves choices (card < case < visit) and looks up each tooth once. */
export function openCase(request: VisitRequest, practice: Practice): Case {
  const card = practice.cards.find((c) => c.dentistId === request.team.dentist)
  const resolved = resolveChoices(card?.choices ?? {}, request.choices, request.visitChoices)
  const choices = Object.fromEntries(Object.entries(resolved).map(([name, c]) => [name, c.value])) as Choices
  return {
    request,
    practice,
    resolved,
    choices,
    units: request.teeth.map((t) => ({
      tooth: t,
      label: writeBoth(t, practice.notation),
      size: dimensions(t),
      cusps: functionalCusps(t, request.crossbite),
      ...neighbours(t, request.missing),
    })),
    has: (a) => request.alerts.includes(a),
  }
}

/** Whether the dentist's card adds a hold of this name. */
export function cardAdds(c: Case, hold: 'margins' | 'bite'): boolean {
  return c.practice.cards.some((card) => card.dentistId === c.request.team.dentist && card.extraHolds.includes(hold))
}

export const labels = (c: Case): string => c.units.map((u) => u.label).join(', ')
