/** The tray drawing: every line of the setup at its own size, left to right in the order of use, in bands by phase. */
import { keysOf } from '../sure'
import { type SetupLine } from '../model/plan'
import { phaseNames, type Phase } from '../model/step'

export interface TrayPlace {
  lineId: string
  xMm: number
  yMm: number
  widthMm: number
  heightMm: number
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

const boardHeightMm = 190
const gapMm = 6
/** Every place is at least this wide and high, so that a gloved finger hits it. */
const leastMm = 48

/** Places the lines of one phase in columns: long things alone, small things in the first column with room left. */
function layBand(phase: Phase, lines: readonly SetupLine[], xMm: number): TrayBand {
  const columns: {
    usedMm: number
    widthMm: number
    lines: { id: string; yMm: number; widthMm: number; heightMm: number }[]
  }[] = []
  for (const line of lines) {
    const heightMm = Math.min(boardHeightMm - 2 * gapMm, Math.max(leastMm, line.lengthMm))
    const widthMm = Math.max(leastMm, line.widthMm)
    let column = columns.find((c) => c.usedMm + heightMm + gapMm <= boardHeightMm)
    if (!column) columns.push((column = { usedMm: gapMm, widthMm: 0, lines: [] }))
    column.lines.push({ id: line.id, yMm: column.usedMm, widthMm, heightMm })
    column.usedMm += heightMm + gapMm
    column.widthMm = Math.max(column.widthMm, widthMm)
  }
  let x = gapMm
  const places = columns.flatMap((column) => {
    const at = x
    x += column.widthMm + gapMm
    return column.lines.map(({ id, ...box }): TrayPlace => ({ lineId: id, xMm: at, ...box }))
  })
  // Wide enough for its own heading.
  return { phase, title: phaseNames[phase], xMm, widthMm: Math.max(x, phaseNames[phase].length * 6 + 18), places }
}

/** A tray is no wider than this; the next band then begins another. */
const boardWidthMm = 700

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
