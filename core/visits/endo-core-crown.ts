/** J04: root canal, core and crown in one visit. */
import { firstOf } from '../sure'
import { span } from '../rules'
import { reason } from '../figure'
import { bondTooth } from '../phases/adhesive'
import { etch, lightStep, cureOf, spotOn } from '../phases/bonding'
import { access, fillCanals, shapeCanals } from '../phases/canal'
import { acts, only, open, practice, sequence, standby, type Block, lastingBy, atLeast } from '../library/build'
import { reductionTargets } from '../measure/reduction'
import { type Case, type RestoredCase, type Unit } from '../library/case'
import { crownLines } from '../phases/crown-cuts'
import { cutSteps, reductionCheck, type CutLine } from '../phases/cutting'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { impressionAndProvisional } from '../phases/impression-and-provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { overgrownTissue } from '../phases/overgrown'
import { cords } from '../phases/tissue'
import { tissueRecall, after } from './follow-ups'
import { restoring } from './kind'

const act = acts({ phase: 'core', fn: 'placing', place: 'mouth', helped: true })
const first = (c: Case): Unit => firstOf(c.units)
const topActs = ['groove-functional', 'groove-other', 'occlusal', 'bevel']

/** A missing wall is built with flowable before the preliminary impression: the mould needs a whole tooth. */
function wall(c: Case): Block {
  return only(c.request.missingWall, () =>
    act('records.wall', `Missing wall of ${first(c).label} built up with flowable, roughly`, [1, 2, 4], {
      phase: 'records',
      fn: 'preliminary impression',
      needs: [open('flowable resin'), open('curing light'), open('light shield')],
      told: 'built the missing wall up with flowable',
      reason: practice(
        'the preliminary impression needs a whole tooth; the wall also holds the sheet and the irrigant',
      ),
    }),
  )
}

/** What the core added is taken off again: the room over it is what was planned. */
const onCore = (c: RestoredCase): CutLine => ({
  act: 'core-top',
  title: 'Top once more, on the core: the same room in the bite as before',
  form: 'occlusal',
  depthMm: reductionTargets(c.restoration).otherCusp.mostMm,
  surface: 'occlusal',
  share: 1,
})

/** The core, by the school picked: glass ionomer, or dual-cure resin. */
function core(c: Case): Block {
  const u = first(c)
  const s = spotOn(u, 'core', 'core')
  const band = act('core.band', `Band round ${u.label}, tight at the gum`, [0.5, 1, 2], {
    fn: 'matrix placement',
    tooth: u.tooth,
    needs: [open('matrix retainer'), open('matrix band.circumferential'), standby('wedge', 'it gapes at the gum', 2)],
    countsIn: [{ id: 'core-band', what: 'matrix band of the core', planned: 1, outStep: 'core.band-off' }],
  })
  const off = act('core.band-off', 'Band off, core looked at', [0.3, 0.5, 1], {
    fn: 'matrix placement',
    tooth: u.tooth,
    countsOut: ['core-band'],
  })
  if (c.choices.core === 'glass ionomer') {
    return sequence(
      band,
      etch(c, s, 'before glass ionomer'),
      act('core.place', 'Glass ionomer from the bottom up', [0.5, 1, 2], {
        tooth: u.tooth,
        told: 'placed a glass ionomer core',
        needs: [open('core.glass ionomer', 2), open('triturator'), open('composite plugger'), open('cotton pellet', 1)],
        passes: ['capsule in its applier', 'plugger', 'pellet, to tamp it'],
        countsIn: [{ id: 'core-pellet', what: 'pellet that tamped the core', planned: 1, outStep: 'core.pellet-out' }],
        mistakes: ['a pellet left on the core: it is built over'],
      }),
      act('core.pellet-out', 'Pellet off the core', [0.1, 0.2, 0.3], {
        tooth: u.tooth,
        fn: 'chairside',
        countsOut: ['core-pellet'],
      }),
      act('core.set', `Set ${span(c.rule('core.sets').value)}, untouched`, [4, 4.2, 5], {
        tooth: u.tooth,
        fn: 'chairside',
        helped: false,
        ties: [lastingBy(c.rule('core.sets'), 'Core sets')],
      }),
      off,
    )
  }
  const light = cureOf(c, 'core, each side', 'cure.piece', 'core.dual-cure')
  return sequence(
    band,
    bondTooth(c, s, 'cavity', { dualCure: true }),
    act('core.place', 'Dual-cure core injected from the bottom', [0.5, 1, 2], {
      tooth: u.tooth,
      told: 'placed a dual-cure resin core',
      needs: [open('core.dual-cure', 2), open('mixing tip'), open('core tip')],
      cautions: [reason('An acidic one-bottle adhesive needs its activator under a dual-cure resin', 'C')],
    }),
    ...['occlusal', 'buccal', c.jaw === 'upper' ? 'palatal' : 'lingual'].map((side) =>
      lightStep(s, `core.cure-${side}`, light, { title: `Light ${light.value} s, ${side}` }),
    ),
    act('core.set', `Dual-cure finishes in the dark: ${span(c.rule('core.sets').value)} from the mix`, [2, 3, 4], {
      tooth: u.tooth,
      fn: 'chairside',
      helped: false,
      ties: [
        {
          from: 'core.place',
          fromEdge: 'start',
          toEdge: 'finish',
          ...atLeast(c.rule('core.sets')),
          title: 'Core sets',
        },
      ],
    }),
    off,
  )
}

