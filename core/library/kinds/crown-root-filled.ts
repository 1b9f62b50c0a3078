import { rootFilledLines } from '../cuts/other-crowns'
import type { Kind } from '../kind'
import { afterCutting, crownRecords, provisionalBite, tissueRecall } from './shared'

/** J18: crown on a root-filled upper molar, four-handed, under magnification. A first look by about 6 minutes for the top, 10 for the contacts. Standing C or estimate. */
export const crownRootFilled: Kind = {
  id: 'crown.root-filled',
  beforehand: crownRecords,
  work: [
    'cutting.loupes',
    ['isolation'],
    { cut: rootFilledLines, minutes: [14, 22, 40] },
    // The neighbours are looked at while the sides are open.
    'cutting.look-beside',
    ['reduction check'],
    ['isolation off'],
    ...afterCutting,
  ],
  bites: [provisionalBite],
  followUps: [{ kind: 'crown.deliver', title: 'Delivery of the $restoration', after: 'the laboratory' }, tissueRecall],
}
