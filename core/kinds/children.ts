import { kind } from './facts'

export const childKinds = {
  'primary.class3': kind({
    j: 'J17',
    title: 'Primary front tooth, class III',
    group: 'Children',
    says: 'One-third rules, halved strip, flowable, pulled tight until cured from both sides.',
    dentition: 'primary',
    most: 2,
    restorations: [],
    positions: [1, 3],
  }),
  'primary.metal-crown': kind({
    j: 'J19',
    title: 'Preformed metal crowns',
    group: 'Children',
    says: 'Conventional or sealed in without cutting; size tried, contoured, crimped, seated.',
    dentition: 'primary',
    most: 2,
    restorations: ['preformed metal crown'],
    positions: [4, 5],
  }),
  'primary.incisors': kind({
    j: 'J14',
    title: 'Primary incisors under general anaesthesia',
    group: 'Children',
    says: 'Throat pack in and out, fit sizes downward, pulp, cement, seat.',
    dentition: 'primary',
    most: 6,
    restorations: ['preveneered crown'],
    positions: [1, 3],
  }),
} as const
