/** Tables. Plans are frozen, events append-only; what the trade knows is not in here. */
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import { toStore, type Stored, type StoredLearned } from '../../core/model/upgrade'
import type { Bur } from '../../core/catalog/bur'
import type { PartScore } from '../../core/drill/score'
import type { Memory } from '../../core/drill/spacing'
import type { KindId } from '../../core/kinds'
import type { Item } from '../../core/catalog/item'
import type { VisitRequestInput } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { Card, Practice, PracticeInput } from '../../core/practice/practice'
import type { CycleName } from '../../core/practice/instruments'
import type { LogReading } from '../../core/measure/load'
import type { Role } from '../../core/practice/functions'
import type { ChartNote } from '../../core/record/note'
import type { Happening } from '../../core/run/events'

/** The part of a request that belongs to one visit of a case. */
export type VisitFacts = Partial<Pick<VisitRequestInput, 'kind' | 'also' | 'pieceOnHand'>>
export interface Reopened {
  plan: Stored<Plan>
  at: number
  by: string
  why: string
}

/** The copy made each night: how many are kept, and whether any is made. */
export interface Nightly {
  on: boolean
  keep: number
}
const fortnight: Nightly = { on: true, keep: 14 }

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
  light: jsonb('light')
    .$type<Practice['light']>()
    .notNull()
    .default({ irradianceMWPerCm2: 1000, readOn: '2026-01-01' }),
  laboratoryDays: integer('laboratory_days').notNull().default(10),
  day: jsonb('day_rules').$type<PracticeInput['day']>().notNull().default({}),
  instruments: jsonb('instruments').$type<PracticeInput['instruments']>().notNull().default({}),
  /** The practice's own values in the register of times and amounts. */
  rules: jsonb('rules').$type<Practice['rules']>().notNull().default({}),
  useLearned: boolean('use_learned').notNull().default(false),
  learned: jsonb('learned').$type<StoredLearned>().notNull().default({}),
  /** The copy made each night. */
  nightly: jsonb('nightly').$type<Nightly>().notNull().default(fortnight),
})

export const people = pgTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  roles: jsonb('roles').$type<Role[]>().notNull(),
  /** scrypt: salt and hash, never the code. */
  codeHash: text('code_hash').notNull(),
  /** Wrong codes in a row, and since when nobody may try any more. */
  wrongCodes: integer('wrong_codes').notNull().default(0),
  lockedAt: ms('locked_at'),
  /** Since when this person does not work here any more: no sign-in, and what was done stays theirs. */
  leftAt: ms('left_at'),
})

export const sessions = pgTable('sessions', {
  /** SHA-256 of the token the cookie carries. */
  id: text('id').primaryKey(),
  personId: text('person_id')
    .notNull()
    .references(() => people.id),
  startedAt: ms('started_at').notNull(),
  endsAt: ms('ends_at').notNull(),
  /** Last used; a session nobody uses ends by itself. */
  seenAt: ms('seen_at').notNull().default(0),
  /** Opened with a code that is not taken any more: nothing else is done with it before the code is changed. */
  codeToChange: boolean('code_to_change').notNull().default(false),
})

/** Devices a person has signed in on: guesses from elsewhere do not stop them there. */
export const knownDevices = pgTable(
  'known_devices',
  {
    /** SHA-256 of the token the device's cookie carries. */
    id: text('id').notNull(),
    personId: text('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    seenAt: ms('seen_at').notNull(),
  },
  (k) => [primaryKey({ columns: [k.id, k.personId] })],
)

export const patients = pgTable('patients', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  alerts: jsonb('alerts').$type<string[]>().notNull(),
})

export const cases = pgTable(
  'cases',
  {
    id: text('id').primaryKey(),
    patientId: text('patient_id')
      .notNull()
      .references(() => patients.id),
    /** The case-level part of the request; alerts come from the patient, date and team from the visit. */
    request: jsonb('request').$type<Stored<Partial<VisitRequestInput>>>().notNull(),
    version: integer('version').notNull().default(1),
    /** The library of the program that wrote the request last. */
    library: text('library'),
  },
  (t) => [index('cases_patient').on(t.patientId)],
)

