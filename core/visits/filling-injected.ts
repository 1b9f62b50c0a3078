/** J09: injection-moulded. */
import { edgeOf } from '../phases/cutting'
import { soreGum } from '../measure/numbing'
import { reason } from '../figure'
import type { Choreography } from '../model/lanes'
import { bandHeight } from '../measure/restoring'
import { bondTooth, bottleOf } from '../phases/adhesive'
import { cureOf, lightStep, type Spot } from '../phases/bonding'
import { acts, only, open, practice, sequence, type Block, atLeast } from '../library/build'
import { boxesOf, surfacesOf, type Case, type Unit } from '../library/case'
import { biteUntilEven, cavity, depthOf, flossContacts, matrixOff, matrixOn, spotOf, volumeOf } from '../phases/filling'
import { injectedFor } from '../measure/volumes'
import { sheetOff, sheetOn } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import type { VisitKind } from './kind'
import { place, finishing, underSheet, each, id, afterFilling, two } from './filling-steps'

/** Three-point cure: 10 s occlusal, buccal, lingual. Standing C. */
function threePoints(c: Case, s: Spot, u: Unit): Block {
  const from = (side: string): Block => {
    const light = cureOf(c, `injected filling ${u.said}, ${side}`, 'cure.injected', 'composite.injectable')
    return lightStep(s, id(u, `cure-${side}`), light, { title: `Light ${light.value} s, ${side}, ${u.label}` })
  }
  return sequence(
    from('occlusal'),
    // The ring shades the sides: it goes before their light, the wedge and the band after it.
    only(boxesOf(surfacesOf(u, two)).length > 0, () =>
      place(id(u, 'ring-off'), `Ring off, ${u.label}`, [0.1, 0.2, 0.3], {
        tooth: u.tooth,
        fn: 'matrix placement',
        passes: ['ring forceps'],
        needs: [open('ring forceps')],
      }),
    ),
    from('buccal'),
    from(c.jaw === 'upper' ? 'palatal' : 'lingual'),
  )
}

/** Clean, measured, and the band that the depth asks for. */
function readyToFill(u: Unit): Block {
  const at = { tooth: u.tooth }
  const boxes = boxesOf(surfacesOf(u, two))
  const beside = boxes.flatMap((b) => (u[b].tooth ? [u[b].said] : []))
  const band = bandHeight(depthOf(u))
  return sequence(
    only(beside.length > 0, () =>
      place(id(u, 'pre-wedge-out'), 'Pre-wedge out, metal strip in to guard the neighbour', [0.2, 0.3, 0.5], {
        ...at,
        fn: 'matrix placement',
        passes: ['tweezers', 'guard strip'],
        needs: [open('metal strip'), open('tweezers')],
        countsOut: [`pre-wedge.${u.tooth}`],
        countsIn: [{ id: `guard.${u.tooth}`, what: `guard strip, ${u.said}`, planned: 1, outStep: id(u, 'guard-out') }],
      }),
    ),
    only(beside.length > 0, () =>
      place(id(u, 'strip'), 'Diamond strip once along the edges: loose enamel and calculus off', [0.3, 0.5, 1], {
        ...at,
        fn: 'polishing',
        passes: ['finishing strip'],
        needs: [open('finishing strip')],
      }),
    ),
    place(id(u, 'powder'), 'Clean inside and out by powder jet', [0.5, 1, 2], {
      ...at,
      fn: 'polishing',
      needs: [open('powder jet'), open('powder')],
      passes: ['powder jet', 'suction close'],
      cautions: [reason('Powder jet: everyone’s eyes covered, suction at the tooth', 'C')],
      reason: practice('biofilm outside the cavity is where the edge stains'),
    }),
    only(beside.length > 0, () =>
      sequence(
        place(id(u, 'guard-out'), 'Guard strip out, counted', [0.1, 0.2, 0.3], {
          ...at,
          fn: 'matrix placement',
          passes: ['tweezers'],
          countsOut: [`guard.${u.tooth}`],
        }),
        place(
          id(u, 'disc-neighbour'),
          `Neighbour ${beside.join(', ')} smoothed with a coarse disc, inverted`,
          [0.3, 0.5, 1],
          {
            ...at,
            fn: 'polishing',
            needs: [open('finishing disc')],
            reason: practice('a rough neighbour makes a rough contact'),
          },
        ),
      ),
    ),
    only(boxes.length > 0, () =>
      place(id(u, 'measure'), 'Depth measured inside and out: it picks the band’s height', [0.3, 0.5, 1], {
        ...at,
        fn: 'chairside',
        asks: [{ reading: 'depth', teeth: [u.tooth], band: true }],
        passes: ['probe'],
        needs: [open('periodontal probe')],
        figures: [band],
      }),
    ),
    matrixOn(u, two, {
      kind: 'sectional',
      band: `${band.value} mm or higher, pressed 5 s, wedge while pressing, ring rocked home`,
      figure: band,
    }),
  )
}

