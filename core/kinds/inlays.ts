import { kind } from './facts'

export const inlayKinds = {
  'inlay.prepare': kind({
    j: 'J12',
    title: 'Onlays and inlays, impression and provisional',
    group: 'Onlays and inlays',
    says: 'Cords under the sheet, back-up pellets, sheet folded away, dual-arch tray, painted provisional.',
    dentition: 'permanent',
    most: 4,
    restorations: ['ceramic inlay', 'ceramic onlay'],
    positions: [4, 8],
    lab: true,
  }),
  'inlay.deliver': kind({
    j: '–',
    title: 'Onlays and inlays, bonded',
    group: 'Onlays and inlays',
    says: 'Provisional out, sheet, tried in, bonded one by one, excess out while it moves.',
    dentition: 'permanent',
    most: 4,
    restorations: ['ceramic inlay', 'ceramic onlay'],
    positions: [4, 8],
    delivers: 'inlays or onlays',
  }),
  'gold.deliver': kind({
    j: 'J10',
    title: 'Gold inlay cemented, gold foil placed',
    group: 'Onlays and inlays',
    says: 'Sheet sealed to the last drop, foil annealed and malleted, inlay finished in the same sitting.',
    dentition: 'permanent',
    most: 3,
    restorations: [],
    positions: [3, 8],
    delivers: 'gold inlay',
  }),
} as const
