/** The practice in parts, each read for itself: one that cannot be read is named, and the rest is planned with. */
import * as z from 'zod'
import { keysOf } from '../../core/sure'
import { bur } from '../../core/catalog/bur'
import { item, lot } from '../../core/catalog/item'
import { itemUpToDate, learnedUpToDate } from '../../core/model/upgrade'
import { amendment } from '../../core/practice/amendment'
import { completeTable, presetTable } from '../../core/practice/functions'
import { card, practice as practiceSchema, type Practice } from '../../core/practice/practice'
import { starterPractice } from '../../core/practice/starter'
import type { UnreadPart } from '../../wire/unread'
import { whyUnread } from './unread'
import type * as t from './schema'

/** The day the presets of this version were written. */
const presetDay = '2026-11-25'

const textAt = (row: unknown, key: string): string => {
  const value: unknown = Object(row)[key]
  return typeof value === 'string' ? value : '?'
}

/** Rows of one kind, those that can be read apart from those that cannot. */
function sorted<T extends object>(
  what: UnreadPart['what'],
  rows: readonly unknown[],
  schema: z.ZodType<T>,
  nameOf: string,
): { good: T[]; bad: UnreadPart[] } {
  const [good, bad]: [T[], UnreadPart[]] = [[], []]
  for (const row of rows) {
    const parsed = schema.safeParse(row)
    if (parsed.success) good.push(parsed.data)
    else bad.push({ what, name: textAt(row, nameOf), why: whyUnread(parsed.error), raw: row })
  }
  return { good, bad }
}

type Row = Omit<typeof t.practices.$inferSelect, 'id' | 'nightly' | 'cards' | 'amendments'>

/** What each setting is called where it cannot be read. */
const settingWords: Record<keyof Row, string> = {
  name: 'the name of the practice',
  notation: 'how teeth are written',
  zone: 'the time zone',
  chairs: 'the chairs',
  functions: 'who may do what',
  light: 'the curing light',
  laboratoryDays: 'the laboratory’s days',
  day: 'the rules of the day',
  instruments: 'cassettes and sterilisers',
  rules: 'own times and amounts',
  useLearned: 'whether learned durations are used',
  learned: 'learned durations',
}

const things = z.record(z.string(), z.looseObject({}))

const asWritten: Partial<Record<keyof Row, (row: Row) => unknown>> = {
  // Functions this program has learned since the table was stored come from the presets, marked as such.
  functions: ({ functions }) => ({
    cautious: completeTable('cautious', functions.cautious, presetDay),
    expanded: completeTable('expanded', functions.expanded, presetDay),
  }),
  learned: ({ learned }) => (things.parse(learned), learnedUpToDate(learned)),
}

/** What stands for a setting that cannot be read: of who may do what, the narrowest, as nobody's word is known. */
function standIns(): Partial<Record<keyof Row, unknown>> {
  const narrow = presetTable('cautious', 'preset', presetDay).map((l) => ({ ...l, expanded: l.assistant }))
  return { ...starterPractice(), functions: { cautious: narrow, expanded: narrow } }
}

/** Every setting of the practice, and those of them that cannot be read: in their place stands what the program begins with. */
function settingsOf(row: Row): { settings: Record<string, unknown>; bad: UnreadPart[] } {
  const settings: Record<string, unknown> = {}
  const bad: UnreadPart[] = []
  for (const key of keysOf(settingWords))
    try {
      settings[key] = practiceSchema.shape[key].parse(asWritten[key]?.(row) ?? row[key])
    } catch (error) {
      settings[key] = standIns()[key]
      bad.push({ what: 'setting', name: settingWords[key], why: whyUnread(error), raw: row[key] })
    }
  return { settings, bad }
}

/** The practice as it is stored: what is one row, and the bodies of its long lists as one text each. */
export interface StoredPractice {
  row: typeof t.practices.$inferSelect
  people: { id: string; name: string; roles: string[]; leftAt: number | null }[]
  items: string
  burs: string
  lots: (typeof t.lots.$inferSelect)[]
}
export interface PracticeParts {
  practice: Practice
  unread: UnreadPart[]
}

/** The practice as the core knows it, and what of it cannot be read. */
export function practiceOf({ row, people, items, burs, lots }: StoredPractice): PracticeParts {
  const { id: _, nightly: __, cards, amendments, ...rest } = row
  const { settings, bad } = settingsOf(rest)
  const parts = {
    items: sorted('item', JSON.parse(items).map(itemUpToDate), item, 'name'),
    burs: sorted('bur', JSON.parse(burs), bur, 'name'),
    lots: sorted('lot', lots, lot, 'number'),
    cards: sorted('card', cards, card, 'dentistId'),
    amendments: sorted('amendment', amendments, amendment, 'id'),
  }
  const known = new Set(parts.items.good.map((i) => i.id))
  return {
    practice: practiceSchema.parse({
      ...settings,
      people: people.map(({ leftAt, ...p }) => (leftAt === null ? p : { ...p, left: true })),
      items: parts.items.good,
      burs: parts.burs.good,
      lots: parts.lots.good.filter((l) => known.has(l.itemId)),
      cards: parts.cards.good,
      amendments: parts.amendments.good,
    }),
    unread: [...bad, ...Object.values(parts).flatMap((p) => p.bad)],
  }
}
