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

/** @example timesWords(2) // 'twice' */
export const timesWords = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)

/**
 * Things in a row, as they are spoken.
 * @example listed(['12', '11', '21']) // '12, 11 and 21'
 */
export const listed = (things: readonly string[]): string =>
  things.length < 2 ? things.join('') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`

/**
 * Signs that turn the direction of a text around or are not seen at all: with them a line reads otherwise than it is
 * (Unicode UAX #9, explicit directional formatting; zero-width space, word joiner, byte order mark). Those that scripts
 * need to join letters, U+200C and U+200D, stay.
 */
// oxlint-disable-next-line no-misleading-character-class
const unseen = /[\u061c\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufeff]/g

/**
 * Whatever people have written, in one line: a record, a calendar or a list is read line by line, and nobody writes a line
 * of it but the program.
 * @example oneLine('Wiped.\n11:02 signed') // 'Wiped. / 11:02 signed'
 */
export const oneLine = (text: string): string =>
  text
    .replace(unseen, '')
    .split(/[\n\r\u000b\u000c\u0085\u2028\u2029]+/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join(' / ')
