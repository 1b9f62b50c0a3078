import { kind } from './facts'

export const veneerKinds = {
  'veneer.prepare': kind({
    j: 'J06',
    title: 'Veneers, cord before cutting',
    group: 'Veneers',
    says: 'The tissue is pushed aside before the bur comes near it; the cord stays until after the impression.',
    dentition: 'permanent',
    most: 10,
    restorations: ['laminate veneer'],
    positions: [1, 5],
    lab: true,
  }),
  'laminate.prepare': kind({
    j: 'J16',
    title: 'Laminates for dark teeth, preparation',
    group: 'Veneers',
    says: 'Shade map, 0.5 mm depth cut with a pencil line, margin lowered for a dark tooth, two-body impression.',
    dentition: 'permanent',
    most: 10,
    restorations: ['laminate veneer'],
    positions: [1, 5],
    lab: true,
  }),
  'laminate.deliver': kind({
    j: 'J16',
    title: 'Laminates, delivery',
    group: 'Veneers',
    says: 'Tried in with water or glycerine, cement shade chosen, middle two first, cured edge, neck, behind.',
    dentition: 'permanent',
    most: 10,
    restorations: ['laminate veneer'],
    positions: [1, 5],
    delivers: 'laminates',
  }),
} as const
