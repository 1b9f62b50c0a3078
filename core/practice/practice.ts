/** The practice: who works in it, what it owns, and how its dentists like to work. */
import { id, text } from '../bounded'
import * as z from 'zod'
import { bur } from '../catalog/bur'
import { item, lot } from '../catalog/item'
import { ownRules } from '../rules'
import { notation } from '../teeth/schema'
import { someChoices } from './choices'
import { amendment } from './amendment'
import { dayRules } from './day-rules'
import { instruments } from './instruments'
import { functionTable, role } from './functions'

export const person = z.strictObject({
  id: id(80),
  name: text(80),
  roles: z.array(role).min(1),
  /** Works here no more: named in what was done, asked for nothing that is to come. */
  left: z.boolean().optional(),
})
export type Person = z.infer<typeof person>

/** A dentist's card: the schools picked, and holds added. A card may add holds; it never removes one. */
export const card = z.strictObject({
  dentistId: id(80),
  choices: someChoices.default({}),
  extraHolds: z
    .array(z.enum(['margins', 'bite']))
    .max(2)
    .default([]),
})
export type Card = z.infer<typeof card>

/** Mean seconds (trimmed) a kind of step takes, by kind of visit, kind of step and person, from the practice's own runs. */
export const learned = z.record(
  z.string(),
  z.strictObject({ meanS: z.number().positive(), n: z.number().int().positive() }),
)
export type Learned = z.infer<typeof learned>

export const practice = z.strictObject({
  name: text(120),
  notation: notation.default('iso'),
  /** IANA time zone that times in records are written in. */
  zone: id(80).default('Etc/UTC'),
  chairs: z.array(z.strictObject({ id: id(40), name: text(40) })).min(1),
  people: z.array(person).min(1),
  cards: z.array(card).default([]),
  functions: z.strictObject({ cautious: functionTable, expanded: functionTable }),
  items: z.array(item),
  burs: z.array(bur),
  lots: z.array(lot).default([]),
  /** The practice's own changes to kinds of visit. */
  amendments: z.array(amendment).default([]),
  /** Last radiometer reading of the curing light. */
  light: z
    .strictObject({ irradianceMWPerCm2: z.number().min(50).max(5000), readOn: z.iso.date() })
    .default({ irradianceMWPerCm2: 1000, readOn: '2026-01-01' }),
  /** The laboratory's working days from impression to delivery. */
  laboratoryDays: z.number().int().min(1).max(60).default(10),
  /** The practice's own values in place of the library's times and amounts. */
  rules: ownRules.default({}),
  day: dayRules.prefault({}),
  instruments: instruments.prefault({}),
  /** What the practice's own runs have taught: see practice/learned. Used for plans only when the practice says so. */
  useLearned: z.boolean().default(false),
  learned: learned.default({}),
})
export type Practice = z.infer<typeof practice>
export type PracticeInput = z.input<typeof practice>
