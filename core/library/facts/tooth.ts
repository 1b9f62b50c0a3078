/** What is asked of one tooth. */
import { soreTooth } from '../../measure/numbing'
import { isNarrow } from '../../teeth/arch'
import { ofUnit, type Fact } from './fact'

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
  'edge widest': {
    says: 'the widest finisher for an edge on this tooth: nothing wide on a narrow one',
    from: 'reckoned',
    of: ofUnit((u) => (isNarrow(u.tooth) ? 1.2 : undefined)),
    unit: 'mm',
  },
} as const satisfies Record<string, Fact>
