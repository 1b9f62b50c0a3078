/** Direct fillings: J07 amalgam, J08 bulk-fill, J09 injection-moulded, J15 cervical, J21 cusp by cusp. */
import { firstOf } from '../sure'
import { reason } from '../figure'
import { bandHeight } from '../measure/restoring'
import { adhesive, cureOf, etch, lightStep, type Spot } from '../phases/bonding'
import {
  acts,
  nothing,
  only,
  open,
  practice,
  sequence,
  standby,
  type Block,
  within,
  atLeast,
  lastingBy,
} from '../phases/build'
import { boxesOf, labels, surfacesOf, type Case, type Unit } from '../phases/case'
import { cutSteps } from '../phases/cutting'
import {
  biteUntilEven,
  bulk,
  cavity,
  depthOf,
  finishComposite,
  flossContacts,
  matrixOff,
  matrixOn,
  readCavity,
  spotOf,
} from '../phases/filling'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import { bondingCordCounts, cordsForBonding } from '../phases/tissue'
import type { VisitKind } from './kind'

const place = acts({ phase: 'restoring', fn: 'placing', place: 'mouth', helped: true })
const finishing = acts({ phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true })
const underSheet = (c: Case): boolean => c.choices.bondingIsolation === 'dam'
const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))
const id = (u: Unit, act: string): string => `filling.${u.tooth}.${act}`

const afterFilling =
  'You may eat on it today unless we told you otherwise; wait until the numbness is gone. A tooth may feel cold for some days. Call us if the bite feels high.'

/** Two surfaces where the case does not say. */
const two = 'MO'

function amalgamOf(c: Case, u: Unit): Block {
  const at = { tooth: u.tooth }
  const box = boxesOf(surfacesOf(u, two)).length > 0
  const deep = depthOf(u) >= 3
  return sequence(
    readCavity(spotOf(u)),
    matrixOn(u, two, { kind: 'circumferential' }),
    place(id(u, 'liner'), 'Liner on the deepest spot', [0.3, 0.5, 1], {
      ...at,
      passes: ['liner on its carrier'],
      needs: deep
        ? [open('liner', 0.2), open('liner carrier')]
        : [standby('liner', 'the floor is close to the pulp', 0.2), open('liner carrier')],
      reason: practice(deep ? 'deep: the floor is close to the pulp' : 'stands by: opened where the floor is deep'),
      mistakes: ['eugenol liner where resin follows one day: say it in the record'],
    }),
    place(id(u, 'base'), 'Base, powder to liquid 1 : 1, smooth floor', [0.7, 1, 2], {
      ...at,
      passes: ['base on the plugger'],
      asks: [{ reading: 'base', teeth: [u.tooth] }],
      needs: [open('base cement', 1), open('mixing pad'), open('mixing spatula')],
      figures: [
        {
          name: 'base',
          value: 1,
          unit: 'scoop to 1 drop',
          text: 'one scoop of powder to one drop of liquid',
          standing: 'C',
        },
      ],
    }),
    place(id(u, 'triturate'), 'Triturate; the capsule opened over the well', [0.2, 0.3, 0.5], {
      ...at,
      place: 'bench',
      fn: 'chairside',
      helped: false,
      needs: [open('amalgam capsule', 2), open('triturator'), open('amalgam well')],
      cautions: [reason('Waste amalgam and capsules by local rules; never the sink', 'C')],
    }),
    place(
      id(u, 'condense'),
      'Carrier and condenser alternately: box first, small condenser, then larger',
      [1.5, 2.5, 4],
      {
        ...at,
        told: `condensed amalgam in ${u.label}, ${surfacesOf(u, two)}`,
        passes: ['carrier', 'small condenser', 'carrier', 'large condenser'],
        needs: [open('amalgam carrier'), open('amalgam condenser', 2)],
        ties: [
          {
            from: id(u, 'triturate'),
            fromEdge: 'finish',
            toEdge: 'finish',
            ...within(c.rule('amalgam.workable'), c.rule('amalgam.warns')),
            title: 'Amalgam workable',
            whenMissed: 'it crumbles under the condenser: out with it, a fresh capsule',
            again: [id(u, 'triturate'), id(u, 'condense')],
          },
        ],
        mistakes: ['a dry crumbling mix pressed on: it pits'],
      },
    ),
    place(id(u, 'carve'), 'Burnish, explore the ridge, carve the top', [1.5, 2.5, 5], {
      ...at,
      passes: ['burnisher', 'explorer', 'discoid carver'],
      needs: [open('burnisher.ball'), open('amalgam carver', 2), open('explorer')],
      mistakes: ['carved too deep: the fissure fractures'],
    }),
    matrixOff(u, two, 'Retainer, wedge, then the band out sideways'),
    only(box, () =>
      place(id(u, 'sides'), 'Carve the sides and the gum edge while it cuts', [0.5, 1, 2], {
        ...at,
        passes: ['interproximal carver', 'explorer'],
        needs: [open('interproximal carver')],
      }),
    ),
    place(id(u, 'wet-roll'), 'Wipe with a wet roll', [0.2, 0.3, 0.5], {
      ...at,
      fn: 'chairside',
      needs: [open('cotton roll', 2)],
    }),
    flossContacts(u, two),
  )
}

