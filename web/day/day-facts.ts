/** The day as the core reads it, from what the server says and the clock. */
import { lastOf } from '../../core/sure'
import type { DayFacts } from '../../core/schedule/today'
import type { DayView, DayVisit } from '../../wire/day'

/** @param now the server's clock; counts only where the day is today */
export const factsOf = (view: DayView, now: number): DayFacts<DayVisit> => ({
  day: view.day,
  zone: view.zone,
  rules: view.rules,
  dentists: view.dentists,
  visits: view.visits,
  ...(view.day === view.today ? { now } : {}),
})
/** When a visit begins in the drawing: as it began, else as agreed. */
export const startOf = (v: DayVisit): number => v.beganAt ?? v.startsAt
export const surname = (v: DayVisit): string => lastOf(v.patient.name.split(' '))
