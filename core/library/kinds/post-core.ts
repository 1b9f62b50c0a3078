/** J11: post, core and provisional on a front tooth, under the sheet throughout. */
import { postLines } from '../cuts/other-crowns'
import type { Kind } from '../kind'
import type { Parts } from '../part'

/** Three sides, one after the other; the first says why. */
const fromThreeSides = (stem: 'cure' | 'core-cure', name: string, as: 'light:post' | 'light:built core'): Parts => {
  const light = { at: 'post', name, least: 'cure.piece', of: 'core.dual-cure', as } as const
  return [
    ['light', { ...light, act: `${stem}-top`, side: 'top', i: 0 }],
    ['light', { ...light, act: `${stem}-cheek`, side: 'cheek side', i: 1 }],
    [
      'light',
      {
        ...light,
        act: `${stem}-inner`,
        side: { if: ['inner side', 'is', 'palatal'], use: 'palatal side', else: 'tongue side' },
        i: 2,
      },
    ],
  ]
}

export const postCore: Kind = {
  id: 'post.core',
  beforehand: [['records.shade:post']],
  work: [
    ['sheet on', { purpose: 'bonding' }],
    {
      each: 'first tooth',
      do: [
        ['post space'],
        // Silane, adhesive by points with the excess wicked off, dual-cure from the bottom, light from three sides.
        'post.silane',
        'post.strips',
        [
          'bond',
          {
            at: 'post',
            to: 'canal',
            cured: false,
            what: 'the canal and the tooth over it',
            dried: 'then {paper points} until one comes out dry',
          },
        ],
        ['root drawn', { step: 'post.inject', stage: 'post' }],
        ...fromThreeSides('cure', 'post cement, each of three sides', 'light:post'),
        'post.cut',
        ['root drawn', { step: 'post.core', stage: 'core' }],
        ...fromThreeSides('core-cure', 'built core, each of three sides', 'light:built core'),
        // The canal has just been filled: whatever the case says, nothing is alive in it.
        { cut: postLines, minutes: [8, 12, 20], with: { painless: true } },
        ['root drawn', { step: 'core.ferrule', stage: 'core' }],
        // A coat over the dentine that must shine.
        ['coat'],
      ],
    },
    ['sheet off'],
    {
      // Direct composite provisional in the shade of a tab made of the very material.
      each: 'first tooth',
      do: [
        'provisional.separate:core',
        'provisional.build',
        'provisional.trim:core',
        'provisional.load:core',
        'provisional.cement:core',
        'provisional.excess:core',
      ],
    },
  ],
  bites: ['provisional, out of contact'],
  followUps: [
    { title: 'Crown, impression', kind: 'crown.prepare', after: 'core.impression' },
    { kind: 'crown.deliver', title: 'Delivery of the $restoration', after: 'the laboratory' },
  ],
}
