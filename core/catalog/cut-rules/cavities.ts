/** Which bur opens, clears and shapes a cavity, a canal, a post space; common practice unless the reason says otherwise. */
import { reason } from '../../figure'
import type { BurShape } from '../bur'
import { isCutting, isFine, isShape, mm, near, type CutRule } from './fit'

export const cavityRules = {
  outline: {
    wanted: (c) =>
      c.surface === 'cervical'
        ? 'a rounded taper or round of about 1.2 mm'
        : 'a straight, tapered or pear bur of 0.8–1.2 mm',
    fit: (b, c) => {
      if (!isCutting(b)) return null
      const shapes: BurShape[] =
        c.surface === 'cervical' ? ['rounded taper', 'round'] : ['cylinder', 'pear', 'rounded taper', 'flat-end taper']
      if (!isShape(b, ...shapes) || b.diameterMm > 1.4 || b.diameterMm < 0.7 || b.shank === '204') return null
      return {
        distance:
          near(b, c.surface === 'cervical' ? 1.2 : 1) +
          shapes.indexOf(b.shape) * 0.15 +
          (b.material === 'carbide' ? 0 : 0.3),
        because: reason(
          `${b.shape} of ${mm(b.diameterMm)}: outlines the cavity ${c.surface === 'cervical' ? 'as a crescent, of even depth' : 'and leaves flat floor and walls'}`,
          'C',
        ),
      }
    },
  },
  access: {
    wanted: () => 'a round of 1.0–1.8 mm',
    fit: (b) =>
      isCutting(b) && b.shape === 'round' && b.shank !== '204' && b.diameterMm >= 1 && b.diameterMm <= 1.8
        ? {
            distance: near(b, 1.4),
            because: reason(`round of ${mm(b.diameterMm)}: drops through the roof of the chamber`, 'C'),
          }
        : null,
  },
  orifice: {
    wanted: () => 'a taper that does not cut at its end',
    fit: (b) =>
      b.shape === 'non-end-cutting taper'
        ? { distance: 0, because: reason('blunt end: opens the walls, cannot cut the floor of the chamber', 'C') }
        : null,
  },
  caries: {
    wanted: () => 'a slow round of 1.0 mm or more in the latch handpiece',
    fit: (b, c) =>
      b.shape === 'round' && b.shank === '204' && b.diameterMm >= 1
        ? {
            distance: near(b, Math.max(1, c.depthMm)),
            because: reason(
              `slow round of ${mm(b.diameterMm)}: the largest that enters takes soft dentine and stops on hard`,
              'C',
            ),
          }
        : null,
  },
  fissure: {
    wanted: () => 'a fine flame or needle no wider than 1.0 mm',
    fit: (b) =>
      isShape(b, 'flame', 'needle') && b.diameterMm <= 1
        ? {
            distance: (isFine(b) ? 0 : 0.3) + b.diameterMm / 10,
            because: reason(`${b.shape} of ${mm(b.diameterMm)}: opens the fissure and no more`, 'C'),
          }
        : null,
  },
  slice: {
    wanted: () => 'a thin taper, needle or flame no wider than 1.2 mm',
    fit: (b) =>
      isCutting(b) && isShape(b, 'needle', 'flame', 'flat-end taper') && b.diameterMm <= 1.2
        ? {
            distance: b.diameterMm,
            because: reason(`${b.shape} of ${mm(b.diameterMm)}: slices 2–5° off the contact and leaves no ledge`, 'C'),
          }
        : null,
  },
  draw: {
    wanted: () => 'a thin coarse or medium taper no wider than 1.2 mm',
    fit: (b) =>
      isCutting(b) && isShape(b, 'needle', 'flat-end taper', 'round-end taper') && b.diameterMm <= 1.2
        ? {
            distance: b.diameterMm + (b.grit === 'coarse' ? -0.3 : 0),
            because: reason(
              `thin ${b.grit} ${b.shape} of ${mm(b.diameterMm)}: gives draw between the two teeth, never past the facial`,
              'C',
            ),
          }
        : null,
  },
  ledge: {
    wanted: () => 'a small round of 1.0 mm or less',
    fit: (b) =>
      isCutting(b) && b.shape === 'round' && b.shank !== '204' && b.diameterMm <= 1
        ? {
            distance: near(b, 1),
            because: reason(`small round of ${mm(b.diameterMm)}: a seating ledge, sunk to half`, 'C'),
          }
        : null,
  },
  retention: {
    wanted: () => 'a ¼ round (0.5 mm)',
    fit: (b) =>
      b.shape === 'round' && b.diameterMm <= 0.6
        ? {
            distance: near(b, 0.5),
            because: reason(`round of ${mm(b.diameterMm)} sunk to half: a groove of ${mm(b.diameterMm / 2)}`, 'C'),
          }
        : null,
  },
  pit: {
    wanted: () => 'a teardrop or pear of about 1.0 mm',
    fit: (b) =>
      isShape(b, 'teardrop', 'pear')
        ? {
            distance: near(b, 1) + (b.shape === 'teardrop' ? 0 : 0.3),
            because: reason(`${b.shape} of ${mm(b.diameterMm)}: opens the pit with rounded walls`, 'C'),
          }
        : null,
  },
  undercut: {
    wanted: () => 'a small inverted cone',
    fit: (b) =>
      b.shape === 'inverted cone' && b.diameterMm <= 1
        ? {
            distance: b.diameterMm,
            because: reason(
              `inverted cone of ${mm(b.diameterMm)}: flat floor, and the undercut the first foil is wedged in`,
              'C',
            ),
          }
        : null,
  },
  'enamel bevel': {
    wanted: () => 'a flame or fine taper',
    fit: (b, c) =>
      isShape(b, 'flame', 'needle', 'round-end taper')
        ? {
            distance: (b.shape === 'flame' ? 0 : 0.3) + Math.abs(b.diameterMm - 2 * c.depthMm) / 10,
            because: reason(`${b.shape}: a bevel of ${mm(c.depthMm)} across the enamel ends`, 'C'),
          }
        : null,
  },
  'post space': {
    wanted: (c) => `post drills up to ${mm(c.depthMm)}`,
    fit: (b, c) =>
      b.shape === 'reamer'
        ? {
            // A drill of the next size is another drill: the one in hand is not kept for it.
            distance: Math.abs(b.diameterMm - c.depthMm) * 10,
            because: reason(
              `post drill of ${mm(b.diameterMm)}: in size order, slow, no force; it follows the canal`,
              'C',
            ),
          }
        : null,
  },
  'post cut': {
    wanted: () => 'a diamond taper or cylinder',
    fit: (b) =>
      b.material === 'diamond' && isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper', 'cylinder')
        ? {
            distance: Math.abs(b.diameterMm - 1.6),
            because: reason('diamond with water: a fibre post is cut, never nipped', 'C'),
          }
        : null,
  },
  split: {
    wanted: () => 'a crosscut taper or cylinder in carbide',
    fit: (b) =>
      b.material === 'carbide' && isCutting(b) && isShape(b, 'flat-end taper', 'cylinder', 'round-end taper', 'pear')
        ? {
            distance: (b.grit === 'crosscut' ? 0 : 0.4) + b.diameterMm / 10,
            because: reason(`${b.grit} carbide of ${mm(b.diameterMm)}: cuts through resin or metal in one line`, 'C'),
          }
        : null,
  },
  'seating groove': {
    wanted: () => 'a round or small taper of about 1.0 mm',
    fit: (b, c) =>
      isCutting(b) && isShape(b, 'round-end taper', 'flat-end taper', 'needle', 'round') && near(b, c.depthMm) <= 0.25
        ? {
            distance: near(b, c.depthMm),
            because: reason(
              `${mm(b.diameterMm)}: a seating groove ${mm(c.depthMm)} deep on the path of insertion`,
              'C',
            ),
          }
        : null,
  },
} as const satisfies Record<string, CutRule>
