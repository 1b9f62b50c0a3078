/** What an impression or scan shows, margin part by margin part, and what follows from it. The dentist approves every one. */
import { reason, type Reason } from '../figure'
import { sure } from '../sure'

export const marginParts = [
  'mesiobuccal',
  'buccal',
  'distobuccal',
  'distal',
  'distolingual',
  'lingual',
  'mesiolingual',
  'mesial',
] as const
export type MarginPart = (typeof marginParts)[number]

/** What is made, as far as it decides where a margin runs. */
export interface Margined {
  work: 'all round' | 'veneer' | 'retainer' | 'cavity'
  /** Veneers: the edge is wrapped, its margin runs behind. */
  wrapped?: boolean
  /** Retainers: the sides that reach a contact; cavities: the surfaces, as MO. */
  sides?: readonly ('mesial' | 'distal')[]
  surfaces?: string
}
const outside: readonly MarginPart[] = ['mesial', 'mesiobuccal', 'buccal', 'distobuccal', 'distal']
const inside: readonly MarginPart[] = ['mesiolingual', 'lingual', 'distolingual']
const open: Readonly<Record<string, readonly MarginPart[]>> = {
  M: ['mesiobuccal', 'mesial', 'mesiolingual'],
  D: ['distobuccal', 'distal', 'distolingual'],
  B: ['buccal'],
  L: ['lingual'],
}

/**
 * The parts of a margin that exist: a crown has eight, a veneer none behind unless its edge is wrapped, a bonded retainer its inner side
 * and the side that reaches the gap, a cavity those its surfaces open; a top alone has its edge all round. Common practice.
 * @example marginPartsOf({ work: 'veneer' }) // ['mesiobuccal', 'buccal', 'distobuccal', 'distal', 'mesial']
 */
export function marginPartsOf({ work, wrapped = false, sides = [], surfaces = '' }: Margined): MarginPart[] {
  const has: readonly MarginPart[] =
    work === 'veneer'
      ? [...outside, ...(wrapped ? (['lingual'] as const) : [])]
      : work === 'retainer'
        ? [...inside, ...sides]
        : work === 'cavity'
          ? surfaces.split('').flatMap((s) => open[s] ?? [])
          : marginParts
  return marginParts.filter((p) => has.length === 0 || has.includes(p))
}

/** What a margin part of an impression, and of a scan, may show. Common practice. */
export const partFaults = ['short', 'bubble', 'tear', 'drag', 'thin'] as const
export const scanPartFaults = ['short', 'hole', 'blurred'] as const
export const fieldFaults = [
  'bubble clear of margin and contact',
  'cord caught, clear of the margin',
  'tray shows beside a preparation',
  'wash parted from the heavy body',
  'unset or tacky',
  'no bite stops',
] as const
export const scanFieldFaults = [
  'hole clear of margin and contact',
  'contact side of a neighbour missing',
  'stitched out of step',
  'tissue or cheek in it',
  'bite does not meet',
] as const
export type PartFault = (typeof partFaults)[number] | (typeof scanPartFaults)[number]
export type FieldFault = (typeof fieldFaults)[number] | (typeof scanFieldFaults)[number]

export interface Inspection {
  /** Parts with a fault; a part that is not named is clear. */
  parts: Partial<Record<MarginPart, PartFault>>
  field: readonly FieldFault[]
}
export interface InspectionJudgement {
  verdict: 'accept' | 'tell' | 'again'
  says: string[]
  /** Kinds of fault for which it is taken again. */
  faults: string[]
  /** Said from the second fault of one kind on. */
  causes: string[]
  because: Reason
}

/** Told to the laboratory and accepted, all other field faults mean again. Common practice. */
const onlyTold: readonly FieldFault[] = [
  'bubble clear of margin and contact',
  'cord caught, clear of the margin',
  'hole clear of margin and contact',
]
/** The likely cause of a fault that comes a second time. Common practice. */
const causes: Record<string, string> = {
  bubble: 'bubbles twice: the tip left the material, or the crevice was wet',
  short: 'short of the margin twice: the crevice has closed; repack and wait five minutes',
  drag: 'a drag twice: seated late, or moved within the window',
  tear: 'a tear twice: the crevice is thin; repack wider',
  hole: 'a hole twice: the tip too far off, or at one angle only; go round it while the cord is still at hand',
  blurred: 'blurred twice: it is wet, or the tissue lies over it; dry, suction, repack',
  'stitched out of step': 'out of step twice: begun anew from the occlusal side, slowly, without a jump',
  'unset or tacky': 'unset twice: something contaminated it, or the stock is old; look at lot and expiry',
}
const faultWords: Record<PartFault, string> = {
  short: 'the margin is open or missing',
  bubble: 'a bubble on the margin',
  tear: 'torn at the margin',
  drag: 'dragged',
  thin: 'thin and seen through',
  hole: 'a hole in the scan at the margin',
  blurred: 'blurred',
}

const counts = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'] as const
/** @example partCount(marginParts) // 'eight' */
export const partCount = (there: readonly MarginPart[]): string => sure(counts[there.length])
/** @example allClear(marginParts) // 'all eight parts clear' */
export const allClear = (there: readonly MarginPart[]): string => `all ${partCount(there)} parts clear`

/**
 * @param there the parts that exist: eight where nothing is said
 * @param before kinds of fault for which this visit's impressions were taken again already
 */
export function judgeInspection(
  { parts, field }: Inspection,
  before: readonly string[] = [],
  there: readonly MarginPart[] = marginParts,
): InspectionJudgement {
  const bad = marginParts.flatMap((p) => (parts[p] ? [{ part: p, fault: parts[p] }] : []))
  const badField = field.filter((f) => !onlyTold.includes(f))
  const told = field.filter((f) => onlyTold.includes(f))
  const faults = [...new Set<string>([...bad.map((b) => b.fault), ...badField])]
  const says = [
    ...bad.map((b) => `${b.part}: ${faultWords[b.fault]}`),
    ...badField,
    ...told.map((f) => `${f}: accepted, told to the laboratory`),
  ]
  const verdict = faults.length > 0 ? 'again' : told.length > 0 ? 'tell' : 'accept'
  return {
    verdict,
    says: says.length > 0 ? says : [allClear(there)],
    faults,
    causes: faults.filter((f) => before.includes(f)).flatMap((f) => (causes[f] ? [causes[f]] : [])),
    because: reason('a margin the laboratory cannot see is a margin it has to guess', 'C'),
  }
}
