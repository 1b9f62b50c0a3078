/** What each form of cut wants of a bur, and how well a bur fits; rotary practice, common practice unless the reason says otherwise. */
import { reason, round, type Reason } from '../figure'
import { tipDiameterMm, type Bur, type BurShape } from './bur'
import type { Cut, CutForm, EdgePart, Ledge } from './cut-form'

interface Fit {
  /** Lower is better; distances are in mm so that they compare. */
  distance: number
  because: Reason
}

const near = (b: Bur, depthMm: number): number => round(Math.abs(b.diameterMm - depthMm), 2)
/** Shape of a bur for the high-speed handpiece; a latch bur answers only the forms that ask for it by its shank. */
const isShape = (b: Bur, ...shapes: BurShape[]): boolean =>
  b.shank !== '204' && b.shank !== '104' && shapes.includes(b.shape)
const isFine = (b: Bur): boolean => ['fine', 'extra-fine', 'ultra-fine', '12-flute'].includes(b.grit)
const isCutting = (b: Bur): boolean => !isFine(b)
/** Crown walls and margins are cut with diamond; a carbide serves where no diamond does. */
const roughness = (b: Bur): number => (b.material === 'diamond' ? 0 : 1.5)
const mm = (value: number): string => `${round(value, 2)} mm`

/** A finisher is the twin of the bur before it within so much, mm. Common practice. */
const twinWithinMm = 0.1

/** Bulk is taken with a coarse diamond where one is owned: quicker and cooler; it is smoothed later. Common practice; worth
 * a tenth of a millimetre: the diameter that gauges the depth counts for more. */
const coarser = (b: Bur): number => (b.grit === 'coarse' ? 0.1 : 0)

/** What takes bulk off a top or an edge. */
const tapers: readonly BurShape[] = ['round-end taper', 'flat-end taper', 'rounded-shoulder taper']
/** What leaves, and follows, each form of margin. */
const ledgeShapes: Record<Ledge, readonly BurShape[]> = {
  chamfer: ['round-end taper', 'torpedo'],
  shoulder: ['flat-end taper'],
  'rounded shoulder': ['rounded-shoulder taper', 'flat-end taper'],
}
const wallWords: Record<Ledge, string> = {
  chamfer: 'a round-end taper or torpedo',
  shoulder: 'a flat-end taper',
  'rounded shoulder': 'a taper with a flat end and round corners',
}
const finisherWords: Record<Ledge, string> = {
  chamfer: 'round-end',
  shoulder: 'flat-end',
  'rounded shoulder': 'round-cornered',
}
/** A flat end serves for a rounded shoulder only where nothing with round corners does, mm of worse fit. */
const sharpCorner = (b: Bur, ledge: Ledge): number =>
  ledge === 'rounded shoulder' && b.shape === 'flat-end taper' ? 3 : 0

/** The finisher follows the surface: common practice. */
const edgeShapes: Record<EdgePart, readonly BurShape[]> = {
  top: ['football', 'flame', 'round-end taper'],
  inner: ['football', 'flame'],
  side: ['flame', 'needle'],
  neck: ['flame', 'needle', 'torpedo'],
}
const edgeWords: Record<EdgePart, string> = {
  top: 'follows slopes and fossae',
  inner: 'its curve is the concave side of a front tooth',
  side: 'slides along the contact and leaves it standing',
  neck: 'slides along the neck, the gum held away',
}

/**
 * One row a form of cut: what is asked for (said when nothing fits) and how well a bur fits, or null.
 * Figures of fit: rotary practice, standing C unless the reason says otherwise.
 */
