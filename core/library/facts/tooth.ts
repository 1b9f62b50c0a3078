/** What is asked of one tooth. */
import { slowRound } from '../../measure/room'
import { soreTooth } from '../../measure/numbing'
import { functionalCusps, innerSide, isAnterior, isNarrow } from '../../teeth/arch'
import { dentineSealed } from '../handed-on'
import type { Case, Unit } from '../case'
import { ofUnit, type Fact } from './fact'

/** Where a dark tooth would show, a level margin goes under the gum, too. */
export const goesUnder = (u: Unit, c: Case): boolean =>
  c.asks('margin') === 'subgingival' || (c.asks('margin') === 'equigingival' && u.says('dark') === true)

/** A neighbour stands on one side at least. */
export const besides = (u: Unit): boolean => u.mesial.tooth !== null || u.distal.tooth !== null

export const toothFacts = {
  tooth: { says: 'the tooth', from: 'the tooth', of: ofUnit((u) => u.tooth) },
  label: {
    says: 'the tooth in two notations, where a mistake could hurt',
    from: 'the tooth',
    of: ofUnit((u) => u.label),
  },
  said: { says: 'the tooth as the practice writes it', from: 'the tooth', of: ofUnit((u) => u.said) },
  'tooth sore': {
    says: 'what hurts where this tooth is cut',
    from: 'the tooth',
    of: ofUnit((u) => soreTooth(u.tooth)),
  },
  'back tooth': { says: 'a premolar or molar, with cusps', from: 'the tooth', of: ofUnit((u) => u.cusps !== null) },
  'front tooth': { says: 'an incisor or canine', from: 'the tooth', of: ofUnit((u) => isAnterior(u.tooth)) },
  'functional cusps': {
    says: 'the cusps that carry the bite; a crossbite swaps them',
    from: 'reckoned',
    of: ofUnit((u, c) => functionalCusps(u.tooth, c.asks('crossbite'))?.functional),
  },
  'other cusps': {
    says: 'the cusps that only guide',
    from: 'reckoned',
    of: ofUnit((u, c) => functionalCusps(u.tooth, c.asks('crossbite'))?.other),
  },
  'inner side': {
    says: 'what the side toward the tongue is called',
    from: 'the tooth',
    of: ofUnit((u) => innerSide(u.tooth)),
    values: ['palatal', 'lingual'],
  },
  'neighbour mesial': {
    says: 'a neighbour stands mesial',
    from: 'the tooth',
    of: ofUnit((u) => u.mesial.tooth !== null),
  },
  'neighbour distal': {
    says: 'a neighbour stands distal',
    from: 'the tooth',
    of: ofUnit((u) => u.distal.tooth !== null),
  },
  'mesial neighbour': { says: 'which tooth that is', from: 'the tooth', of: ofUnit((u) => u.mesial.said) },
  'distal neighbour': { says: 'which tooth that is', from: 'the tooth', of: ofUnit((u) => u.distal.said) },
  'shade said': {
    says: 'the shade somebody has entered for the tooth, else that it is the one the dentist signs',
    from: 'the tooth',
    of: ofUnit((u) => {
      const shade = u.says('shade')
      return shade === undefined ? 'the shade as signed' : `shade ${shade}`
    }),
  },
  'shade laid': {
    says: 'the same as it stands beside what is laid out for the tooth',
    from: 'the tooth',
    of: ofUnit((u) => `${u.said}: ${u.says('shade') ?? 'shade as signed'}`),
  },
  dark: { says: 'the tooth is discoloured', from: 'the tooth', of: ofUnit((u) => u.says('dark') === true) },
  worn: { says: 'worn away, not decayed', from: 'the tooth', of: ofUnit((u) => u.says('worn') === true) },
  'edge covered': {
    says: 'the piece covers the biting edge',
    from: 'the tooth',
    of: ofUnit((u) => u.says('coveredEdge')),
  },
  'margin goes under the gum': {
    says: 'a margin that lies under the gum, or level with it on a dark tooth',
    from: 'reckoned',
    of: ofUnit(goesUnder),
  },
  'dentine sealed': {
    says: 'its dentine was sealed at the preparation',
    from: 'an earlier visit',
    of: ofUnit((u, c) => dentineSealed(c, u.tooth)),
  },
  'slow round': {
    says: 'the slow round that enters its box: never wider than that',
    from: 'the tooth',
    of: ofUnit((u) => slowRound(u.tooth)),
    unit: 'mm',
  },
  'second milk molar': { says: 'the last milk molar', from: 'the tooth', of: ofUnit((u) => u.tooth[1] === '5') },
  'edge widest': {
    says: 'the widest finisher for an edge on this tooth: nothing wide on a narrow one',
    from: 'reckoned',
    of: ofUnit((u) => (isNarrow(u.tooth) ? 1.2 : undefined)),
    unit: 'mm',
  },
} as const satisfies Record<string, Fact>
