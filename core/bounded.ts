/** Text and numbers as they may come from outside: bounded, so that nothing a stranger types can hurt what stores it. */
import * as z from 'zod'

/** Without NUL and other controls but tab and line breaks, and without half of a pair of surrogates: a database refuses them. */
const speakable = (text: string): boolean =>
  Array.from(text).every((letter) => {
    const point = letter.codePointAt(0) ?? 0
    const control = point < 32 && point !== 9 && point !== 10 && point !== 13
    const surrogate = point >= 0xd800 && point <= 0xdfff
    return !control && !surrogate && point !== 127 && point !== 0xfffe && point !== 0xffff
  })

/**
 * Any text a person types, cut of spaces at its ends.
 * @param most characters at the most
 * @param least characters at the least; 0 lets it stay empty
 * @example text(120).parse(' Ansel ') // 'Ansel'
 */
export const text = (most: number, least = 1) =>
  z
    .string()
    .max(most * 4, `at most ${most} characters`)
    .trim()
    .min(least, least <= 1 ? 'something has to be written here' : `at least ${least} characters`)
    .max(most, `at most ${most} characters`)
    .refine(speakable, 'holds a character that cannot be stored')

/** An id the program or a client made: letters, figures and a few marks. */
export const id = (most = 120) => z.string().min(1).max(most).refine(speakable, 'not an id')
/** A plain date from 1900 to 2199, '2026-11-24'. */
export const plainDate = z.iso.date().refine((d) => d >= '1900-01-01' && d < '2200-01-01', 'a date from 1900 to 2199')
/** A whole number that a database's integer holds. */
export const whole = (least = 0, most = 2_147_483_647) => z.number().int().min(least).max(most)
/** Milliseconds since the epoch, to the year 2199. */
export const instant = z.number().int().min(0).max(7_258_118_400_000)
