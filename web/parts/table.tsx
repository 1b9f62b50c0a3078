/** Tables that grow: a heading sorts, the first rows are shown and the rest on asking. Loaded where it is used. */
import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  sortFn_text,
  tableFeatures,
  useTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, text: sortFn_text },
})

export interface Column<Row> {
  id: string
  head: ReactNode
  /** What the column is sorted by; without it the heading is words only. Undefined values come last. */
  by?: (row: Row) => string | number | undefined
  cell: (row: Row) => ReactNode
  /** Figures stand to the right, in figures of one width. */
  figures?: boolean
  /** More classes for the cells of this column. */
  className?: string
}

/**
 * A table of any length. The first column names the row.
 * @param columns kept by the caller outside its render, or memoised
 * @param rows in the order they are shown in until a heading is pressed
 * @param first how many rows are shown before somebody asks for all, 50 unless said
 */
export function Table<Row extends object>({
  rows,
  columns,
  idOf,
  mark,
  first = 50,
  className = '',
}: {
  rows: readonly Row[]
  columns: readonly Column<Row>[]
  idOf: (row: Row) => string
  /** A name of the row for who looks for it: data-* attributes. */
  mark?: (row: Row) => Record<`data-${string}`, string>
  first?: number
  className?: string
}) {
  const [sorting, onSortingChange] = useState<SortingState>([])
  const [all, setAll] = useState(false)
  const defs = useMemo(
    () =>
      columns.map((c): ColumnDef<typeof features, Row> => ({
        id: c.id,
        accessorFn: (row) => c.by?.(row),
        enableSorting: c.by !== undefined,
        sortUndefined: 'last',
        sortFn: c.figures ? 'basic' : 'text',
      })),
    [columns],
  )
  const data = useMemo(() => [...rows], [rows])
  const table = useTable({
    features,
    columns: defs,
    data,
    getRowId: idOf,
    state: { sorting },
    onSortingChange,
    sortDescFirst: false,
  })
  const sorted = table.getRowModel().rows
  const shown = all ? sorted : sorted.slice(0, first)
  return (
    <>
      <table className={`w-full border-collapse ${className}`}>
        <thead>
          <tr className="border-b-2 border-ink text-left">
            {table.getFlatHeaders().map((h, at) => {
              const column = columns[at]
              const way = h.column.getIsSorted()
              return (
                <th
                  key={h.id}
                  scope="col"
                  aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : undefined}
                  className={`pr-3 last:pr-0 ${column?.figures ? 'text-right whitespace-nowrap' : ''}`}
                >
                  {h.column.getCanSort() ? (
                    <button
                      type="button"
                      className="inline-flex min-h-11 cursor-pointer items-center gap-1 font-bold hover:underline"
                      onClick={h.column.getToggleSortingHandler()}
                    >
                      {column?.head}
                      {way === 'asc' && <ArrowUp size={16} aria-hidden="true" />}
                      {way === 'desc' && <ArrowDown size={16} aria-hidden="true" />}
                    </button>
                  ) : (
                    column?.head
                  )}
                </th>
              )
            })}
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <tr key={row.id} {...mark?.(row.original)} className="border-b border-line align-top">
              {columns.map((c, at) => {
                const look = `py-1.5 pr-3 last:pr-0 ${c.figures ? 'num text-right whitespace-nowrap' : ''} ${c.className ?? ''}`
                return at === 0 ? (
                  <th key={c.id} scope="row" className={`text-left font-normal ${look}`}>
                    {c.cell(row.original)}
                  </th>
                ) : (
                  <td key={c.id} className={look}>
                    {c.cell(row.original)}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {sorted.length > shown.length && (
        <button type="button" className="min-h-12 cursor-pointer text-jade underline" onClick={() => setAll(true)}>
          All {sorted.length}
        </button>
      )}
    </>
  )
}
