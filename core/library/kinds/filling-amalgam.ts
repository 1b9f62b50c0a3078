/** J07: amalgam from the capsule, condensed, carved, closed on without clenching. */
import { lay } from '../lay'
import { only, sequence, type Block } from '../build'
import { boxesOf, surfacesOf, type Case, type Unit } from '../case'
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
} from '../generators/filling'
import { amalgamFor } from '../../measure/volumes'
import { sheetOff, sheetOn } from '../generators/isolation'
import type { VisitKind } from './kind'
import { underSheet, each, two } from './filling-steps'

/** What lies under the amalgam: a liner where it is deep, a base mixed at the bench. */
function linerAndBase(c: Case, u: Unit): Block {
  const deep = depthOf(u) >= 3
  return sequence(
    lay(c, 'filling.$tooth.liner', { u, deep }),
    lay(c, 'filling.$tooth.base-mix', { u }),
    lay(c, 'filling.$tooth.base', { u }),
  )
}

function amalgamOf(c: Case, u: Unit): Block {
  const box = boxesOf(surfacesOf(u, two)).length > 0
  const volume = volumeOf(u, two)
  const amalgam = amalgamFor(volume.value)
  return sequence(
    readCavity(c, spotOf(u)),
    matrixOn(c, u, two, { kind: 'circumferential' }),
    linerAndBase(c, u),
    lay(c, 'filling.$tooth.triturate', { u, capsules: amalgam.capsules, volume, figure: amalgam.figure }),
    lay(c, 'filling.$tooth.condense', { u, loads: amalgam.loads, surfacesOf: surfacesOf(u, two) }),
    lay(c, 'filling.$tooth.carve', { u }),
    matrixOff(c, u, two, 'Retainer, wedge, then the band out sideways'),
    only(box, () => lay(c, 'filling.$tooth.sides', { u })),
    lay(c, 'filling.$tooth.wet-roll', { u }),
    flossContacts(c, u, two),
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
      each(c, (u) => biteUntilEven(c, u, 'amalgam', { as: 'filling.$tooth.bite:amalgam', u })),
      lay(c, 'finishing.roll'),
    ),
  followUps: () => [],
}
