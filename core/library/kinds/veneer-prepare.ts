/** J06: veneers with the cord in before cutting; J16: laminates for dark teeth, preparation. */
import type { Kind } from '../kind'
import { depthIndex, laminatesDelivered, shade, veneerProvisional } from './shared'

const bites = [{ if: ['school.veneerProvisional', 'is', 'none'], use: 'no provisional', else: 'provisional' }] as const

/** J06: labial and both proximal sides, 00 where displacement is wanted, out of sight. */
export const veneerPrepare: Kind = {
  id: 'veneer.prepare',
  beforehand: [shade, depthIndex, [['painted tray'], ['opposing arch']]],
  work: [
    ['rolls'],
    ['veneers cut', { secondCord: false }],
    ['reduction check', { as: 'cutting.reduction-check:veneer' }],
    ['veneer impression', { secondCord: false }],
    ...veneerProvisional,
  ],
  bites,
  followUps: [laminatesDelivered],
}

/** J16, first visit: smile read, shade map, depth by pencil line, margin lowered for a dark tooth, cord again. */
export const laminatePrepare: Kind = {
  id: 'laminate.prepare',
  // Before the lip is numb: it hangs, and the shade of every front tooth is chosen with it.
  deciding: ['records.bite', 'records.smile', 'records.shade:laminate'],
  beforehand: [depthIndex, [['painted tray'], ['opposing arch']]],
  work: [
    ['rolls'],
    // The line of the gum is the frame of the front: it is drawn before a margin follows it.
    ['overgrown gum'],
    ['veneers cut', { secondCord: true }],
    ['reduction check', { as: 'cutting.reduction-check:laminate' }],
    'records.stump-shade',
    ['veneer impression', { secondCord: true }],
    'impression.margins-whole',
    ...veneerProvisional,
  ],
  bites,
  followUps: [laminatesDelivered],
}
