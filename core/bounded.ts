/** Text and numbers as they may come from outside: bounded, so that nothing a stranger types can hurt what stores it. */
import * as z from 'zod'

/**
 * Any letters but NUL and other controls (tab and line breaks stay), halves of a pair of surrogates, and the two that are
 * no characters: a database refuses them. A pattern, so that the document of the routes says it, too.
 */
// eslint-disable-next-line no-control-regex
export const speakable = /^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\ud800-\udfff\ufffe\uffff]*$/u
const unspeakable = 'holds a character that cannot be stored'

/**
 * Any text a person types, cut of spaces at its ends.
 * @param most characters at the most
 * @param least characters at the least; 0 lets it stay empty
 * @param says what is wanted, where it is too short
 * @example text(120).parse(' Ansel ') // 'Ansel'
 */
export const text = (
  most: number,
  least = 1,
  says = least <= 1 ? 'something has to be written here' : `at least ${least} characters`,
) => z.string().trim().min(least, says).max(most, `at most ${most} characters`).regex(speakable, unspeakable)

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
    // Vertical tabs and form feeds among them: they part lines on paper.
    // eslint-disable-next-line no-control-regex
    .split(/[\n\r\u000b\u000c\u0085\u2028\u2029]+/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join(' / ')

/**
 * The same for what is a name: one line, and no sign in it that is not seen.
 * @example line(120).parse('Ansel\nDr Orrell') // 'Ansel / Dr Orrell'
 */
export const line = (most: number, least = 1, says?: string) => text(most, least, says).overwrite(oneLine)

/**
 * An id the program or a client made, kept as it is.
 * @example id(40).safeParse('').success // false
 */
export const id = (most = 120) => z.string().min(1).max(most).regex(speakable, unspeakable)
/** A plain date from 1900 to 2199, '2026-11-24'. */
export const plainDate = z.iso.date().refine((d) => d >= '1900-01-01' && d < '2200-01-01', 'a date from 1900 to 2199')
/** A time of day, '09:30'. */
export const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day as 09:30')
/**
 * A whole number that a database's integer holds.
 * @example whole(1, 9).safeParse(1.5).success // false
 */
export const whole = (least = 0, most = 2_147_483_647) => z.number().int().min(least).max(most)
/**
 * The same, out of a query string.
 * @example wholeFrom(1, 9).parse('7') // 7
 */
export const wholeFrom = (least = 0, most = 2_147_483_647) => z.coerce.number().int().min(least).max(most)
/** Milliseconds since the epoch, to the year 2199. */
export const instant = z.number().int().min(0).max(7_258_118_400_000)

const speakableThrough = (value: unknown): boolean =>
  typeof value === 'string'
    ? speakable.test(value)
    : typeof value !== 'object' ||
      value === null ||
      Object.entries(value).every(([key, v]) => speakable.test(key) && speakableThrough(v))
/** A value whose shape is held elsewhere: whatever is in it can be stored. */
export const anything = z.unknown().refine(speakableThrough, unspeakable)
