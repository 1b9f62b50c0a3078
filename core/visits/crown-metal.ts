import { lay } from '../library/lay'
import { sure } from '../sure'
import { sequence, type Block } from '../library/build'
import type { Case, Unit } from '../library/case'
import { contactCuts, seatingGroove } from '../phases/crown-cuts'
import { cutSteps, reductionCheck, type CutLine } from '../phases/cutting'
import { reductionTargets, writeRange } from '../measure/reduction'
import { innerSide } from '../teeth/arch'
import { isolation, isolationOff } from '../phases/isolation'
import { practice } from '../library/build'
import { afterCutting, crownRecords } from './crown-prepare'
import { deliveryAfter, tissueRecall } from './follow-ups'
import { restoring } from './kind'

/** The index that gauges every cut: made, sectioned, and checked back on the uncut teeth. */
function sectionedIndex(c: Case): Block {
  const mould = c.choices.provisional === 'bis-acryl in putty index'
  return sequence(
    // The mould stays whole: the one that is cut through is another.
    lay(c, 'records.reduction-index', { mould }),
    lay(c, 'records.section-index'),
    lay(c, 'records.check-index'),
  )
}

/** Guide grooves, one half of the occlusal surface at a time, the bevel. */
function occlusalLines(c: Case, u: Unit): CutLine[] {
  const t = reductionTargets('full metal crown')
  const { functional, other } = sure(u.cusps)
  return [
    {
      act: 'groove-functional',
      title: `Guide grooves, ${functional} cusps ${writeRange(t.functionalCusp)}: deeper on the functional cusp`,
      form: 'groove',
      depthMm: t.functionalCusp.mostMm,
      surface: `${functional} cusps`,
      share: 1,
      because: practice(
        `${functional} cusps carry the bite on ${u.said}${c.request.crossbite ? ', swapped by the crossbite' : ''}: 1.5, the others 1.0`,
      ),
    },
    {
      act: 'groove-other',
      title: `Guide grooves, ${other} cusps ${writeRange(t.otherCusp)}`,
      form: 'groove',
      depthMm: t.otherCusp.mostMm,
      surface: `${other} cusps`,
      share: 1,
    },
    {
      act: 'occlusal-first',
      title: 'First half of the occlusal surface, in planes',
      form: 'occlusal',
      depthMm: t.functionalCusp.mostMm,
      surface: 'occlusal',
      share: 1.5,
      detail: 'The untouched half is the reference.',
    },
    {
      act: 'occlusal-second',
      title: 'The other half, to match',
      form: 'occlusal',
      depthMm: t.functionalCusp.mostMm,
      surface: 'occlusal',
      share: 1.5,
      passes: ['half of the index'],
      mistakes: ['flat table instead of planes: short in the fossa'],
    },
    {
      act: 'bevel',
      title: `Bevel on the ${functional} cusps, 45°, about 1.5 mm wide`,
      form: 'bevel',
      depthMm: t.functionalCusp.mostMm,
      surface: `${functional} cusps`,
      share: 1,
    },
  ]
}

/** Alignment grooves, walls half and half, contacts, torpedo, seating groove. */
function axialLines(u: Unit): CutLine[] {
  const t = reductionTargets('full metal crown')
  const inner = innerSide(u.tooth)
  const margin = t.margin.mostMm
  return [
    {
      act: 'align-facial',
      title: 'Alignment grooves, buccal: parallel to the long axis, deep at the top, shallow at the neck',
      form: 'groove',
      depthMm: 1,
      surface: 'buccal',
      share: 1,
      mistakes: ['grooves along the wall instead of the axis: the taper is doubled'],
    },
    { act: 'align-inner', title: `Alignment grooves, ${inner}`, form: 'groove', depthMm: 1, surface: inner, share: 1 },
    {
      act: 'axial-facial',
      title: `Buccal wall ${writeRange(t.facial)}${inner === 'palatal' ? ', in two planes' : ''}, half, then the other half`,
      form: 'axial',
      depthMm: margin,
      surface: 'buccal',
      share: 2,
      after: 'chamfer',
    },
    {
      act: 'axial-inner',
      title: `${inner === 'palatal' ? 'Palatal' : 'Lingual'} wall ${writeRange(t.inner)}, half and half`,
      form: 'axial',
      depthMm: margin,
      surface: inner,
      share: 2,
      after: 'chamfer',
    },
    ...contactCuts(u),
    {
      act: 'margin',
      title: `Through the proximal sides with the torpedo: chamfer all round ${writeRange(t.margin)}`,
      form: 'chamfer',
      depthMm: margin,
      surface: 'margin',
      share: 3,
      prefer: 'torpedo',
      mistakes: ['more than half the tip sunk: an unsupported lip of enamel'],
    },
    {
      act: 'finish',
      title: 'Finish every line with the fine bur of the same shape',
      form: 'finish',
      depthMm: margin,
      surface: 'all',
      share: 2,
      after: 'chamfer',
      prefer: 'torpedo',
      told: `finished the preparation of ${u.label} for a full metal crown, chamfer ${writeRange(t.margin)}`,
    },
    { ...seatingGroove, title: 'Seating groove on the buccal side, 1.0 mm deep, on the path of insertion' },
  ]
}

/** J03: full metal crown. */
export const crownMetal = restoring({
  id: 'crown.metal',
  beforehand: (c) => {
    const [shade, records] = crownRecords(c)
    return [sure(shade), sequence(sure(records), sectionedIndex(c))]
  },
  work: (c) =>
    sequence(
      isolation(c),
      cutSteps(c, (u) => [...occlusalLines(c, u), ...axialLines(u)]),
      reductionCheck(c, {
        as: 'cutting.reduction-check:metal',
        finishes: c.units.map((u) => `cutting.finish.${u.tooth}`),
        convergence: c.units.map((u) => ({
          name: `${u.said}, convergence aimed at`,
          value: 6,
          unit: '°',
          text: 'about 6° in all between opposite walls of a metal crown; 10–20° is the published range for all crowns',
          standing: 'C',
        })),
      }),
      isolationOff(c),
      afterCutting(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', 'Delivery of the full metal crown'), ...tissueRecall(c)],
})
