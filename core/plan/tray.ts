/** The tray drawing: every line of the setup at its own size, left to right in the order of use, in bands by phase. */
import { phaseNames, type Phase, type SetupLine } from './types'

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
const leastMm = 32

/** Places the lines of one phase in columns, long things alone, small things stacked. */
function layBand(phase: Phase, lines: readonly SetupLine[], xMm: number): TrayBand {
  const places: TrayPlace[] = []
  let x = gapMm
  let column: { y: number; width: number } = { y: gapMm, width: 0 }
  for (const line of lines) {
    const heightMm = Math.min(boardHeightMm - 2 * gapMm, Math.max(leastMm, line.lengthMm))
    const widthMm = Math.max(leastMm, line.widthMm)
    if (column.y + heightMm > boardHeightMm - gapMm && column.width > 0) {
      x += column.width + gapMm
      column = { y: gapMm, width: 0 }
    }
    places.push({ lineId: line.id, xMm: x, yMm: column.y, widthMm, heightMm })
    column = { y: column.y + heightMm + gapMm, width: Math.max(column.width, widthMm) }
  }
  return { phase, title: phaseNames[phase], xMm, widthMm: x + column.width + gapMm, places }
}

const firstBoard: readonly Phase[] = ['arrival', 'anaesthesia', 'records', 'isolation']
const secondBoard: readonly Phase[] = ['cutting', 'tissue', 'impression', 'provisional', 'closing']

/**
 * Lays the open part of a setup on two trays: up to isolation, and from cutting on. Standby and drawer lines are listed
 * beside the trays, not on them: what is on the tray is used.
 */
export function layTrays(setup: readonly SetupLine[]): TrayBoard[] {
  const board = (title: string, phases: readonly Phase[]): TrayBoard => {
    let x = 0
    const bands: TrayBand[] = []
    for (const phase of phases) {
      const lines = setup.filter((l) => l.readiness === 'open' && l.phase === phase)
      if (lines.length === 0) continue
      const band = layBand(phase, lines, x)
      bands.push(band)
      x += band.widthMm
    }
    return { title, widthMm: x, heightMm: boardHeightMm, bands }
  }
  return [board('First tray', firstBoard), board('Second tray', secondBoard)].filter((b) => b.bands.length > 0)
}