export const cutRules: Record<CutForm, { wanted: (cut: Cut) => string; fit: (bur: Bur, cut: Cut) => Fit | null }> = {
  groove: {
    wanted: (c) => `a depth cutter or a bur within 0.2 mm of ${mm(c.depthMm)}`,
    fit: (b, c) => {
      if (
        !isCutting(b) ||
        !isShape(b, 'depth cutter', 'round', 'round-end taper', 'flat-end taper') ||
        near(b, c.depthMm) > 0.2
      )
        return null
      if (b.shape === 'depth cutter')
        return {
          distance: near(b, c.depthMm) - 0.3,
          because: reason(`depth cutter of ${mm(b.diameterMm)}: made for this groove, it cannot sink further`, 'C'),
        }
      return {
        distance: near(b, c.depthMm),
        because: reason(
          `${mm(b.diameterMm)} across: sunk to its full width it gauges a groove of ${mm(c.depthMm)}`,
          'C',
        ),
      }
    },
  },
  occlusal: {
    wanted: () => 'a coarse or medium taper or wheel of 1.4 mm or more',
    fit: (b, c) =>
      isCutting(b) && isShape(b, ...tapers, 'wheel') && b.diameterMm >= 1.4
        ? {
            distance: near(b, c.depthMm) - coarser(b),
            because: reason(
              `${mm(b.diameterMm)} head: its diameter is the gauge for ${mm(c.depthMm)} of occlusal reduction, one half at a time`,
              'C',
            ),
          }
        : null,
  },
  incisal: {
    wanted: () => 'a medium or coarse taper of 1.4 mm or more',
    fit: (b, c) =>
      isCutting(b) && isShape(b, ...tapers) && b.diameterMm >= 1.4
        ? {
            distance: near(b, c.depthMm),
            because: reason(`${mm(b.diameterMm)} head gauges the incisal reduction of ${mm(c.depthMm)}`, 'C'),
          }
        : null,
  },
  bevel: {
    wanted: () => 'a taper of medium or coarse grit',
    fit: (b) =>
      isCutting(b) && isShape(b, ...tapers)
        ? {
            distance: Math.abs(b.diameterMm - 1.6),
            because: reason('taper laid at 45° to the functional cusp, a bevel about 1.5 mm wide', 'C'),
          }
        : null,
  },
  axial: {
    wanted: (c) => wallWords[c.after ?? 'chamfer'],
    fit: (b, c) => {
      if (!isCutting(b)) return null
      const ledge = c.after ?? 'chamfer'
      if (!isShape(b, ...ledgeShapes[ledge])) return null
      const tip = tipDiameterMm(b)
      const lip = ledge === 'chamfer' && b.shape === 'round-end taper' && tip < 2 * c.depthMm
      return {
        distance:
          Math.abs(tip - (ledge === 'chamfer' ? 2 * c.depthMm : c.depthMm)) +
          sharpCorner(b, ledge) +
          (lip ? 1 : 0) +
          (b.shape === 'torpedo' ? 0.4 : 0) +
          roughness(b),
        because: reason(
          `${b.taperDeg > 0 ? `${b.taperDeg}° included taper: two walls on one path converge by just that` : 'parallel head: hold it to the path of insertion'}, and its tip already leaves the margin's form`,
          'calc',
        ),
      }
    },
  },
  contact: {
    wanted: () => 'a needle or flame no wider than 1.0 mm',
    fit: (b) =>
      isCutting(b) && isShape(b, 'needle', 'flame') && b.diameterMm <= 1
        ? {
            distance: b.diameterMm,
            because: reason(
              `${b.shape} of ${mm(b.diameterMm)}: passes the contact and leaves a thin wall of enamel toward the neighbour before any wider bur goes in`,
              'C',
            ),
          }
        : null,
  },
  'lingual concavity': {
    wanted: () => 'a football',
    fit: (b) =>
      isCutting(b) && b.shape === 'football'
        ? {
            distance: -coarser(b) - b.diameterMm / 100,
            because: reason('football: its curve is the concave lingual surface of an incisor or canine', 'C'),
          }
        : null,
  },
  chamfer: {
    wanted: (c) => `a round-end taper with a tip of ${mm(2 * c.depthMm)} or more`,
    fit: (b, c) => {
      if (!isCutting(b) || !isShape(b, 'round-end taper', 'torpedo')) return null
      const tip = b.shape === 'torpedo' ? b.diameterMm : tipDiameterMm(b)
      if (tip < 2 * c.depthMm) return null
      return {
        distance: tip - 2 * c.depthMm + (b.shape === 'torpedo' ? 0.3 : 0) + roughness(b),
        because: reason(
          `tip ${mm(tip)} is at least twice the ${mm(c.depthMm)} chamfer: no more than half of it sinks, so no unsupported lip of enamel is left`,
          'calc',
        ),
      }
    },
  },
  shoulder: {
    wanted: (c) => `a flat-end taper with a tip of ${mm(c.depthMm)} or more`,
    fit: (b, c) => {
      const tip = tipDiameterMm(b)
      if (!isCutting(b) || b.shape !== 'flat-end taper' || tip < c.depthMm) return null
      return {
        distance: tip - c.depthMm + roughness(b),
        because: reason(`flat end of ${mm(tip)} covers the ${mm(c.depthMm)} shoulder in one pass`, 'C'),
      }
    },
  },
  'rounded shoulder': {
    wanted: (c) => `a taper with a flat end and round corners, its tip ${mm(c.depthMm)} or more`,
    fit: (b, c) => {
      const tip = tipDiameterMm(b)
      if (!isCutting(b) || !isShape(b, ...ledgeShapes['rounded shoulder']) || tip < c.depthMm) return null
      return {
        distance: tip - c.depthMm + sharpCorner(b, 'rounded shoulder') + roughness(b),
        because:
          b.shape === 'flat-end taper'
            ? reason('no end with round corners is owned: the inner angle is left sharp, round it after', 'C')
            : reason(
                `flat end of ${mm(tip)} with round corners: a ceramic that is pressed or bonded breaks from a sharp inner angle`,
                'C',
              ),
      }
    },
  },
  finish: {
    wanted: (c) => `a fine or 12-flute ${finisherWords[c.after ?? 'chamfer']} taper`,
    fit: (b, c) => {
      if (!isFine(b) || !isShape(b, ...ledgeShapes[c.after ?? 'chamfer'])) return null
      const twin = c.twinOf
      if (!twin)
        return {
          distance: (b.grit === 'fine' ? 0 : 0.2) + (b.shape === 'torpedo' ? 0.3 : 0) - b.diameterMm / 100,
          because: reason(`same shape in ${b.grit}: smooths the line without moving it`, 'C'),
        }
      // A wider one moves the line, a narrower one leaves a second inside it; another shape leaves another line.
      const over = round(b.diameterMm - twin.diameterMm, 2)
      const is = b.shape === twin.shape && Math.abs(over) <= twinWithinMm
      return {
        distance:
          (b.grit === 'fine' ? 0 : 0.05) +
          (b.shape === twin.shape ? 0 : 2) +
          (over > twinWithinMm ? 4 : 2) * Math.abs(over),
        because: is
          ? reason(`the twin of the bur that cut the margin, in ${b.grit}: smooths the line without moving it`, 'C')
          : reason(
              `no ${twin.shape} of ${mm(twin.diameterMm)} in fine is owned: the nearest, ${mm(b.diameterMm)}; look for a second line inside the first`,
              'C',
            ),
      }
    },
  },
  edge: {
    wanted: (c) => `a fine or 12-flute ${edgeShapes[c.part ?? 'top'].join(' or ')}`,
    fit: (b, c) => {
      const part = c.part ?? 'top'
      const shapes = edgeShapes[part]
      if (!isFine(b) || !isShape(b, ...shapes)) return null
      return {
        distance: shapes.indexOf(b.shape) * 0.6 + b.diameterMm / 10,
        because: reason(`${b.grit} ${b.shape} of ${mm(b.diameterMm)}: ${edgeWords[part]}`, 'C'),
      }
    },
  },
  'facial reduction': {
    wanted: () => 'a medium round-end taper or torpedo',
    fit: (b, c) =>
      isCutting(b) && isShape(b, 'round-end taper', 'torpedo')
        ? {
            distance: Math.abs(tipDiameterMm(b) - Math.max(0.6, 2 * c.depthMm)) + (b.shape === 'torpedo' ? 0.1 : 0),
            because: reason(
              `${mm(b.diameterMm)} ${b.shape}: takes what stands between the grooves and leaves the chamfer's round line`,
              'C',
            ),
          }
        : null,
  },
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
}
