/** Small matters of writing that several rooms share. */
import { firstOf } from './sure'

/**
 * A sentence begins large.
 * @example capital('change gloves') // 'Change gloves'
 */
export const capital = (text: string): string => (text === '' ? '' : firstOf(text).toUpperCase() + text.slice(1))

/**
 * A sentence ends.
 * @example ended('one lot is short') // 'one lot is short.'
 */
export const ended = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`)

/**
 * With its article, by how it is written.
 * @example withArticle('upper tray') // 'an upper tray'
 */
export const withArticle = (text: string): string => `${/^[aeiou]/i.test(text) ? 'an' : 'a'} ${text}`

const places = new Intl.PluralRules('en', { type: 'ordinal' })
const ends: Partial<Record<Intl.LDMLPluralRule, string>> = { one: 'st', two: 'nd', few: 'rd' }
/** @example ordinal(2) // '2nd' */
export const ordinal = (n: number): string => `${n}${ends[places.select(n)] ?? 'th'}`

/** @example timesWords(2) // 'twice' */
export const timesWords = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)

/**
 * Things in a row, as they are spoken.
 * @example listed(['12', '11', '21']) // '12, 11 and 21'
 */
export const listed = (things: readonly string[]): string =>
  things.length < 2 ? things.join('') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`
