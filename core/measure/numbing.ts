/**
 * What is numb where, and which injections make it so: a table of techniques over sites. Common practice, as handbooks of
 * local anaesthesia teach it; the volumes are rows of the register. For the dentist's review: the dentist picks and gives.
 */
import { firstOf } from '../sure'
import { isPrimary, jawOf, parts, type Tooth } from '../teeth/notation'

/** The tooth itself, and the gum on either side of it: `inner` is the palate side above and the tongue side below. */
export type Tissue = 'tooth' | 'cheek' | 'inner'
/** One thing that hurts when something is done to it. */
export interface Site {
  tooth: Tooth
  tissue: Tissue
  /** Its pulp is worked in, alive: more is given, and below by the nerve. */
  pulp?: true
}
/** A living pulp that is worked in. */
export const sorePulp = (tooth: Tooth): Site[] => [{ tooth, tissue: 'tooth', pulp: true }]
export const soreTooth = (...teeth: Tooth[]): Site[] => teeth.map((tooth) => ({ tooth, tissue: 'tooth' }))
/** The gum round these teeth, on both sides or on one. */
export const soreGum = (teeth: readonly Tooth[], sides: readonly Exclude<Tissue, 'tooth'>[] = ['cheek', 'inner']) =>
  teeth.flatMap((tooth) => sides.map((tissue): Site => ({ tooth, tissue })))

export type Side = 'right' | 'left'
export const sideOf = (t: Tooth): Side => ([1, 4, 5, 8].includes(parts(t).quadrant) ? 'right' : 'left')

/** `block`: a nerve is met before it branches, with a long needle and a longer wait. */
export const techniques = {
  infiltration: { words: 'infiltration', block: false },
  palatal: { words: 'palatal infiltration', block: false },
  nasopalatine: { words: 'nasopalatine block', block: false },
  'greater-palatine': { words: 'greater palatine block', block: false },
  'inferior-alveolar': { words: 'block', block: true },
  'long-buccal': { words: 'long buccal', block: false },
  incisive: { words: 'incisive block', block: false },
  'tongue-side': { words: 'tongue-side infiltration', block: false },
} as const satisfies Record<string, { words: string; block: boolean }>
export type Technique = keyof typeof techniques

export interface Injection {
  technique: Technique
  /** What it is given at or for. */
  at: Tooth
  covers: Site[]
  /** For a pulp that is worked in: about a cartridge. */
  pulp?: true
}

/** A palatal nerve is met rather than so many single places pricked. */
const manyPlaces = 2

/** Where lower back teeth begin, which bone is too thick over to infiltrate: second premolars, for a pulp the first; among primary teeth the molars. */
const blockFrom = ({ tooth, pulp }: Site): number => (isPrimary(tooth) || pulp ? 4 : 5)
/** The cheek gum in front of it is the mental nerve's; behind it the long buccal's. */
const mentalTo = (t: Tooth): number => (isPrimary(t) ? 3 : 5)
const positionOf = (t: Tooth): number => parts(t).position

/** Injections for the cheek-side gum and the tooth, one at each tooth; the gum of a next-door tooth is reached with it. */
function infiltrated(sites: readonly Site[]): Injection[] {
  const given = [...new Set(sites.filter((s) => s.tissue === 'tooth').map((s) => s.tooth))]
  const near = (t: Tooth, by: readonly Tooth[]): boolean =>
    by.some((x) => sideOf(x) === sideOf(t) && Math.abs(positionOf(x) - positionOf(t)) <= 1)
  for (const { tooth, tissue } of sites) if (tissue === 'cheek' && !near(tooth, given)) given.push(tooth)
  return given.map((at) => ({
    technique: 'infiltration',
    at,
    ...(sites.some((s) => s.tooth === at && s.pulp) ? { pulp: true } : {}),
    covers: sites.filter((s) => s.tooth === at || (s.tissue === 'cheek' && near(s.tooth, [at]))),
  }))
}

/** One place each, or the nerve where there are more. */
function perPlace(sites: readonly Site[], single: Technique, nerve: Technique): Injection[] {
  if (sites.length > manyPlaces) return [{ technique: nerve, at: firstOf(sites).tooth, covers: [...sites] }]
  return sites.map((s) => ({ technique: single, at: s.tooth, covers: [s] }))
}

