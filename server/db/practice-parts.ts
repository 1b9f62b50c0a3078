/** The practice in parts, each read for itself: one that cannot be read is named, and the rest is planned with. */
import * as z from 'zod'
import { keysOf } from '../../core/sure'
import { learnedUpToDate } from '../../core/model/upgrade'
import { completeTable, presetTable } from '../../core/practice/functions'
import { practice as practiceSchema } from '../../core/practice/practice'
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
export function sorted<T extends object>(
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
export function settingsOf(row: Row): { settings: Record<string, unknown>; bad: UnreadPart[] } {
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
