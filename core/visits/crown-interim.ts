import { thinnest } from '../measure/provisional'
import { reason } from '../figure'
import { acts, only, open, practice, sequence, standby, type Block } from '../library/build'
import { labels, type Case, teethOf } from '../library/case'
import { hardens, makeProvisional, mouldOf, polishProvisional } from '../phases/provisional'
import { fitProvisional, relining } from '../phases/provisional-fit'
import { rolls } from '../phases/isolation'
import { provisionalMould } from '../phases/records'
import type { VisitKind } from './kind'

const bench = acts({ phase: 'provisional', fn: 'provisional making', place: 'bench' })
const mouth = acts({ phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true })

/** The mould made fit for use: cut, trimmed, tried empty. */
function mouldReady(c: Case): Block {
  const putty = c.choices.provisional === 'bis-acryl in putty index'
  return sequence(
    only(putty, () =>
      bench(
        'provisional.cut-index',
        'Cut the putty through the middle of each neighbour; trim all the gum part',
        [1, 1.5, 3],
        {
          needs: [open('scalpel')],
          reason: practice(
            'the cut edge shows where it seats; short walls let surplus bead at the edge instead of filming over the teeth',
          ),
        },
      ),
    ),
    mouth(
      'provisional.try-mould',
      `Seat the ${mouldOf(c)} empty; look from both sides with a mirror, no finger pressure`,
      [0.3, 0.5, 1],
      {
        passes: ['mould', 'mirror'],
        ...(c.pontics.length > 0
          ? { detail: `Cut away for ${c.pontics.map((u) => u.label).join(', ')}: room for what is planned there?` }
          : {}),
        mistakes: ['pressed home by finger: the walls spread and the bite comes out high'],
      },
    ),
  )
}

/** Trimming in its order: pencil, gross, edges, inside. */
function trimming(c: Case): Block {
  return sequence(
    bench('provisional.pencil', 'Pencil the contacts and the margin at once', [0.3, 0.5, 1], {
      needs: [open('pencil')],
      ties: [hardens(c)],
      mistakes: ['the pencil lost on a contact: the contact is gone with it'],
    }),
    bench(
      'provisional.gross',
      'Gross excess off the embrasures: straight laboratory cutter or coarse disc',
      [1, 2, 4],
      {
        needs: [open('straight handpiece'), open('laboratory cutter'), open('trimming disc', 2)],
        cautions: [reason('Dust: suction and masks; the piece held so that it cannot jump', 'C')],
      },
    ),
    bench(
      'provisional.edges',
      'Edges thinned until they flake off, disc angled away from the fitting surface',
      [1, 2, 3],
      {
        needs: [
          open('rubber point.medium', 1, {
            orElse: [{ what: 'rubber point', loss: 'no grade said: try it on the surplus first' }],
          }),
        ],
        mistakes: ['coarse disc near a margin: short before one sees it'],
        reason: practice('nothing coarse near a margin: a medium rubber point does it'),
      },
    ),
    bench('provisional.gauge', 'Margin width inside against the finish line; gauge cusp, fossa, axial', [0.5, 1, 2], {
      needs: [open('thickness gauge'), open('magnifier')],
      told: 'trimmed the provisional and gauged its thickness',
      figures: [thinnest],
    }),
  )
}

/** What an inspection may lead to, and what each correction does. */
function corrections(): Block {
  return bench('provisional.corrections', 'Correct what the inspection found; read the eight parts again', [0, 1, 5], {
    detail:
      'Open or short in up to two neighbouring parts and 1 mm: jelly, flowable with slight overlap, seat, cure from two sides, rock off patiently. More, or cracked: make again. Over: thin it. Inside bubble off the margin: fill. Contact gone: add there. Thin spot: tell the dentist.',
    needs: [...relining, standby('bis-acryl', 'it is worse than that, or cracked: made again', 2.2)],
    reason: practice('after each correction the eight parts are read again; the round count is kept'),
    mistakes: ['a reline cured off the tooth: it shrinks away from the margin'],
  })
}

/** J13: interim crown by putty and bis-acryl, in full. */
export const crownInterim: VisitKind = {
  id: 'crown.interim',
  beforehand: (c) => [provisionalMould(c)],
  work: (c) =>
    sequence(
      rolls(c),
      mouldReady(c),
      makeProvisional(c),
      trimming(c),
      mouth(
        'provisional.inspect',
        `Read it on the tooth: eight margin parts, two contacts, inside, ${labels(c)}`,
        [1, 2, 3],
        {
          fn: 'provisional trimming',
          asks: [{ reading: 'provisional', teeth: teethOf(c) }],
          detail: 'Each part good, short, over or open; contacts none, light, good, tight; inside: bubbles.',
          passes: ['provisional', 'explorer', 'floss'],
          needs: [open('floss', 300), open('explorer')],
          told: 'read the eight margin parts of the provisional',
        },
      ),
      corrections(),
      polishProvisional(c),
      fitProvisional(c),
    ),
  followUps: () => [],
}
