/** What a plan asked for is all it hangs on: a fact nobody asked for changes nothing of it. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse, safeParse } from '../../../demo/test/any-case'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import { kindIds } from '../../kinds'
import { decides } from '../facts/decides'
import { compile } from '../../plan/compile'
import { keysOf } from '../../sure'
import { factsOf, type VisitRequestInput } from '../../model/request'
import { toTooth } from '../../teeth/notation'

/** What is said of the work as a whole; what belongs together with teeth and kind is not changed alone. */
const ofWork = [
  'vital',
  'margin',
  'deepSpot',
  'tissue',
  'deliveryCement',
  'missingWall',
  'partErupted',
  'inEnamel',
  'lesion',
  'pulpTreatment',
  'crossbite',
  'pieceOnHand',
] as const satisfies readonly (keyof VisitRequestInput)[]

describe('a fact that was not asked', () => {
  it.each(kindIds)('%s: changes nothing of the plan, and every one that was asked has its line', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), anyWork(kind), frame, (work, other, more) => {
        const request = parse({ ...work, ...more })
        const plan = compile(request, practice)
        const asked = new Set(plan.asked.facts.flat())
        expect([...asked].filter((f) => !keysOf(decides).some((d) => d === f))).toEqual([])
        const elsewhere = parse({ ...other, ...more })
        const otherwise = Object.fromEntries(ofWork.flatMap((f) => (asked.has(f) ? [] : [[f, elsewhere[f]]])))
        const { steps, setup, links, burs, holds, counts } = compile({ ...request, ...otherwise }, practice)
        expect({ steps, setup, links, burs, holds, counts }).toEqual({
          steps: plan.steps,
          setup: plan.setup,
          links: plan.links,
          burs: plan.burs,
          holds: plan.holds,
          counts: plan.counts,
        })
      }),
      { numRuns: often(12) },
    )
  })
})

/** What may be answered, in its range: a few of each that differ. */
const answers = {
  vital: [true, false],
  margin: ['supragingival', 'equigingival', 'subgingival'],
  deepSpot: [true, false],
  missingWall: [true, false],
  partErupted: [true, false],
  inEnamel: [true, false],
  pulpTreatment: [true, false],
  crossbite: [true, false],
  pieceOnHand: [true, false],
  tintPercent: [0, 10, 30],
  sealMm: [4, 8],
  lesion: ['cavitated', 'non-cavitated'],
  managesFilling: [true, false],
  weightKg: [12, 40],
  ageYears: [3, 6, 30],
  deliveryCement: ['resin', 'conventional', 'resin-modified glass ionomer'],
  anaesthetic: ['articaine with adrenaline', 'lidocaine with adrenaline', 'mepivacaine plain'],
  framework: ['zirconia', 'lithium disilicate'],
} as const satisfies Partial<Record<keyof VisitRequestInput, readonly unknown[]>>
const tissue = {
  weeping: [true, false],
  biotype: ['thin', 'thick'],
  probingDepthMm: [1, 3],
  crevice: ['narrow', 'wide'],
}
const ofTooth = {
  dark: [true, false],
  overgrown: [true, false],
  coveredEdge: [true, false],
  made: ['inlay', 'foil'],
  surfaces: ['O', 'MO', 'MOD', 'B'],
  depthMm: [1.5, 3, 5, 7],
  perimeterMm: [20, 30],
  widthMm: [5, 8],
  worn: [true, false],
  shade: ['A2', 'B1'],
}

describe('C141 every fact that is asked changes something, somewhere in its range, for every kind that asks it', () => {
  it.each(kindIds)('%s', (kind) => {
    const changes = new Map<string, boolean>()
    const open = (fact: string): boolean => changes.get(fact) !== true
    for (const [work, more] of fc.sample(fc.tuple(anyWork(kind), frame), { numRuns: 25, seed: 7 })) {
      const request = parse({ ...work, ...more })
      const plan = compile(request, practice)
      const asked = new Set(plan.asked.facts.flat())
      const said = JSON.stringify({ ...plan, request: null, asked: null })
      const tried = (fact: string, otherwise: object): void => {
        if (!open(fact)) return
        const read = safeParse({ ...request, ...otherwise })
        if (!read.success) return
        const other = JSON.stringify({ ...compile(read.data, practice), request: null, asked: null })
        changes.set(fact, other !== said)
      }
      for (const [fact, values] of Object.entries(answers))
        if (asked.has(fact)) for (const value of values) tried(fact, { [fact]: value })
      if (asked.has('tissue'))
        for (const [fact, values] of Object.entries(tissue))
          for (const value of values) tried(`tissue, ${fact}`, { tissue: { ...request.tissue, [fact]: value } })
      const [tooth = ''] = request.teeth
      for (const [fact, values] of Object.entries(ofTooth))
        if (asked.has(fact))
          for (const value of values)
            tried(fact, {
              ofTooth: { ...request.ofTooth, [tooth]: { ...factsOf(request, toTooth(tooth)), [fact]: value } },
            })
    }
    expect([...changes].flatMap(([fact, does]) => (does ? [] : [fact]))).toEqual([])
  })
})
