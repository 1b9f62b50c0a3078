import { visitRequest, type VisitRequest } from '../model/request'
import { allTeeth, isPrimary, jawOf, parts } from '../teeth/notation'
import { kindFacts, type KindId } from '../kinds'

/**
 * A plain case of a kind, for reading it in the library: one tooth it is for (two abutments and a gap where it replaces
 * one), nothing special about it.
 */
export function exampleRequest(kind: KindId, date: string, team: VisitRequest['team']): VisitRequest {
  const k = kindFacts(kind)
  const fits = allTeeth.filter(
    (t) =>
      isPrimary(t) === (k.dentition === 'primary') &&
      (!k.jaw || jawOf(t) === k.jaw) &&
      (!k.positions || (parts(t).position >= k.positions[0] && parts(t).position <= k.positions[1])),
  )
  if (k.pontics === 'needed') return visitRequest.parse({ kind, date, team, teeth: ['31', '42'], pontics: ['41'] })
  // A first molar, a central incisor: what one thinks of first.
  const first = fits.find((t) => ['16', '36', '11', '75', '51'].includes(t)) ?? fits[0]!
  return visitRequest.parse({ kind, date, team, teeth: [fits.includes('36' as never) ? '36' : first] })
}
