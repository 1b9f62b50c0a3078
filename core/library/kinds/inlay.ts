/** J12: onlays and inlays, impression and provisional; and their bonded delivery. */
import { inlayLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { shade, shadeOnTooth, underSheet, weekAfter } from './shared'

const side = {
  at: 'delivery of the tooth',
  name: 'inlay $said, each side',
  least: 'cure.piece',
  of: 'cement.resin',
  as: 'light:side',
} as const

export const inlayPrepare: Kind = {
  id: 'inlay.prepare',
  beforehand: [
    shade,
    [
      ['painted tray'],
      { if: ['school.inlayProvisional', 'is', 'bis-acryl'], do: [['provisional mould']] },
      ['opposing arch'],
    ],
  ],
  work: [
    ['sheet on', { purpose: 'bonding' }],
    { cut: inlayLines, minutes: [10, 16, 28] },
    ['reduction check', { as: 'cutting.reduction-check:inlay' }],
    {
      // Dentine sealed at once: the bond to fresh dentine; the sticky layer then has to go before silicone and bis-acryl.
      if: ['school.dentineSeal', 'is', 'at delivery'],
      do: [
        {
          absent: 'dentine seal',
          because: 'the dentist’s choice: nothing on the dentine until the piece is bonded',
          standing: 'practice',
        },
      ],
      else: [
        ['bond', { at: 'inlay', to: 'fresh dentine' }],
        [
          'light',
          {
            at: 'inlay',
            act: 'seal-glycerine',
            name: 'dentine seal, under glycerine',
            least: 'cure.adhesive',
            of: '$(bottle)',
            as: 'light:glycerine over the seal',
          },
        ],
      ],
    },
    // Paste is bitten on and rinsed at once: clamp and frame are off before it. Cords go in with the sheet folded away.
    { if: ['school.cord', 'is', 'paste'], do: [['sheet off']], else: [{ if: underSheet, do: ['isolation.fold'] }] },
    {
      if: 'boxes of the work',
      do: [['cords', { in: 'boxes' }]],
      else: [{ absent: 'cord', because: 'no proximal box: nothing under the tissue' }],
    },
    // Off and counted before anything is bitten on: a tray closes on no clamp.
    { if: ['school.cord', 'is not', 'paste'], do: [['sheet off']] },
    // The patient bites on gauze while the cords dwell; then the pellets are out and the tray is ready.
    ['gauze on the cords', { in: 'boxes' }],
    ['final impression', { in: 'boxes' }],
    {
      // The provisional by the school picked; resin-sealed dentine makes the separator a hold.
      if: ['school.inlayProvisional', 'is', 'bis-acryl'],
      do: [
        ['provisional made', { sealed: { if: ['school.dentineSeal', 'is', 'at once'], use: true, else: false } }],
        ['provisional trimmed'],
        ['provisional fitted'],
      ],
      else: [
        'provisional.separate:inlay',
        {
          if: ['school.inlayProvisional', 'is', 'painted'],
          do: [
            // Stopping holds the boxes until delivery, and is counted out there.
            { if: 'boxes of the work', do: ['provisional.stopping'] },
            'provisional.paint',
          ],
          else: ['provisional.soft'],
        },
        'provisional.check',
      ],
    },
  ],
  bites: ['provisional, out of contact'],
  followUps: [{ kind: 'inlay.deliver', title: 'Delivery of the $restoration', after: 'the laboratory' }],
}

/** One piece after the other: the tooth bonded, seated, excess out while it moves, light from three sides. */
export const inlayDeliver: Kind = {
  id: 'inlay.deliver',
  sheet: underSheet,
  work: [
    ['sheet on', { purpose: 'bonding' }],
    ['provisional off', { how: 'flick' }],
    ['try-in', { what: '$restoration', as: 'delivery.try-in:inlay', bitten: false }],
    ...shadeOnTooth,
    [
      'piece cleaned',
      {
        what: {
          pick: [['several teeth', 'pieces'], [['restoration', 'is', 'ceramic onlay'], 'onlay'], ['inlay']],
        },
      },
    ],
    ['piece primed'],
    {
      each: 'tooth',
      do: [
        {
          if: 'dentine sealed',
          do: [['pumice', { at: 'delivery of the tooth', as: '$stem.pumice:inlay' }]],
          else: [['pumice', { at: 'delivery of the tooth' }]],
        },
        ['bond', { at: 'delivery of the tooth', to: 'cavity', cured: false, dualCure: true }],
        'delivery.$tooth.load:inlay',
        'delivery.$tooth.seat:inlay',
        ['resin excess', { at: 'delivery of the tooth' }],
        ['light', { ...side, act: 'cure-occlusal', side: 'occlusal' }],
        ['light', { ...side, act: 'cure-buccal', side: 'buccal' }],
        ['light', { ...side, act: 'cure-$(inner side of the jaw)', side: '$(inner side of the jaw)' }],
        ['contacts flossed'],
      ],
    },
    { each: 'first tooth', do: ['finishing.edges:inlay'] },
    'finishing.edges-polish',
    ['sheet off'],
  ],
  afterSheet: [['bite', { stage: 'bonded piece', step: 'delivery.bite:bonded' }]],
  bites: ['bonded piece'],
  followUps: [weekAfter('bite and sensitivity')],
}
