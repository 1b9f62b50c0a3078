/** How often a thing is laid out: once for a patient, once for a tooth, or anew for each act it is used up in. Common practice. */
import type { Item } from './item'
import type { Need } from './match'

export type Counted = 'patient' | 'tooth' | 'act'

/** Needs whose thing serves the whole visit, or one tooth of it, however many steps name it; by what is needed, whoever makes it. */
const once: Readonly<Record<string, Exclude<Counted, 'act'>>> = {
  'light sleeve': 'patient',
  scalpel: 'patient',
  'rotary file set': 'patient',
  'file block': 'patient',
  'file stops': 'patient',
  'irrigation syringe': 'patient',
  'wax-up matrix': 'patient',
  'block-out wax': 'patient',
  'side-vented needle': 'tooth',
}

/** What is cleaned is laid out once; of what is thrown away each act takes its own, unless it serves longer. */
export const countedBy = (need: Pick<Need, 'what'>, item: Pick<Item, 'reusable' | 'counted'> | undefined): Counted =>
  item?.counted ?? ((item?.reusable ?? true) ? 'patient' : (once[need.what] ?? 'act'))
