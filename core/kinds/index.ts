/** Every kind of visit as a row: what it is called, whom it is for, what may be asked of it. No rules of the day here. */
import { keysOf } from '../sure'
import type { KindFacts } from './facts'
import { crownKinds } from './crowns'
import { bondedBridgeKinds } from './bonded-bridges'
import { veneerKinds } from './veneers'
import { inlayKinds } from './inlays'
import { fillingKinds } from './fillings'
import { rootKinds } from './roots'
import { childKinds } from './children'
import { recallKinds } from './recalls'

export { groups, type KindFacts } from './facts'

export const kindTable = {
  ...crownKinds,
  ...bondedBridgeKinds,
  ...veneerKinds,
  ...inlayKinds,
  ...fillingKinds,
  ...rootKinds,
  ...childKinds,
  ...recallKinds,
} as const satisfies Record<string, KindFacts>

export type KindId = keyof typeof kindTable
export const kindIds = keysOf(kindTable)
/**
 * The row of a kind, with the optional columns in its type.
 * @example kindFacts('crown.metal').family // 'crown'
 */
export const kindFacts = (id: KindId): KindFacts => kindTable[id]
