import { onSpot } from './shared'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

/** A light held on for its seconds, wherever it is. */
const light = {
  ...onSpot,
  fn: 'curing',
  asks: [{ reading: 'light', teeth: '$teeth' }],
  title: 'Light $lightValue s, $label',
  minutes: '$minutesOf',
  needs: [open('curing light'), open('light sleeve'), open('light shield')],
  ties: ['$lasting'],
  figures: ['$light'],
  cautions: [reason('{Eye shield} for all three; the tip close and still', 'C')],
  id: '$id',
} as const

export const bondingSteps = {
  '$stem.etch': {
    ...onSpot,
    wantsClean: 'a bond',
    fn: 'etching',
    title: 'Etch $what $seconds s, $label',
    told: 'etched $label for $seconds s',
    minutes: '$minutesOf',
    passes: ['{etchant}, tip bent'],
    needs: [
      open('etchant', 0.3),
      open('micro brush'),
      { if: { not: ['$of', 'is', 'total'] }, use: [standby('neighbour tape', 'a neighbour stands close')] },
    ],
    ties: ['$lasting'],
    reason: '$because',
    cautions: [reason('Acid on soft tissue burns white: {suction} at hand, wipe and rinse at once', 'C')],
    mistakes: {
      if: {
        any: [
          ['$of', 'is', 'total'],
          ['$of', 'is', 'enamel, then dentine'],
        ],
      },
      use: ['dentine left under the acid over 15 s: the bond suffers'],
      else: ['acid run onto the neighbour: {thin tape} between'],
    },
  },
  '$stem.etch-rinse': {
    ...onSpot,
    fn: 'rinse',
    title: 'Rinse $rinseS s, $dried',
    detail: {
      if: ['$of', 'is', 'enamel'],
      use: 'Frosted and dull is etched; a shiny patch is etched 30 s more.',
      else: 'Dried with short blows; dentine is not bleached out.',
    },
    minutes: '$minutesOf',
    passes: ['water', '{high-volume suction}', 'air'],
    ties: [{ lasts: '$rinse', title: 'Rinse' }],
    hold: '$hold',
    mistakes: ['wet with spit after drying: etched again'],
  },
  light,
  'light:side': { ...light, title: 'Light $lightValue s, $side, $label' },
  'light:one side': { ...light, title: 'Light $lightValue s, $side' },
  '$stem.pumice': {
    ...onSpot,
    cleans: true,
    fn: 'polishing',
    title: '{Pumice} and water, rinse: $label',
    told: 'cleaned $label with {pumice} and water',
    minutes: [0.5, 1, 2],
    passes: ['{cup} with {pumice}'],
    needs: [open('pumice'), open('prophy cup'), open('slow handpiece'), open('dappen dish')],
    reason: practice('nothing flavoured or oily before bonding'),
    mistakes: ['flavoured paste: its oil stays and the bond lifts'],
  },
  '$stem.excess': {
    ...onSpot,
    fn: 'excess removal',
    title: {
      if: '$tack',
      use: 'Tack about 1 s, then scrape and break the excess away, $label',
      else: '{Brush} the excess clean, cure in turns, $label',
    },
    told: 'removed the excess resin on $label',
    hurts: {
      if: { all: [['kind of work', 'is', 'crown'], 'margin at the gum'] },
      use: '$(gum sore of the work)',
    },
    detail: '{Floss} while it can still move; knotted {floss} pulled through sideways.',
    minutes: [0.5, 1, 2],
    passes: { if: '$tack', use: ['light', '{scaler}', '{floss}'], else: ['{brush}', '{floss}', 'light'] },
    needs: [
      open('curing light'),
      open('light shield'),
      open('floss', 300),
      { if: '$tack', use: [open('scaler')], else: [open('clean-up brush', 2)] },
      standby('scalpel', 'a flash has set'),
    ],
    reason: practice({
      if: '$tack',
      use: 'let it gel, then it breaks away; wiped wet it drags out of the joint',
      else: 'thin edges: brushed clean, a scaler would chip them',
    }),
    mistakes: [
      {
        if: '$tack',
        use: 'tacked too long: the contact is cemented shut',
        else: 'joint wiped empty: {brush} along it, never across',
      },
    ],
  },
} as const satisfies Record<string, Template>
