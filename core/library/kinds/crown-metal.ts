import { metalLines } from '../cuts/other-crowns'
import type { Kind } from '../kind'
import { afterCutting, crownRecords, provisionalBite, tissueRecall } from './shared'

const [shade = [], records = []] = crownRecords

/** J03: full metal crown; the index that gauges every cut is made, sectioned, and checked back on the uncut teeth. */
export const crownMetal: Kind = {
  id: 'crown.metal',
  beforehand: [shade, [...records, 'records.reduction-index', 'records.section-index', 'records.check-index']],
  work: [
    ['isolation'],
    { cut: metalLines },
    ['reduction check', { as: 'cutting.reduction-check:metal' }],
    ['isolation off'],
    ...afterCutting,
  ],
  bites: [provisionalBite],
  followUps: [
    { kind: 'crown.deliver', title: 'Delivery of the full metal crown', after: 'the laboratory' },
    tissueRecall,
  ],
}
