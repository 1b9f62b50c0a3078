/** Which bur grooves, reduces, margins and finishes a crown, veneer or retainer; common practice unless the reason says otherwise. */
import { reason, round } from '../../figure'
import { tipDiameterMm, type Bur, type BurShape } from '../bur'
import type { EdgePart, Ledge } from '../cut-form'
import { isCutting, isFine, isShape, mm, near, roughness, type CutRule } from './fit'

/** A finisher is the twin of the bur before it within so much, mm. Common practice. */
const twinWithinMm = 0.1

/** Bulk is taken with a coarse diamond where one is owned: quicker and cooler; it is smoothed later. Common practice; worth
 * a tenth of a millimetre: the diameter that gauges the depth counts for more. */
const coarser = (b: Bur): number => (b.grit === 'coarse' ? 0.1 : 0)
/** What takes bulk off a top or an edge. */
const tapers: readonly BurShape[] = ['round-end taper', 'flat-end taper', 'rounded-shoulder taper']
/** What leaves, and follows, each form of margin: shapes, the bur of its wall in words, its finisher. */
const ledges: Record<Ledge, { shapes: readonly BurShape[]; wall: string; finisher: string }> = {
  chamfer: { shapes: ['round-end taper', 'torpedo'], wall: 'a round-end taper or torpedo', finisher: 'round-end' },
  shoulder: { shapes: ['flat-end taper'], wall: 'a flat-end taper', finisher: 'flat-end' },
  'rounded shoulder': {
    shapes: ['rounded-shoulder taper', 'flat-end taper'],
    wall: 'a taper with a flat end and round corners',
    finisher: 'round-cornered',
  },
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

export const crownRules = {
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
    wanted: (c) => ledges[c.after ?? 'chamfer'].wall,
    fit: (b, c) => {
      if (!isCutting(b)) return null
      const ledge = c.after ?? 'chamfer'
      if (!isShape(b, ...ledges[ledge].shapes)) return null
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
      if (!isCutting(b) || !isShape(b, ...ledges['rounded shoulder'].shapes) || tip < c.depthMm) return null
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
    wanted: (c) => `a fine or 12-flute ${ledges[c.after ?? 'chamfer'].finisher} taper`,
    fit: (b, c) => {
      if (!isFine(b) || !isShape(b, ...ledges[c.after ?? 'chamfer'].shapes)) return null
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
} as const satisfies Record<string, CutRule>
