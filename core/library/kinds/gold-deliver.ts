/** J10: gold inlay cemented and gold foil placed under one sheet, finished in the same sitting. */
import type { Kind } from '../kind'
import { underSheet } from './shared'

const smoothed = ['finishing.discs', 'finishing.pumice'] as const

export const goldDeliver: Kind = {
  id: 'gold.deliver',
  work: [
    // The sheet made tight to the last drop: second clamp, light-cured seal.
    ['sheet on', { purpose: 'foil' }],
    { if: underSheet, do: [['second clamp'], 'isolation.seal:gold'] },
    { if: 'alert.chlorhexidine', do: ['isolation.scrub:with alcohol'], else: ['isolation.scrub'] },
    ['gold inlays'],
    { each: 'tooth for foil', do: [['gold foil']] },
    // Powder is used dry under the sheet only: gold is finished before it is off, and before it is bitten on.
    { if: underSheet, do: [...smoothed, 'finishing.fifteen', 'finishing.one'] },
    ['sheet off'],
  ],
  afterSheet: [
    {
      each: 'tooth',
      do: [{ if: 'gold bitten on here', do: [['bite', { stage: 'filling', step: 'filling.$tooth.bite:gold' }]] }],
    },
    {
      if: underSheet,
      do: [{ if: 'gold bitten on', do: ['finishing.smooth-again'] }],
      else: [...smoothed, 'finishing.wet-paste'],
    },
  ],
  bites: [
    { if: 'gold inlays', use: 'tried in' },
    { if: 'gold bitten on', use: 'filling', else: 'filling on a side' },
  ],
}