export const endoCoreCrown = restoring({
  id: 'endo.core.crown',
  // On record before the needle: afterwards a pulp answers nothing.
  deciding: (c) => [
    act(
      'records.vitality',
      `Pulp of ${first(c).label} tested against a neighbour; film looked at: canals, length, bone`,
      [1, 2, 4],
      {
        phase: 'records',
        fn: 'radiograph',
        helped: false,
        needs: [open('film holder'), open('cotton pellet', 2)],
        told: 'tested the pulp and looked at the film',
        detail: 'Cold on a pellet, a sound neighbour first; crown and bone are judged to hold what is planned.',
        hold: {
          name: 'plan',
          title: 'Root canal, and worth a crown',
          evidence: 'answer to cold, film, what stands of the tooth',
          because: practice('a test that is not on record before the needle can never be made up'),
        },
      },
    ),
  ],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), wall(c), provisionalMould(c), opposingArch(c))],
  work: (c) => {
    const u = first(c)
    const top = (lines: ReturnType<typeof crownLines>) => lines.filter((l) => topActs.includes(l.act))
    const rest = (lines: ReturnType<typeof crownLines>) => lines.filter((l) => !topActs.includes(l.act))
    const cord = cordPlan(c)
    return sequence(
      cutSteps(
        c,
        (x) =>
          top(crownLines(c, x)).map((l, i) =>
            i === 0
              ? {
                  ...l,
                  because: practice(
                    'occlusal reduction first: a shorter way to the canals, and a flat reference for every length',
                  ),
                }
              : l,
          ),
        [4, 7, 12],
      ),
      cutSteps(
        c,
        () => [
          {
            act: 'caries',
            title: 'All decay out before the canals',
            form: 'caries',
            depthMm: 1.4,
            surface: 'dentine',
            share: 1,
            needs: [open('slow handpiece'), open('spoon excavator')],
            told: `removed all decay of ${u.label}`,
          },
        ],
        [1, 2, 5],
      ),
      sheetOn(c, { purpose: 'canal' }),
      only(c.choices.bondingIsolation === 'dam', () =>
        act('isolation.seal', 'Block-out round the hole, cured: nothing leaks', [0.5, 1, 2], {
          phase: 'isolation',
          fn: 'dam',
          tooth: u.tooth,
          needs: [open('block-out resin'), open('curing light'), open('light shield')],
          told: 'sealed the sheet with block-out',
        }),
      ),
      access(c, u),
      shapeCanals(c, u),
      fillCanals(u, 2),
      core(c),
      sheetOff(c, { purpose: 'canal' }),
      act('core.film', 'Film of root filling and core', [1, 2, 3], {
        fn: 'radiograph',
        tooth: u.tooth,
        needs: [open('film holder')],
        told: 'took a film of root filling and core',
      }),
      only(c.choices.bondingIsolation === 'dam', () => rolls(c)),
      cutSteps(c, (x) => [onCore(c), ...rest(crownLines(c, x))], [8, 13, 25]),
      reductionCheck(c),
      overgrownTissue(c),
      cords(c, cord),
      impressionAndProvisional(c, cord),
    )
  },
  followUps: (c) => [
    {
      title: 'Crown, milled in-house: delivery',
      kind: 'crown.deliver',
      ...after(c, 'milled.delivery'),
    },
    ...tissueRecall(c),
  ],
})
