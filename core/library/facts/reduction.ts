/** How much is taken for what is made, as it is said and as deep as it goes. */
import { isAnterior, isNarrow } from '../../teeth/arch'
import { marginDepth } from '../../measure/room'
import { besides } from './tooth'
import { grooveDepth, reductionTargets, writeRange, type Targets } from '../../measure/reduction'
import type { Case, Unit } from '../case'
import type { Fact } from './fact'

type Place = 'functionalCusp' | 'otherCusp' | 'facial' | 'inner' | 'margin' | 'incisal'
const targets = (c: Case): Targets | undefined => (c.restoration ? reductionTargets(c.restoration) : undefined)
const range = (of: Place, says: string): Fact => ({
  says: `how much is taken ${says}`,
  from: 'reckoned',
  of: (c) => {
    const taken = targets(c)?.[of]
    return taken && writeRange(taken)
  },
})
const deepest = (of: Place, says: string): Fact => ({
  says: `the most that is taken ${says}`,
  from: 'reckoned',
  of: (c) => targets(c)?.[of]?.mostMm,
  unit: 'mm',
})

const marginMm = (c: Case, u?: Unit): number | undefined => {
  const taken = targets(c)?.margin
  return taken && u ? marginDepth(taken, u.tooth, { neighbour: besides(u), form: taken.form }) : taken?.mostMm
}
const grooveMm = (c: Case, of: Place, u?: Unit): number => {
  const taken = targets(c)?.[of]
  return taken ? grooveDepth(taken, of === 'facial' && u !== undefined && isAnterior(u.tooth) && isNarrow(u.tooth)) : 0
}
const groove = (of: Place, says: string): Fact => ({
  says: `how deep a groove gauges ${says}: the lower end, smoothing takes the rest`,
  from: 'reckoned',
  of: (c, own) => grooveMm(c, of, own.u),
  unit: 'mm',
})
const grooveWords = (of: Place, says: string): Fact => ({
  says: `that depth in words, ${says}`,
  from: 'reckoned',
  of: (c, own) => `${grooveMm(c, of, own.u).toFixed(1)} mm`,
})

const smoothed = (of: Place, says: string): Fact => ({
  says: `more is taken ${says} than the groove gauges`,
  from: 'reckoned',
  of: (c, own) => (targets(c)?.[of]?.mostMm ?? 0) > grooveMm(c, of, own.u),
})

const headMm = (c: Case): number => Math.max(1.5, targets(c)?.functionalCusp.mostMm ?? 1.5)

export const reductionFacts = {
  'reduction.functional cusp': range('functionalCusp', 'off the cusps that carry the bite'),
  'reduction.other cusp': range('otherCusp', 'off the other cusps'),
  'reduction.facial': range('facial', 'on the outer side'),
  'reduction.inner': range('inner', 'on the inner side'),
  'reduction.margin': range('margin', 'at the margin'),
  'reduction.incisal': range('incisal', 'off the biting edge'),
  'reduction.standing': { says: 'how well that is known', from: 'reckoned', of: (c) => targets(c)?.standing },
  'deepest.functional cusp': deepest('functionalCusp', 'off the cusps that carry the bite'),
  'deepest.other cusp': deepest('otherCusp', 'off the other cusps'),
  'deepest.inner': deepest('inner', 'on the inner side'),
  'deepest.margin': {
    says: 'how deep the margin is cut: where there is little room by its lower figure',
    from: 'reckoned',
    of: (c, own) => marginMm(c, own.u),
    unit: 'mm',
  },
  'deepest.incisal': deepest('incisal', 'off the biting edge'),
  'groove.functional cusp': groove('functionalCusp', 'on the cusps that carry the bite'),
  'groove.other cusp': groove('otherCusp', 'on the other cusps'),
  'groove.facial': groove('facial', 'on the outer side'),
  'groove words.functional cusp': grooveWords('functionalCusp', 'on the cusps that carry the bite'),
  'groove words.other cusp': grooveWords('otherCusp', 'on the other cusps'),
  'groove words.facial': grooveWords('facial', 'on the outer side'),
  'smoothed deeper.functional cusp': smoothed('functionalCusp', 'off the cusps that carry the bite'),
  'smoothed deeper.other cusp': smoothed('otherCusp', 'off the other cusps'),
  'smoothed deeper.facial': smoothed('facial', 'on the outer side'),
  'depth of the head': {
    says: 'a V as deep as the bur’s own head, at least what is taken off the cusps that carry the bite',
    from: 'reckoned',
    of: headMm,
    unit: 'mm',
  },
  'depth of the head as said': { says: 'that depth in words', from: 'reckoned', of: (c) => headMm(c).toFixed(1) },
  'margin left to shape': {
    says: 'how deep the chamfer goes round a core: the root is thin there',
    from: 'reckoned',
    of: (c, own) => {
      const mostMm = Math.min(targets(c)?.margin.mostMm ?? 0.8, 0.8)
      if (!own.u) return mostMm
      return marginDepth({ leastMm: 0.5, mostMm }, own.u.tooth, { neighbour: besides(own.u), form: 'chamfer' })
    },
    unit: 'mm',
  },
  ledge: {
    says: 'the form of the margin',
    from: 'reckoned',
    of: (c) => (targets(c)?.margin.form === 'shoulder' ? 'shoulder' : 'chamfer'),
    values: ['chamfer', 'shoulder'],
  },
} as const satisfies Record<string, Fact>
