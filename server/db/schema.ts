/** Tables. Plans are frozen, events append-only; what the trade knows is not in here. */
import { bigint, boolean, date, doublePrecision, index, integer, jsonb, pgTable, primaryKey, text, uniqueIndex } from 'drizzle-orm/pg-core'
import type { Bur } from '../../core/catalog/bur'
import type { Item } from '../../core/catalog/item'
import type { VisitRequestInput } from '../../core/plan/request'
import type { Plan } from '../../core/plan/types'
import type { Card, Practice } from '../../core/practice/practice'
import type { Role } from '../../core/practice/functions'
import type { ChartNote } from '../../core/record/note'
import type { Happening } from '../../core/run/events'

/** The part of a request that belongs to one visit of a case. */
export type VisitFacts = Partial<Pick<VisitRequestInput, 'kind' | 'also' | 'pieceOnHand'>>
export interface Reopened {
  plan: Plan
  at: number
  by: string
  why: string
}

const ms = (name: string) => bigint(name, { mode: 'number' })

export const practices = pgTable('practices', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  notation: text('notation').$type<Practice['notation']>().notNull(),
  zone: text('zone').notNull(),
  chairs: jsonb('chairs').$type<Practice['chairs']>().notNull(),
  functions: jsonb('functions').$type<Practice['functions']>().notNull(),
  cards: jsonb('cards').$type<Card[]>().notNull(),
  amendments: jsonb('amendments').$type<Practice['amendments']>().notNull().default([]),
  light: jsonb('light').$type<Practice['light']>().notNull().default({ irradianceMWPerCm2: 1000, readOn: '2026-01-01' }),
  laboratoryDays: integer('laboratory_days').notNull().default(10),
})

export const people = pgTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  roles: jsonb('roles').$type<Role[]>().notNull(),
  /** scrypt: salt and hash, never the code. */
  codeHash: text('code_hash').notNull(),
})

export const sessions = pgTable('sessions', {
  /** SHA-256 of the token the cookie carries. */
  id: text('id').primaryKey(),
  personId: text('person_id').notNull().references(() => people.id),
  startedAt: ms('started_at').notNull(),
  endsAt: ms('ends_at').notNull(),
})

export const patients = pgTable('patients', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  alerts: jsonb('alerts').$type<string[]>().notNull(),
})

export const cases = pgTable('cases', {
  id: text('id').primaryKey(),
  patientId: text('patient_id').notNull().references(() => patients.id),
  /** The case-level part of the request; alerts come from the patient, date and team from the visit. */
  request: jsonb('request').$type<Partial<VisitRequestInput>>().notNull(),
  version: integer('version').notNull().default(1),
})

export const visits = pgTable(
  'visits',
  {
    id: text('id').primaryKey(),
    caseId: text('case_id').notNull().references(() => cases.id),
    chairId: text('chair_id').notNull(),
    day: date('day').notNull(),
    startsAt: ms('starts_at').notNull(),
    team: jsonb('team').$type<{ dentist: string; assistants: string[] }>().notNull(),
    visitChoices: jsonb('visit_choices').$type<NonNullable<VisitRequestInput['visitChoices']>>().notNull(),
    swaps: jsonb('swaps').$type<Record<string, string>>().notNull(),
    /** What is this visit's own and not its case's: its kind, further work, whether the piece is here. */
    facts: jsonb('facts').$type<VisitFacts>().notNull().default({}),
    /** The plan that stood signed when an alert re-opened the tray; gone when the tray is signed again. */
    reopened: jsonb('reopened').$type<Reopened>(),
  },
  (t) => [index('visits_day').on(t.day)],
)

export const trayMarks = pgTable(
  'tray_marks',
  {
    visitId: text('visit_id').notNull().references(() => visits.id),
    lineId: text('line_id').notNull(),
    by: text('by').notNull(),
    at: ms('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.visitId, t.lineId] })],
)

export const plans = pgTable('plans', {
  visitId: text('visit_id').primaryKey().references(() => visits.id),
  plan: jsonb('plan').$type<Plan>().notNull(),
  signedBy: text('signed_by').notNull(),
  signedAt: ms('signed_at').notNull(),
  acknowledged: jsonb('acknowledged').$type<string[]>().notNull(),
})

export const runEvents = pgTable(
  'run_events',
  {
    visitId: text('visit_id').notNull().references(() => visits.id),
    seq: integer('seq').notNull(),
    id: text('id').notNull(),
    at: ms('at').notNull(),
    by: text('by').notNull(),
    device: text('device').notNull(),
    commandId: text('command_id').notNull(),
    what: jsonb('what').$type<Happening>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.visitId, t.seq] }), uniqueIndex('run_events_id').on(t.visitId, t.id), index('run_events_command').on(t.visitId, t.commandId)],
)

export const records = pgTable('records', {
  visitId: text('visit_id').primaryKey().references(() => visits.id),
  note: jsonb('note').$type<ChartNote>().notNull(),
  closedAt: ms('closed_at').notNull(),
})

export const items = pgTable('items', { id: text('id').primaryKey(), place: integer('place').notNull(), body: jsonb('body').$type<Item>().notNull() })
export const burs = pgTable('burs', { id: text('id').primaryKey(), place: integer('place').notNull(), body: jsonb('body').$type<Bur>().notNull() })
export const lots = pgTable('lots', {
  id: text('id').primaryKey(),
  itemId: text('item_id').notNull().references(() => items.id),
  number: text('number').notNull(),
  expires: date('expires').notNull(),
  left: doublePrecision('left').notNull(),
  opened: boolean('opened').notNull(),
})
