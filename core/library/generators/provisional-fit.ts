/** A provisional tried in, relined where it is short, cemented and cleaned: made today, or put on again. */
import { lay } from '../lay'
import { reason, type Reason } from '../../figure'
import { provisionalBite } from './bite'
import { biteStages } from '../bite-stages'
import { sequence, standby, type Block } from '../build'
import { cardAdds, type Case } from '../case'
import { mouldSteps } from './provisional'

/** What a reline takes, beside what the tray has anyway. */
export const relining = [
  standby(
    'flowable resin',
    'it is open or short in up to two neighbouring parts and 1 mm: reline; it has a bubble inside, or a contact is gone',
  ),
  standby('separator', 'it is relined: jelly again before each', 0.5),
  standby('curing light', 'a reline is cured from two sides, seated before curing'),
  standby('light shield', 'a reline is cured'),
]

/** Which provisional cement: eugenol leaves the plan when the final crown will be bonded. */
export function provisionalCement(c: Case): { need: string; because: Reason } {
  return c.asks('deliveryCement') === 'resin' ||
    c.restoration === 'laminate veneer' ||
    c.restoration === 'ceramic inlay' ||
    c.restoration === 'ceramic onlay'
    ? {
        need: 'provisional cement.non-eugenol',
        because: reason('a resin cement is planned for delivery: eugenol would hinder it, so non-eugenol', 'C'),
      }
    : {
        need: 'provisional cement.eugenol',
        because: reason('no bonding planned at delivery: zinc oxide and eugenol soothes and comes off clean', 'C'),
      }
}

/** Mixed at the bench, seated, cleaned once it is set. */
function cementProvisional(c: Case): Block {
  const cement = provisionalCement(c)
  return sequence(
    lay(c, 'provisional.load', {
      need: cement.need,
      cementBecause: cement.because,
      eugenol: cement.need.endsWith('.eugenol'),
    }),
    lay(c, 'provisional.cement', { nonEugenol: cement.need.endsWith('non-eugenol'), cementBecause: cement.because }),
    lay(c, 'provisional.excess'),
  )
}

/** Tried in, approved, cemented, cleaned. */
export function fitProvisional(c: Case): Block {
  const contacts = c.units.flatMap((u) =>
    (['mesial', 'distal'] as const).filter((s) => u[s].tooth).map((s) => `${u.said} ${s}`),
  )
  return sequence(
    lay(c, 'provisional.try-in', {
      provisionalBite: provisionalBite(c),
      checks: biteStages[provisionalBite(c)].checks,
      contactWords: contacts.join(', '),
      contacts,
      mouldSteps,
    }),
    ...(cardAdds(c, 'bite') ? [lay(c, 'provisional.bite')] : []),
    cementProvisional(c),
  )
}
