import { lay } from '../library/lay'
/** J15: cervical. */
import { isAnterior } from '../teeth/arch'
import { jawOf } from '../teeth/notation'
import { soreGum } from '../measure/numbing'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep } from '../phases/bonding'
import { open, practice, sequence, type Block } from '../library/build'
import { type Case, type Unit } from '../library/case'
import { cutSteps, type CutLine } from '../phases/cutting'
import { readCavity, spotOf } from '../phases/filling'
import { rolls, sheetOff, sheetOn, clamp } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import { bondingCordCounts, cordsForBonding } from '../phases/tissue'
import type { VisitKind } from './kind'
import { each, id, afterFilling } from './filling-steps'

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
    readCavity(c, s, 'Gum edge in sight, no weeping.'),
    bondTooth(c, s, 'cavity'),
    ...['gum', 'incisal'].flatMap((half) => [
      lay(c, 'filling.$tooth.increment-$half', { half, u, afterFilling }),
      lightStep(c, s, id(u, `increment-${half}-cure`), layer),
    ]),
    lay(c, 'filling.$tooth.flash', { u }),
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
              lay(c, 'filling.$tooth.clamp', {
                u,
                jawOf: jawOf(u.tooth),
                isAnterior: isAnterior(u.tooth),
                soreGum: soreGum([u.tooth]),
                clamp: clamp('cervical', { words: 'double-bow cervical clamp' }),
              }),
            ),
          )
        : sequence(rolls(c), cordsForBonding(c, 'finishing.cords-out')),
      cutSteps(c, cavityLines, [4, 6, 12]),
      each(c, (u) => fillCervical(c, u)),
      dam
        ? sequence(
            each(c, (u) => lay(c, 'filling.$tooth.clamp-off', { u })),
            sheetOff(c),
          )
        : lay(c, 'finishing.cords-out:cervical filling', { bondingCordCounts: bondingCordCounts(c) }),
    )
  },
  followUps: () => [],
}