/** J07: full pass list under the sheet; close without clenching, paper, carve, again till even. */
export const fillingAmalgam: VisitKind = {
  id: 'filling.amalgam',
  ownBite: true,
  sheet: underSheet,
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'cutting' }),
      cavity(c, two),
      each(c, (u) => amalgamOf(c, u)),
      sheetOff(c),
      each(c, (u) =>
        biteUntilEven(u, {
          title: `Close without clenching on ${u.label}: paper, carve, again till even`,
          tell: 'The filling hardens over the day: chew on the other side until tomorrow. Call us if it feels high.',
          passes: ['paper', 'carver'],
        }),
      ),
      finishing('finishing.roll', 'Smooth with a wet roll; upright, rinse', [0.3, 0.5, 1], {
        fn: 'rinse',
        needs: [open('cotton roll')],
      }),
    ),
  followUps: () => [],
}

/** The adhesive of a posterior filling by the school picked. */
function bondCavity(c: Case, s: Spot): Block {
  const school = c.choices.etch
  return sequence(
    school === 'none' ? nothing : etch(c, s, school === 'total' ? 'total' : 'enamel edge'),
    adhesive(c, s, { title: `Self-etch adhesive: rub in ${c.rule('adhesive.rub').value} s, ${s.label}` }),
  )
}

/** J08: bulk up to 4 mm, pressed to the neighbour while curing, 2 mm cover. */
export const fillingBulk: VisitKind = {
  id: 'filling.bulk',
  sheet: underSheet,
  beforehand: (c) => [shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      cavity(c, two),
      each(c, (u) => {
        const s = spotOf(u)
        const { increments, blocks } = bulk(c, u, { pressed: boxesOf(surfacesOf(u, two)).length > 0 })
        const cover = cureOf(c, `cover layer, ${u.tooth}`, 'cure.increment', 'composite.universal', 2)
        return sequence(
          matrixOn(u, two, { kind: 'sectional' }),
          bondCavity(c, s),
          place(id(u, 'depth'), `Depth by probe: ${depthOf(u)} mm planned`, [0.2, 0.3, 0.5], {
            tooth: u.tooth,
            fn: 'chairside',
            asks: [{ reading: 'depth', teeth: [u.tooth], bulk: increments.bulkMm.length, band: false }],
            passes: ['probe'],
            needs: [open('periodontal probe')],
            figures: [increments.figure],
            reason: reason(increments.figure.text, 'C'),
            mistakes: ['guessed depth: the floor of a thick increment stays soft'],
          }),
          ...blocks,
          place(id(u, 'cover'), `Cover layer ${increments.coverMm} mm, cusps shaped`, [1, 2, 4], {
            tooth: u.tooth,
            told: `filled ${u.label}, ${surfacesOf(u, two)}, in ${increments.bulkMm.length} bulk increment${increments.bulkMm.length === 1 ? '' : 's'} and a cover`,
            tell: afterFilling,
            needs: [open('composite.universal', 1), open('composite carver'), open('composite plugger')],
            passes: ['composite on its instrument', 'shaping instrument'],
          }),
          lightStep(s, id(u, 'cover-cure'), cover),
          matrixOff(u, two, 'Ring, wedge, band, in that order'),
          flossContacts(u, two),
          finishComposite(s),
        )
      }),
      sheetOff(c),
    ),
  followUps: () => [],
}

