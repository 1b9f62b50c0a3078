import { compositePlugger, afterFilling } from './shared'
import { bondingSteps } from './bonding'
import { open, practice } from '../needs'
import type { Template } from '../template'

const place = { phase: 'restoring', fn: 'placing', place: 'mouth', helped: true } as const

export const fillingCuspsSteps = {
  'filling.$tooth.flow': {
    ...place,
    title: 'Thin {flowable} over the dentine only; the enamel edge stays free',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    needs: [open('composite.flowable', 0.3)],
    passes: ['{flowable}', '{probe} to spread it'],
    reason: practice('it backs the adhesive over dentine; on the enamel edge it would show and wear'),
  },
  'filling.$tooth.floor-$nth': {
    ...place,
    title: 'Floor layer $nth of $length: $mm mm',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    needs: [
      open('composite.universal', 0.4, { shade: '$(shade laid)' }),
      open('composite dispenser'),
      compositePlugger,
    ],
    passes: ['{composite}, $(shade said), on its instrument', '{plugger}'],
    figures: { if: ['$i', 'is', 0], use: ['$figure'] },
    mistakes: ['the floor filled in one piece: over 2 mm the light does not reach the bottom'],
  },
  'filling.$tooth.cusp-$cusp': {
    ...place,
    title: '$Cusp cusp, by itself',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    needs: [
      open('composite.universal', 0.3, { shade: '$(shade laid)' }),
      open('composite dispenser'),
      open('composite carver.fissure', 1, {
        words: 'fissure instrument',
        orElse: [{ what: 'composite carver', loss: 'its tip is too broad for a fissure' }],
      }),
      open('composite.flowable', 0.05),
      open('micro brush'),
      open('periodontal probe'),
    ],
    passes: [
      '{flowable}, a drop',
      '{composite}, $(shade said), on its instrument',
      '{micro brush} to shape it',
      '{probe}, flat along the slope',
      '{fissure instrument}',
    ],
    detail: 'The slopes meet in the fissure.',
  },
  'filling.$tooth.stain': {
    ...place,
    title: '{Stain in} the fissures, as the neighbour has it',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    fn: 'fissure seal',
    needs: [open('composite stain', 0.1), open('micro brush')],
    told: 'built up $label cusp by cusp',
    tell: afterFilling,
  },
  'filling.$tooth.clean': {
    ...place,
    title: 'Fissures cleaned by {powder jet}, $label',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    phase: 'cutting',
    fn: 'polishing',
    needs: [
      open('powder jet', 1, { orElse: [{ what: 'pumice', loss: 'does not reach the floor of a narrow fissure' }] }),
      open('powder'),
    ],
    reason: practice('nothing flavoured or oily before bonding'),
  },
  'light:thin flowable': {
    ...bondingSteps['light'],
    reason: practice('longer: adhesive and flowable are both being cured'),
  },
  'light:under glycerine': {
    ...bondingSteps['light'],
    title: '{Glycerine} over it, light $lightValue s',
    needs: [open('glycerine gel', 0.5), open('curing light'), open('light sleeve'), open('light shield')],
    reason: practice('without air the top layer sets too'),
  },
} as const satisfies Record<string, Template>
