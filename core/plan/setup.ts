/** The needs of all steps as one setup. */
import { countedBy } from '../catalog/counting'
import { chooseLot, type Item } from '../catalog/item'
import { matchItem, type Match, type Need, type Readiness } from '../catalog/match'
import { round } from '../figure'
import type { SetupLine } from '../model/plan'
import type { Step } from '../model/step'
import type { Case } from '../phases/case'

/** What is carried from chair to chair where there is one of it. */
const large = new Set<Item['family']>(['equipment', 'handpiece'])
const rank: Record<Readiness, number> = { open: 0, standby: 1, drawer: 2 }

/** One step's need of a thing. */
interface Use {
  step: Step
  need: Need
}

/** Which piece a use means: uses of the same piece are one, of different ones they add up. */
function pieceOf({ step, need }: Use, item: Item | undefined): string {
  if (need.piece !== undefined) return need.piece
  const counted = countedBy(need, item)
  return counted === 'patient' ? 'the patient’s' : counted === 'tooth' ? (step.tooth ?? '') : step.id
}

/** How much is laid out: of each piece the most that any step asks of it, the pieces added up. */
function quantityOf(uses: readonly Use[], item: Item | undefined): number {
  const pieces = new Map<string, number>()
  for (const use of uses) {
    const piece = pieceOf(use, item)
    pieces.set(piece, Math.max(pieces.get(piece) ?? 0, use.need.quantity))
  }
  return round(
    [...pieces.values()].reduce((sum, n) => sum + n, 0),
    1,
  )
}

/** What a line says of the item behind it; where none is owned, of a thing nobody has measured. */
function ofItem(
  item: Item | undefined,
): Pick<SetupLine, 'family' | 'unit' | 'reusable' | 'latex' | 'lengthMm' | 'widthMm'> & Partial<SetupLine> {
  if (!item) return { family: 'consumable', unit: 'piece', reusable: true, latex: false, lengthMm: 40, widthMm: 20 }
  const { family, unit, reusable, latex, lengthMm, widthMm, allergens, cassette, stock } = item
  return {
    family,
    unit,
    reusable,
    latex,
    ...(allergens.length > 0 ? { allergens } : {}),
    ...(cassette ? { cassette } : {}),
    ...(reusable && stock === 1 && large.has(family) ? { only: true as const } : {}),
    lengthMm,
    widthMm,
  }
}

/** The line of everything that asks for one thing. It lies as open as the readiest of its uses; what stands by is not added to what is surely used. */
function lineOf(id: string, match: Match, first: Use, uses: readonly Use[]): SetupLine {
  const { item } = match
  const readiness = uses.reduce<Readiness>(
    (r, u) => (rank[u.need.readiness] < rank[r] ? u.need.readiness : r),
    'drawer',
  )
  const counting = uses.filter((u) => u.need.readiness === readiness)
  const when = counting.find((u) => u.need.when !== undefined)?.need.when
  const piecesMm = counting.flatMap((u) => u.need.piecesMm ?? [])
  const quantity = quantityOf(counting, item)
  return {
    id,
    name: item?.name ?? first.need.words ?? first.need.what.replaceAll('.', ', '),
    ...ofItem(item),
    readiness,
    ...(readiness !== 'open' && when !== undefined ? { when } : {}),
    // Nobody lays out a part of a piece.
    quantity: item?.unit === 'piece' ? Math.ceil(quantity) : quantity,
    ...(piecesMm.length > 0 ? { piecesMm } : {}),
    phase: first.step.phase,
    steps: [...new Set(uses.map((u) => u.step.id))],
    ...(match.because ? { because: match.because } : {}),
    alternatives: match.alternatives,
    ...(match.lack ? { lack: match.lack } : {}),
    ...(match.forbidden ? { forbidden: true } : {}),
  }
}

/** The line with its lot, or with what is short in the cupboard. */
function withStock(line: SetupLine, item: Item | undefined, c: Case): SetupLine {
  if (!item) return line
  if (item.tracked) return { ...line, lot: chooseLot(item.id, line.quantity, c.practice.lots, c.request.date) }
  if (item.stock >= (item.reusable ? line.quantity : 1)) return line
  return { ...line, lack: `${item.name}: ${item.stock} in stock, ${line.quantity} wanted` }
}

/**
 * Merges the needs of all steps into one setup: one mirror for the whole visit, one sleeve for the patient, a brush for
 * each act, cord piece by piece. What nothing owned answers stays as a lack.
 */
export function mergeSetup(steps: readonly Step[], c: Case): SetupLine[] {
  const things = new Map<string, { match: Match; first: Use; uses: Use[] }>()
  for (const step of steps) {
    for (const need of step.needs) {
      const match = matchItem(need, c.practice.items, c.request.alerts, c.request.swaps)
      const id = match.item?.id ?? `lack:${need.what}`
      const thing = things.get(id)
      if (thing) thing.uses.push({ step, need })
      else things.set(id, { match, first: { step, need }, uses: [{ step, need }] })
    }
  }
  return [...things].map(([id, { match, first, uses }]) => withStock(lineOf(id, match, first, uses), match.item, c))
}
