/** What a plan asked for is all it hangs on: a fact nobody asked for changes nothing of it. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../../demo/test/any-case'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import { kindIds } from '../../kinds'
import { decides } from '../facts/decides'
import { compile } from '../../plan/compile'
import { keysOf } from '../../sure'
import type { VisitRequestInput } from '../../model/request'

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
