import { keysOf, sure } from '../sure'
/**
 * Tooth notation. Canonical inside the program: ISO 3950 two-digit codes.
 * Source: ISO 3950:2016 (designation system for teeth); the Universal and quadrant systems as commonly published.
 */
export type Notation = 'iso' | 'universal' | 'quadrant'

declare const toothBrand: unique symbol
/** An ISO 3950 code, checked: '11'–'48' permanent, '51'–'85' primary. */
export type Tooth = string & { readonly [toothBrand]: true }

/** How a notation is called. */
export const notationNames: Record<Notation, string> = {
  iso: 'ISO',
  universal: 'Universal',
  quadrant: 'quadrants',
}

const quadrantNames = ['UR', 'UL', 'LL', 'LR'] as const

const codes = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((quadrant) =>
  Array.from({ length: quadrant <= 4 ? 8 : 5 }, (_, i) => `${quadrant}${i + 1}`),
)
const known = new Set(codes)

/**
 * Whether a text is an ISO 3950 tooth code.
 * @example isTooth('19') // false
 */
export const isTooth = (text: string): text is Tooth => known.has(text)
/**
 * The tooth a text names in ISO 3950; nothing where it names none.
 * @example asTooth('19') // undefined
 */
export const asTooth = (text: string): Tooth | undefined => (isTooth(text) ? text : undefined)
/** The tooth a text of this program names. @throws Error where it names none */
export const toTooth = (text: string): Tooth => sure(asTooth(text))

/** Every tooth in order of quadrant and position: 32 permanent, then 20 primary. */
export const allTeeth: readonly Tooth[] = codes.filter(isTooth)

/**
 * The quadrant, 1–8, and the position from the midline, 1–8.
 * @example parts(toTooth('26')) // { quadrant: 2, position: 6 }
 */
export function parts(t: Tooth): { quadrant: number; position: number } {
  return { quadrant: Number(t[0]), position: Number(t[1]) }
}

/** @example isPrimary(toTooth('75')) // true */
export const isPrimary = (t: Tooth): boolean => parts(t).quadrant > 4
/** @example jawOf(toTooth('75')) // 'lower' */
export type Jaw = 'upper' | 'lower'
export const jawOf = (t: Tooth): Jaw => ([1, 2, 5, 6].includes(parts(t).quadrant) ? 'upper' : 'lower')

/**
 * Universal designation: '1'–'32' for permanent, 'A'–'T' for primary teeth.
 * @example toUniversal(toTooth('26')) // '14'
 */
export function toUniversal(t: Tooth): string {
  const { quadrant, position } = parts(t)
  // Both systems walk the arches; each quadrant is a straight line in the walk, up or down.
  if (quadrant <= 4) return String([9 - position, 8 + position, 25 - position, 24 + position][quadrant - 1])
  const index = sure([5 - position, 4 + position, 15 - position, 14 + position][quadrant - 5])
  return String.fromCharCode('A'.charCodeAt(0) + index)
}

/**
 * Quadrant-and-number designation: 'UR8' … 'LR8', primary 'URE' … 'LRE'.
 * @example toQuadrant(toTooth('26')) // 'UL6'
 */
export function toQuadrant(t: Tooth): string {
  const { quadrant, position } = parts(t)
  const mark = quadrant <= 4 ? String(position) : String.fromCharCode('A'.charCodeAt(0) + position - 1)
  return `${quadrantNames[(quadrant - 1) % 4]}${mark}`
}

/**
 * A tooth in the notation asked for.
 * @example write(toTooth('26'), 'universal') // '14'
 */
export function write(t: Tooth, as: Notation): string {
  return as === 'iso' ? t : as === 'universal' ? toUniversal(t) : toQuadrant(t)
}

/**
 * The tooth as it stands where a mistake could hurt: the practice's own notation with another beside it.
 * ISO practices see the quadrant form, everyone else sees ISO.
 * @example writeBoth(toTooth('26'), 'iso') // '26 (UL6)'
 */
export function writeBoth(t: Tooth, own: Notation): string {
  return own === 'iso' ? `${t} (${toQuadrant(t)})` : `${write(t, own)} (ISO ${t})`
}

/**
 * A tooth in all three notations, for what is kept: the practice's own first.
 * @example writeAll(toTooth('26'), 'universal') // '14 (ISO 26, UL6)'
 */
