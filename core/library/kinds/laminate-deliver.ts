/** J16, delivery: tried in with water or glycerine, cement shade chosen, middle two first, cured in turns, finished. */
import type { Kind } from '../kind'
import { weekAfter } from './shared'

const on = { at: 'delivery of the tooth', as: 'light:laminate' } as const

export const laminateDeliver: Kind = {
  id: 'laminate.deliver',
  work: [
    ['rolls'],
    {
      if: ['school.veneerProvisional', 'is', 'none'],
      do: ['delivery.clean:laminate'],
      else: [['provisional off', { how: 'cut' }]],
    },
    'delivery.try-in:laminate',
    'delivery.cement-shade',
    ['cords for bonding', { outStep: 'finishing.cords-out' }],
    // The fitting side: acid, silane over it, rinse. Times of one two-bottle method; the product's instructions win.
    'delivery.pieces-clean',
    'delivery.pieces-acid',
    'delivery.pieces-silane',
    'delivery.pieces-rinse',
    'delivery.pieces-bond',
    {
      // Laminate bonding 6 · 9 · 15 minutes each.
      each: 'tooth from the middle',
      do: [
        'delivery.$tooth.foil',
        [
          'bond',
          {
            at: 'delivery of the tooth',
            to: { if: 'all in enamel', use: 'enamel', else: 'enamel and dentine' },
            cured: false,
          },
        ],
        'delivery.$tooth.load:laminate',
        'delivery.$tooth.seat:laminate',
        // Cleared before any light: what the edge light has set is no longer brushed off.
        {
          if: ['school.resinExcess', 'is', 'tack and scrape'],
          do: [['resin excess', { at: 'delivery of the tooth' }]],
          else: [['resin excess', { at: 'delivery of the tooth', as: '$stem.excess:laminate' }]],
        },
        [
          'light',
          { ...on, act: 'cure-edge', name: 'laminate $said, edge', least: 'cure.laminate edge', where: 'edge' },
        ],
        'delivery.$tooth.neck',
        [
          'light',
          {
            ...on,
            act: 'cure-neck',
            name: 'laminate $said, neck',
            least: 'cure.piece',
            of: 'cement.veneer',
            where: 'neck',
          },
        ],
        [
          'light',
          {
            ...on,
            act: 'cure-behind',
            name: 'laminate $said, behind',
            least: 'cure.piece',
            of: 'cement.veneer',
            where: 'behind',
          },
        ],
        'delivery.$tooth.floss',
      ],
    },
    'delivery.missed-spots',
    { each: 'first tooth', do: ['finishing.neck', 'finishing.tabs'] },
    'finishing.wheels',
    'finishing.bite',
    'finishing.cords-out',
  ],
  bites: ['bonded piece'],
  followUps: [weekAfter('tissue round the laminates')],
}
