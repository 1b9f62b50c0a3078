/** All silhouettes at one scale on one sheet, as docs/things.svg. */
import { shapeOf } from '../core/catalog/shapes'
import { shapeNames } from '../core/catalog/shape-names'
import { starterItems } from '../core/catalog/starter'
import { thing, type Tone } from '../core/picture/things'
import { sure } from '../core/sure'

const pxPerMm = 1.2
const widthPx = 1400
const cell = { least: 96, label: 34, gap: 10 }
const colours: Readonly<Record<Tone, string>> = {
  steel: '#c5ccc8',
  pale: '#fbfbf7',
  soft: '#bad2c6',
  dark: '#62736a',
  glass: '#d6e4ee',
  line: 'none',
}

/** Names broken in two where they are long. */
const lines = (name: string): string[] => (name.length > 16 ? name.split(/(?<=[ ,-])(?=\S{4,}$)/) : [name])

/** Row by row, as many as fit; a row is as high as its longest thing. */
export function thingsSheet(): string {
  const sizes = new Map(
    starterItems.map((i) => [
      shapeOf({ shape: i.shape, needs: i.serves, family: i.family }),
      [i.lengthMm, i.widthMm] as const,
    ]),
  )
  const cells = shapeNames.map((name) => {
    const [l, w] = sizes.get(name) ?? [80, 60]
    return { name, l, w, px: Math.max(cell.least, w * pxPerMm + cell.gap), high: l * pxPerMm }
  })
  // The longest first: rows of one height waste little.
  const rows: { left: number; high: number; cells: ((typeof cells)[number] & { x: number })[] }[] = []
  for (const c of cells.toSorted((a, b) => b.high - a.high || a.name.localeCompare(b.name))) {
    let row = rows.at(-1)
    if (!row || row.left + c.px > widthPx) rows.push((row = { left: 0, high: c.high, cells: [] }))
    row.cells.push({ ...c, x: row.left })
    row.left += c.px
  }
  let y = cell.gap
  const drawn = rows.flatMap((row) => {
    const top = y
    y += row.high + cell.label + cell.gap
    return row.cells.map((c) => {
      const paths = thing(c.name, c.l, c.w)
        .map((p) => `<path d="${p.d}" fill="${colours[p.tone]}"/>`)
        .join('')
      const text = lines(c.name)
        .map((word, i) => `<text x="${c.x + 4}" y="${Math.round(top + row.high + 14 + 13 * i)}">${word.trim()}</text>`)
        .join('')
      const down = top + row.high - c.high
      return `<g transform="translate(${c.x + 4} ${Math.round(down)}) scale(${pxPerMm})">${paths}</g>${text}`
    })
  })
  const high = Math.ceil(sure(rows.at(-1)).high >= 0 ? y : 0)
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthPx} ${high}" width="${widthPx}" height="${high}" font-family="sans-serif" font-size="12" stroke-linejoin="round"><rect width="${widthPx}" height="${high}" fill="#ffffff"/><g stroke="#14251e" stroke-width="0.6">${drawn.map((d) => d.slice(0, d.indexOf('<text'))).join('\n')}</g>\n<g fill="#14251e">${drawn.map((d) => d.slice(d.indexOf('<text'))).join('')}</g></svg>\n`
}
