/** Where the margin runs, by what is made: what an impression, a provisional or a piece is read at, and where the wash goes. */
import { marginParts, marginPartsOf, type MarginPart } from '../../measure/inspection'
import { surfacesOf } from '../cavity'
import type { Case, Unit } from '../case'
import { isAnterior, neighbours } from '../../teeth/arch'
import type { Fact } from './fact'

function ofTooth(c: Case, u: Unit): MarginPart[] {
  const gap = new Set(c.pontics.map((p) => p.tooth))
  switch (c.kind.family) {
    case 'veneer':
      return marginPartsOf({ work: 'veneer', wrapped: u.says('coveredEdge') === true })
    case 'bonded bridge':
      return marginPartsOf({
        work: 'retainer',
        // Where it reaches round: toward the gap, not toward a neighbour that is gone besides.
        sides: (['mesial', 'distal'] as const).filter((s) => {
          const next = neighbours(u.tooth)[s].tooth
          return next !== null && gap.has(next)
        }),
      })
    case 'inlay':
      return marginPartsOf({ work: 'cavity', surfaces: surfacesOf(c, u) })
    default:
      return [...marginParts]
  }
}

/** Of all the teeth together: one form reads them. */
const ofWork = (c: Case): MarginPart[] => {
  const there = new Set(c.units.flatMap((u) => ofTooth(c, u)))
  return marginParts.filter((p) => there.has(p))
}

export const marginWords = (c: Case): string => {
  switch (c.kind.family) {
    case 'veneer':
      return c.units.some((u) => u.says('coveredEdge'))
        ? 'margin mesial, in front, distal and behind the covered edge'
        : 'margin mesial, in front and distal'
    case 'bonded bridge':
      return 'inner side, contact side and rest'
    case 'inlay':
      return 'every edge of the cavity'
    default:
      return 'eight margin parts'
  }
}

/** Where the syringe goes, in its order. */
function washPath(c: Case): string {
  const front = c.units.every((u) => isAnterior(u.tooth))
  const first = c.asks('margin') === 'supragingival' ? 'Margin' : 'Crevice'
  switch (c.kind.family) {
    case 'veneer':
      return `${first} first, then the front, the edge and the contacts`
    case 'bonded bridge':
      return 'Contact side first, then the ledge and the inner side'
    case 'inlay':
      return 'Gum edge of the box first, then the inner angles and the top'
    default:
      return front
        ? `${first} first, then line angles, the inner hollow and the edge`
        : c.units.some((u) => isAnterior(u.tooth))
          ? `${first} first, then line angles, edges and occlusal`
          : `${first} first, then line angles and occlusal`
  }
}

export const marginPartFacts = {
  'path of the wash': { says: 'where the wash goes first, and then', from: 'the case', of: washPath },
  'parts of the margin': {
    says: 'which parts of the margin exist, of eight: read one by one',
    from: 'reckoned',
    of: ofWork,
  },
  'margin parts': { says: 'the same in words', from: 'the case', of: marginWords },
} as const satisfies Record<string, Fact>
