import { thinnest } from '../../measure/provisional'
import { relining, bisAcrylHardens } from './shared'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const bench = { phase: 'provisional', fn: 'provisional making', place: 'bench' } as const
const mouth = { phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true } as const

export const crownInterimSteps = {
  'provisional.cut-index': {
    ...bench,
    title: 'Cut the {putty} through the middle of each neighbour; trim all the gum part',
    minutes: [1, 1.5, 3],
    needs: [open('scalpel')],
    reason: practice(
      'the cut edge shows where it seats; short walls let surplus bead at the edge instead of filming over the teeth',
    ),
  },
  'provisional.try-mould': {
    ...mouth,
    title: 'Seat the $mould empty; look from both sides with a {mirror}, no finger pressure',
    minutes: [0.3, 0.5, 1],
    passes: ['mould', '{mirror}'],
    hurts: { if: 'bare and numbed', use: '$(teeth sore of the work)' },
    detail: {
      say: [
        { if: 'pulp alive', use: 'Alive: dried with a {roll} or gentle air, rinsed lukewarm. ' },
        { if: 'bridge', use: 'Cut away for $pontics: room for what is planned there?' },
      ],
    },
    mistakes: ['pressed home by finger: the walls spread and the bite comes out high'],
  },
  'provisional.pencil': {
    ...bench,
    title: '{Pencil} the contacts and the margin at once',
    minutes: [0.3, 0.5, 1],
    needs: [open('pencil')],
    ties: [bisAcrylHardens],
    mistakes: ['the {pencil} lost on a contact: the contact is gone with it'],
  },
  'provisional.gross': {
    ...bench,
    title: 'Gross excess off the embrasures: straight {laboratory cutter} or coarse {disc}',
    minutes: [1, 2, 4],
    needs: [open('straight handpiece'), open('laboratory cutter'), open('trimming disc', 2)],
    cautions: [reason('{Suction} at the disc; the piece held so that it cannot jump', 'C')],
  },
  'provisional.edges': {
    ...bench,
    title: 'Edges thinned until they flake off, {disc} angled away from the fitting surface',
    minutes: [1, 2, 3],
    needs: [
      open('rubber point.medium', 1, {
        orElse: [{ what: 'rubber point', loss: 'no grade said: try it on the surplus first' }],
      }),
    ],
    mistakes: ['coarse {disc} near a margin: short before one sees it'],
    reason: practice('nothing coarse near a margin: a medium rubber point does it'),
  },
  'provisional.gauge': {
    ...bench,
    title: 'Margin width inside against the finish line; {gauge} cusp, fossa, axial',
    minutes: [0.5, 1, 2],
    needs: [open('thickness gauge'), open('magnifier')],
    told: 'trimmed the provisional and gauged its thickness',
    figures: [thinnest],
  },
  'provisional.corrections': {
    ...bench,
    title: 'Correct what the inspection found; read the eight parts again',
    minutes: [0, 1, 5],
    detail:
      'Open or short in up to two neighbouring parts and 1 mm: {jelly}, {flowable} with slight overlap, seat, cure from two sides, rock off patiently. More, or cracked: make again. Over: thin it. Inside bubble off the margin: fill. Contact gone: add there. Thin spot: tell the dentist.',
    needs: [...relining, standby('bis-acryl', 'it is worse than that, or cracked: made again', 2.2)],
    reason: practice('after each correction the eight parts are read again; the round count is kept'),
    mistakes: ['a reline cured off the tooth: it shrinks away from the margin'],
  },
  'provisional.inspect': {
    ...mouth,
    title: 'Read it on the tooth: eight margin parts, two contacts, inside, $teeth',
    minutes: [1, 2, 3],
    fn: 'provisional trimming',
    asks: [{ reading: 'provisional', teeth: '$(tooth codes)', parts: '$(parts of the margin)' }],
    detail: 'Each part good, short, over or open; contacts none, light, good, tight; inside: bubbles.',
    passes: ['provisional', '{explorer}', '{floss}'],
    needs: [open('floss', 300), open('explorer')],
    told: 'read the eight margin parts of the provisional',
  },
} as const satisfies Record<string, Template>
