/** Which cement a piece is put in with: for good, and for now. */
import { reason, type Reason } from '../figure'
import { practice } from './build'
import type { Case } from './case'

interface Cement {
  need: string
  words: string
  because: Reason
}
/** The cement named at preparation. */
export function finalCement(c: Case): Cement {
  switch (c.asks('deliveryCement')) {
    case 'resin':
      return {
        need: 'cement.resin',
        words: '{resin cement}',
        because: practice('bonded, as planned at the preparation'),
      }
    case 'resin-modified glass ionomer':
      return {
        need: 'cement.resin-modified glass ionomer',
        words: 'resin-modified {glass ionomer}',
        because: practice('retentive preparation: cemented'),
      }
    case 'conventional':
      return {
        need: 'cement.conventional',
        words: 'conventional {cement}',
        because: practice('retentive preparation: cemented'),
      }
  }
}

/** Which provisional cement: eugenol leaves the plan when the final crown will be bonded. */
export function provisionalCement(c: Case): Omit<Cement, 'words'> {
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