export function writeAll(t: Tooth, own: Notation): string {
  const others = { iso: `ISO ${t}`, quadrant: toQuadrant(t), universal: `Universal ${toUniversal(t)}` }
  return `${write(t, own)} (${keysOf(others)
    .flatMap((n) => (n === own ? [] : [others[n]]))
    .join(', ')})`
}

const positionNames = [
  'central incisor',
  'lateral incisor',
  'canine',
  'first premolar',
  'second premolar',
  'first molar',
  'second molar',
  'third molar',
]
const primaryNames = ['central incisor', 'lateral incisor', 'canine', 'first molar', 'second molar']

/**
 * 'lower left second molar', with 'primary' where it is one.
 * @example toothName(toTooth('26')) // 'upper left first molar'
 */
export function toothName(t: Tooth): string {
  const { quadrant, position } = parts(t)
  const side = [1, 4, 5, 8].includes(quadrant) ? 'right' : 'left'
  const name = isPrimary(t) ? `primary ${primaryNames[position - 1]}` : positionNames[position - 1]
  return `${jawOf(t)} ${side} ${name}`
}

const byUniversal = new Map(allTeeth.map((t) => [toUniversal(t), t]))
const byQuadrant = new Map(allTeeth.map((t) => [toQuadrant(t), t]))

/**
 * A tooth beyond mistaking where nobody knows which notation is read: 'the upper left first molar (ISO 26)'.
 */
export const toothInFull = (t: Tooth): string => `the ${toothName(t)} (ISO ${t})`

export interface Reading {
  tooth: Tooth
  notation: Notation
}
/**
 * `ok`: written as this practice writes teeth, or so that it can be nothing else; `also` names what it would be elsewhere.
 * `ask`: no tooth in this practice's notation, but one or two in others; it is asked, never taken.
 */
export type ToothReading =
  | { kind: 'ok'; tooth: Tooth; notation: Notation; also?: Reading }
  | { kind: 'ask'; readings: [Reading, ...Reading[]] }
  | { kind: 'error'; message: string }

/**
 * What is asked where a number is a tooth in another notation alone, and how to write the one that is meant.
 * @example askWhich('20', [{ tooth: toTooth('35'), notation: 'universal' }], 'iso')
 *   // '20 is no tooth in ISO. Is 35 (LL5) meant, which is 20 in Universal? Then write 35'
 */
export function askWhich(text: string, readings: readonly Reading[], own: Notation): string {
  const meant = readings.map(
    (r) => `${writeBoth(r.tooth, own)} meant, which is ${text} in ${notationNames[r.notation]}`,
  )
  return `${text} is no tooth in ${notationNames[own]}. Is ${meant.join('? Or ')}? Then write ${readings.map((r) => write(r.tooth, own)).join(' or ')}`
}

/**
 * Reads a tooth in any of the three notations.
 * '14' is an ISO premolar and a Universal molar: the practice's own notation wins and the other is handed back as
 * `also`. A bare number of another notation is asked: in an ISO practice '20' is more likely a slip for 26 than Universal 20,
 * which is the other jaw. Letters cannot be mistaken ('UL6', 'K').
 * @example readTooth('UL6', 'iso').tooth // '26'
 * @example readTooth('20', 'iso').kind // 'ask'
 */
export function readTooth(text: string, own: Notation): ToothReading {
  const clean = text.trim().toUpperCase().replace(/\s+/g, '')
  const quadrant = byQuadrant.get(clean)
  if (quadrant) return { kind: 'ok', tooth: quadrant, notation: 'quadrant' }
  const readings: Reading[] = []
  if (isTooth(clean)) readings.push({ tooth: clean, notation: 'iso' })
  const universal = byUniversal.get(clean)
  if (universal) readings.push({ tooth: universal, notation: 'universal' })
  const [first, second] = readings
  if (!first) {
    return {
      kind: 'error',
      message: `"${text.trim()}" is not a tooth: write ISO (37), Universal (18, K) or quadrant (LL7)`,
    }
  }
  const winner = readings.find((r) => r.notation === own)
  if (!winner)
    return isPrimary(first.tooth) && !second && /[A-T]/.test(clean)
      ? { kind: 'ok', ...first }
      : { kind: 'ask', readings: [first, ...readings.slice(1)] }
  const also = readings.find((r) => r !== winner)
  return { kind: 'ok', ...winner, ...(also ? { also } : {}) }
}
