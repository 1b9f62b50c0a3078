/** J01: bonded ceramic bridge on a front gap, preparation and delivery. */
import { ceramicRetainerLines } from '../cuts/enamel'
import type { Kind } from '../kind'
import { halfYear, shade, shadeOnTooth, weekAfter } from './shared'

export const bridgeCeramicPrepare: Kind = {
  id: 'bridge.ceramic.prepare',
  deciding: ['records.place'],
  beforehand: [shade, [['painted tray'], ['opposing arch']]],
  work: [
    ['rolls'],
    { cut: ceramicRetainerLines, minutes: [5, 8, 14] },
    'cutting.retainer-check',
    ['cords'],
    ['final impression'],
    'records.pontic-note',
  ],
  bites: ['room', 'no provisional'],
  followUps: [{ kind: 'bridge.ceramic.deliver', title: 'Delivery of the bonded bridge', after: 'the laboratory' }],
}

/** Conditioned, seated, tacked, scraped, flossed, cured 60 s front and back of each retainer. */
export const bridgeCeramicDeliver: Kind = {
  id: 'bridge.ceramic.deliver',
  work: [
    ['try-in', { what: 'bridge', as: 'delivery.try-in:ceramic bridge', bitten: false }],
    ...shadeOnTooth,
    ['sheet on', { purpose: 'bonding', tied: '$(tooth codes)' }],
    ['piece cleaned', { what: 'bridge' }],
    ['piece primed'],
    'delivery.piece-adhesive',
    'delivery.alcohol',
    ['pumice', { at: 'delivery' }],
    'delivery.antiseptic:ceramic bridge',
    [
      'bond',
      {
        at: 'delivery',
        to: { if: 'all in enamel', use: 'enamel', else: 'enamel and dentine' },
        cured: false,
        dualCure: true,
        frosted: true,
      },
    ],
    'delivery.load:ceramic bridge',
    { each: 'first tooth', do: ['delivery.seat:ceramic bridge'] },
    ['resin excess', { at: 'delivery' }],
    {
      each: 'tooth',
      do: [
        ['retainer light', { side: 'front' }],
        ['retainer light', { side: 'back' }],
      ],
    },
    ['sheet off'],
    { each: 'first tooth', do: ['finishing.edges'] },
    'finishing.edges-wheel',
    'finishing.threader',
    'finishing.foil',
  ],
  bites: ['bonded bridge'],
  followUps: [weekAfter('floss under the pontic, tissue, bite'), halfYear],
}
