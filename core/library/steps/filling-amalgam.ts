import { fillingSteps } from './filling'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const place = { phase: 'restoring', fn: 'placing', place: 'mouth', helped: true } as const
const finishing = { phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true } as const

export const fillingAmalgamSteps = {
  'filling.$tooth.liner': {
    ...place,
    title: '{Liner} on the deepest spot',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    passes: ['{liner} on its {carrier}'],
    needs: {
      if: ['cavity depth', 'at least', 3],
      use: [open('liner', 0.2), open('liner carrier')],
      else: [standby('liner', 'the floor is close to the pulp', 0.2), open('liner carrier')],
    },
    reason: practice({
      if: ['cavity depth', 'at least', 3],
      use: 'deep: the floor is close to the pulp',
      else: 'stands by: opened where the floor is deep',
    }),
    mistakes: ['eugenol {liner} where resin follows one day: say it in the record'],
  },
  'filling.$tooth.base-mix': {
    ...place,
    title: 'Mix the {base cement}, powder to liquid 1 : 1',
    minutes: [0.3, 0.5, 0.75],
    tooth: '$tooth',
    fn: 'chairside',
    place: 'bench',
    helped: false,
    needs: [open('base cement', 1), open('mixing pad'), open('mixing spatula')],
  },
  'filling.$tooth.base': {
    ...place,
    title: 'Base in, smooth floor',
    minutes: [0.5, 0.8, 1.5],
    tooth: '$tooth',
    passes: ['base on the {plugger}'],
    asks: [{ reading: 'base', teeth: ['$tooth'] }],
    needs: [open('amalgam condenser')],
    figures: [
      {
        name: 'base',
        value: 1,
        unit: 'scoop to 1 drop',
        text: 'one scoop of powder to one drop of liquid',
        standing: 'C',
      },
    ],
  },
  'filling.$tooth.triturate': {
    ...place,
    title: '{Triturate}; the capsule opened {over the well}',
    minutes: [0.2, 0.3, 0.5],
    tooth: '$tooth',
    place: 'bench',
    fn: 'chairside',
    helped: false,
    needs: [
      open('amalgam capsule', '$(amalgam capsules)'),
      standby('amalgam capsule', 'the cavity is deeper than planned'),
      open('triturator'),
      open('amalgam well'),
    ],
    figures: ['$(cavity volume)', '$(amalgam figure)'],
    cautions: [reason('Waste amalgam and capsules by local rules; never the sink', 'C')],
  },
  'filling.$tooth.condense': {
    ...place,
    title: '{Carrier} and {condenser} alternately: box first, {small condenser}, then larger',
    minutes: [1.5, 2.5, 4],
    tooth: '$tooth',
    detail: 'About $(amalgam loads) {carrier} loads.',
    told: 'condensed amalgam in $label, $surfaces',
    passes: ['{carrier}', '{small condenser}', '{carrier}', '{large condenser}'],
    needs: [open('amalgam carrier'), open('amalgam condenser'), open('amalgam condenser.large')],
    ties: [
      {
        from: 'filling.$tooth.triturate',
        fromEdge: 'finish',
        toEdge: 'finish',
        closes: 'amalgam.workable',
        warns: 'amalgam.warns',
        title: 'Amalgam workable',
        whenMissed: 'it crumbles under the {condenser}: out with it, a fresh capsule',
        again: ['filling.$tooth.triturate', 'filling.$tooth.condense'],
      },
    ],
    mistakes: ['a dry crumbling mix pressed on: it pits'],
  },
  'filling.$tooth.carve': {
    ...place,
    title: 'Burnish, explore the ridge, carve the top',
    minutes: [1.5, 2.5, 5],
    tooth: '$tooth',
    passes: ['{burnisher}', '{explorer}', '{discoid carver}'],
    needs: [open('burnisher.ball'), open('amalgam carver', 2), open('explorer')],
    mistakes: ['carved too deep: the fissure fractures'],
  },
  'filling.$tooth.sides': {
    ...place,
    title: 'Carve the sides and the gum edge while it cuts',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    passes: ['{interproximal carver}', '{explorer}'],
    needs: [open('interproximal carver')],
  },
  'filling.$tooth.wet-roll': {
    ...place,
    title: 'Wipe with a wet {roll}',
    minutes: [0.2, 0.3, 0.5],
    tooth: '$tooth',
    fn: 'chairside',
    needs: [open('cotton roll', 2)],
  },
  'finishing.roll': {
    ...finishing,
    title: 'Smooth with a wet {roll}; upright, rinse',
    minutes: [0.3, 0.5, 1],
    fn: 'rinse',
    needs: [open('cotton roll')],
  },
  'filling.$tooth.bite:amalgam': {
    ...fillingSteps['filling.$tooth.bite'],
    title: 'Bite on $label: closed without clenching, carved until even',
    tell: 'The filling is hard by tomorrow. Chew on the other side until then. Call us if it feels high.',
    passes: ['{paper}', '{carver}'],
  },
} as const satisfies Record<string, Template>
