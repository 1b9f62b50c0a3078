/** The final impression or scan and the provisional, in the order of the school picked. */
import { meanwhile, nothing, sequence, type Block } from '../build'
import type { Case } from '../case'
import { pasteAlone, type CordPlan } from './cord-plan'
import { finalImpression } from './impression'
import { makeProvisional, trimProvisional } from './provisional'
import { fitProvisional } from './provisional-fit'

/**
 * Everyday: the provisional is made and trimmed while the cord dwells. After paste, laser or a scan with the field just made
 * dry, it comes last, and no separator or resin was near the margin before. Standing C.
 * @param before what is done between trimming and cementing it
 */
export function impressionAndProvisional(c: Case, cord: CordPlan, before: Block = nothing): Block {
  // After paste no cord dwells: what it has opened closes in a minute.
  if (c.school('provisionalWhen') === 'after the impression' || pasteAlone(cord))
    return sequence(finalImpression(c, cord), makeProvisional(c), trimProvisional(c), before, fitProvisional(c))
  const waits =
    cord.layers.length > 0
      ? 'the cord dwells'
      : c.school('impression') === 'optical scan'
        ? 'the scanner is made ready'
        : 'the tray is made ready'
  return sequence(
    makeProvisional(c),
    meanwhile(waits, trimProvisional(c), finalImpression(c, cord)),
    before,
    fitProvisional(c),
  )
}
