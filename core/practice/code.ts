/** Personal codes: what is taken as a new one. Common practice for codes typed on a pad; NIST SP 800-63B asks for six digits at least where they are chosen. */
import type { Role } from './functions'

/** Digits at least: who signs in a mouth's record has six. */
export const leastDigits = (roles: readonly Role[]): number => (roles.includes('dentist') ? 6 : 4)
const mostDigits = 12

/** All one digit, or one pair over and over. */
const repeats = (code: string): boolean => /^(\d)\1*$/.test(code) || /^(\d\d)\1+$/.test(code)
/** Up or down by one all the way. */
const runs = (code: string): boolean =>
  [1, -1].some((by) => code.split('').every((d, i, all) => i === 0 || Number(d) - Number(all[i - 1]) === by))

/**
 * Why a code is not taken; nothing where it is.
 * @example whyNotCode('1234', ['assistant']) // 'Everybody guesses that one; take another.'
 */
export function whyNotCode(code: string, roles: readonly Role[]): string | undefined {
  const least = leastDigits(roles)
  if (!/^\d+$/.test(code)) return 'Nothing but digits: it is typed on a pad.'
  if (code.length < least) return least === 6 ? 'Six digits at least for whoever signs.' : 'Four digits at least.'
  if (code.length > mostDigits) return `${mostDigits} digits at most.`
  return repeats(code) || runs(code) ? 'Everybody guesses that one; take another.' : undefined
}
