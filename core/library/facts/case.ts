/** What is asked of the whole work: its teeth together, its margin, its tissue, the patient. */
import { kindFacts } from '../../kinds'
import { soreGum, soreTooth } from '../../measure/numbing'
import { labels, teethOf, unitCount } from '../case'
import type { Fact } from './fact'

export const caseFacts = {
  jaw: { says: 'the jaw that is worked in', from: 'reckoned', of: (c) => c.jaw, values: ['upper', 'lower'] },
  'other jaw': { says: 'the jaw opposite', from: 'reckoned', of: (c) => (c.jaw === 'upper' ? 'lower' : 'upper') },
  teeth: { says: 'the teeth worked on, in two notations', from: 'the case', of: labels },
  'tooth codes': { says: 'the teeth worked on, for what is read of each', from: 'the case', of: teethOf },
  'number of teeth': { says: 'how many teeth are worked on', from: 'the case', of: (c) => c.units.length },
  'several teeth': { says: 'more than one tooth is worked on', from: 'the case', of: (c) => c.units.length > 1 },
  units: { says: 'units a laboratory would count: abutments and pontics', from: 'reckoned', of: unitCount },
  bridge: { says: 'a gap is bridged', from: 'the case', of: (c) => c.pontics.length > 0 },
  pontics: {
    says: 'the teeth that are replaced',
    from: 'the case',
    of: (c) => c.pontics.map((u) => u.label).join(', '),
  },
  restoration: { says: 'what is made', from: 'the case', of: (c) => c.restoration ?? undefined },
  framework: {
    says: 'what the framework of a bonded bridge is made of, where it may be one of several and somebody has said it',
    from: 'the case',
    of: (c) => ((c.kind.frameworks?.length ?? 0) > 1 ? (c.asks('framework') ?? undefined) : undefined),
  },
  'kind of work': { says: 'what kind of work it is', from: 'the case', of: (c) => c.kind.family },
  'bonded bridge': {
    says: 'a bonded bridge is or was made',
    from: 'an earlier visit',
    of: (c) => c.asks('earlier').some((e) => kindFacts(e.kind).family === 'bonded bridge') || c.pontics.length > 0,
  },
  'primary teeth': { says: 'milk teeth are worked on', from: 'the case', of: (c) => c.kind.dentition === 'primary' },
  'permanent teeth': {
    says: 'permanent teeth are worked on',
    from: 'the case',
    of: (c) => c.kind.dentition === 'permanent',
  },
  'bare and numbed': {
    says: 'a living tooth lies bare, and an anaesthetic was named for it',
    from: 'the case',
    of: (c) => c.asks('vital') && c.asks('anaesthetic') !== 'by technique',
  },
  'pulp alive': {
    says: 'the pulp is alive: cutting hurts, dentine is sore',
    from: 'the case',
    of: (c) => c.asks('vital'),
  },
  margin: {
    says: 'where the margin lies to the gum',
    from: 'the case',
    of: (c) => c.asks('margin'),
    values: ['supragingival', 'equigingival', 'subgingival'],
  },
  'margin at the gum': {
    says: 'the margin lies level with the gum or under it: what is done there touches it',
    from: 'the case',
    of: (c) => c.asks('margin') !== 'supragingival',
  },
  'margin hidden': {
    says: 'the margin lies under the gum: it cannot be looked at all round',
    from: 'the case',
    of: (c) => c.asks('margin') === 'subgingival',
  },
  'gum sore of the work': {
    says: 'what hurts where the gum of all its teeth is touched',
    from: 'the case',
    of: (c) => soreGum(teethOf(c)),
  },
  'teeth sore of the work': {
    says: 'what hurts where all its teeth are touched on dentine',
    from: 'the case',
    of: (c) => soreTooth(...teethOf(c)),
  },
  'wall missing': { says: 'a cusp or wall is gone', from: 'the case', of: (c) => c.asks('missingWall') },
  'all in enamel': { says: 'the preparation stays in enamel', from: 'the case', of: (c) => c.asks('inEnamel') },
  'teeth with the edge covered': {
    says: 'those teeth whose biting edge the piece covers',
    from: 'the tooth',
    of: (c) =>
      c.units
        .filter((u) => u.says('coveredEdge') === true)
        .map((u) => u.said)
        .join(', '),
  },
  'part-erupted': { says: 'the last tooth is not fully through', from: 'the case', of: (c) => c.asks('partErupted') },
  'piece on hand': { says: 'the laboratory’s piece is here', from: 'the case', of: (c) => c.asks('pieceOnHand') },
  crossbite: { says: 'the lower teeth bite outside the upper', from: 'the case', of: (c) => c.asks('crossbite') },
  'dark teeth': {
    says: 'a tooth is discoloured: the shade of the cement is chosen on it',
    from: 'the tooth',
    of: (c) => c.units.some((u) => u.says('dark') === true),
  },
  tinted: { says: 'the cement is tinted', from: 'the case', of: (c) => c.asks('tintPercent') > 0 },
  'eugenol before': {
    says: 'there was eugenol under the provisional',
    from: 'an earlier visit',
    of: (c) => c.asks('earlier').some((e) => e.uses.includes('provisional cement.eugenol')),
  },
  asleep: { says: 'done under general anaesthesia', from: 'the case', of: (c) => c.asleep },
} as const satisfies Record<string, Fact>
