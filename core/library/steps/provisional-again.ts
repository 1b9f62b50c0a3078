import { relining } from './shared'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const chair = { phase: 'provisional', fn: 'chairside', place: 'chair' } as const
const bench = { phase: 'provisional', fn: 'provisional making', place: 'bench' } as const
const mouth = { phase: 'provisional', fn: 'chairside', place: 'mouth', helped: true } as const

export const provisionalAgainSteps = {
  'again.ask': {
    ...chair,
    title: 'Ask: off since when, what was bitten on, sore, anything swallowed',
    minutes: [0.5, 1, 2],
    told: 'asked since when the provisional had been off',
    cautions: [
      reason(
        'Not found, and coughed or short of breath since: it may have been breathed in; the dentist at once, before anything else',
        'C',
      ),
    ],
    reason: practice(
      'teeth move within days of standing free: the longer it was off, the less the piece from the laboratory can be counted on',
    ),
  },
  'again.piece': {
    ...bench,
    title: 'Look the piece over, and where the old {cement} stayed',
    minutes: [0.5, 1, 2],
    fn: 'chairside',
    needs: [open('magnifier'), open('thickness gauge')],
    told: 'looked the provisional over',
    detail:
      'Cracked, worn through, edge chipped? One that is lost or beyond a reline is made anew, as an interim crown; the mould of the first visit serves where it was kept.',
    reason: practice('cement all in the piece: it let go of the tooth, which is short or was damp'),
  },
  'again.tooth': {
    ...mouth,
    title: 'Look at $teeth: edge, gum, neighbours',
    minutes: [0.5, 1, 3],
    fn: 'look',
    detail:
      'Loose but still on: off first, {haemostat} and {roll}, rocked, {gauze} behind it. Then: a crack, soft dentine, gum over the edge, neighbours as near as before?',
    passes: ['{mirror}', '{explorer}'],
    needs: [open('mirror'), open('explorer'), standby('haemostat', 'it is loose but still on')],
    told: 'looked at $teeth before covering it again',
    cautions: [reason('A loose provisional can be swallowed: {gauze} behind it', 'C')],
    hold: {
      name: 'clean',
      title: 'Tooth and piece can go on as they are',
      evidence: 'edge, dentine, gum and neighbours, with the piece in hand',
      because: practice(
        'a tooth that has cracked, or moved so far that the new piece will not go down, is found today and not on the day of delivery',
      ),
      mandatory: true,
    },
  },
  'again.clean': {
    ...mouth,
    title: 'Clean $teeth: old {cement} off, {pumice} and lukewarm water, rinse',
    minutes: [1, 2, 3],
    cleans: true,
    fn: 'polishing',
    hurts: { if: 'bare and numbed', use: '$(teeth sore of the work)' },
    passes: ['{scaler}', '{cup} with {pumice}'],
    needs: [open('scaler'), open('pumice'), open('prophy cup'), open('slow handpiece')],
    told: 'cleaned $teeth of {provisional cement}',
    cautions: {
      if: 'pulp alive',
      use: [
        reason(
          'Open dentine is sore: lukewarm water, no air, dried with a {roll}; where that is not borne the dentist numbs first',
          'C',
        ),
      ],
    },
  },
  'again.inside': {
    ...bench,
    title: 'Old {cement} out of the piece, {spoon excavator}; edge left whole',
    minutes: [1, 1.5, 3],
    needs: [open('spoon excavator'), ...relining],
    told: 'cleaned the provisional inside',
    mistakes: ['a cutter inside: it goes on loose, and rocks'],
  },
} as const satisfies Record<string, Template>