function upper(sites: readonly Site[]): Injection[] {
  const inner = sites.filter((s) => s.tissue === 'inner')
  const front = inner.filter((s) => positionOf(s.tooth) <= 3)
  const behind = (side: Side): Site[] => inner.filter((s) => positionOf(s.tooth) > 3 && sideOf(s.tooth) === side)
  return [
    ...infiltrated(sites.filter((s) => s.tissue !== 'inner')),
    ...perPlace(front, 'palatal', 'nasopalatine'),
    ...sidesOf(inner).flatMap((side) => perPlace(behind(side), 'palatal', 'greater-palatine')),
  ]
}

/** One side of the lower jaw. */
function lower(sites: readonly Site[]): Injection[] {
  const teeth = sites.filter((s) => s.tissue === 'tooth')
  const longBuccal = sites.filter((s) => s.tissue === 'cheek' && positionOf(s.tooth) > mentalTo(s.tooth))
  const forward = sites.filter((s) => s.tissue === 'cheek' && positionOf(s.tooth) <= mentalTo(s.tooth))
  const inner = sites.filter((s) => s.tissue === 'inner')
  const buccal: Injection[] =
    longBuccal.length > 0 ? [{ technique: 'long-buccal', at: firstOf(longBuccal).tooth, covers: longBuccal }] : []
  const behind = teeth.find((s) => positionOf(s.tooth) >= blockFrom(s))
  if (behind) {
    // The nerves of both sides meet at the middle: a central under a block gets its own besides.
    const middle = [...teeth, ...forward].filter((s) => positionOf(s.tooth) === 1)
    const rest = [...teeth, ...forward, ...inner].filter((s) => !middle.includes(s))
    return [{ technique: 'inferior-alveolar', at: behind.tooth, covers: rest }, ...buccal, ...infiltrated(middle)]
  }
  const front = [...teeth, ...forward]
  const many = new Set(teeth.map((s) => s.tooth)).size > manyPlaces
  return [
    ...(many ? [{ technique: 'incisive' as const, at: firstOf(teeth).tooth, covers: front }] : infiltrated(front)),
    ...buccal,
    ...inner.map((s): Injection => ({ technique: 'tongue-side', at: s.tooth, covers: [s] })),
  ]
}

/** The sides these sites lie on, the one that is worked on first before the other. */
const sidesOf = (sites: readonly Site[]): Side[] => [...new Set(sites.map((s) => sideOf(s.tooth)))]

/** What has to be numb, each site once; a pulp among what is done to a tooth counts. */
export function distinctSites(sites: readonly Site[]): Site[] {
  const all = new Map<string, Site>()
  for (const s of sites) {
    const key = `${s.tooth} ${s.tissue}`
    if (!all.get(key)?.pulp) all.set(key, s)
  }
  return [...all.values()]
}

/** The row that says how much of it is given. */
export const volumeRule = ({ technique, pulp }: Pick<Injection, 'technique' | 'pulp'>) =>
  technique === 'infiltration' && pulp ? ('volume.infiltration.pulp' as const) : (`volume.${technique}` as const)

/**
 * The injections that make these sites numb, upper before lower, the side that is worked on first before the other.
 * @example injectionsFor([{ tooth: '36', tissue: 'tooth' }]).map((i) => i.technique) // ['inferior-alveolar']
 */
export function injectionsFor(sites: readonly Site[]): Injection[] {
  const all = distinctSites(sites)
  const below = all.filter((s) => jawOf(s.tooth) === 'lower')
  return [
    ...upper(all.filter((s) => jawOf(s.tooth) === 'upper')),
    ...sidesOf(below).flatMap((side) => lower(below.filter((s) => sideOf(s.tooth) === side))),
  ]
}

/** The sides of a tooth’s gum as they are spoken: 'lip' in front and 'cheek' behind, 'palate' above and 'tongue' below. */
const sideWords = (tooth: Tooth, tissue: Exclude<Tissue, 'tooth'>): string =>
  tissue === 'cheek' ? (positionOf(tooth) <= 3 ? 'lip' : 'cheek') : jawOf(tooth) === 'upper' ? 'palate' : 'tongue'

/** Words in a list as they are spoken: 'a, b and c'. */
const spoken = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/** A tooth as the practice writes it. */
type Say = (tooth: Tooth) => string

