import { bondingSteps } from './bonding'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const child = { phase: 'restoring', fn: 'crown fitting', place: 'mouth', helped: true } as const

const sectional = ['school.frontBand', 'is', 'sectional band'] as const

export const primaryClass3Steps = {
  'filling.$tooth.bleeding': {
    ...child,
    title: 'Gum at the box of $label looked at: a moist {pellet} held on it until it stays dry',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    fn: 'chairside',
    passes: ['moist {pellet} in {tweezers}'],
    needs: [
      open('cotton pellet'),
      open('tweezers'),
      standby('agent.aluminium chloride', 'it still bleeds: by the dentist’s word', 0.2),
    ],
    countsIn: [
      { id: 'pellet.$tooth', what: '{pellet} on the gum, $said', planned: 1, outStep: 'filling.$tooth.strip' },
    ],
    mistakes: ['bonded over a gum that weeps: the edge stains and comes away'],
  },
  'filling.$tooth.strip:child': {
    ...child,
    title: '{Pellet} and {wedge} out; $(through the contact); {wedge} in again',
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    fn: 'matrix placement',
    passes: [{ if: sectional, use: '{sectional band}', else: '{half strip}' }, '{wedge}'],
    needs: {
      if: sectional,
      use: [open('matrix band.sectional')],
      else: [open('plastic strip'), open('cord scissors')],
    },
    countsIn: [
      { id: 'strip.$tooth', what: '$(band or strip), $said', planned: 1, outStep: 'filling.$tooth.strip-out' },
    ],
    countsOut: ['pellet.$tooth'],
    reason: practice({
      if: sectional,
      use: 'it keeps its curve: nothing has to hold it',
      else: 'half the height: it fits a primary crown',
    }),
    mistakes: ['the {wedge} left in while it goes through: pushed into the box'],
  },
  'filling.$tooth.box': {
    ...child,
    title: '{Flowable} thin into the box, {composite} on it by instrument or from its tip',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    fn: 'placing',
    passes: ['{flowable}', '{composite}, $(shade said), on its instrument'],
    needs: [
      open('composite.flowable', 0.3),
      open('composite.universal', 0.3, { shade: '$(shade laid)' }),
      open('composite dispenser'),
      open('plastic instrument'),
    ],
  },
  'filling.$tooth.pull': {
    ...child,
    title: {
      if: sectional,
      use: 'Band pressed home by finger, held until cured from both sides',
      else: 'Strip pulled tight by finger, held until cured from both sides',
    },
    minutes: [0.2, 0.4, 0.8],
    tooth: '$tooth',
    fn: 'placing',
    passes: ['light'],
    told: 'filled $label, class III, with {flowable} and {composite}',
    tell: 'The tooth is filled. Watch the numb lip. Soft food today.',
    mistakes: ['let go between the two lights: an overhang at the gum'],
  },
  'filling.$tooth.strip-out': {
    ...child,
    title: '{Wedge} and $(band or strip) out',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    fn: 'matrix placement',
    countsOut: ['strip.$tooth', 'wedge.$tooth'],
  },
  'filling.$tooth.floss:child': {
    ...child,
    title: '{Floss} through at $label: snaps in, does not tear, no ledge at the gum',
    minutes: [0.2, 0.3, 0.6],
    tooth: '$tooth',
    phase: 'finishing',
    fn: 'chairside',
    passes: ['{floss}'],
    needs: [open('floss', 300)],
    mistakes: ['flossed before finishing only: the ledge made by the {disc} is found by the child'],
  },
  'filling.$tooth.wedge': {
    ...child,
    title: '{Wedge} at $label: guards neighbour and gum',
    minutes: [0.3, 0.5, 1],
    tooth: '$tooth',
    fn: 'matrix placement',
    hurts: '$(gum sore here)',
    passes: ['{wedge} in forceps'],
    needs: [open('wedge')],
    countsIn: [{ id: 'wedge.$tooth', what: '{wedge}, $said', planned: 1, outStep: 'filling.$tooth.strip-out' }],
  },
  'records.shade:child': {
    phase: 'records',
    title: 'Shade by daylight, teeth still wet',
    detail: 'A primary tooth is lighter and bluer than most of the guide.',
    told: 'took the shade on wet teeth',
    fn: 'shade preview',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    needs: [open('shade guide')],
    mistakes: ['taken when the teeth have dried out: they read too light'],
  },
  'light:from the front': {
    ...bondingSteps['light'],
    title: 'Light $lightValue s from the front, $(band or strip) held',
  },
  'light:from behind': { ...bondingSteps['light'], title: 'Light $lightValue s from behind, $(band or strip) held' },
} as const satisfies Record<string, Template>
