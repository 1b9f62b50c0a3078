import { rows } from './rule'

const days = (n: number): string => `${n} working days`

export const followUpRules = rows({
  'recall.tissue': {
    title: 'Look at the tissue after surgery',
    value: 5,
    unit: 'working days',
    because: (n) => (n === 5 ? 'a week’s healing after tissue surgery' : `${days(n)} of healing after tissue surgery`),
    standing: 'C',
    from: 1,
    to: 60,
  },
  'recall.bonding': {
    title: 'Recall after bonding',
    value: 5,
    unit: 'working days',
    because: (n) => (n === 5 ? 'a week after bonding' : `${days(n)} after bonding`),
    standing: 'C',
    from: 1,
    to: 60,
  },
  'recall.bonded bridge': {
    title: 'Check of a bonded bridge',
    value: 130,
    unit: 'working days',
    because: (n) => (n === 130 ? 'six-monthly check of a bonded bridge' : `every ${days(n)}: check of a bonded bridge`),
    standing: 'C',
    from: 20,
    to: 300,
  },
  'recall.bite': {
    title: 'Has a high bite settled in a child',
    value: 20,
    unit: 'working days',
    because: () => 'a high bite settles in weeks',
    standing: 'C',
    from: 5,
    to: 80,
  },
  'recall.asleep': {
    title: 'Look at gum and crowns after anaesthesia',
    value: 10,
    unit: 'working days',
    because: (n) =>
      n === 10 ? 'a week or two after crowns under anaesthesia' : `${days(n)} after crowns under anaesthesia`,
    standing: 'C',
    from: 2,
    to: 60,
  },
  'surgeon.implants': {
    title: 'To the surgeon, implants',
    value: 10,
    unit: 'working days',
    because: () => 'implants to come',
    standing: 'C',
    from: 1,
    to: 120,
  },
  'core.impression': {
    title: 'Crown impression after a core',
    value: 5,
    unit: 'working days',
    because: () => 'the core is seen again before the final impression',
    standing: 'C',
    from: 1,
    to: 60,
  },
  'milled.delivery': {
    title: 'Delivery of what is milled in-house',
    value: 5,
    unit: 'working days',
    because: (n) =>
      n === 5 ? 'designed and milled in-house; back in a week' : `designed and milled in-house; back in ${days(n)}`,
    standing: 'C',
    from: 0,
    to: 60,
  },
  'metal bridge.try-in': {
    title: 'Try-in of a metal bridge',
    value: 5,
    unit: 'working days',
    because: (n) =>
      n === 5
        ? 'tried in at a week, before the metal is etched'
        : `tried in after ${days(n)}, before the metal is etched`,
    standing: 'C',
    from: 1,
    to: 60,
  },
  'metal bridge.delivery': {
    title: 'Delivery of an etched bridge',
    value: 5,
    unit: 'working days',
    because: () => 'the laboratory etches and sends it back',
    standing: 'estimate',
    from: 1,
    to: 60,
  },
})
