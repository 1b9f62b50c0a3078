/** Any case of any kind of visit, drawn at random: teeth it takes, what may be said of them, schools and alerts. */
import fc from 'fast-check'
import { kindFacts, type KindId } from '../../core/kinds'
import { fittingPontics } from '../../core/model/misfits'
import { visitRequest, type VisitRequest, type VisitRequestInput } from '../../core/model/request'
import { questions } from '../../core/practice/choices'
import { keysOf } from '../../core/sure'
import { archOrder } from '../../core/teeth/arch'
import { allTeeth, isPrimary, jawOf, parts, type Tooth } from '../../core/teeth/notation'
import { alertWords } from '../../core/vocabulary'

/** Teeth a kind takes, in one jaw. */
export function teethFor(kind: KindId, jaw: 'upper' | 'lower'): Tooth[] {
  const k = kindFacts(kind)
  return allTeeth.filter(
    (t) =>
      isPrimary(t) === (k.dentition === 'primary') &&
      jawOf(t) === jaw &&
      (!k.jaw || k.jaw === jaw) &&
      (!k.positions || (parts(t).position >= k.positions[0] && parts(t).position <= k.positions[1])),
  )
}

/** A request takes so many. */
const mostPontics = 6

/** Any work of a kind that its table allows. */
export const anyWork = (kind: KindId) => {
  const k = kindFacts(kind)
  const jaws = (['upper', 'lower'] as const).filter((j) => teethFor(kind, j).length > 0)
  return fc.constantFrom(...jaws).chain((jaw) =>
    fc
      .record({
        kind: fc.constant(kind),
        teeth: fc.shuffledSubarray(teethFor(kind, jaw), { minLength: 1, maxLength: Math.min(k.most, 3) }),
        restoration: k.restorations.length > 0 ? fc.constantFrom(undefined, ...k.restorations) : fc.constant(undefined),
        pontic: fc.nat(3),
        vital: fc.boolean(),
        inEnamel: fc.boolean(),
        innerSide: fc.constantFrom('metal' as const, 'ceramic' as const),
        deepSpot: fc.boolean(),
        missingWall: fc.boolean(),
        partErupted: fc.boolean(),
        pulpTreatment: fc.boolean(),
        margin: fc.constantFrom('supragingival' as const, 'equigingival' as const, 'subgingival' as const),
        lesion: fc.constantFrom('cavitated' as const, 'non-cavitated' as const),
        tissue: fc.record({
          weeping: fc.boolean(),
          biotype: fc.constantFrom('thin' as const, 'thick' as const),
        }),
        deliveryCement: fc.constantFrom(
          'resin' as const,
          'conventional' as const,
          'resin-modified glass ionomer' as const,
        ),
        tooth: fc.record(
          {
            dark: fc.boolean(),
            overgrown: fc.boolean(),
            coveredEdge: fc.boolean(),
            made: fc.constantFrom('inlay' as const, 'foil' as const),
            pulp: fc.constantFrom('none' as const, 'pulpotomy' as const, 'pulpectomy' as const),
          },
          { requiredKeys: [] },
        ),
        surface: fc.constantFrom('O', 'MO', 'DO', 'MOD'),
        depth: fc.constantFrom(2, 4, 6, 7, 11),
        canal: fc.constantFrom(11, 14, 22),
      })
      .map(({ pontic, tooth, surface, depth, canal, ...w }) => {
        // Two bonded retainers side by side hold nothing between them, two far apart more than a request takes: then one, and
        // the pontic hangs on it.
        const needed = k.pontics === 'needed'
        const between = fittingPontics(kind, w.teeth, []).length
        const teeth = needed && (between === 0 || between > mostPontics) ? w.teeth.slice(0, 1) : w.teeth
        const others = archOrder(jaw).filter((t) => !teeth.includes(t))
        const pontics = needed
          ? fittingPontics(kind, teeth, [])
          : pontic > 0
            ? fittingPontics(kind, teeth, others.slice(4, 4 + pontic))
            : []
        const facts = { ...tooth, surfaces: surface, depthMm: depth, canals: [{ name: 'one', lengthMm: canal }] }
        return { ...w, teeth, pontics, ofTooth: Object.fromEntries(teeth.map((t) => [t, facts])) }
      }),
  )
}

/** What goes with the work of any kind. */
export const frame = fc.record({
  crossbite: fc.boolean(),
  pieceOnHand: fc.boolean(),
  weightKg: fc.constantFrom(undefined, 18, 70),
  alerts: fc.subarray(keysOf(alertWords)),
  visitChoices: fc.record(
    Object.fromEntries(questions.map((q) => [q.name, fc.constantFrom(...q.schools.map((s) => s.value))])),
  ) as fc.Arbitrary<VisitRequestInput['visitChoices']>,
})
const written = (more: object): object => ({
  date: '2026-11-24',
  team: { dentist: 'dentist', assistants: ['assistant'] },
  ...more,
})
export const parse = (more: object): VisitRequest => visitRequest.parse(written(more))
export const safeParse = (more: object) => visitRequest.safeParse(written(more))