/** Three-point cure: 10 s occlusal, buccal, lingual. Standing C. */
function threePoints(c: Case, s: Spot, u: Unit): Block {
  return sequence(
    ...['occlusal', 'buccal', c.jaw === 'upper' ? 'palatal' : 'lingual'].map((side) => {
      const light = cureOf(c, `injected filling ${u.tooth}, ${side}`, 'cure.injected', 'composite.injectable')
      return lightStep(s, id(u, `cure-${side}`), light, { title: `Light ${light.value} s, ${side}, ${u.label}` })
    }),
  )
}

function injectedOf(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const at = { tooth: u.tooth }
  const boxes = boxesOf(surfacesOf(u, two))
  const beside = boxes.map((b) => u[b].tooth).filter((t) => t !== null)
  const band = bandHeight(depthOf(u))
  return sequence(
    only(beside.length > 0, () =>
      place(id(u, 'pre-wedge-out'), 'Pre-wedge out, metal strip in to guard the neighbour', [0.2, 0.3, 0.5], {
        ...at,
        fn: 'matrix placement',
        passes: ['forceps', 'strip'],
        needs: [open('metal strip')],
        countsOut: [`pre-wedge.${u.tooth}`],
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
      place(id(u, 'disc-neighbour'), `Neighbour ${beside.join(', ')} smoothed with a disc`, [0.3, 0.5, 1], {
        ...at,
        fn: 'polishing',
        needs: [open('finishing disc')],
        reason: practice('a rough neighbour makes a rough contact'),
      }),
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
    etch(c, s, 'enamel edge'),
    adhesive(c, s, { cured: false }),
    only(boxes.length > 0, () =>
      place(
        id(u, 'beads'),
        'Two beads at the band’s corners, 1 s each while the band is pressed to the neighbour; 1 s again when the instrument is out',
        [0.5, 0.8, 1.5],
        {
          ...at,
          passes: ['flowable', 'contact instrument', 'light, held by the assistant while the dentist presses'],
          needs: [open('composite.flowable', 0.2), open('contact former'), open('curing light'), open('light shield')],
          reason: practice('spot tack: the contact is made before the filling goes in'),
          cautions: [reason('Eye shield for all three', 'C')],
        },
      ),
    ),
    place(id(u, 'wet-again'), 'Adhesive again, wet, not cured', [0.2, 0.3, 0.5], {
      ...at,
      fn: 'bonding',
      passes: ['brush with adhesive'],
      needs: [open('adhesive', 0.1), open('micro brush')],
    }),
    place(id(u, 'inject'), 'Warm flowable, then warm paste into it, in one go; tip stays in', [0.5, 1, 1.5], {
      ...at,
      told: `injected warm composite into ${u.label}, ${surfacesOf(u, two)}`,
      tell: afterFilling,
      passes: ['flowable from the warmer', 'paste from the warmer', 'plugger'],
      needs: [open('composite.flowable', 0.5), open('composite.injectable', 1), open('composite plugger')],
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
    matrixOff(u, two, 'Ring, wedge, band'),
    flossContacts(u, two),
    place(id(u, 'cut-back'), 'Cut back to the tooth, discs, strips', [2, 4, 8], {
      ...at,
      phase: 'finishing',
      fn: 'polishing',
      cut: { id: id(u, 'cut-back'), form: 'finish', depthMm: 0.3, surface: `${u.label} filling` },
      needs: [open('high-speed handpiece'), open('finishing disc', 3), open('finishing strip', 2)],
      told: `finished the filling of ${u.label}`,
    }),
    finishing(id(u, 'polish-dry'), 'First cup dry, light hand', [0.5, 1, 2], {
      ...at,
      needs: [open('composite polisher'), open('slow handpiece')],
    }),
    finishing(id(u, 'polish-wet'), 'Second cup wet, firm', [0.5, 1, 2], { ...at, needs: [open('composite polisher')] }),
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
            hurts: true,
            passes: ['wedge in forceps'],
            needs: [open('wedge', beside.length)],
            countsIn: [
              {
                id: `pre-wedge.${u.tooth}`,
                what: `pre-wedges, ${u.tooth}`,
                planned: beside.length,
                outStep: id(u, 'pre-wedge-out'),
              },
            ],
            reason: practice('opens the contact and guards the tissue while the cavity is cut'),
          }),
        )
      }),
      cavity(c, two),
      each(c, (u) => injectedOf(c, u)),
      sheetOff(c),
    ),
  followUps: () => [],
}

