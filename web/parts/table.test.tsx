// @vitest-environment node
import { renderToStaticMarkup } from 'react-dom/server'
import { expect, it } from 'vitest'
import { Table, type Column } from './table'

interface Box {
  id: string
  name: string
  left: number
}
const boxes: Box[] = Array.from({ length: 60 }, (_, i) => ({ id: `b${i}`, name: `box ${i}`, left: 60 - i }))
const columns: readonly Column<Box>[] = [
  { id: 'name', head: 'Name', by: (b) => b.name, cell: (b) => b.name },
  { id: 'left', head: 'left', by: (b) => b.left, figures: true, cell: (b) => b.left },
  { id: 'words', head: 'Words', cell: () => 'as it is' },
]
const draw = (rows: Box[], first?: number): string =>
  renderToStaticMarkup(
    <Table rows={rows} columns={columns} idOf={(b) => b.id} mark={(b) => ({ 'data-box': b.id })} first={first} />,
  )

it('shows the rows in the order they came, names each by its first cell, and offers the rest', () => {
  const html = draw(boxes, 12)
  expect([...html.matchAll(/data-box="(b\d+)"/g)].map((m) => m[1])).toEqual(boxes.slice(0, 12).map((b) => b.id))
  expect(html.match(/<th scope="row"/g)).toHaveLength(12)
  expect(html).toContain('All 60')
  expect(draw(boxes.slice(0, 3), 12)).not.toContain('All ')
})

it('a heading that can sort is a button, one that cannot is words', () => {
  const head = draw(boxes).split('</thead>')[0] ?? ''
  expect(head.match(/<button/g)).toHaveLength(2)
  expect(head).toMatch(/<th[^>]*>Words<\/th>/)
})
