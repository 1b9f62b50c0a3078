import { rows, span } from './rule'

/** When a preparation is first looked at; said aloud, nothing is refused. */
export const cuttingRules = rows({
  'look.top': {
    title: 'First look at the top',
    value: 360,
    unit: 's',
    because: (s) => `the top of a root-filled molar is down by about ${span(s)}`,
    standing: 'C',
    from: 60,
    to: 1800,
  },
  'look.contacts': {
    title: 'First look at the contacts',
    value: 600,
    unit: 's',
    because: (s) => `both contacts are open by about ${span(s)}`,
    standing: 'C',
    from: 120,
    to: 2400,
  },
  'gold.placed': {
    title: 'Gold foil, placed by',
    value: 2400,
    unit: 's',
    because: (s) => `a foil takes 20–40 min to condense; ${span(s)} is when one asks what holds it up`,
    standing: 'C',
    from: 600,
    to: 5400,
  },
  'sheet.on': {
    title: 'Sheet on, a trained pair',
    value: 120,
    unit: 's',
    because: (s) => `a trained pair has the sheet on in about ${span(s)}`,
    standing: 'C',
    from: 30,
    to: 900,
  },
})