/** J21: cusp by cusp on one surface; thin flowable cured longer; stain; glycerine. */
export const fillingCusps: VisitKind = {
  id: 'filling.cusps',
  sheet: underSheet,
  beforehand: (c) => [shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      each(c, (u) =>
        place(id(u, 'clean'), `Fissures cleaned: powder or pumice, ${u.label}`, [0.5, 1, 2], {
          tooth: u.tooth,
          phase: 'cutting',
          fn: 'polishing',
          needs: [
            open('powder jet', 1, {
              orElse: [{ what: 'pumice', loss: 'does not reach the floor of a narrow fissure' }],
            }),
            open('powder'),
          ],
          reason: practice('nothing flavoured or oily before bonding'),
        }),
      ),
      cutSteps(
        c,
        (u) => [
          {
            act: 'fissure',
            title: 'Fine flame in the fissures, no further than the stain',
            form: 'fissure',
            depthMm: 1,
            surface: 'fissures',
            share: 2,
          },
          {
            act: 'caries',
            title: 'Soft decay out, slow round',
            form: 'caries',
            depthMm: 1.2,
            surface: 'dentine',
            share: 2,
            needs: [open('slow handpiece'), open('spoon excavator')],
            told: `opened the fissures of ${u.label} and removed the decay`,
          },
        ],
        [3, 5, 10],
      ),
      each(c, (u) => {
        const s = spotOf(u)
        const flow = cureOf(c, `thin flowable with the adhesive, ${u.tooth}`, 'cure.increment', 'composite.flowable')
        const layer = cureOf(c, `cusp, ${u.tooth}`, 'cure.increment', 'composite.universal', 2)
        const glycerine = cureOf(c, `under glycerine, ${u.tooth}`, 'cure.increment', 'composite.universal')
        const cusps =
          u.size.mesiodistalMm >= 9
            ? ['mesiobuccal', 'distobuccal', 'mesiolingual', 'distolingual']
            : ['buccal', 'lingual']
        return sequence(
          readCavity(s),
          etch(c, s, 'enamel edge'),
          place(id(u, 'primer'), `Primer ${c.rule('primer').value} s, air`, [0.4, 0.5, 0.8], {
            tooth: u.tooth,
            fn: 'bonding',
            needs: [open('primer.self-etch', 0.1), open('micro brush')],
            ties: [lastingBy(c.rule('primer'), 'Primer')],
            passes: ['brush with primer', 'air'],
          }),
          adhesive(c, s, { what: 'bonding resin', cured: false, title: `Adhesive, thin, ${u.label}` }),
          place(id(u, 'flow'), 'Thin flowable over floor and walls', [0.3, 0.5, 1], {
            tooth: u.tooth,
            needs: [open('composite.flowable', 0.3)],
            passes: ['flowable', 'probe to spread it'],
          }),
          lightStep(s, id(u, 'flow-cure'), flow, {
            reason: practice('longer: adhesive and flowable are both being cured'),
          }),
          ...cusps.flatMap((cusp) => [
            place(
              id(u, `cusp-${cusp}`),
              `${firstOf(cusp).toUpperCase()}${cusp.slice(1)} cusp, by itself`,
              [0.5, 1, 2],
              {
                tooth: u.tooth,
                needs: [open('composite.universal', 0.3), open('composite carver'), open('composite plugger')],
                passes: ['composite on its instrument', 'fissure instrument'],
              },
            ),
            lightStep(s, id(u, `cusp-${cusp}-cure`), layer),
          ]),
          place(id(u, 'stain'), 'Stain in the fissures, as the neighbour has it', [0.3, 0.5, 1], {
            tooth: u.tooth,
            fn: 'fissure seal',
            needs: [open('composite stain', 0.1), open('micro brush')],
            told: `built up ${u.label} cusp by cusp`,
            tell: afterFilling,
          }),
          lightStep(s, id(u, 'glycerine-cure'), glycerine, {
            title: `Glycerine over it, light ${glycerine.value} s`,
            needs: [open('glycerine gel', 0.5), open('curing light'), open('light sleeve'), open('light shield')],
            reason: practice('without air the top layer sets too'),
          }),
          finishComposite(s),
        )
      }),
      sheetOff(c),
    ),
  followUps: () => [],
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
                `Cervical clamp on ${u.label}: tongue-side jaw first, facial jaw 1 mm beyond the lesion`,
                [0.5, 1, 2],
                {
                  tooth: u.tooth,
                  phase: 'isolation',
                  fn: 'dam',
                  hurts: true,
                  passes: ['double-bow clamp in forceps, floss tied on'],
                  needs: [open('clamp.cervical', 1, { words: 'double-bow cervical clamp' }), open('floss', 300)],
                  mistakes: ['facial jaw on the lesion’s edge: it slips and scratches the root'],
                  cautions: [reason('The floss tether on the clamp is the airway guard: always on', 'C')],
                },
              ),
            ),
          )
        : sequence(rolls(c), cordsForBonding(c, 'finishing.cords-out')),
      cutSteps(
        c,
        (u) => [
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
            title: 'Grooves with the ¼ round: half its diameter, 0.25 mm',
            form: 'retention',
            depthMm: 0.25,
            surface: 'line angles',
            share: 1,
            told: `prepared the cervical cavity of ${u.label}`,
          },
        ],
        [4, 6, 12],
      ),
      each(c, (u) => {
        const s = spotOf(u)
        const layer = cureOf(c, `increment, ${u.tooth}`, 'cure.increment', 'composite.universal', 1)
        return sequence(
          readCavity(s, 'Gum edge in sight, no weeping.'),
          etch(c, s, 'total'),
          adhesive(c, s),
          ...['gum', 'incisal'].flatMap((half) => [
            place(id(u, `increment-${half}`), `Increment, ${half} half`, [0.5, 1, 2], {
              tooth: u.tooth,
              needs: [open('composite.universal', 0.4), open('plastic instrument')],
              passes: ['composite on its instrument'],
              ...(half === 'incisal'
                ? { told: `filled the cervical cavity of ${u.label} in two increments`, tell: afterFilling }
                : {}),
            }),
            lightStep(s, id(u, `increment-${half}-cure`), layer),
          ]),
          place(id(u, 'flash'), 'Flame and blade for the flash, cups for gloss', [1, 2, 4], {
            tooth: u.tooth,
            phase: 'finishing',
            fn: 'polishing',
            cut: { id: id(u, 'flash'), form: 'fissure', depthMm: 0.2, surface: `${u.label} filling` },
            needs: [
              open('high-speed handpiece'),
              open('scalpel'),
              open('composite polisher', 2),
              open('slow handpiece'),
            ],
            told: `finished the cervical filling of ${u.label}`,
            mistakes: ['cementum scratched by the flame: blade at the gum edge'],
          }),
        )
      }),
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
