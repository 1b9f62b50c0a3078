/** J10: gold inlay cemented and gold foil placed under one sheet, finished in the same sitting. */
import type { Kind } from '../kind'
import { underSheet } from './shared'

export const goldDeliver: Kind = {
  id: 'gold.deliver',
  work: [
    // The sheet made tight to the last drop: second clamp, light-cured seal.
    ['sheet on', { purpose: 'foil' }],
    { if: underSheet, do: [['second clamp'], 'isolation.seal:gold'] },
    { if: 'alert.chlorhexidine', do: ['isolation.scrub:with alcohol'], else: ['isolation.scrub'] },
    ['gold inlays'],
    { each: 'tooth for foil', do: [['gold foil']] },
    ['sheet off'],
  ],
  afterSheet: [
    { each: 'tooth', do: [['bite', { stage: 'filling', step: 'filling.$tooth.bite:gold' }]] },
    'finishing.discs',
    'finishing.pumice',
    'finishing.fifteen',
    'finishing.one',
  ],
  bites: [{ if: 'gold inlays', use: 'tried in' }, 'filling'],
}
