import { rows, span } from './rule'

/**
 * How long a dentist's own code counts on the device it was given on. Six digits between gloved fingers and etched, dry teeth
 * are no safety; that another hand signs is kept off by the device, which asks again when anybody else has touched it. Our
 * estimate; what no card takes off asks for the code each time until a practice says otherwise.
 */
export const signingRules = rows({
  'sign.within': {
    title: 'The dentist signs by a touch, after the own code was given on the own device',
    value: 600,
    unit: 's',
    because: (s) => (s === 0 ? 'the code is asked each time' : `within ${span(s)} of the code, on the own device`),
    standing: 'estimate',
    from: 0,
    to: 1800,
  },
  'sign.within.mandatory': {
    title: 'The same for what no card takes off',
    value: 0,
    unit: 's',
    because: (s) => (s === 0 ? 'the code is asked each time' : `within ${span(s)} of the code, on the own device`),
    standing: 'estimate',
    from: 0,
    to: 1800,
  },
})
