/**
 * A mirrored case gives the mirrored plan, and every tooth in it is written as the practice writes teeth: over any case of
 * any kind, with gaps beside it, further work behind it and a practice’s amendments. It is asked in the quadrant notation, whose words are nothing
 * else (`UL6`): a tooth that stayed in ISO among them would not be mirrored, and found. In the Universal notation the same
 * texts stand with its own numbers, from the plan to the record and the patient's sheet.
 */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, safeParse } from '../../../demo/test/any-case'
import { acrossTheMiddle, inNotation } from '../../../demo/test/mirror'
import { assistant, dentist } from '../../../demo/test/people'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import { kindIds, type KindId } from '../../kinds'
import type { Plan } from '../../model/plan'
import type { Change } from '../../practice/amendment'
import type { VisitRequest } from '../../model/request'
import { picturesOf } from '../../picture/pictures'
import { compile } from '../../plan/compile'
import { seatingOf } from '../../plan/seating'
import { traceOf } from '../../plan/traces'
import { patientInstructions } from '../../record/instructions'
import { composeNote } from '../../record/note'
import { runThrough, startDrive } from '../../run/drive'
import { layOut } from '../../schedule/timeline'
import { allTeeth, type Notation } from '../../teeth/notation'

/** As it is sent: without what is not said. */
function plain(of: object): object {
  const sent: object = JSON.parse(JSON.stringify(of))
  return sent
}

/** A case of the kind, teeth missing round it, often with a second work; nothing where they do not go together. */
const anyCase = (kind: KindId) =>
  fc
    .tuple(
      anyWork(kind),
      fc.option(
        fc.constantFrom(...kindIds).chain((other) => anyWork(other)),
        { freq: 3, nil: undefined },
      ),
      fc.subarray([...allTeeth], { maxLength: 8 }),
      frame,
    )
    .map(([work, second, missing, more]) => {
      const busy = [work, ...(second ? [second] : [])].flatMap((w) => [...w.teeth, ...w.pontics])
      const whole = { ...work, ...more, missing: missing.filter((t) => !busy.includes(t)) }
      const both = { ...whole, also: second ? [second] : [] }
      return plain(safeParse(both).success ? both : whole)
    })

/** What practices add: an own step, a thing, other minutes, in the words of everybody. */
const changes: Change[] = [
  {
    op: 'add step',
    after: 'arrival.seat',
    id: 'own.picture',
    title: 'Picture of both arches',
    fn: 'chairside',
    place: 'mouth',
    minutes: [1, 2, 3],
    needs: [{ what: 'camera', quantity: 1, readiness: 'open' }],
    does: [],
  },
  { op: 're-time step', step: 'arrival.seat', minutes: [2, 4, 8] },
  { op: 'add item', step: 'arrival.seat', need: { what: 'gauze', quantity: 2, readiness: 'standby', when: 'wanted' } },
]
const planIn = (notation: Notation, request: VisitRequest): Plan =>
  compile(request, {
    ...practice,
    notation,
    amendments: changes.map((change, i) => ({
      id: `am-${i}`,
      kind: request.kind,
      change,
      by: 'Dr A',
      on: '2026-11-01',
      why: 'as we do it',
    })),
  })
/** What a plan says; without the one line that has every tooth in all three notations. */
const says = ({ teeth, ...plan }: Plan): object =>
  plain({ ...plan, notation: 'any', teeth: teeth.map((t) => [t.tooth, t.name, t.functional]) })
/** Everything that people read of it, to the closed record. */
function read(plan: Plan): object {
  const { events, state } = runThrough(startDrive(plan, 0), assistant, dentist)
  const { sections } = composeNote(plan, events, { name: 'A. Demo' }, 'Etc/UTC')
  return {
    plan: says(plan),
    note: sections.filter((s) => s.title !== 'Visit'),
    sheet: patientInstructions(plan, state.core),
    seating: seatingOf(plan),
    pictures: picturesOf(plan).map((p) => [p.titles, p.section.says]),
    left: traceOf(plan),
  }
}

describe.each(kindIds)('%s', (kind) => {
  it('is mirrored whole: teeth, sides, clock, hand and minutes', () => {
    fc.assert(
      fc.property(anyCase(kind), (request) => {
        const own = safeParse(request)
        fc.pre(own.success)
        const plan = planIn('quadrant', own.data)
        const mirrored = planIn('quadrant', safeParse(acrossTheMiddle(request)).data!)
        expect(says(mirrored)).toEqual(acrossTheMiddle(says(plan)))
        expect(layOut(mirrored).totalS).toBe(layOut(plan).totalS)
      }),
      { numRuns: often(8) },
    )
  })
  it('is written in one notation, to the record and the patient’s sheet', () => {
    fc.assert(
      fc.property(anyCase(kind), (request) => {
        const own = safeParse(request)
        fc.pre(own.success)
        expect(read(planIn('universal', own.data))).toEqual(inNotation(read(planIn('quadrant', own.data)), 'universal'))
      }),
      { numRuns: often(3) },
    )
  })
})
