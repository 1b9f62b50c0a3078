import { archPrepare } from './arch-prepare'
import { bridgeCeramicDeliver, bridgeCeramicPrepare } from './bridge-ceramic'
import { bridgeMetalDeliver, bridgeMetalPrepare, bridgeMetalTryIn } from './bridge-metal'
import { bridgeTryIn } from './bridge-try-in'
import { primaryClass3 } from './primary-class3'
import { primaryIncisors } from './primary-incisors'
import { primaryMetalCrown } from './primary-metal-crown'
import { crownDeliver } from './crown-deliver'
import { crownInterim } from './crown-interim'
import { crownMetal } from './crown-metal'
import { crownPrepare } from './crown-prepare'
import { crownRootFilled } from './crown-root-filled'
import { endoCoreCrown } from './endo-core-crown'
import { fillingAmalgam } from './filling-amalgam'
import { fillingBulk } from './filling-bulk'
import { fillingCervical } from './filling-cervical'
import { fillingCusps } from './filling-cusps'
import { fillingInjected } from './filling-injected'
import { goldDeliver } from './gold-deliver'
import { inlayDeliver, inlayPrepare } from './inlay'
import type { Kind } from '../kind'
import { laminateDeliver } from './laminate-deliver'
import { postCore } from './post-core'
import { provisionalAgain } from './provisional-again'
import { recallHalfYear, recallWeek } from './recall'
import { kindIds, type KindId } from '../../kinds'
import { sure, tableOf } from '../../sure'
import { laminatePrepare, veneerPrepare } from './veneer-prepare'

const kinds = [
  crownPrepare,
  crownMetal,
  crownRootFilled,
  archPrepare,
  crownInterim,
  crownDeliver,
  bridgeTryIn,
  bridgeCeramicPrepare,
  bridgeCeramicDeliver,
  bridgeMetalPrepare,
  bridgeMetalTryIn,
  bridgeMetalDeliver,
  veneerPrepare,
  laminatePrepare,
  laminateDeliver,
  inlayPrepare,
  inlayDeliver,
  goldDeliver,
  fillingAmalgam,
  fillingBulk,
  fillingInjected,
  fillingCervical,
  fillingCusps,
  endoCoreCrown,
  postCore,
  primaryClass3,
  primaryMetalCrown,
  primaryIncisors,
  provisionalAgain,
  recallWeek,
  recallHalfYear,
]

/** Every kind of visit the program can compile, by id. */
export const visitKinds: Record<KindId, Kind> = tableOf(kindIds, (id) => sure(kinds.find((k) => k.id === id)))
