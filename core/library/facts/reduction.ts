/** How much is taken for what is made, as it is said and as deep as it goes. */
import { isAnterior, isNarrow } from '../../teeth/arch'
import { marginDepth } from '../../measure/room'
import { besides } from './tooth'
import { grooveDepth, reductionTargets, writeRange, type InnerSide, type Targets } from '../../measure/reduction'
import type { Case, Unit } from '../case'
import type { Fact } from './fact'

type Place = 'functionalCusp' | 'otherCusp' | 'facial' | 'inner' | 'margin' | 'incisal'
/** What a crown shows inside is asked where it has two ways to end. */
export const innerSideOf = (c: Case): InnerSide | undefined =>
  c.restoration && reductionTargets(c.restoration).innerMargin ? c.asks('innerSide') : undefined
const targets = (c: Case): Targets | undefined =>
  c.restoration ? reductionTargets(c.restoration, innerSideOf(c)) : undefined
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
    of: (c) => {
      const form = targets(c)?.margin.form
      return form === 'shoulder' || form === 'rounded shoulder' ? form : 'chamfer'
    },
    values: ['chamfer', 'shoulder', 'rounded shoulder'],
  },
  'ceramic all round': {
    says: 'a metal-ceramic crown shows ceramic on its inner side, too',
    from: 'the case',
    of: (c) => innerSideOf(c) === 'ceramic',
  },
  'inner ledge': {
    says: 'the inner side ends in a chamfer of its own: metal alone shows there',
    from: 'reckoned',
    of: (c) => targets(c)?.innerMargin !== undefined,
  },
  'reduction.inner margin': {
    says: 'how much is taken at the margin of the inner side',
    from: 'reckoned',
    of: (c) => {
      const taken = targets(c)?.innerMargin
      return taken && writeRange(taken)
    },
  },
  'deepest.inner margin': {
    says: 'how deep the margin of the inner side is cut',
    from: 'reckoned',
    of: (c, own) => targets(c)?.innerMargin?.mostMm ?? marginMm(c, own.u),
    unit: 'mm',
  },
  'ledge of the inner wall': {
    says: 'the form of the margin that the inner wall runs into',
    from: 'reckoned',
    of: (c) => {
      const { innerMargin, margin } = targets(c) ?? {}
      if (innerMargin) return innerMargin.form
      return margin?.form === 'shoulder' || margin?.form === 'rounded shoulder' ? margin.form : 'chamfer'
    },
    values: ['chamfer', 'shoulder', 'rounded shoulder'],
  },
} as const satisfies Record<string, Fact>