/** Bead and tack, by person: the dentist presses with both hands, so the light is the assistant's. Seconds: 5 and 1 common practice, the rest our estimates. */
const beadAndTack: Choreography = {
  title: 'Bead and tack',
  acts: [
    { id: 'beads', say: 'Two beads at the corners of the band', takesS: 10, by: 'dentist', fn: 'placing' },
    {
      id: 'press',
      say: 'Press the band to the neighbour',
      takesS: 5,
      by: 'dentist',
      fn: 'matrix placement',
      after: ['beads'],
    },
    { id: 'still', say: 'Hold it pressed', takesS: 2, by: 'dentist', fn: 'matrix placement', after: ['press'] },
    { id: 'tack', say: 'Light on, 1 s, and off', takesS: 2, by: 'assistant', fn: 'curing', with: 'still' },
    { id: 'out', say: 'Instrument out, straight', takesS: 3, by: 'dentist', fn: 'matrix placement', after: ['still'] },
    { id: 'again', say: 'Light again, 1 s', takesS: 1, by: 'assistant', fn: 'curing', after: ['out'] },
  ],
  because: practice('5 s pressed, tacked 1 s while it is pressed, 1 s again when the instrument is out'),
  waysOut: 'somebody to hold the light',
}

/** The two polishing phases, by person. Common practice; seconds of a phase are our estimate. */
const polishLanes = (wet: boolean): Choreography => ({
  title: wet ? 'Second polish: wet and firm' : 'First polish: dry and light',
  acts: wet
    ? [
        { id: 'cup', say: 'Same cup, firm', takesS: 30, by: 'dentist', fn: 'polishing' },
        {
          id: 'spray',
          say: 'Full water and air on the cup, suction beside it',
          takesS: 30,
          by: 'assistant',
          fn: 'chairside',
          with: 'cup',
        },
      ]
    : [
        { id: 'cup', say: 'Cup with paste, light hand, dry', takesS: 30, by: 'dentist', fn: 'polishing' },
        {
          id: 'air',
          say: 'Gentle air on the cup; paste again every 3 s',
          takesS: 30,
          by: 'assistant',
          fn: 'chairside',
          with: 'cup',
        },
      ],
  because: practice('first dry and light with gentle air, then wet and firm with full spray'),
  waysOut: 'somebody for air and water',
})

/** Bonded, the contact tacked, then flowable and paste, warm, in one go. */
function injected(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const at = { tooth: u.tooth }
  const boxes = boxesOf(surfacesOf(u, two))
  const volume = volumeOf(u, two)
  const amounts = injectedFor(volume.value, boxes.length)
  return sequence(
    bondTooth(c, s, 'cavity', { cured: false }),
    only(boxes.length > 0, () =>
      place(
        id(u, 'beads'),
        'Two beads at the band’s corners, 1 s each while the band is pressed to the neighbour; 1 s again when the instrument is out',
        [0.5, 0.8, 1.5],
        {
          ...at,
          passes: [
            'flowable at room temperature',
            'contact instrument',
            'light, held by the assistant while the dentist presses',
          ],
          needs: [
            open('composite.flowable', amounts.coolMl),
            open('contact former'),
            open('curing light'),
            open('light shield'),
          ],
          detail: 'Beads of 2 mm: inside, over and outside the corners of the band, near the cusp tips.',
          lanes: beadAndTack,
          reason: practice('spot tack: the contact is made before the filling goes in'),
          cautions: [reason('Eye shield for all three', 'C')],
        },
      ),
    ),
    place(
      id(u, 'wet-again'),
      `Adhesive again, ${boxes.length > 0 ? 'to the band’s edge' : 'past the edge of the cavity'}; thinned with air, not cured`,
      [0.2, 0.3, 0.5],
      {
        ...at,
        fn: 'bonding',
        passes: ['brush with adhesive', 'air'],
        needs: [open(bottleOf(c), 0.1), open('micro brush')],
      },
    ),
    place(id(u, 'inject'), 'Warm flowable, then warm paste into it, in one go; tip stays in', [0.5, 1, 1.5], {
      ...at,
      told: `injected warm composite into ${u.label}, ${surfacesOf(u, two)}`,
      tell: afterFilling,
      passes: ['flowable from the warmer', 'paste from the warmer', 'plugger'],
      detail: `Slowly${boxes.length > 0 ? ', at a right angle to the band' : ''}; groove, massage toward the cusp tips, a slight excess left. Not over-handled.`,
      needs: [
        open('composite.flowable', amounts.warmMl),
        open('composite.injectable', amounts.compules),
        open('composite plugger'),
      ],
      figures: [volume, amounts.figure],
      ties: [
        {
          from: 'records.warmer',
          fromEdge: 'finish',
          ...atLeast(c.rule('warmer.heats')),
          title: 'Warmer reaches its heat',
        },
      ],
      cautions: [reason('Warm compule: test on the glove, not on the lip', 'C')],
      mistakes: ['gone cold in the hand: it folds and traps air'],
    }),
    threePoints(c, s, u),
  )
}

