/**
 * The bite in its place: at which stage of a visit it is checked, for what, when, with what; and where no paper is out at all.
 * Common practice.
 */
import { reason, type Reason } from '../../figure'
import type { KindId } from '../../kinds'
import { biteStages, type BiteRow, type BiteStage } from '../bite-stages'
import type { Block } from '../build'
import { lay, type Otherwise } from '../lay'
import type { StepId } from '../steps'
import type { Case } from '../case'
import { goldWork } from './gold-work'

/** A step that checks the bite at its stage: it says what is wanted, with paper where paper is out. */
export function checkBite(c: Case, stage: BiteStage, id: StepId, values: Otherwise = {}): Block {
  const { checks, because, paper }: BiteRow = biteStages[stage]
  return lay(c, values.as ?? id, { stage, checks, why: because, paper, ...values })
}

/** What a provisional of this case is checked for: the school decides, common practice. */
export const provisionalBite = (c: Case): 'provisional' | 'provisional, out of contact' =>
  c.school('provisionalBite') === 'out of contact' ? 'provisional, out of contact' : 'provisional'

const always =
  (...stages: BiteStage[]) =>
  (): readonly BiteStage[] =>
    stages
const provisional = (c: Case): readonly BiteStage[] => [provisionalBite(c)]

/** Which stages a kind of visit has, by what it restores with and how. */
const bites: Readonly<Record<KindId, (c: Case) => readonly BiteStage[]>> = {
  'crown.prepare': provisional,
  'crown.metal': provisional,
  'crown.root-filled': provisional,
  'crown.interim': provisional,
  'arch.prepare': provisional,
  'endo.core.crown': provisional,
  'post.core': always('provisional, out of contact'),
  'inlay.prepare': always('provisional, out of contact'),
  'veneer.prepare': (c) => (c.school('veneerProvisional') === 'none' ? ['no provisional'] : ['provisional']),
  'laminate.prepare': (c) => (c.school('veneerProvisional') === 'none' ? ['no provisional'] : ['provisional']),
  'bridge.ceramic.prepare': always('room', 'no provisional'),
  'bridge.metal.prepare': always('room', 'no provisional'),
  'bridge.metal.try-in': always('tried in'),
  'bridge.try-in': (c) => ['room', provisionalBite(c)],
  'crown.deliver': (c) => (c.asks('deliveryCement') === 'resin' ? ['bonded piece'] : ['tried in']),
  'inlay.deliver': always('bonded piece'),
  'laminate.deliver': always('bonded piece'),
  'gold.deliver': (c) => (goldWork(c).inlays.length > 0 ? ['tried in', 'filling'] : ['filling']),
  'bridge.ceramic.deliver': always('bonded bridge'),
  'bridge.metal.deliver': always('bonded bridge'),
  'filling.bulk': always('filling'),
  'filling.injected': always('filling'),
  'filling.cusps': always('filling'),
  'filling.amalgam': always('amalgam'),
  'filling.cervical': always('filling on a side'),
  'primary.class3': always('filling on a side'),
  'primary.metal-crown': always('preformed crown'),
  'primary.incisors': always('preformed crown'),
  'provisional.again': provisional,
  'recall.week': always('recall'),
  'recall.half-year': always('recall of a bonded bridge'),
}

/** The stages of one piece of work at which the bite is looked at, or said not to be. */
export const bitesOf = (c: Case): readonly BiteStage[] => bites[c.request.kind](c)

/** Why no bite paper is out, where none of a visit’s works wants any. */
export function noPaper(works: readonly Case[]): { what: string; because: Reason }[] {
  const stages = works.flatMap(bitesOf)
  const [first] = stages
  if (first === undefined || stages.some((s) => biteStages[s].paper)) return []
  return [{ what: 'bite paper', because: reason(biteStages[first].because, 'C') }]
}
