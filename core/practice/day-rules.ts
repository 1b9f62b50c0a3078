/** How a practice's day is bounded and what counts for how much when times are proposed. Starting values, ours; a practice sets its own. */
import { timeOfDay } from '../bounded'
import * as z from 'zod'

const weight = z.number().min(0).max(1000)

/**
 * What each weight is for, as Settings says it. Common practice puts what cannot happen first and the patients' time next:
 * a minute needed twice is a minute somebody waits as well, so it outweighs all else with both.
 */
export const weightWords = {
  twice: ['needed twice', 'for each minute in which a person, a chair or the only one of something is needed twice'],
  wait: ['waiting', 'for each minute a patient is expected to wait, before being seated or in the chair'],
  overtime: ['overtime', 'for each minute a visit is expected to go on after closing time'],
  lunch: ['midday rest', 'for each minute a person’s rest at midday falls short'],
  idle: [
    'dentist idle',
    'for each minute a dentist is expected to stand idle between the first and the last work, beyond what the day as it stands has',
  ],
  shift: ['moved by', 'for each minute a patient comes at another time than agreed'],
  call: ['calls', 'for each patient who has to be called'],
} as const

export const dayRules = z
  .strictObject({
    opensAt: timeOfDay.default('08:00'),
    closesAt: timeOfDay.default('17:30'),
    lunch: z
      .strictObject({ from: timeOfDay, to: timeOfDay, restMin: z.number().int().min(0).max(120) })
      .nullable()
      .default({ from: '11:30', to: '14:30', restMin: 30 }),
    /** Minutes a visit that has not begun may be moved either way where its patient has said nothing else. */
    mostMin: z.number().int().min(5).max(240).default(30),
    /** Minutes later than agreed from which a patient is told. */
    warnMin: z.number().int().min(1).max(120).default(10),
    weights: z
      .strictObject({
        twice: weight.default(10),
        wait: weight.default(5),
        overtime: weight.default(4),
        lunch: weight.default(3),
        idle: weight.default(20),
        shift: weight.default(1),
        call: weight.default(5),
      })
      .prefault({}),
  })
  .refine((d) => d.opensAt < d.closesAt, 'the practice opens before it closes')
  .refine((d) => !d.lunch || d.lunch.from < d.lunch.to, 'midday ends after it begins')
export type DayRules = z.infer<typeof dayRules>
export const defaultDayRules: DayRules = dayRules.parse({})