/** Single places: infiltrations of a jaw, both sides of a tooth’s gum in one breath. */
function placesInWords(injections: readonly Injection[], say: Say): string[] {
  const at = (...of: Technique[]): Tooth[] => injections.filter((i) => of.includes(i.technique)).map((i) => i.at)
  const outer = at('infiltration')
  const inner = at('palatal', 'tongue-side')
  const both = outer.filter((t) => inner.includes(t))
  const said = (words: string, teeth: readonly Tooth[], more = ''): string[] =>
    teeth.length === 0 ? [] : [`${words} at ${spoken(teeth.map(say))}${more}`]
  const sides = (teeth: readonly Tooth[], tissue: 'cheek' | 'inner'): string =>
    [...new Set(teeth.map((t) => sideWords(t, tissue)))].join(' or ')
  return [
    ...said('infiltration', both, `, ${sides(both, 'cheek')} and ${sides(both, 'inner')} side`),
    ...said(
      'infiltration',
      outer.filter((t) => !inner.includes(t)),
    ),
    ...said(
      'infiltration',
      inner.filter((t) => !outer.includes(t)),
      `, ${sides(
        inner.filter((t) => !outer.includes(t)),
        'inner',
      )} side`,
    ),
  ]
}

/** 'block and long buccal, lower left; infiltration at 44, cheek and tongue side'. */
export function injectionWords(injections: readonly Injection[], say: Say): string {
  const nerves = new Map<string, string[]>()
  for (const i of injections) {
    if (['infiltration', 'palatal', 'tongue-side'].includes(i.technique)) continue
    const key = `${jawOf(i.at)} ${i.technique === 'nasopalatine' ? 'front' : sideOf(i.at)}`
    nerves.set(key, [...(nerves.get(key) ?? []), techniques[i.technique].words])
  }
  return [
    ...[...nerves].map(([where, words]) => `${spoken(words)}, ${where}`),
    ...(['upper', 'lower'] as const).flatMap((jaw) =>
      placesInWords(
        injections.filter((i) => jawOf(i.at) === jaw),
        say,
      ),
    ),
  ].join('; ')
}

/**
 * What is tested: the lip where a block is to work, the gum where it will hurt, and beside a tooth that hurts by itself the
 * gum its infiltration reaches.
 * @example 'lip to the middle, lower left; 36 cheek and tongue side'
 */
export function testWords(sites: readonly Site[], injections: readonly Injection[], say: Say): string {
  const blocks = injections.filter((i) => techniques[i.technique].block)
  const gum = new Map<Tooth, string[]>()
  for (const { tooth, tissue } of distinctSites(sites)) {
    const words = gum.get(tooth) ?? []
    if (tissue !== 'tooth') gum.set(tooth, [...words, sideWords(tooth, tissue)])
    else if (!blocks.some((b) => b.covers.some((s) => s.tooth === tooth))) gum.set(tooth, words)
  }
  return [
    ...blocks.map((i) => `lip to the middle, lower ${sideOf(i.at)}`),
    ...[...gum].map(
      ([tooth, words]) => `${say(tooth)} ${spoken(words.length > 0 ? words : [sideWords(tooth, 'cheek')])} side`,
    ),
  ].join('; ')
}

/**
 * Everything these injections make numb, wanted or not: a block takes the whole side of the lower jaw to the middle, with the
 * tongue side of the gum, and in front the cheek side; the rest what it is given for. Common practice; nerves differ.
 * @param teeth of the dentition that is there, both jaws
 */
export function numbSites(injections: readonly Injection[], teeth: readonly Tooth[]): Site[] {
  return distinctSites(
    injections.flatMap(({ technique, at, covers }) => {
      if (!techniques[technique].block) return covers
      const side = teeth.filter((t) => jawOf(t) === 'lower' && sideOf(t) === sideOf(at))
      return [
        ...soreTooth(...side),
        ...soreGum(side, ['inner']),
        ...soreGum(
          side.filter((t) => positionOf(t) <= mentalTo(t)),
          ['cheek'],
        ),
        ...covers,
      ]
    }),
  )
}

/** What of a tooth is numb, in words: 'tooth, cheek and tongue side'. Empty where nothing is. */
export function numbWords(tooth: Tooth, sites: readonly Site[]): string {
  const own = sites.filter((s) => s.tooth === tooth)
  const sides = (['cheek', 'inner'] as const)
    .filter((tissue) => own.some((s) => s.tissue === tissue))
    .map((tissue) => sideWords(tooth, tissue))
  return [
    ...(own.some((s) => s.tissue === 'tooth') ? ['tooth'] : []),
    ...(sides.length > 0 ? [`${spoken(sides)} side`] : []),
  ].join(', ')
}
