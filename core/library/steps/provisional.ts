import { bisAcrylHardens } from './shared'
import { thinnest } from '../../measure/provisional'
import { rubbery } from './lanes'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const act = { phase: 'provisional', fn: 'provisional making', place: 'bench' } as const

export const provisionalSteps = {
  'provisional.separate': {
    phase: 'provisional',
    title: '{Separator} thin on tooth, neighbours and gum; none in the mould',
    fn: 'provisional making',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    leaves: 'separator',
    wantsSet: 'bis-acryl',
    needs: [open('separator', 0.5), open('micro brush', 2)],
    cautions: [
      reason('Resin-sealed dentine or a fresh resin core without {separator} bonds to the provisional for good', 'C'),
    ],
    hold: {
      if: '$sealed',
      use: {
        name: 'separator',
        title: '{Separator} on',
        evidence: 'a film on every sealed surface, seen in good light',
        because: practice('resin-sealed dentine bonds to the provisional for good'),
        mandatory: true,
      },
    },
    detail: { if: 'bridge', use: 'The mould is cut away for $pontics: is there room for what is planned there?' },
  },
  'provisional.lift': {
    phase: 'provisional',
    title: 'Rubbery: first lift, then lift and reseat until it slides',
    detail: {
      if: ['school.matrixLift', 'is', 'comes in the matrix'],
      use: 'It comes in the matrix, all in one; thin edges are not bent back by hand.',
      else: 'Spring the matrix open first, so that the provisional stays on the tooth; then a {cotton roll} and {haemostat}, rocking cheek to tongue, never a yank.',
    },
    fn: 'provisional making',
    place: 'mouth',
    minutes: [0.5, 1, 1.5],
    needs: { if: { not: ['school.matrixLift', 'is', 'comes in the matrix'] }, use: [open('haemostat')] },
    ties: [
      {
        from: 'provisional.mix',
        fromEdge: 'start',
        toEdge: 'start',
        closes: 'bis-acryl.out',
        warns: 'bis-acryl.rubbery.warns',
        least: 'bis-acryl.rubbery',
        title: 'Rubbery stage',
        because: {
          rows: ['bis-acryl.rubbery', 'bis-acryl.out'],
          text: 'first lift between $(bis-acryl.rubbery:n) and $(bis-acryl.out) from the mix, by product and warmth; the bead tells better than the clock',
        },
        whenMissed: 'it may be locked on: cut it off, do not pull; then make another',
        again: '$mouldSteps',
      },
    ],
    lanes: rubbery,
    mistakes: ['left until hard: it locks into the undercuts'],
  },
  'provisional.mix': {
    phase: 'provisional',
    title: 'Mix $amountValue mL into the $mould, tip in the material',
    fn: 'provisional making',
    place: 'bench',
    minutes: [0.25, 0.35, 0.5],
    needs: [open('bis-acryl', '$amountValue'), open('mixing tip'), open('dispensing gun')],
    figures: ['$amount'],
  },
  'provisional.seat': {
    phase: 'provisional',
    title: 'Seat the mould; keep a bead to feel',
    leaves: 'resin',
    told: 'seated the $mould with {bis-acryl} for the provisional',
    fn: 'provisional making',
    place: 'mouth',
    minutes: [0.1, 0.2, 0.3],
    ties: [
      {
        from: 'provisional.mix',
        fromEdge: 'start',
        toEdge: 'finish',
        closes: 'bis-acryl.seat',
        warns: 'bis-acryl.seat.warns',
        title: 'Bis-acryl to be seated',
        whenMissed: 'it drags and comes out thick: clean the mould and mix again',
        again: '$mouldSteps',
      },
    ],
  },
  'provisional.polish': {
    ...act,
    title: '{Brush}, about 5,000 rpm; then {felt} with a touch of polish, 3,000–8,000',
    minutes: [1, 2, 4],
    needs: [open('polishing brush')],
    mistakes: ['black marks: the {brush} runs too fast'],
  },
  'provisional.polish:composite': {
    ...act,
    title: '{Discs} and {rubber points}, coarse to fine, away from the margin',
    minutes: [2, 3, 5],
    needs: [open('finishing disc', 3), open('rubber point')],
    mistakes: ['a coarse {disc} near the margin: it is short before one sees it'],
  },
  'provisional.polish:bonding resin': {
    ...act,
    title: 'Thin coat of bonding resin, cured',
    minutes: [1, 1.5, 3],
    needs: [open('bonding resin', 0.1), open('micro brush'), open('curing light')],
    cautions: [reason('Shield for the {curing light}, for all three', 'C')],
  },
  'provisional.trim': {
    phase: 'provisional',
    title: '{Pencil} contacts and margin, trim, {gauge} the thickness',
    told: 'trimmed the provisional and gauged its thickness',
    detail: 'Never lose the {pencil} on a contact. Nothing coarse near a margin.',
    fn: 'provisional making',
    place: 'bench',
    minutes: [2, 4, 8],
    needs: [
      open('straight handpiece'),
      open('trimming disc', 2),
      open('pencil'),
      open('thickness gauge'),
      standby('flowable resin', 'there is a void or a short margin'),
    ],
    ties: [bisAcrylHardens],
    figures: [thinnest],
  },
} as const satisfies Record<string, Template>