/** The band out, cut back. */
function finished(u: Unit): Block {
  const at = { tooth: u.tooth }
  return sequence(
    matrixOff(u, two, 'Wedge out; band freed with the explorer, spun out with the haemostat', {
      passes: ['tweezers', 'explorer', 'haemostat'],
      needs: [open('tweezers'), open('explorer'), open('haemostat')],
    }),
    flossContacts(u, two),
    place(id(u, 'cut-back'), 'Cut back to the tooth, discs, strips', [2, 4, 8], {
      ...at,
      phase: 'finishing',
      fn: 'polishing',
      cut: { id: id(u, 'cut-back'), ...edgeOf(u, 'top'), surface: `${u.label} filling` },
      needs: [open('high-speed handpiece'), open('finishing disc', 3), open('finishing strip', 2)],
      told: `finished the filling of ${u.label}`,
      detail: 'Discs inverted, out of the deep contact.',
    }),
  )
}

/** Two cups, the assistant's light and air with them. */
function polished(u: Unit): Block {
  const at = { tooth: u.tooth }
  return sequence(
    finishing(id(u, 'polish-dry'), 'First cup dry, light hand', [0.5, 1, 2], {
      ...at,
      lanes: polishLanes(false),
      needs: [open('composite polisher'), open('slow handpiece')],
    }),
    finishing(id(u, 'polish-wet'), 'Second cup wet, firm', [0.5, 1, 2], {
      ...at,
      lanes: polishLanes(true),
      needs: [open('composite polisher')],
    }),
  )
}

/** J09: injection-moulded. The warmer is on ten minutes before; a pre-wedge opens the contact while the cavity is cut. */
export const fillingInjected: VisitKind = {
  id: 'filling.injected',
  sheet: underSheet,
  beforehand: (c) => [
    acts({ phase: 'records', fn: 'chairside', place: 'bench' })(
      'records.warmer',
      'Composite warmer on, compules in',
      [0.2, 0.3, 0.5],
      { needs: [open('composite warmer')], reason: practice('ten minutes before it is needed') },
    ),
    shadePreview(c),
  ],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      each(c, (u) => {
        const beside = boxesOf(surfacesOf(u, two)).filter((b) => u[b].tooth)
        return only(beside.length > 0, () =>
          place(id(u, 'pre-wedge'), `Pre-wedge ${beside.join(' and ')} of ${u.label}`, [0.3, 0.5, 1], {
            tooth: u.tooth,
            fn: 'matrix placement',
            hurts: soreGum([u.tooth]),
            passes: ['wedge in forceps'],
            needs: [open('wedge', beside.length)],
            countsIn: [
              {
                id: `pre-wedge.${u.tooth}`,
                what: `${beside.length === 1 ? 'pre-wedge' : 'pre-wedges'}, ${u.said}`,
                planned: beside.length,
                outStep: id(u, 'pre-wedge-out'),
              },
            ],
            reason: practice('opens the contact and guards the tissue while the cavity is cut'),
          }),
        )
      }),
      cavity(c, two),
      each(c, (u) => sequence(readyToFill(u), injected(c, u), finished(u))),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(u, 'filling'), polished(u))),
  followUps: () => [],
}