export const visits = pgTable(
  'visits',
  {
    id: text('id').primaryKey(),
    caseId: text('case_id')
      .notNull()
      .references(() => cases.id),
    chairId: text('chair_id').notNull(),
    day: date('day').notNull(),
    startsAt: ms('starts_at').notNull(),
    team: jsonb('team').$type<{ dentist: string; assistants: string[] }>().notNull(),
    visitChoices: jsonb('visit_choices').$type<NonNullable<VisitRequestInput['visitChoices']>>().notNull(),
    swaps: jsonb('swaps').$type<Record<string, string>>().notNull(),
    /** What is this visit's own and not its case's: its kind, further work, whether the piece is here. */
    facts: jsonb('facts').$type<Stored<VisitFacts>>().notNull().default(toStore({})),
    /** The plan that stood signed when an alert re-opened the tray; gone when the tray is signed again. */
    reopened: jsonb('reopened').$type<Reopened>(),
    /** Minutes this patient may be moved either way; the practice's own where nothing was said. */
    mayMoveMin: integer('may_move_min'),
    /** What was forecast for the chair when the visit began, seconds: likely, and not passed 8 times in 10. */
    forecast: jsonb('forecast').$type<{ likelyS: number; eightInTenS: number }>(),
  },
  (t) => [index('visits_day').on(t.day), index('visits_case').on(t.caseId)],
)

export const trayMarks = pgTable(
  'tray_marks',
  {
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    lineId: text('line_id').notNull(),
    by: text('by').notNull(),
    at: ms('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.visitId, t.lineId] })],
)

export const plans = pgTable('plans', {
  visitId: text('visit_id')
    .primaryKey()
    .references(() => visits.id),
  plan: jsonb('plan').$type<Stored<Plan>>().notNull(),
  signedBy: text('signed_by').notNull(),
  signedAt: ms('signed_at').notNull(),
  acknowledged: jsonb('acknowledged').$type<string[]>().notNull(),
  /** The dentist who answered, with their own code, what a clash left to them. */
  answeredBy: text('answered_by'),
})

export const runEvents = pgTable(
  'run_events',
  {
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    seq: integer('seq').notNull(),
    id: text('id').notNull(),
    at: ms('at').notNull(),
    by: text('by').notNull(),
    device: text('device').notNull(),
    commandId: text('command_id').notNull(),
    /** SHA-256 of the command: another under the same id is not taken for it. Rows of before November 2026 have none. */
    commandHash: text('command_hash'),
    /** When the server heard of it, where the touch had waited on its device. */
    receivedAt: ms('received_at'),
    /** Whose sign-in the screen had where somebody else signed on it with their own code. */
    via: text('via'),
    /** The library of the program that wrote it. Rows of before November 2026 have none of these. */
    library: text('library'),
    /** See seal.ts. */
    seal: text('seal'),
    what: jsonb('what').$type<Happening>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.visitId, t.seq] }),
    uniqueIndex('run_events_id').on(t.visitId, t.id),
    index('run_events_command').on(t.visitId, t.commandId),
  ],
)

export const records = pgTable(
  'records',
  {
    visitId: text('visit_id')
      .primaryKey()
      .references(() => visits.id),
    note: jsonb('note').$type<ChartNote>().notNull(),
    closedAt: ms('closed_at').notNull(),
  },
  (t) => [index('records_closed').on(t.closedAt)],
)

export const items = pgTable('items', {
  id: text('id').primaryKey(),
  place: integer('place').notNull(),
  body: jsonb('body').$type<Item>().notNull(),
})
export const burs = pgTable('burs', {
  id: text('id').primaryKey(),
  place: integer('place').notNull(),
  body: jsonb('body').$type<Bur>().notNull(),
})
export const lots = pgTable(
  'lots',
  {
    id: text('id').primaryKey(),
    itemId: text('item_id')
      .notNull()
      .references(() => items.id),
    number: text('number').notNull(),
    expires: date('expires').notNull(),
    left: doublePrecision('left').notNull(),
    opened: boolean('opened').notNull(),
  },
  // A lot of an item is one lot, however often its box is scanned.
  (t) => [uniqueIndex('lots_of_item').on(t.itemId, t.number)],
)

/** A run of a steriliser: what went in, what the device said, who let it out. Never deleted. */
export const loads = pgTable(
  'loads',
  {
    id: text('id').primaryKey(),
    number: integer('number').notNull(),
    steriliserId: text('steriliser_id').notNull(),
    cycle: text('cycle').$type<CycleName>().notNull(),
    cassetteIds: jsonb('cassette_ids').$type<string[]>().notNull(),
    /** Whether a spore test ran in it. */
    spore: boolean('spore').notNull().default(false),
    startedAt: ms('started_at').notNull(),
    startedBy: text('started_by').notNull(),
    endedAt: ms('ended_at'),
    /** The device's own readings, and what was wrong with them where they could not be read. */
    log: jsonb('log').$type<LogReading[]>(),
    logFault: text('log_fault'),
    indicator: text('indicator').$type<'changed' | 'not changed'>(),
    releasedAt: ms('released_at'),
    releasedBy: text('released_by'),
    /** Pulled back, and why: a spore test, an indicator, a mistake seen later. */
    failedAt: ms('failed_at'),
    failedBy: text('failed_by'),
    failedWhy: text('failed_why'),
    sporeResult: text('spore_result').$type<'no growth' | 'growth'>(),
    sporeReadAt: ms('spore_read_at'),
    sporeReadBy: text('spore_read_by'),
  },
  (t) => [
    index('loads_number').on(t.number),
    // A steriliser runs one load at a time.
    uniqueIndex('loads_running')
      .on(t.steriliserId)
      .where(sql`ended_at is null`),
  ],
)

