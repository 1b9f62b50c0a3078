import { rows, span } from './rule'

/** Whose hands are where. Our opinion: shorter than a walk to another room, two words and back, the dentist stays and helps. */
export const handRules = rows({
  'dentist.away': {
    title: 'A stretch without the dentist is theirs to be elsewhere in, from',
    value: 600,
    unit: 's',
    because: (s) =>
      s === 0
        ? 'no stretch counts on the dentist as second pair of hands'
        : `under ${span(s)} the dentist stays and lends a hand`,
    standing: 'estimate',
    from: 0,
    to: 7200,
  },
})
