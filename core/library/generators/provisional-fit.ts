/** A provisional tried in, relined where it is short, cemented and cleaned: made today, or put on again. */
import { provisionalCement } from '../cements'
import { lay } from '../lay'
import { provisionalBite } from './bite'
import { biteStages } from '../bite-stages'
import { sequence, type Block } from '../build'
import { cardAdds, type Case } from '../case'
import { mouldSteps } from './provisional'

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
  // What comes out of one mould side by side is one piece: only its outer contacts are flossed.
  const ofPiece = new Set([...c.units, ...c.pontics].map((u) => u.tooth))
  const sides = c.units.flatMap((u) => (['mesial', 'distal'] as const).map((s) => ({ u, s, beside: u[s].tooth })))
  const contacts = sides.flatMap(({ u, s, beside }) => (beside && !ofPiece.has(beside) ? [`${u.said} ${s}`] : []))
  const joined = new Map(
    sides
      .toReversed()
      .flatMap(({ u, s, beside }) =>
        beside && ofPiece.has(beside) ? [[[u.tooth, beside].toSorted().join(), `${u.said} and ${u[s].said}`]] : [],
      ),
  )
  return sequence(
    lay(c, 'provisional.try-in', {
      provisionalBite: provisionalBite(c),
      checks: biteStages[provisionalBite(c)].checks,
      contactWords: contacts.join(', '),
      joined: joined.size > 0,
      joinedWords: [...joined.values()].join('; '),
      contacts,
      mouldSteps,
    }),
    ...(cardAdds(c, 'bite') ? [lay(c, 'provisional.bite')] : []),
    cementProvisional(c),
  )
}
