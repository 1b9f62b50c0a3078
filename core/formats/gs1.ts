/**
 * What a scanner reads from a box: GS1 element strings with product, lot and expiry.
 * Source: GS1 General Specifications (application identifiers 01, 10, 11, 17, 21; check digit; two-digit years; day 00 is
 * the last of the month). Anything that is no element string is taken as the practice's own label.
 */
import { sure } from '../sure'
import type { Scan } from '../catalog/label'

export type { Scan } from '../catalog/label'

/** Separates a field of variable length from the next. */
const separator = '\u001d'
/** Lengths of the General Specifications, figure 3.2-1 [from memory]; what this program has no use for is read past, not refused. */
const fixed: Record<string, number> = {
  '00': 18,
  '01': 14,
  '02': 14,
  '11': 6,
  '12': 6,
  '13': 6,
  '15': 6,
  '16': 6,
  '17': 6,
  '20': 2,
}
const variable: Record<string, number> = {
  '10': 20,
  '21': 20,
  '22': 20,
  '30': 8,
  '37': 8,
  '90': 30,
  ...Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`9${i + 1}`, 90])),
  '240': 30,
  '241': 30,
  '250': 30,
  '251': 30,
  '400': 30,
  ...Object.fromEntries(Array.from({ length: 7 }, (_, i) => [`71${i}`, 20])),
}
/** The identifier a field begins with: two digits, or three. */
const identifierOf = (rest: string): string =>
  [rest.slice(0, 2), rest.slice(0, 3)].find((ai) => fixed[ai] !== undefined || variable[ai] !== undefined) ??
  rest.slice(0, 2)

/** Whether the last digit is the check digit of those before: weights 3 and 1 from the right. */
export function checkDigitHolds(digits: string): boolean {
  if (!/^\d{8,14}$/.test(digits)) return false
  const body = digits.slice(0, -1).split('').toReversed()
  const sum = body.reduce((total, d, i) => total + Number(d) * (i % 2 === 0 ? 3 : 1), 0)
  return (10 - (sum % 10)) % 10 === Number(digits.at(-1))
}

/** A date of six digits as a plain date; day 00 is the last of the month. `null` where there is no such day. */
function plainDate(yymmdd: string, thisYear: number): string | null {
  const two = (at: number): number => Number(yymmdd.slice(at, at + 2))
  const [yy, mm, dd] = [two(0), two(2), two(4)]
  if (mm < 1 || mm > 12) return null
  // The century is the one that puts the year within 50 years of this one.
  const guess = Math.floor(thisYear / 100) * 100 + yy
  const year = guess - thisYear > 50 ? guess - 100 : thisYear - guess > 49 ? guess + 100 : guess
  const last = new Date(Date.UTC(year, mm, 0)).getUTCDate()
  const day = dd === 0 ? last : dd
  return day > last ? null : `${year}-${String(mm).padStart(2, '0')}-${String(day).padStart(2, '0')}`
}

/**
 * Reads a scan. Written forms with brackets, '(01)…(17)…', are read as well.
 * @param thisYear four digits, for the century of two-digit years.
 * @returns the scan, or what is wrong with it.
 * @example readScan('(01)09506000134352(10)A7', 2026) // { code: '(01)09506000134352(10)A7', gtin: '09506000134352', lot: 'A7' }
 */
export function readScan(text: string, thisYear: number): Scan | { error: string } {
  const read = text.trim()
  const code = read.replace(/^\](?:d2|C1|Q3|e0)/, '').replace(new RegExp(`^${separator}`), '')
  // What says by its symbol, its separators, brackets or product number that it is an element string; ten digits of a label do not.
  const isElements = code !== read || code.includes(separator) || /^(01\d{14}|17\d{6}(?=10|11|21|$))/.test(code)
  if (code === '') return { error: 'nothing was read' }
  const bracketed = /^\(\d{2,4}\)/.test(code)
  if (!bracketed && !(isElements && /^(01\d{14}|1[017]|21)/.test(code)))
    return {
      code,
      ...(/^\d{8}$|^\d{12,14}$/.test(code) && checkDigitHolds(code) ? { gtin: code.padStart(14, '0') } : {}),
    }
  const scan: Scan = { code }
  const fields = bracketed
    ? [...code.matchAll(/\((\d{2,4})\)([^(]*)/g)].map((m) => [sure(m[1]), sure(m[2])] as const)
    : split(code)
  if (!Array.isArray(fields)) return fields
  for (const [i, [ai, value]] of fields.entries()) {
    // General Specifications, 4.14: the same identifier twice has to carry the same value.
    if (fields.slice(0, i).some(([known, other]) => known === ai && other !== value))
      return { error: `field (${ai}) stands there twice, with two values; scan again` }
    if (ai === '01') {
      if (!/^\d{14}$/.test(value) || !checkDigitHolds(value))
        return { error: `product number ${value}: its check digit is wrong; scan again` }
      scan.gtin = value
    } else if (ai === '17' || ai === '11' || ai === '15') {
      const wrong = dated(scan, ai, value, thisYear)
      if (wrong) return wrong
    } else if (ai === '10') scan.lot = value
    else if (ai === '21') scan.serial = value
  }
  return scan
}

/** Takes a date of a box; best before stands for an expiry where the box has no other. */
function dated(scan: Scan, ai: '11' | '15' | '17', value: string, thisYear: number): { error: string } | undefined {
  const date = /^\d{6}$/.test(value) ? plainDate(value, thisYear) : null
  if (date === null) return { error: `${ai === '11' ? 'production' : 'expiry'} date ${value}: there is no such day` }
  if (ai === '11') scan.produced = date
  else if (ai === '17') scan.expires = date
  else scan.expires ??= date
  return undefined
}

/** Cuts an element string into its fields, or says at which it stops making sense. */
function split(code: string): (readonly [string, string])[] | { error: string } {
  const fields: (readonly [string, string])[] = []
  let rest = code
  while (rest.length > 0) {
    const ai = identifierOf(rest)
    const n = ai.length
    const width = fixed[ai]
    if (width !== undefined) {
      if (rest.length < n + width)
        return { error: `field (${ai}) has ${rest.length - n} characters, ${width} are wanted` }
      fields.push([ai, rest.slice(n, n + width)])
      rest = rest.slice(n + width).replace(new RegExp(`^${separator}`), '')
    } else if (variable[ai] !== undefined) {
      const end = rest.indexOf(separator)
      const value = end === -1 ? rest.slice(n) : rest.slice(n, end)
      if (value.length === 0 || value.length > variable[ai])
        return { error: `field (${ai}) has ${value.length} characters, 1 to ${variable[ai]} are wanted` }
      fields.push([ai, value])
      rest = end === -1 ? '' : rest.slice(end + 1)
    } else return { error: `field (${ai}) is not one this program reads` }
  }
  return fields
}
