import { chooseLot, type Item } from '../catalog/item'
import { matchItem, type Readiness } from '../catalog/match'
import type { Case } from '../phases/case'
import { round } from '../figure'
import type { SetupLine, Step } from '../model/plan'

/** What is carried from chair to chair where there is one of it. */
const large = new Set<Item['family']>(['equipment', 'handpiece'])
const rank: Record<Readiness, number> = { open: 0, standby: 1, drawer: 2 }

/**
 * Merges the needs of all steps into one setup: one mirror for the whole visit, consumables summed, cord pieces kept
 * one by one. A line is open if any step wants it open. What nothing owned answers stays as a lack.
 */
export function mergeSetup(steps: readonly Step[], c: Case): SetupLine[] {
  const lines = new Map<string, SetupLine>()
  for (const step of steps) {
    for (const need of step.needs) {
      const match = matchItem(need, c.practice.items, c.request.alerts, c.request.swaps)
      const id = match.item?.id ?? `lack:${need.what}`
      const known = lines.get(id)
      const reusable = match.item?.reusable ?? true
      if (known) {
        // What stands by for the case that something goes wrong is not added to what is surely used.
        const sameUse = known.readiness === need.readiness
        known.quantity = reusable
          ? Math.max(known.quantity, need.quantity)
          : round(
              sameUse
                ? known.quantity + need.quantity
                : rank[need.readiness] < rank[known.readiness]
                  ? need.quantity
                  : known.quantity,
              1,
            )
        if (need.piecesMm && sameUse) known.piecesMm = [...(known.piecesMm ?? []), ...need.piecesMm]
        if (rank[need.readiness] < rank[known.readiness]) {
          known.readiness = need.readiness
          delete known.when
        }
        if (!known.steps.includes(step.id)) known.steps.push(step.id)
        continue
      }
      lines.set(id, {
        id,
        name: match.item?.name ?? need.words ?? need.what.replaceAll('.', ', '),
        family: match.item?.family ?? 'consumable',
        readiness: need.readiness,
        ...(need.when ? { when: need.when } : {}),
        quantity: need.quantity,
        unit: match.item?.unit ?? 'piece',
        ...(need.piecesMm ? { piecesMm: [...need.piecesMm] } : {}),
        phase: step.phase,
        steps: [step.id],
        reusable,
        latex: match.item?.latex ?? false,
        ...(match.item && match.item.allergens.length > 0 ? { allergens: match.item.allergens } : {}),
        ...(match.item?.cassette ? { cassette: match.item.cassette } : {}),
        ...(match.item?.reusable && match.item.stock === 1 && large.has(match.item.family)
          ? { only: true as const }
          : {}),
        lengthMm: match.item?.lengthMm ?? 40,
        widthMm: match.item?.widthMm ?? 20,
        ...(match.because ? { because: match.because } : {}),
        alternatives: match.alternatives,
        ...(match.lack ? { lack: match.lack } : {}),
        ...(match.forbidden ? { forbidden: true } : {}),
      })
    }
  }
  const byId = new Map(c.practice.items.map((i) => [i.id, i]))
  for (const line of lines.values()) {
    const item = byId.get(line.id)
    if (!item) continue
    // Nobody lays out a part of a piece.
    if (line.unit === 'piece') line.quantity = Math.ceil(line.quantity)
    if (item.tracked) line.lot = chooseLot(item.id, line.quantity, c.practice.lots, c.request.date)
    else if (item.stock < (item.reusable ? line.quantity : 1))
      line.lack = `${item.name}: ${item.stock} in stock, ${line.quantity} wanted`
  }
  return [...lines.values()]
}
