/**
 * What of a tray a patient's alert looks at: by the marks of a product, or by what a thing serves. It is asked of what lies
 * there, in whichever way it came there: by the plan, a card, an exchange or an amendment of the practice. Common practice.
 */
import type { Alert } from '../vocabulary'
import type { Allergen } from './item'

/** What a thing serves, where that alone tells. */
const byNeed: Partial<Record<Alert, RegExp>> = {
  'adrenaline-sensitive': /adrenaline/,
  pacemaker: /^(electrosurgery|apex locator|ultrasonic (scaler|tip))/,
  chlorhexidine: /chlorhexidine/,
  iodine: /iodine/,
  'mouth breather': /^dam sheet$/,
}

/**
 * Whether a thing carries what an alert looks at.
 * @example carries({ latex: false, needs: ['agent.adrenaline'] }, 'adrenaline-sensitive') // true
 */
export function carries(
  thing: { latex: boolean; allergens?: readonly Allergen[]; needs: readonly string[] },
  alert: Alert,
): boolean {
  if (alert === 'latex') return thing.latex
  if ((thing.allergens ?? []).some((a) => a === alert)) return true
  const pattern = byNeed[alert]
  return pattern !== undefined && thing.needs.some((n) => pattern.test(n))
}
