import { kind } from './facts'

export const rootKinds = {
  'endo.core.crown': kind({
    j: 'J04',
    title: 'Root canal, core and crown in one visit',
    group: 'Roots and cores',
    family: 'root',
    file: 'endo-core-crown',
    prepares: true,
    builds: true,
    inHouse: true,
    says: 'Occlusal first, canals by length, master cone, core, axial cutting, scan, provisional.',
    dentition: 'permanent',
    most: 1,
    restorations: ['lithium disilicate crown', 'monolithic zirconia crown'],
    positions: [4, 8],
    lab: true,
  }),
  'post.core': kind({
    j: 'J11',
    title: 'Post, core and provisional, front tooth',
    group: 'Roots and cores',
    family: 'root',
    file: 'post-core',
    builds: true,
    post: true,
    says: 'Post space measured, post rehearsed, dual-cure core, ferrule, coat, provisional in the shade of its own tab.',
    dentition: 'permanent',
    most: 1,
    restorations: ['lithium disilicate crown', 'monolithic zirconia crown', 'metal-ceramic crown'],
    positions: [1, 3],
  }),
} as const
