/**
 * Burs: their shape and size, ISO 6360 numbers, and the outline the bur strip is drawn from.
 * Sources: ISO 6360-1 and -2 for the build of the number; the code tables stand M (from memory of ISO 6360-2 and ISO 2157).
 */
import { firstOf, keysOf, sure, among } from '../sure'
import * as z from 'zod'
import { round } from '../figure'

export const burShapes = [
  'round',
  'round-end taper',
  'flat-end taper',
  'rounded-shoulder taper',
  'torpedo',
  'needle',
  'flame',
  'football',
  'wheel',
  'depth cutter',
  'cylinder',
  'rounded taper',
  'inverted cone',
  'pear',
  'teardrop',
  'non-end-cutting taper',
  'reamer',
] as const
export type BurShape = (typeof burShapes)[number]

export const shanks = {
  '104': 'straight handpiece',
  '204': 'latch',
  '313': 'friction grip, short',
  '314': 'friction grip, standard',
  '315': 'friction grip, long',
  '316': 'friction grip, extra long',
} as const
export type Shank = keyof typeof shanks
/** Three-digit codes: as object keys they would be put in order as numbers, so they are listed. */
const shankCodes = ['104', '204', '313', '314', '315', '316'] as const

export const bur = z.strictObject({
  id: z.string().min(1),
  name: z.string().min(1),
  material: z.enum(['diamond', 'carbide', 'steel']),
  shank: z.enum(shankCodes).default('314'),
  shape: z.enum(burShapes),
  /** Diamond grit, or the toothing of a carbide. */
  grit: z.enum([
    'ultra-fine',
    'extra-fine',
    'fine',
    'medium',
    'coarse',
    'super-coarse',
    '12-flute',
    '6-flute',
    'crosscut',
  ]),
  /** Largest diameter of the head, mm. */
  diameterMm: z.number().positive().max(6),
  headLengthMm: z.number().positive().max(15),
  /** Included angle of the head, degrees; 0 for parallel and round heads. */
  taperDeg: z.number().min(0).max(30).default(0),
  usNumber: z.string().optional(),
  useLimit: z.number().int().positive().default(10),
  uses: z.number().int().nonnegative().default(0),
  stock: z.number().int().nonnegative().default(1),
  sterilising: z.boolean().default(false),
})
export type Bur = z.infer<typeof bur>

const materialCodes: Record<Bur['material'], string> = { diamond: '806', carbide: '500', steel: '310' }
const shapeCodes: Record<BurShape, string> = {
  round: '001',
  'round-end taper': '198',
  'flat-end taper': '172',
  'rounded-shoulder taper': '545',
  torpedo: '289',
  needle: '165',
  flame: '249',
  football: '277',
  wheel: '068',
  'depth cutter': '834',
  cylinder: '107',
  'rounded taper': '194',
  'inverted cone': '010',
  pear: '232',
  teardrop: '257',
  'non-end-cutting taper': '219',
  reamer: '183',
}
const gritCodes: Record<Bur['grit'], string> = {
  'ultra-fine': '494',
  'extra-fine': '504',
  fine: '514',
  medium: '524',
  coarse: '534',
  'super-coarse': '544',
  '12-flute': '071',
  '6-flute': '006',
  crosscut: '007',
}

/** ISO colour mark of a grit and the letter shown beside it, so that colour never stands alone. */
export const gritMark: Record<Bur['grit'], { colour: string; letter: string }> = {
  'ultra-fine': { colour: 'white', letter: 'UF' },
  'extra-fine': { colour: 'yellow', letter: 'EF' },
  fine: { colour: 'red', letter: 'F' },
  medium: { colour: 'blue', letter: 'M' },
  coarse: { colour: 'green', letter: 'C' },
  'super-coarse': { colour: 'black', letter: 'SC' },
  '12-flute': { colour: 'none', letter: '12' },
  '6-flute': { colour: 'none', letter: '6' },
  crosscut: { colour: 'none', letter: 'X' },
}

/**
 * The ISO 6360 number of a bur, in groups of three; friction-grip standard where no shank is said.
 * @example isoNumber({ material: 'diamond', shape: 'round', grit: 'medium', diameterMm: 1.6 }) // '806 314 001 524 016'
 */
