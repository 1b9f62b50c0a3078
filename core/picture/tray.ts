/**
 * The tray drawing: every thing of the setup as its silhouette at its own size, left to right in the order of use, in bands
 * by phase; its name beneath it, never across it.
 */
import { amountWords } from '../plan/amount-words'
import { keysOf } from '../sure'
import { type SetupLine } from '../model/plan'
import { phaseNames, type Phase } from '../model/step'
import { shapeOf } from '../catalog/shapes'
import type { ShapeName } from '../catalog/shape-names'
import { endMm } from './things'
import { letterMm, wrapped } from './words'

/** Where a silhouette stands in its place, mm, and how much smaller than life. */
export interface Drawing {
  shape: ShapeName
  xMm: number
  yMm: number
  lengthMm: number
  widthMm: number
  scale: number
  /** Its working end again, enlarged, where that tells it from others. */
  end?: { xMm: number; yMm: number; ofMm: number; scale: number }
}
export interface TrayPlace {
  lineId: string
  xMm: number
  yMm: number
  widthMm: number
  heightMm: number
  drawing: Drawing
  /** The whole name in lines; under it the amount, and by how much it is drawn smaller than it is. */
  name: string[]
  notes: string[]
  wordsYMm: number
}
export interface TrayBand {
  phase: Phase
  title: string
  xMm: number
  widthMm: number
  places: TrayPlace[]
}
export interface TrayBoard {
  title: string
  widthMm: number
  heightMm: number
  bands: TrayBand[]
}

const boardHeightMm = 238
const gapMm = 4
const padMm = 3
/** Every place is at least this wide and high, so that a gloved finger hits it. */
const leastMm = 56
const leastHighMm = 46
/** A thing wider than this is drawn smaller; it would not lie on a tray either. */
const mostWideMm = 90
/** From here on it is said that a thing is drawn smaller than it is. */
const saidBelow = 0.95
/** Room for an enlarged end, and how much of the instrument it shows. */
const end = { widthMm: 34, ofMm: 18, most: 3.2 }

function drawingOf(line: SetupLine, roomMm: number): Drawing {
  const shape = shapeOf({ shape: line.shape, needs: line.needs, family: line.family })
  const { lengthMm, widthMm } = line
  const scale = Math.min(1, roomMm / lengthMm, mostWideMm / widthMm)
  const drawing: Drawing = { shape, xMm: padMm, yMm: padMm, lengthMm, widthMm, scale }
  if (endMm(shape) === 0) return drawing
  const zoom = Math.min(end.most, end.widthMm / widthMm)
  return { ...drawing, end: { xMm: padMm + widthMm * scale + 6, yMm: padMm, ofMm: end.ofMm, scale: zoom } }
}

function placeOf(line: SetupLine): Omit<TrayPlace, 'xMm' | 'yMm'> {
  const amount = amountWords(line)
  const wide = Math.max(leastMm, Math.min(line.widthMm, mostWideMm) + 2 * padMm)
  const name = wrapped(line.name, wide - 2 * padMm)
  const notes = amount ? [amount] : []
  const room = (): number => boardHeightMm - 2 * gapMm - 2 * padMm - (name.length + notes.length) * letterMm
  let drawing = drawingOf(line, room())
  if (drawing.scale < saidBelow) {
    notes.push(`× ${drawing.scale.toFixed(1)}`)
    drawing = drawingOf(line, room())
  }
  const drawnMm = Math.max(drawing.lengthMm * drawing.scale, 10)
  // What stands alone stands in the middle; beside its enlarged end it stands to the left.
  if (!drawing.end) drawing.xMm = (wide - drawing.widthMm * drawing.scale) / 2
  const wordsYMm = padMm + drawnMm + 1
  return {
    lineId: line.id,
    widthMm: wide,
    heightMm: Math.max(leastHighMm, wordsYMm + (name.length + notes.length) * letterMm + padMm),
    drawing,
    name,
    notes,
    wordsYMm,
  }
}

/** Places the lines of one phase in columns: long things alone, small things in the first column with room left. */
function layBand(phase: Phase, lines: readonly SetupLine[], xMm: number): TrayBand {
  const columns: { usedMm: number; widthMm: number; places: Omit<TrayPlace, 'xMm'>[] }[] = []
  for (const line of lines) {
    const place = placeOf(line)
    let column = columns.find((c) => c.usedMm + place.heightMm + gapMm <= boardHeightMm)
    if (!column) columns.push((column = { usedMm: gapMm, widthMm: 0, places: [] }))
    column.places.push({ ...place, yMm: column.usedMm })
    column.usedMm += place.heightMm + gapMm
    column.widthMm = Math.max(column.widthMm, place.widthMm)
  }
  let x = gapMm
  const places = columns.flatMap((column) => {
    const at = x
    x += column.widthMm + gapMm
    return column.places.map((place): TrayPlace => ({ ...place, xMm: at }))
  })
  // Wide enough for its own heading.
  return {
    phase,
    title: phaseNames[phase],
    xMm,
    widthMm: Math.max(x, phaseNames[phase].length * letterMm * 0.62 + 22),
    places,
  }
}

/** A tray is no wider than this; the next band then begins another. */
const boardWidthMm = 815

/**
 * Lays the open part of a setup on trays in the order of the day, whole bands together. Standby and drawer lines are
 * listed beside the trays, not on them: what is on the tray is used.
 * @example layTrays(plan.setup).length > 0 // true
 */
export function layTrays(setup: readonly SetupLine[]): TrayBoard[] {
  const boards: TrayBoard[] = []
  for (const phase of keysOf(phaseNames)) {
    const lines = setup.filter((l) => l.readiness === 'open' && l.phase === phase)
    if (lines.length === 0) continue
    const alone = layBand(phase, lines, 0)
    let board = boards.at(-1)
    if (!board || board.widthMm + alone.widthMm > boardWidthMm) {
      board = { title: `Tray ${boards.length + 1}`, widthMm: 0, heightMm: boardHeightMm, bands: [] }
      boards.push(board)
    }
    board.bands.push({ ...alone, xMm: board.widthMm })
    board.widthMm += alone.widthMm
  }
  return boards
}
