/** A dentist's signature by one touch, on the own device where the own code was given a while ago. */
import type { Hold } from '../model/plan'
import type { Rules } from '../rules'

/**
 * Whether a touch signs, or the code is asked.
 * @param codeAgoS since the code was given on this device and nobody else touched it, seconds
 * @example signsByTouch({ mandatory: true }, 30, rulesOf({})) // false
 */
export function signsByTouch(
  hold: Pick<Hold, 'mandatory'>,
  codeAgoS: number | undefined,
  rules: Rules,
): codeAgoS is number {
  const withinS = rules(hold.mandatory ? 'sign.within.mandatory' : 'sign.within').value
  return codeAgoS !== undefined && withinS > 0 && codeAgoS <= withinS
}
