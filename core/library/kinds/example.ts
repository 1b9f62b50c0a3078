import { firstOf } from '../../sure'
import { visitRequest, type VisitRequest, type VisitRequestInput } from '../../model/request'
import { neighbours } from '../../teeth/arch'
import { allTeeth, isPrimary, jawOf, parts, type Tooth } from '../../teeth/notation'
import { kindFacts, type KindId } from '../../kinds'

/**
 * A plain case of a kind, for reading it in the library: one tooth it is for (two abutments and a gap where it replaces
 * one), nothing special about it.
 * @example exampleRequest('filling.bulk', '2026-11-26', { dentist: 'd', assistants: ['a'] }).teeth // [ '36' ]
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
  const first = fits.find((t) => ['16', '36', '11', '75', '51'].includes(t)) ?? firstOf(fits)
  return visitRequest.parse({ kind, date, team, teeth: [fits.some((t) => t === '36') ? '36' : first] })
}

const isRight = (t: Tooth): boolean => [1, 4, 5, 8].includes(parts(t).quadrant)
/** How far from the work already planned: its own quadrant first, which is numb, then its side, then its jaw. */
function farFrom(t: Tooth, from: Tooth): number {
  const [a, b] = [parts(t), parts(from)]
  const place = a.quadrant === b.quadrant ? 0 : isRight(t) === isRight(from) ? 1 : jawOf(t) === jawOf(from) ? 2 : 3
  return place * 10 + Math.abs(a.position - b.position)
}

/**
 * A further piece of work of this kind for the same visit: on a tooth worked on already where both can be done, else on
 * the nearest that takes it; `null` where no tooth does.
 * @example furtherWork(request, 'filling.amalgam').teeth // [ '35' ]
 */
export function furtherWork(
  request: VisitRequest,
  kind: KindId,
): VisitRequestInput['also'] extends (infer W)[] | undefined ? W | null : never {
  const k = kindFacts(kind)
  const own = firstOf(request.teeth)
  const others = allTeeth
    .filter((t) => !request.teeth.includes(t))
    .toSorted((a, b) => farFrom(a, own) - farFrom(b, own))
  for (const t of [...request.teeth, ...others]) {
    const { mesial, distal } = neighbours(t)
    const gaps = k.pontics === 'needed' ? [mesial.tooth, distal.tooth].flatMap((p) => (p ? [[p]] : [])) : [[]]
    for (const pontics of gaps) {
      const work = { kind, teeth: [t], pontics }
      if (visitRequest.safeParse({ ...request, also: [...request.also, work] }).success) return work
    }
  }
  return null
}
