import { inWords, span } from '../rules'
import { reason } from '../figure'
import { acts, only, open, practice, sequence, standby, type Block } from '../library/build'
import type { Case } from '../library/case'
import { crownLines } from '../phases/crown-cuts'
import { cutSteps, reductionCheck, theBur } from '../phases/cutting'
import { isolation, isolationOff } from '../phases/isolation'
import { impressionAndProvisional } from '../phases/impression-and-provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { overgrownTissue } from '../phases/overgrown'
import { cords } from '../phases/tissue'
import { deliveryAfter, tissueRecall, after } from './follow-ups'
import { restoring } from './kind'

const guide = acts({ phase: 'records', fn: 'chairside', place: 'mouth' })
const shell = acts({ phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true })

const airway = reason(
  'Airway watch: bits of old work, temporary and wax come loose; gauze screen, suction behind the bur',
  'C',
)

/** The guides from the wax-up, tried before a bur goes in. */
const guides = (): Block =>
  guide('records.reduction-guide', 'Reduction guide from the wax-up tried in: sits without rocking', [0.5, 1, 2], {
    needs: [open('reduction guide'), open('wax-up matrix')],
    told: 'tried the reduction guide in',
    mistakes: ['guide on wet teeth: it floats, and everything is cut too deep'],
  })

/** A second shell over the gap shows the surgeon where teeth will be. */
function surgeonsShell(c: Case): Block {
  const [rubbery, out] = [c.rule('bis-acryl.rubbery'), c.rule('bis-acryl.out')]
  return sequence(
    shell(
      'provisional.second-shell',
      `Second shell over the gap${c.pontics.length > 0 ? ` ${c.pontics.map((u) => u.label).join(', ')}` : ''}: mix into the matrix, seat, lift while rubbery`,
      [2, 4, 6],
      {
        told: 'made a second shell over the gap for the surgeon',
        leaves: 'resin',
        needs: [open('bis-acryl', 5), open('mixing tip'), open('separator', 0.5)],
        ties: [
          {
            from: '.',
            fromEdge: 'start',
            toEdge: 'finish',
            atLeastS: rubbery.value,
            warnS: out.value,
            title: 'Second shell, rubbery stage',
            because: inWords(`off between ${rubbery.value} and ${span(out.value)} by product and warmth`, rubbery, out),
          },
        ],
        reason: practice('shows the surgeon where the teeth will be: implants are placed to it'),
      },
    ),
    shell('provisional.second-shell-label', 'Second shell trimmed, bagged and labelled for the surgeon', [1, 2, 3], {
      place: 'bench',
      fn: 'chairside',
      helped: false,
      needs: [open('impression bag')],
    }),
  )
}

/** J20: many lower units with implants to come. */
export const archPrepare = restoring({
  id: 'arch.prepare',
  deciding: () => [guides()],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), provisionalMould(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      isolation(c),
      cutSteps(
        c,
        (u) =>
          crownLines(c, u).map((line, i) =>
            i === 0
              ? { ...line, cautions: [airway] }
              : line.act === 'finish'
                ? {
                    ...line,
                    title: 'Guide once more, then every line finished',
                    stuff: 'carbide' as const,
                    passes: ['reduction guide', theBur],
                  }
                : line,
          ),
        [6, 10, 18],
      ),
      reductionCheck(c, {
        title: 'Check the reduction, tooth by tooth, against the guide',
        passes: ['reduction guide', 'clearance tabs', 'probe'],
        minutes: [2, 4, 8],
      }),
      isolationOff(c),
      overgrownTissue(c),
      cords(c, cord),
      impressionAndProvisional(
        c,
        cord,
        sequence(
          only(c.pontics.length > 0, () => surgeonsShell(c)),
          guide('provisional.removable', 'It must come off again: on and off once more, path free', [0.3, 0.5, 1], {
            phase: 'provisional',
            needs: [standby('haemostat', 'the bridge holds too well')],
            detail: 'Before any cement: one path; embrasures opened with a thin disc until the floss goes through.',
            reason: practice('a bridge-like provisional that locks in is cut off before the surgery'),
          }),
        ),
      ),
    )
  },
  followUps: (c) => [
    {
      title: 'Surgeon: implants by the second shell',
      tell: 'the surgeon sets the implants',
      ...after(c, 'surgeon.implants'),
    },
    deliveryAfter(c, 'crown.deliver', 'Delivery of the units'),
    ...tissueRecall(c),
  ],
})
