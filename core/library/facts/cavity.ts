/** What is asked of a tooth that is filled or gets an inlay: its surfaces, boxes, depth, and how much goes in. */
import { amalgamFor, injectedFor } from '../../measure/volumes'
import { bandHeight, underAmalgam } from '../../measure/restoring'
import { soreGum } from '../../measure/numbing'
import { besideBoxes, boxesOf, cavityBoxes, depthOf, surfacesOf, volumeOf } from '../cavity'
import { ofUnit, type Fact } from './fact'

const injected = ofUnit((u, c) => injectedFor(volumeOf(c, u).value, cavityBoxes(c, u).length))
const amalgam = ofUnit((u, c) => amalgamFor(volumeOf(c, u).value))

export const cavityFacts = {
  surfaces: { says: 'the surfaces of the cavity', from: 'the tooth', of: ofUnit((u, c) => surfacesOf(c, u)) },
  boxes: { says: 'the sides with a proximal box', from: 'the tooth', of: ofUnit((u, c) => cavityBoxes(c, u)) },
  'box words': {
    says: 'the boxes as they are said',
    from: 'the tooth',
    of: ofUnit((u, c) => cavityBoxes(c, u).join(' and ')),
  },
  'both boxes': { says: 'a box on either side', from: 'the tooth', of: ofUnit((u, c) => cavityBoxes(c, u).length > 1) },
  'neighbours at the boxes': {
    says: 'the neighbours that stand at its boxes',
    from: 'the tooth',
    of: ofUnit((u, c) => besideBoxes(c, u).join(', ')),
  },
  'boxes with a neighbour': {
    says: 'the sides where a box meets a neighbour',
    from: 'the tooth',
    of: ofUnit((u, c) => cavityBoxes(c, u).filter((b) => u[b].tooth)),
  },
  'sides with a neighbour': {
    says: 'those sides as they are said',
    from: 'the tooth',
    of: ofUnit((u, c) =>
      cavityBoxes(c, u)
        .filter((b) => u[b].tooth)
        .join(' and '),
    ),
  },
  'number of boxes with a neighbour': {
    says: 'how many boxes meet a neighbour',
    from: 'the tooth',
    of: ofUnit((u, c) => besideBoxes(c, u).length),
  },
  'cavity depth': {
    says: 'how deep the cavity is: 4 where nobody has measured',
    from: 'the tooth',
    of: ofUnit(depthOf),
    unit: 'mm',
  },
  'depth measured': {
    says: 'somebody has measured how deep the cavity is',
    from: 'the tooth',
    of: ofUnit((u) => u.says('depthMm') !== undefined),
  },
  'base wanted': {
    says: 'enough amalgam is left over a base',
    from: 'reckoned',
    of: ofUnit((u) => underAmalgam(u.says('depthMm')).base),
  },
  'liner wanted': {
    says: 'the floor is truly deep',
    from: 'reckoned',
    of: ofUnit((u) => underAmalgam(u.says('depthMm')).liner),
  },
  'amalgam over a base': {
    says: 'how much amalgam is left over a base of about 1 mm',
    from: 'reckoned',
    of: ofUnit((u) => underAmalgam(u.says('depthMm')).leftMm),
    unit: 'mm',
  },
  'cavity volume': { says: 'how much goes into the cavity', from: 'reckoned', of: ofUnit((u, c) => volumeOf(c, u)) },
  'gum sore here': {
    says: 'what hurts where the gum of the tooth is touched',
    from: 'the tooth',
    of: ofUnit((u) => soreGum([u.tooth])),
  },
  'amalgam capsules': {
    says: 'capsules of amalgam for it',
    from: 'reckoned',
    of: (c, own) => amalgam(c, own).capsules,
  },
  'amalgam loads': { says: 'loads of the carrier', from: 'reckoned', of: (c, own) => amalgam(c, own).loads },
  'amalgam figure': { says: 'how that is reckoned', from: 'reckoned', of: (c, own) => amalgam(c, own).figure },
  'flowable for the beads': {
    says: 'flowable for the beads at the band',
    from: 'reckoned',
    of: (c, own) => injected(c, own).coolMl,
    unit: 'mL',
  },
  'warm flowable': { says: 'warm flowable', from: 'reckoned', of: (c, own) => injected(c, own).warmMl, unit: 'mL' },
  'warm compules': { says: 'compules of warm paste', from: 'reckoned', of: (c, own) => injected(c, own).compules },
  'injected amounts': { says: 'how that is reckoned', from: 'reckoned', of: (c, own) => injected(c, own).figure },
  'band height': {
    says: 'how high the band is, by the depth',
    from: 'reckoned',
    of: ofUnit((u) => bandHeight(depthOf(u))),
  },
  'band least': {
    says: 'the least height of the band, by the depth',
    from: 'reckoned',
    of: ofUnit((u) => bandHeight(depthOf(u)).value),
    unit: 'mm',
  },
} as const satisfies Record<string, Fact>

/** Boxes of the whole work, in all its teeth. */
export const boxesOfWork = {
  'boxes of the work': {
    says: 'proximal boxes of all its teeth together',
    from: 'reckoned',
    of: (c) => c.units.reduce((n, u) => n + boxesOf(surfacesOf(c, u)).length, 0),
  },
} as const satisfies Record<string, Fact>
