/** J07: amalgam from the capsule, condensed, carved, closed on without clenching. */
import { reason } from '../figure'
import { only, open, practice, sequence, standby, type Block, within } from '../library/build'
import { boxesOf, surfacesOf, type Case, type Unit } from '../library/case'
import {
  biteUntilEven,
  cavity,
  depthOf,
  flossContacts,
  matrixOff,
  matrixOn,
  readCavity,
  spotOf,
  volumeOf,
} from '../phases/filling'
import { amalgamFor } from '../measure/volumes'
import { sheetOff, sheetOn } from '../phases/isolation'
import type { VisitKind } from './kind'
import { place, finishing, underSheet, each, id, two } from './filling-steps'

/** What lies under the amalgam: a liner where it is deep, a base mixed at the bench. */
function linerAndBase(u: Unit): Block {
  const at = { tooth: u.tooth }
  const deep = depthOf(u) >= 3
  return sequence(
    place(id(u, 'liner'), 'Liner on the deepest spot', [0.3, 0.5, 1], {
      ...at,
      passes: ['liner on its carrier'],
      needs: deep
        ? [open('liner', 0.2), open('liner carrier')]
        : [standby('liner', 'the floor is close to the pulp', 0.2), open('liner carrier')],
      reason: practice(deep ? 'deep: the floor is close to the pulp' : 'stands by: opened where the floor is deep'),
      mistakes: ['eugenol liner where resin follows one day: say it in the record'],
    }),
    place(id(u, 'base-mix'), 'Mix the base cement, powder to liquid 1 : 1', [0.3, 0.5, 0.75], {
      ...at,
      fn: 'chairside',
      place: 'bench',
      helped: false,
      needs: [open('base cement', 1), open('mixing pad'), open('mixing spatula')],
    }),
    place(id(u, 'base'), 'Base in, smooth floor', [0.5, 0.8, 1.5], {
      ...at,
      passes: ['base on the plugger'],
      asks: [{ reading: 'base', teeth: [u.tooth] }],
      needs: [open('amalgam condenser')],
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
  )
}

function amalgamOf(c: Case, u: Unit): Block {
  const at = { tooth: u.tooth }
  const box = boxesOf(surfacesOf(u, two)).length > 0
  const volume = volumeOf(u, two)
  const amalgam = amalgamFor(volume.value)
  return sequence(
    readCavity(spotOf(u)),
    matrixOn(u, two, { kind: 'circumferential' }),
    linerAndBase(u),
    place(id(u, 'triturate'), 'Triturate; the capsule opened over the well', [0.2, 0.3, 0.5], {
      ...at,
      place: 'bench',
      fn: 'chairside',
      helped: false,
      needs: [
        open('amalgam capsule', amalgam.capsules),
        standby('amalgam capsule', 'the cavity is deeper than planned'),
        open('triturator'),
        open('amalgam well'),
      ],
      figures: [volume, amalgam.figure],
      cautions: [reason('Waste amalgam and capsules by local rules; never the sink', 'C')],
    }),
    place(
      id(u, 'condense'),
      'Carrier and condenser alternately: box first, small condenser, then larger',
      [1.5, 2.5, 4],
      {
        ...at,
        detail: `About ${amalgam.loads} carrier loads.`,
        told: `condensed amalgam in ${u.label}, ${surfacesOf(u, two)}`,
        passes: ['carrier', 'small condenser', 'carrier', 'large condenser'],
        needs: [open('amalgam carrier'), open('amalgam condenser'), open('amalgam condenser.large')],
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
  sheet: underSheet,
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'cutting' }),
      cavity(c, two),
      each(c, (u) => amalgamOf(c, u)),
      sheetOff(c),
    ),
  afterSheet: (c) =>
    sequence(
      each(c, (u) =>
        biteUntilEven(u, 'amalgam', {
          title: `Bite on ${u.label}: closed without clenching, carved until even`,
          tell: 'The filling is hard by tomorrow. Chew on the other side until then. Call us if it feels high.',
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
