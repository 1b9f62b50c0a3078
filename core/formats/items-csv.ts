/** The practice's own list of items as CSV: out for a spreadsheet, and back in with a look at every row first. */
import Papa from 'papaparse'
import { item, type Item } from '../catalog/item'

export const itemColumns = [
  'id',
  'name',
  'family',
  'serves',
  'lengthMm',
  'widthMm',
  'shape',
  'reusable',
  'counted',
  'latex',
  'allergens',
  'cassette',
  'codes',
  'unit',
  'workingS',
  'inMouthS',
  'cureS',
  'setS',
  'perUnit',
  'tracked',
  'stock',
] as const satisfies readonly (keyof Item)[]
type Column = (typeof itemColumns)[number]
/** Columns that may stay empty. */
const figures = ['workingS', 'inMouthS', 'cureS', 'setS', 'perUnit'] as const

const figureText = (value: number | undefined): string => (value === undefined ? '' : String(value))
const yesNo = (flag: boolean): string => (flag ? 'yes' : 'no')
/** A spreadsheet would run what begins like this; it is written with an apostrophe before it, which is taken off again. */
const formula = /^'(?=[=+\-@\t\r])/

/**
 * The items as CSV, with a mark of byte order so that spreadsheets read the letters right.
 * @example itemsToCsv(practice.items).split(',')[1] // 'name'
 */
export function itemsToCsv(items: readonly Item[]): string {
  const rows = items.map((i): Record<Column, string> => ({
    id: i.id,
    name: i.name,
    family: i.family,
    serves: i.serves.join(' | '),
    lengthMm: String(i.lengthMm),
    widthMm: String(i.widthMm),
    shape: i.shape ?? '',
    reusable: yesNo(i.reusable),
    counted: i.counted ?? '',
    latex: yesNo(i.latex),
    allergens: i.allergens.join(' | '),
    cassette: i.cassette ?? '',
    codes: i.codes.join(' | '),
    unit: i.unit,
    workingS: figureText(i.workingS),
    inMouthS: figureText(i.inMouthS),
    cureS: figureText(i.cureS),
    setS: figureText(i.setS),
    perUnit: figureText(i.perUnit),
    tracked: yesNo(i.tracked),
    stock: String(i.stock),
  }))
  return `\uFEFF${Papa.unparse({ fields: [...itemColumns], data: rows }, { escapeFormulae: true })}\r\n`
}

export type RowState = 'new' | 'changed' | 'same' | 'wrong'
export interface ImportRow {
  /** Line of the file as a spreadsheet counts it; the heading is line 1. */
  line: number
  state: RowState
  id: string
  name: string
  /** For a changed row what changes, for a wrong one what would be right. */
  says: string
  item?: Item
}
export interface ImportPreview {
  /** Set where the file as a whole cannot be read. */
  error?: string
  rows: ImportRow[]
  count: Record<RowState, number>
}

function flag(text: string | undefined): boolean | string | undefined {
  const word = (text ?? '').trim().toLowerCase()
  if (word === '') return undefined
  if (['yes', 'y', 'true', '1'].includes(word)) return true
  return ['no', 'n', 'false', '0'].includes(word) ? false : word
}
/** An empty cell is no figure; what is no number stays a word, so that the schema names it. A decimal comma is read. */
function figure(text: string | undefined): number | string | undefined {
  const word = (text ?? '').trim()
  if (word === '') return undefined
  const n = Number(/^-?\d+,\d+$/.test(word) ? word.replace(',', '.') : word)
  return Number.isFinite(n) ? n : word
}

/** The fields in which two items differ, as 'stock 20 → 4'. */
function difference(before: Item, after: Item): string[] {
  return itemColumns.flatMap((c) => {
    const [a, b] = [JSON.stringify(before[c] ?? null), JSON.stringify(after[c] ?? null)]
    return a === b ? [] : [`${c} ${a} → ${b}`]
  })
}

function readRow(
  cells: Partial<Record<Column, string>>,
  line: number,
  known: ReadonlyMap<string, Item>,
  seen: Map<string, number>,
  absent: readonly Column[],
): ImportRow {
  const text = (c: Column): string => (cells[c] ?? '').trim().replace(formula, '')
  const [id, name] = [text('id'), text('name')]
  const earlier = seen.get(id)
  if (id !== '' && earlier !== undefined)
    return { line, state: 'wrong', id, name, says: `id: "${id}" stands in line ${earlier} already` }
  seen.set(id, line)
  const many = (c: Column): string[] =>
    text(c)
      .split('|')
      .map((x) => x.trim())
      .filter(Boolean)
  const optional = {
    latex: flag(cells.latex),
    allergens: many('allergens'),
    cassette: text('cassette') || undefined,
    counted: text('counted') || undefined,
    shape: text('shape') || undefined,
    codes: many('codes'),
    unit: text('unit') || undefined,
    ...Object.fromEntries(figures.map((c) => [c, figure(cells[c])])),
    tracked: flag(cells.tracked),
    stock: figure(cells.stock),
  }
  // A column the file does not have leaves a known item as it is: an allergen is never lost by a list that does not name it.
  const before = known.get(id)
  const kept = before
    ? Object.fromEntries(absent.flatMap((c) => (before[c] === undefined ? [] : [[c, before[c]]])))
    : {}
  const parsed = item.safeParse({
    ...kept,
    id,
    name,
    family: text('family'),
    serves: many('serves'),
    lengthMm: figure(cells.lengthMm),
    widthMm: figure(cells.widthMm),
    reusable: flag(cells.reusable),
    ...Object.fromEntries(Object.entries(optional).filter(([c, v]) => v !== undefined && !absent.some((a) => a === c))),
  })
  if (!parsed.success)
    return {
      line,
      state: 'wrong',
      id,
      name,
      says: parsed.error.issues
        .map((i) => `${i.path[0] === undefined ? 'row' : String(i.path[0])}: ${i.message}`)
        .join('; '),
    }
  if (!before) return { line, state: 'new', id, name, says: '', item: parsed.data }
  const changes = difference(before, parsed.data)
  return changes.length === 0
    ? { line, state: 'same', id, name, says: '' }
    : { line, state: 'changed', id, name, says: changes.join('; '), item: parsed.data }
}

/** Reads a CSV of items against those owned: row by row what is new, changed, the same or wrong. Nothing is stored. */
export function previewItems(csv: string, owned: readonly Item[]): ImportPreview {
  const count: Record<RowState, number> = { new: 0, changed: 0, same: 0, wrong: 0 }
  const parsed = Papa.parse<Partial<Record<Column, string>>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = (['id', 'name', 'family', 'serves', 'lengthMm', 'widthMm', 'reusable'] as const).filter(
    (c) => !parsed.meta.fields?.includes(c),
  )
  if (missing.length > 0)
    return { error: `The first line has to name the columns; missing: ${missing.join(', ')}.`, rows: [], count }
  const known = new Map(owned.map((i) => [i.id, i]))
  const seen = new Map<string, number>()
  const absent = itemColumns.filter((c) => !parsed.meta.fields?.includes(c))
  const rows = parsed.data.map((cells, i) => readRow(cells, i + 2, known, seen, absent))
  for (const r of rows) count[r.state] += 1
  return { rows, count }
}
