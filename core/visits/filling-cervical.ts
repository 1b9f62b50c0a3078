/** J15: cervical. */
import { isAnterior } from '../teeth/arch'
import { jawOf } from '../teeth/notation'
import { soreGum } from '../measure/numbing'
import { reason } from '../figure'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep } from '../phases/bonding'
import { open, practice, sequence, type Block } from '../library/build'
import { labels, type Case, type Unit } from '../library/case'
import { cutSteps, type CutLine } from '../phases/cutting'
import { readCavity, spotOf } from '../phases/filling'
import { rolls, sheetOff, sheetOn, clamp } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import { bondingCordCounts, cordsForBonding } from '../phases/tissue'
import type { VisitKind } from './kind'
import { place, finishing, each, id, afterFilling } from './filling-steps'

/** Worn, nothing is soft: the glaze is taken off and the edge bevelled; dentine is cut only where it has to hold more. */
const wornLines = (u: Unit): CutLine[] => [
  {
    act: 'roughen',
    title: 'Shiny dentine roughened, unsupported enamel at the gum edge off',
    form: 'enamel bevel',
    depthMm: 0.2,
    surface: 'cervical',
    share: 1,
    because: practice('worn, not decayed: nothing soft to take out; sclerotic dentine bonds better roughened'),
  },
  {
    act: 'bevel',
    title: 'Bevel 0.5 mm, except on the gum side',
    form: 'enamel bevel',
    depthMm: 0.5,
    surface: 'enamel edge',
    share: 1,
    because: practice('there is no enamel to bevel at the gum'),
    told: `prepared the worn neck of ${u.label}`,
  },
]

const cariousLines = (u: Unit): CutLine[] => [
  {
    act: 'outline',
    title: 'Crescent outline, walls divergent, depth even',
    form: 'outline',
    depthMm: 1,
    surface: 'cervical',
    share: 3,
    mistakes: ['deeper in the middle: the floor follows the pulp, keep it even'],
  },
  {
    act: 'caries',
    title: 'Soft decay out, slow round',
    form: 'caries',
    depthMm: 1,
    surface: 'dentine',
    share: 2,
    needs: [open('slow handpiece'), open('spoon excavator')],
  },
  {
    act: 'bevel',
    title: 'Bevel 0.5 mm, except on the gum side',
    form: 'enamel bevel',
    depthMm: 0.5,
    surface: 'enamel edge',
    share: 1,
    because: practice('there is no enamel to bevel at the gum'),
  },
  {
    act: 'grooves',
    title: 'Grooves just inside the junction with the ¼ round: half its diameter, 0.25 mm',
    form: 'retention',
    depthMm: 0.25,
    surface: 'line angles',
    share: 1,
    told: `prepared the cervical cavity of ${u.label}`,
  },
]

const cavityLines = (u: Unit): CutLine[] => (u.facts.worn ? wornLines(u) : cariousLines(u))

/** One cavity after it has been cut: etched, filled in two increments, finished. */
function fillCervical(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const layer = cureOf(c, `increment, ${u.said}`, 'cure.increment', 'composite.universal', 1)
  return sequence(
    readCavity(s, 'Gum edge in sight, no weeping.'),
    bondTooth(c, s, 'cavity'),
    ...['gum', 'incisal'].flatMap((half) => [
      place(id(u, `increment-${half}`), `Increment toward the ${half === 'gum' ? 'gum' : 'biting edge'}`, [0.5, 1, 2], {
        tooth: u.tooth,
        needs: [open('composite.universal', 0.4), open('plastic instrument'), open('explorer')],
        passes: ['composite on its instrument', 'explorer'],
        detail:
          half === 'gum'
            ? 'The grooves first; the instrument wetted with adhesive.'
            : 'Half on tooth, half on filling; explorer along the edge: no catch.',
        ...(half === 'incisal'
          ? { told: `filled the cervical cavity of ${u.label} in two increments`, tell: afterFilling }
          : {}),
      }),
      lightStep(s, id(u, `increment-${half}-cure`), layer),
    ]),
    place(id(u, 'flash'), 'Flame with light strokes, curved blade at the gum edge, cups in three grades', [1, 2, 4], {
      tooth: u.tooth,
      phase: 'finishing',
      fn: 'polishing',
      cut: { id: id(u, 'flash'), form: 'fissure', depthMm: 0.2, surface: `${u.label} filling` },
      needs: [open('high-speed handpiece'), open('scalpel'), open('composite polisher', 3), open('slow handpiece')],
      detail: 'The gum held away; explorer once more at the end, and again at the very last.',
      told: `finished the cervical filling of ${u.label}`,
      mistakes: ['cementum scratched by the flame: blade at the gum edge'],
    }),
  )
}

/** J15: cervical. The cervical clamp, or a cord in the sulcus with rolls. */
export const fillingCervical: VisitKind = {
  id: 'filling.cervical',
  beforehand: (c) => [shadePreview(c)],
  work: (c) => {
    const dam = c.choices.bondingIsolation === 'dam'
    return sequence(
      dam
        ? sequence(
            sheetOn(c, { purpose: 'bonding' }),
            each(c, (u) =>
              place(
                id(u, 'clamp'),
                `Cervical clamp on ${u.label}: ${jawOf(u.tooth) === 'upper' ? 'palate' : 'tongue'}-side jaw first, ${isAnterior(u.tooth) ? 'lip' : 'cheek'}-side jaw 1 mm beyond the lesion`,
                [0.5, 1, 2],
                {
                  tooth: u.tooth,
                  phase: 'isolation',
                  fn: 'dam',
                  hurts: soreGum([u.tooth]),
                  shows: { what: 'jaws', beyondMm: 1 },
                  passes: ['double-bow clamp in forceps, floss tied on'],
                  needs: [clamp('cervical', { words: 'double-bow cervical clamp' }), open('floss', 300)],
                  mistakes: ['front jaw on the lesion’s edge: it slips and scratches the root'],
                  cautions: [reason('The floss tether on the clamp is the airway guard: always on', 'C')],
                },
              ),
            ),
          )
        : sequence(rolls(c), cordsForBonding(c, 'finishing.cords-out')),
      cutSteps(c, cavityLines, [4, 6, 12]),
      each(c, (u) => fillCervical(c, u)),
      dam
        ? sequence(
            each(c, (u) =>
              place(id(u, 'clamp-off'), `Cervical clamp off ${u.label}`, [0.2, 0.3, 0.5], {
                tooth: u.tooth,
                phase: 'isolation',
                fn: 'dam',
                passes: ['clamp forceps'],
              }),
            ),
            sheetOff(c),
          )
        : finishing('finishing.cords-out', `Cord out, wet, ${labels(c)}`, [0.3, 0.5, 1], {
            fn: 'cord removal',
            countsOut: bondingCordCounts(c),
          }),
    )
  },
  followUps: () => [],
}