/** Which cassette went to which visit, out of which load. */
export const cassetteUses = pgTable(
  'cassette_uses',
  {
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    cassetteId: text('cassette_id').notNull(),
    loadId: text('load_id').references(() => loads.id),
    at: ms('at').notNull(),
    /** Who held it against the shelf when it was laid up. */
    confirmedBy: text('confirmed_by'),
    /** When its visit was over and it was soiled. */
    usedAt: ms('used_at'),
  },
  (t) => [
    primaryKey({ columns: [t.visitId, t.cassetteId] }),
    // A cassette lies at one tray at a time.
    uniqueIndex('cassettes_laid_up')
      .on(t.cassetteId)
      .where(sql`used_at is null`),
  ],
)

/** What a closed visit took off a lot, in the item's unit. */
export const lotUses = pgTable(
  'lot_uses',
  {
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    lotId: text('lot_id')
      .notNull()
      .references(() => lots.id),
    amount: doublePrecision('amount').notNull(),
    at: ms('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.visitId, t.lotId] })],
)

/** How long each step of a closed visit really took. */
export const stepTimes = pgTable(
  'step_times',
  {
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    stepId: text('step_id').notNull(),
    /** Kind of visit, kind of step, person: what durations are learned by. */
    key: text('key').notNull(),
    seconds: doublePrecision('seconds').notNull(),
    plannedS: doublePrecision('planned_s').notNull(),
    at: ms('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.visitId, t.stepId] }),
    index('step_times_key').on(t.key, t.at),
    index('step_times_at').on(t.at),
  ],
)

/** What a person remembers of each thing a drill has asked, and when it comes back. */
export const drillMemories = pgTable(
  'drill_memories',
  {
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    key: text('key').notNull(),
    kind: text('kind').$type<KindId>().notNull(),
    memory: jsonb('memory').$type<Memory>().notNull(),
    dueAt: ms('due_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.key] }), index('drill_memories_due').on(t.personId, t.dueAt)],
)

/** Rounds of drill that were done. */
export const drillRounds = pgTable(
  'drill_rounds',
  {
    id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    at: ms('at').notNull(),
    kind: text('kind').$type<KindId>().notNull(),
    right: integer('right_n').notNull(),
    of: integer('of_n').notNull(),
    parts: jsonb('parts').$type<Pick<PartScore, 'part' | 'right' | 'of'>[]>().notNull(),
    seconds: integer('seconds').notNull(),
  },
  (t) => [index('drill_rounds_person').on(t.personId, t.at)],
)

/**
 * Who changed what, and when. Rows are only ever added: a trigger refuses every change, whoever asks. What happens in a
 * run is not repeated here, its events are append-only themselves.
 */
export const audit = pgTable('audit', {
  id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
  at: ms('at').notNull(),
  /** Nobody where a stranger tried. */
  by: text('by'),
  what: text('what').notNull(),
  target: text('target').notNull(),
  /** What was asked for, codes left out. */
  asked: jsonb('asked'),
  /** See seal.ts; rows of before November 2026 have none. */
  seal: text('seal'),
})

/** A steriliser whose spore test grew is out of service until it is let back, by whom and with which word. */
export const steriliserReturns = pgTable(
  'steriliser_returns',
  {
    id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
    steriliserId: text('steriliser_id').notNull(),
    at: ms('at').notNull(),
    by: text('by').notNull(),
    why: text('why').notNull(),
  },
  (t) => [index('steriliser_returns_of').on(t.steriliserId, t.at)],
)

/** Copies that were made, and those that were not, with why. */
export const backups = pgTable('backups', {
  id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
  at: ms('at').notNull(),
  file: text('file').notNull(),
  bytes: bigint('bytes', { mode: 'number' }),
  rows: integer('rows_n'),
  /** Why it was not made. */
  fault: text('fault'),
})
