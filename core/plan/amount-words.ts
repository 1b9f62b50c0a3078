import type { SetupLine } from '../model/plan'

/**
 * How much of a line is laid out, in words; empty for a single piece. Cord is said piece by piece.
 * @example amountWords({ quantity: 2, unit: 'mL' }) // '2 mL'
 */
export function amountWords(line: Pick<SetupLine, 'quantity' | 'unit' | 'piecesMm'>): string {
  if (line.piecesMm) return line.piecesMm.map((mm) => `${mm} mm`).join(', ')
  if (line.unit === 'piece') return line.quantity === 1 ? '' : `${line.quantity} ×`
  // Words take an s, signs of units do not.
  const words = ['cartridge', 'pair'].includes(line.unit) && line.quantity !== 1 ? `${line.unit}s` : line.unit
  return `${line.quantity} ${words}`
}
