/** A provisional that came off or is loose between two visits: looked at, cleaned, tried in and cemented again. */
import { reason } from '../figure'
import { acts, open, practice, sequence, standby, type Block } from '../library/build'
import { labels, type Case } from '../library/case'
import { rolls } from '../phases/isolation'
import { fitProvisional, relining } from '../phases/provisional-fit'
import type { VisitKind } from './kind'

const chair = acts({ phase: 'provisional', fn: 'chairside', place: 'chair' })
const bench = acts({ phase: 'provisional', fn: 'provisional making', place: 'bench' })
const mouth = acts({ phase: 'provisional', fn: 'chairside', place: 'mouth', helped: true })

/** What is asked and looked at before anything is cleaned: where the cement stayed is gone once it is. */
const lookedAt = (c: Case): Block =>
  sequence(
    chair('again.ask', 'Ask: off since when, what was bitten on, sore, anything swallowed', [0.5, 1, 2], {
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
    }),
    bench('again.piece', 'Look the piece over, and where the old cement stayed', [0.5, 1, 2], {
      fn: 'chairside',
      needs: [open('magnifier'), open('thickness gauge')],
      told: 'looked the provisional over',
      detail:
        'Cracked, worn through, edge chipped? One that is lost or beyond a reline is made anew, as an interim crown; the mould of the first visit serves where it was kept.',
      reason: practice('cement all in the piece: it let go of the tooth, which is short or was damp'),
    }),
    mouth('again.tooth', `Look at ${labels(c)}: edge, gum, neighbours`, [0.5, 1, 3], {
      helped: false,
      detail:
        'Loose but still on: off first, haemostat and roll, rocked, gauze behind it. Then: a crack, soft dentine, gum over the edge, neighbours as near as before?',
      passes: ['mirror', 'explorer'],
      needs: [open('mirror'), open('explorer'), standby('haemostat', 'it is loose but still on')],
      told: `looked at ${labels(c)} before covering it again`,
      cautions: [reason('A loose provisional can be swallowed: gauze behind it', 'C')],
      hold: {
        name: 'clean',
        title: 'Tooth and piece can go on as they are',
        evidence: 'edge, dentine, gum and neighbours, with the piece in hand',
        because: practice(
          'a tooth that has cracked, or moved so far that the new piece will not go down, is found today and not on the day of delivery',
        ),
        mandatory: true,
      },
    }),
  )

export const provisionalAgain: VisitKind = {
  id: 'provisional.again',
  work: (c) =>
    sequence(
      lookedAt(c),
      rolls(c),
      mouth('again.clean', `Clean ${labels(c)}: old cement off, pumice and lukewarm water, rinse`, [1, 2, 3], {
        cleans: true,
        fn: 'polishing',
        passes: ['scaler', 'cup with pumice'],
        needs: [open('scaler'), open('pumice'), open('prophy cup'), open('slow handpiece')],
        told: `cleaned ${labels(c)} of provisional cement`,
        cautions: c.request.vital
          ? [
              reason(
                'Open dentine is sore: lukewarm water, no air, dried with a roll; where that is not borne the dentist numbs first',
                'C',
              ),
            ]
          : [],
      }),
      bench('again.inside', 'Old cement out of the piece, spoon excavator; edge left whole', [1, 1.5, 3], {
        needs: [open('spoon excavator'), ...relining],
        told: 'cleaned the provisional inside',
        mistakes: ['a cutter inside: it goes on loose, and rocks'],
      }),
      fitProvisional(c),
    ),
  followUps: () => [],
}
