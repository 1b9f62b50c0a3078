import { cuttingSteps } from './cutting'
import { recordsSteps } from './records'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const records = { phase: 'records', fn: 'chairside', place: 'mouth' } as const
const shell = { phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true } as const

const depth = {
  ...cuttingSteps['cutting.reduction-check'],
  passes: ['silicone index in slices', '{probe}'],
  figures: [],
  detail: {
    say: [
      'Labial $(reduction.facial) in three planes, margin $(reduction.margin)',
      { if: 'teeth with the edge covered', use: ', edge $(reduction.incisal) of $(teeth with the edge covered)' },
      { if: 'all in enamel', use: ', wholly in enamel' },
      '.',
    ],
  },
  hold: {
    name: 'reduction',
    title: 'Depth enough, and no more',
    evidence: 'index in slices at edge, middle and neck; enamel or dentine named',
    because: practice('a thin laminate shows what is under it; dentine makes the bond weaker'),
    again: ['$(finishing cuts)', 'cutting.reduction-check'],
  },
  mistakes: ['judged from the front only: the neck is short'],
} as const

export const veneerPrepareSteps = {
  'records.depth-index': {
    ...records,
    title: '{Putty} over the front of the uncut teeth, edges covered',
    minutes: [2, 3, 5],
    fn: 'preliminary impression',
    needs: [open('putty', 8)],
    told: 'made a {putty} index for the depth',
    cautions: [
      reason('Latex {gloves} stop {putty} from setting: knead it with latex-free {gloves} or bare clean hands', 'C'),
    ],
  },
  'records.cut-index': {
    ...records,
    title: 'Index cut into slices: edge, middle, neck',
    minutes: [1, 1.5, 3],
    place: 'bench',
    needs: [open('scalpel')],
    mistakes: ['cut before it was tried back: nobody knows whether it rocks'],
  },
  'provisional.spot-etch': {
    ...shell,
    title: 'Spot etch in the middle of each front, $teeth',
    minutes: [0.5, 1, 2],
    fn: 'etching',
    needs: [open('etchant', 0.2), open('micro brush', 2)],
    reason: practice('one spot a tooth: it holds, and comes off again'),
  },
  'provisional.shell': {
    ...shell,
    title: '{Bis-acryl} in the {wax-up matrix}, seated, left to shrink on',
    minutes: [3, 4, 6],
    told: 'made a locked-on provisional shell',
    tell: 'These teeth wear a thin temporary shell. It is not strong. Bite nothing off with it, and brush it softly. It is cut off at the next visit.',
    needs: [
      open('wax-up matrix'),
      open('bis-acryl', '$(bis-acryl for a shell)'),
      open('mixing tip'),
      open('dispensing gun'),
    ],
    ties: [{ from: '.', fromEdge: 'start', toEdge: 'finish', least: 'shell.sets', title: 'Shell sets' }],
    mistakes: ['lifted while rubbery: the lock is lost'],
  },
  'provisional.shell-edges': {
    ...shell,
    title: 'Excess off with {blade} and bur; embrasures open for the {floss}',
    minutes: [1, 2, 4],
    fn: 'provisional trimming',
    bite: 'provisional',
    detail: 'Then the bite: light, even contact, free in side movements.',
    asks: [{ reading: 'provisional', teeth: '$(tooth codes)', parts: '$(parts of the margin)' }],
    cut: {
      id: 'provisional.shell-edges',
      form: 'edge',
      depthMm: 0.2,
      part: 'neck',
      widestMm: '$(edge widest)',
      surface: 'shell',
    },
    needs: [open('scalpel'), open('high-speed handpiece'), open('floss', 300), open('articulating paper', 2)],
    hold: {
      name: 'provisional',
      title: 'Provisional good',
      evidence: 'margins clean, bite clear, patient content',
      because: practice('what the patient wears for weeks is seen by the dentist'),
      mandatory: true,
      again: ['provisional.shell', 'provisional.shell-edges'],
    },
  },
  'records.bite': {
    ...records,
    title: 'Bite looked at first: edge to edge, guidance, signs of grinding',
    minutes: [0.5, 1, 2],
    fn: 'occlusal check',
    told: 'looked at the bite',
    passes: ['{mirror}'],
    reason: practice(
      'a thin piece breaks where the lower teeth ride over it: it decides how long, and whether wrapped',
    ),
  },
  'records.smile': {
    ...records,
    title: 'Smile read: lip line, what shows at rest and in a laugh; {pictures}',
    minutes: [2, 3, 5],
    place: 'chair',
    needs: [open('camera'), open('cheek retractor')],
    told: 'read and photographed the smile',
  },
  'records.stump-shade': {
    ...records,
    title: 'Shade of the prepared teeth: the laboratory has to cover it',
    minutes: [0.5, 1, 2],
    fn: 'shade preview',
    asks: [{ reading: 'shade', teeth: '$(tooth codes)' }],
    needs: [open('shade guide'), open('camera')],
    told: 'took the shade of the prepared teeth',
  },
  'impression.margins-whole': {
    ...records,
    title: 'Every margin whole, all the way round',
    minutes: [0.5, 1, 2],
    phase: 'impression',
    place: 'chair',
    needs: [
      open('magnifier'),
      {
        if: { not: ['school.impression', 'is', 'optical scan'] },
        use: [standby('impression syringe', 'one margin is short: again before the first cord leaves')],
      },
    ],
    reason: practice('a laminate’s edge is all margin'),
  },
  'records.shade:laminate': {
    ...recordsSteps['records.shade'],
    title: 'Shade map, teeth still wet: it may step from front to side',
    detail: 'Each tooth by thirds; the prepared shade too, later. Light and time noted.',
    needs: [open('shade guide'), open('camera')],
  },
  'cutting.reduction-check:veneer': { ...depth, title: 'Check the depth: edge, middle, neck' },
  'cutting.reduction-check:laminate': { ...depth, title: 'Check the depth: no {pencil} line left, no step' },
} as const satisfies Record<string, Template>
