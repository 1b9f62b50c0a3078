import { rows, span } from './rule'

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
})