export function isoNumber(b: Pick<Bur, 'material' | 'shape' | 'grit' | 'diameterMm'> & { shank?: Shank }): string {
  const size = String(Math.round(b.diameterMm * 10)).padStart(3, '0')
  return [materialCodes[b.material], b.shank ?? '314', shapeCodes[b.shape], gritCodes[b.grit], size].join(' ')
}

export interface IsoBur {
  material: Bur['material']
  /** In words. */
  shank: string
  shape: BurShape
  grit: Bur['grit']
  diameterMm: number
}

function keyOf<T extends string>(table: Record<T, string>, code: string): T | undefined {
  return keysOf(table).find((key) => table[key] === code)
}

/** Reads a fifteen-digit ISO 6360 number; a bad one says which group is wrong. */
export function readIsoNumber(text: string): IsoBur | { error: string } {
  const digits = text.replace(/[\s.-]/g, '')
  if (!/^\d{15}$/.test(digits))
    return { error: `an ISO 6360 number has fifteen digits, "${text}" has ${digits.replace(/\D/g, '').length}` }
  const groups = sure(digits.match(/\d{3}/g))
  const material = keyOf(materialCodes, firstOf(groups))
  if (!material) return { error: `first group ${groups[0]}: no such material of the working part` }
  const shankCode = among(keysOf(shanks), groups[1])
  const shank = shankCode && shanks[shankCode]
  if (!shank) return { error: `second group ${groups[1]}: no such shank` }
  const shape = keyOf(shapeCodes, sure(groups[2]))
  if (!shape) return { error: `third group ${groups[2]}: shape not known here` }
  const grit = keyOf(gritCodes, sure(groups[3]))
  if (!grit) return { error: `fourth group ${groups[3]}: no such grit or toothing` }
  const diameterMm = Number(groups[4]) / 10
  if (diameterMm === 0) return { error: 'fifth group 000: a diameter of nothing' }
  return { material, shank, shape, grit, diameterMm }
}

/** Head diameters of US-numbered burs, mm. M: ANSI/ADA specification 23 and ISO 2157. */
const usDiametersMm: Record<string, number> = {
  '1/4': 0.5,
  '1/2': 0.6,
  '1': 0.8,
  '2': 1,
  '3': 1.2,
  '4': 1.4,
  '5': 1.6,
  '6': 1.8,
  '8': 2.3,
  '33.5': 0.6,
  '34': 0.8,
  '35': 1,
  '36': 1.2,
  '37': 1.4,
  '556': 0.9,
  '557': 1,
  '558': 1.2,
  '169': 0.9,
  '170': 1,
  '171': 1.2,
  '699': 0.9,
  '700': 1,
  '701': 1.2,
  '702': 1.6,
  '329': 0.6,
  '330': 0.8,
  '331': 1,
  '332': 1.2,
  '271': 1.2,
}

/** Head diameter of a US bur number in mm, or `undefined`. A trailing L (long head) does not change it. */
export function usDiameterMm(number: string): number | undefined {
  return usDiametersMm[number.trim().toUpperCase().replace('¼', '1/4').replace('½', '1/2').replace(/L$/, '')]
}

/** Diameter just behind the tip in mm: a tapered head is thinner there than its number says. */
export function tipDiameterMm(b: Pick<Bur, 'diameterMm' | 'headLengthMm' | 'taperDeg'>): number {
  const loss = 2 * b.headLengthMm * Math.tan((b.taperDeg * Math.PI) / 360)
  return Math.max(0, round(b.diameterMm - loss, 2))
}

/**
 * Why a bur cannot be laid out today, or `null`.
 * @example unusable({ stock: 0, uses: 0, useLimit: 5 }) // 'none in stock'
 */
export function unusable(b: Bur): string | null {
  if (b.sterilising) return 'it is in the steriliser'
  if (b.stock === 0) return 'none in stock'
  if (b.uses >= b.useLimit) return `it has reached its limit of ${b.useLimit} uses`
  return null
}
