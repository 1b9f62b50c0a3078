import { rows, span, type RuleRow } from './rule'

/** What one injection usually takes; handbooks of local anaesthesia, from memory. Children are dosed by weight. */
const volume = (title: string, value: number, of: string): RuleRow => ({
  title: `Volume, ${title}`,
  value,
  unit: 'mL',
  because: (mL: number) => `about ${mL} mL for ${of}`,
  standing: 'M',
  from: 0.1,
  to: 3.6,
})

export const anaesthesiaRules = rows({
  'topical.takes': {
    title: 'Topical takes',
    value: 60,
    unit: 's',
    because: (s) => (s === 60 ? 'topical 1–2 min before the needle' : `topical ${span(s)} before the needle`),
    standing: 'C',
    from: 30,
    to: 300,
  },
  'anaesthetic.block': {
    title: 'Anaesthetic takes, block',
    value: 300,
    unit: 's',
    because: (s) => `block: ${s === 300 ? '5–10 min' : span(s)} from needle to test`,
    standing: 'M',
    from: 120,
    to: 1200,
  },
  'anaesthetic.infiltration': {
    title: 'Anaesthetic takes, infiltration',
    value: 180,
    unit: 's',
    because: (s) => `infiltration: ${span(s)} from needle to test`,
    standing: 'M',
    from: 60,
    to: 900,
  },
  'volume.infiltration': volume('infiltration', 0.6, 'an infiltration'),
  'volume.palatal': volume('palatal infiltration', 0.2, 'a palatal infiltration'),
  'volume.nasopalatine': volume('nasopalatine block', 0.4, 'the nasopalatine nerve'),
  'volume.greater-palatine': volume('greater palatine block', 0.5, 'the greater palatine nerve'),
  'volume.inferior-alveolar': volume('lower block', 1.5, 'a lower block, tongue side with it'),
  'volume.long-buccal': volume('long buccal', 0.3, 'the long buccal nerve'),
  'volume.incisive': volume('incisive block', 0.6, 'the incisive and mental nerves'),
  'volume.tongue-side': volume('tongue-side infiltration', 0.3, 'a tongue-side infiltration'),
  'child.years': {
    title: 'A child is whoever is under',
    value: 18,
    unit: 'years',
    because: (years) => `under ${years} years the children’s ceilings count`,
    standing: 'C',
    from: 12,
    to: 21,
  },
  'child.kg': {
    title: 'As a child is dosed whoever weighs under',
    value: 50,
    unit: 'kg',
    because: (kg) => `under ${kg} kg the children’s ceilings count`,
    standing: 'C',
    from: 30,
    to: 70,
  },
})
