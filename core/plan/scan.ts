import { sure } from '../sure'
import { lotState, type Item } from '../catalog/item'
import type { Scan } from '../catalog/label'
import type { Plan, SetupLine } from '../model/plan'

/** What a scan at the tray comes to: a place checked off, perhaps with a word, or not and why. */
export type ScanAnswer = { lineId: string; says?: string } | { refused: string }

const matches = (item: Item, scan: Scan): boolean =>
  item.id === scan.code || item.codes.includes(scan.code) || (scan.gtin !== undefined && item.codes.includes(scan.gtin))

/**
 * Which place of the tray a scanned box or label checks off. What has expired is never checked off silently; another lot
 * than the planned one is, and said.
 * @param date plain date of the visit.
 */
export function answerScan(scan: Scan, plan: Pick<Plan, 'setup'>, items: readonly Item[], date: string): ScanAnswer {
  const found = items.filter((i) => matches(i, scan))
  if (found.length === 0)
    return { refused: `${scan.gtin ?? scan.code} is on no item of the practice’s list; enter it there first` }
  const line: SetupLine | undefined = plan.setup.find((l) => found.some((i) => i.id === l.id))
  const [item] = found
  if (!line) {
    const instead = plan.setup.find((l) => l.alternatives.some((a) => found.some((i) => i.id === a.itemId)))
    return {
      refused: instead
        ? `${sure(item).name} is not on this tray; it could lie there instead of ${instead.name}: touch that place and exchange it`
        : `${sure(item).name} is not on this tray`,
    }
  }
  if (scan.expires !== undefined && lotState({ expires: scan.expires, left: 1 }, date) === 'expired')
    return { refused: `${line.name}: this box expired on ${scan.expires}. Take it off the shelf` }
  if (scan.lot !== undefined && line.lot?.number !== undefined && line.lot.number !== scan.lot)
    return {
      lineId: line.id,
      says: `${line.name}: lot ${scan.lot} instead of ${line.lot.number}; write it into the record`,
    }
  return line.readiness === 'drawer'
    ? { refused: `${line.name} stays in the drawer until ${line.when ?? 'it is asked for'}` }
    : { lineId: line.id }
}
