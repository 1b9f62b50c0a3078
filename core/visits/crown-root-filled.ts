import { lay } from '../library/lay'
import { reason } from '../figure'
import { span } from '../rules'
import { reductionTargets, writeRange } from '../measure/reduction'
import { practice, sequence, type Block } from '../library/build'
import type { Case, Unit, RestoredCase } from '../library/case'
import { marginCuts } from '../phases/crown-cuts'
import { cutSteps, reductionCheck, type CutLine, theBur } from '../phases/cutting'
import { isolation, isolationOff } from '../phases/isolation'
import { afterCutting, crownRecords } from './crown-prepare'
import { deliveryAfter, tissueRecall } from './follow-ups'
import { restoring } from './kind'

/** Root-filled molar: a first look by about 6 minutes for the top, 10 for the contacts. Standing C or estimate. */
const minutes = [14, 22, 40] as const

const heat = reason(
  'Dry cutting heats: the tooth does not feel it, the ligament and the bone do; never through amalgam',
  'C',
)

function lines(c: RestoredCase, u: Unit): CutLine[] {
  const t = reductionTargets(c.restoration)
  const head = Math.max(1.5, t.functionalCusp.mostMm)
  const [first, open] = [c.rule('look.top'), c.rule('look.contacts')]
  const last = u.distal.tooth ? 'distal' : 'mesial'
  const contactsBy: CutLine['cues'] = [
    {
      from: `cutting.occlusal-v.${u.tooth}`,
      fromEdge: 'start',
      atS: open.value,
      say: `${span(open.value)}: are the contacts open?`,
      because: open.because,
    },
  ]
  const thin = (side: 'mesial' | 'distal'): CutLine[] => {
    const neighbour = u[side]
    if (!neighbour.tooth) return []
    return [
      {
        act: `contact-${side}`,
        title: `Thin bur parallel through the ${side} contact toward ${neighbour.said}; the margin is found there`,
        form: 'contact',
        depthMm: 1,
        surface: side,
        share: 1.5,
        passes: [theBur, 'mirror, washed and dried'],
        ...(side === last ? { cues: contactsBy } : {}),
        mistakes: [`neighbour ${neighbour.said} nicked: leave the thin wall of enamel standing to the last`],
      },
      {
        act: `axial-${side}`,
        title: `The wider bur ${side}, once the thin one is through`,
        form: 'axial',
        depthMm: t.margin.mostMm,
        surface: side,
        share: 1.5,
        after: t.margin.form === 'shoulder' ? 'shoulder' : 'chamfer',
      },
    ]
  }
  const dryCuts = !c.request.vital && c.choices.dryCuts === 'brief'
  return [
    {
      act: 'occlusal-v',
      title: `Occlusal in planes shaped like a V: sink the bur’s own ${head.toFixed(1)} mm`,
      form: 'occlusal',
      depthMm: head,
      surface: 'occlusal',
      share: 4,
      cues: [{ atS: first.value, say: `${span(first.value)}: first look at the top`, because: first.because }],
      passes: [theBur, 'mirror, washed and dried'],
      because: practice('sinking the whole head: the diameter is the gauge, 1.5–1.75 mm'),
      mistakes: ['a flat table: short in the middle, high at the cusps'],
    },
    ...thin('mesial'),
    ...thin('distal'),
    {
      act: 'axial-facial',
      title: `Buccal wall ${writeRange(t.facial)}`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: 'buccal',
      share: 3,
      after: t.margin.form === 'shoulder' ? 'shoulder' : 'chamfer',
      passes: [theBur, 'suction changes side with the operator'],
    },
    {
      act: 'axial-inner',
      title: `Palatal wall ${writeRange(t.inner)}; the operator changes sides`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: 'palatal',
      share: 3,
      after: t.margin.form === 'shoulder' ? 'shoulder' : 'chamfer',
      passes: ['mirror, washed and dried', theBur],
    },
    ...marginCuts(c, u, t).map((line) =>
      line.act === 'margin'
        ? {
            ...line,
            title: `${line.title}, taken past the build-up onto sound tooth`,
            ...(dryCuts
              ? {
                  detail: 'Water off for seconds at a time, low speed, to see the line; air on it at once.',
                  cautions: [heat],
                }
              : {}),
            because: practice('a margin on the build-up leaks: the crown has to hold sound tooth all round'),
          }
        : line,
    ),
  ]
}

/** The neighbours are looked at while the sides are open. */
function lookBeside(c: Case): Block {
  const beside = c.units.flatMap((u) => [u.mesial, u.distal]).flatMap((n) => (n.tooth ? [n.said] : []))
  return lay(c, 'cutting.look-beside', { besideWords: beside.join(', '), beside })
}

/** J18: crown on a root-filled upper molar, four-handed, under magnification. */
export const crownRootFilled = restoring({
  id: 'crown.root-filled',
  beforehand: crownRecords,
  work: (c) =>
    sequence(
      lay(c, 'cutting.loupes'),
      isolation(c),
      cutSteps(c, (u) => lines(c, u), minutes),
      lookBeside(c),
      reductionCheck(c),
      isolationOff(c),
      afterCutting(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.restoration}`), ...tissueRecall(c)],
})
