/**
 * What a sentence speaks of is there: a table of words and of what has to be true where they stand, held over any case of any kind.
 * A sentence that speaks of a neighbour, a cord, enamel, glass, a gap or a side belongs here.
 */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../demo/test/any-case'
import { practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { neighbours } from '../teeth/arch'
import { jawOf, toTooth, type Tooth } from '../teeth/notation'
import { compile } from './compile'

interface Claim {
  words: RegExp
  /** What has to be so where a step says it. */
  holds: (plan: Plan, step: Step) => boolean
}

const standing = (plan: Plan, t: Tooth): boolean => {
  const gone = [...plan.request.missing, ...plan.request.pontics]
  const { mesial, distal } = neighbours(t, gone)
  return mesial.tooth !== null || distal.tooth !== null
}
const teethOf = (plan: Plan, step: Step): readonly Tooth[] => (step.tooth ? [step.tooth] : plan.request.teeth)
const anyStanding = (plan: Plan, step: Step): boolean => teethOf(plan, step).some((t) => standing(plan, t))
const laid = (plan: Plan, need: RegExp): boolean => plan.setup.some((l) => l.needs.some((n) => need.test(n)))

const claims: readonly Claim[] = [
  // The neighbour
  { words: /neighbour (nicked|scored)|neighbour \d\d.* (nicked|scored)/, holds: anyStanding },
  { words: /[Pp]ress(ed)? to the neighbour/, holds: anyStanding },
  { words: /[Bb]reak the (mesial|distal) contact/, holds: anyStanding },
  // Enamel, glass, zirconia
  { words: /wholly in enamel/, holds: (p) => p.request.inEnamel },
  {
    words: /[Hh]ydrofluoric/,
    holds: (p) => p.request.framework !== 'zirconia' && p.request.framework !== 'base metal',
  },
  {
    words: /no acid on zirconia/,
    holds: (p) => p.request.framework === 'zirconia' || p.request.restoration === 'monolithic zirconia crown',
  },
  // Cord and gum
  { words: /base cord/i, holds: (p) => new Set(p.steps.flatMap((s) => s.cord?.layer ?? [])).size > 1 },
  { words: /cords? (stay|stays) wet|[Dd]raw the .*cord/, holds: (p) => p.steps.some((s) => s.cord) },
  // The bridge and its gap
  { words: /pontic/, holds: (p) => p.request.pontics.length > 0 || p.kind.startsWith('recall') },
  // The sheet and its clamp
  { words: /^(Dam|Sheet) off/, holds: (p) => p.steps.some((s) => s.act === 'sheet on') },
  { words: /\bclamp\b/i, holds: (p) => laid(p, /clamp/) },
  // Alive or dead
  { words: /The pulp is gone/, holds: (p) => !p.request.vital },
  // Sides of the jaw
  {
    words: /\bpalat(al|e)\b/i,
    holds: (p, s) => teethOf(p, s).some((t) => jawOf(t) === 'upper') || /rinse|closing/.test(s.id),
  },
]

const sentences = (s: Step): string[] => [
  s.title,
  s.detail ?? '',
  ...s.cautions.map((x) => x.text),
  ...s.mistakes,
  ...(s.reason ? [s.reason.text] : []),
  ...s.passes,
]

describe('what a step speaks of is there', () => {
  it.each(kindIds)('%s', (kind) => {
    fc.assert(
      fc.property(
        anyWork(kind),
        frame,
        fc.subarray(['11', '15', '17', '24', '26', '31', '34', '36', '44', '46', '47'].map(toTooth)),
        (work, more, gone) => {
          const missing = gone.filter((t) => !work.teeth.includes(t) && !work.pontics.includes(t))
          const plan = compile(parse({ ...work, ...more, missing }), practice)
          for (const s of plan.steps)
            for (const said of sentences(s))
              for (const { words, holds } of claims)
                if (words.test(said) && !holds(plan, s)) expect.fail(`${s.id}: ${said}`)
        },
      ),
      { numRuns: often(20) },
    )
  })
})
