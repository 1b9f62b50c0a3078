/**
 * What a second pair of hands does at a step, by its function: common practice. A step may say it otherwise.
 */
import { isAnterior } from '../teeth/arch'
import type { Tooth } from '../teeth/notation'
import type { FunctionName } from './functions'

const helps: Readonly<Record<FunctionName, string>> = {
  topical: 'keeps the cheek dry',
  injection: 'hands it over out of sight, watches the patient',
  'numb test': 'watches the patient',
  'preliminary impression': 'holds lip and cheek, {suction}',
  'shade preview': 'notes what is read',
  'throat pack': 'says it aloud, writes it on the door',
  dam: 'hands and holds, keeps lip and cheek away',
  cutting: '{suction} at the bur, @away',
  look: 'dries, hands over, @away, notes what is said',
  'cord placement': 'keeps it dry, holds what is seated',
  'cord removal': '{suction} close, the next thing ready in the other hand',
  'final impression': 'dries, holds lip and cheek, hands over',
  scan: 'air, @away',
  'bite record': 'dries, watches that it is closed fully',
  'provisional making': 'hands over, {suction}',
  'provisional trimming': '{suction}, @away',
  'provisional cementing': 'keeps it dry, hands over, {suction}',
  'excess removal': '{suction} at the excess, @away',
  'occlusal check': 'dries the teeth, {suction}',
  radiograph: 'steps back behind the shield; nobody holds head, film or sensor',
  etching: '{suction} at the acid, then water and air',
  bonding: 'keeps it dry, hands over, gentle air',
  curing: '@away',
  placing: 'keeps it dry, hands over, wipes the tip clean',
  'matrix placement': 'hands and holds',
  'root canal': 'hands in order, {suction}',
  'crown fitting': 'hands over, {suction}, nothing loose toward the throat',
  'fissure seal': 'keeps it dry',
  finishing: 'water and {suction} at the bur, @away',
  polishing: 'water and {suction}, @away',
  rinse: '{suction}',
  instructions: 'stands by',
  'chart note': 'says what was used',
  chairside: 'light and {suction}',
  turnover: 'clears with gloves on',
}

/** What is held away: the lip in front, tongue and cheek behind; all of them where no one tooth is meant. */
const away = (tooth: Tooth | undefined): string =>
  tooth === undefined
    ? 'keeps tongue, cheek and lip away'
    : isAnterior(tooth)
      ? 'holds the lip away'
      : 'keeps tongue and cheek away'

/** @example helpWords('cutting', toTooth('46')) // '{suction} at the bur, keeps tongue and cheek away' */
export const helpWords = (fn: FunctionName, tooth?: Tooth): string => helps[fn].replace('@away', away(tooth))

/** The first of those who help, by name; empty where nobody does. */
export const helperOf = (
  { people }: { people: readonly { id: string; name: string }[] },
  { helpers }: { helpers: readonly string[] },
): string => people.find((p) => helpers.includes(p.id))?.name ?? ''
