import { open, reason, standby } from '../needs'
import type { Template } from '../template'

const cordIn = {
  phase: 'tissue',
  title: '$Word $size, $cutMm mm, $label',
  told: {
    if: ['$agent', 'is', 'plain'],
    use: 'placed $word size $size, $cutMm mm, on $label',
    else: 'placed $word size $size, $cutMm mm, on $label with $agent',
  },
  tell: '$gum',
  act: 'cord in',
  cord: { layer: '$layer', size: '$size', mm: '$cutMm', agent: '$agent', purpose: '$purpose' },
  asks: [{ reading: 'cord', teeth: ['$tooth'], layer: '$layer', along: '$along', size: '$size' }],
  detail: {
    if: '$finer',
    use: 'Begin between the teeth, push back toward what is seated.$tight White tissue: one size smaller.',
    else: 'Begin between the teeth, push back toward what is seated.$tight White tissue: a dry {pellet} or paste instead, or no cord.',
  },
  tooth: '$tooth',
  fn: 'cord placement',
  place: 'mouth',
  helped: true,
  hurts: '$gumAt',
  minutes: { if: ['$layer', 'is', 'top'], use: [1, 1.5, 3], else: [1, 2, 4] },
  passes: [
    '{cord} in {tweezers}',
    { if: ['school.packer', 'is', 'probe'], use: '{probe}', else: '{packer}' },
    'second instrument holds what is seated',
  ],
  needs: [
    open('cord.$size', '$cutMm', { piecesMm: ['$cutMm'], because: '$because', words: 'cord size $size' }),
    {
      if: '$finer',
      use: [
        standby('cord.$finer', 'the tissue blanches', '$cutMm', { piecesMm: ['$cutMm'], words: 'cord size $finer' }),
      ],
    },
    '$packer',
    open('cord scissors'),
    {
      if: { not: ['$along', 'is', 'box'] },
      use: [standby('floss', 'a contact is tight: doubled, it carries the cord in', 300, { piece: 'cord floss' })],
    },
    open('dappen dish'),
    { if: { not: ['$agent', 'is', 'plain'] }, use: [open('$agentNeed', '$soakedMl')] },
    standby('cotton pellet', 'the tissue weeps: back-up, counted', 2, { piece: 'one a tooth' }),
    // Not for bonding, where no salt may reach the dentine: those cords are placed without a plan of sites.
    {
      if: { all: [['$agent', 'is', 'plain'], '$sites'] },
      use: [standby('agent.aluminium chloride', 'it bleeds: haemostatic, by the dentist’s word', 0.5)],
    },
  ],
  countsIn: [
    {
      id: '$cordCountId',
      what: { if: ['$layer', 'is', 'single'], use: 'single {cord}, $said', else: '$word, $said' },
      planned: 1,
      outStep: '$cordOutStep',
    },
  ],
  figures: ['$length'],
  reason: '$because',
  cautions: {
    if: { all: [['$agent', 'is', 'aluminium chloride'], '$first'] },
    use: [reason('Aluminium chloride is bitter: {suction}, and rinse it off before the impression', 'C')],
  },
  mistakes: ['pushed away from the seated part: it lifts out behind you'],
} as const

export const tissueSteps = {
  'tissue.$layer-cord.$site': cordIn,
  'tissue.deep-piece': {
    phase: 'tissue',
    title: 'Second short piece where the margin runs deep, $label',
    told: 'placed a second short piece of {cord} at the deep spot of $label',
    tooth: '$tooth',
    fn: 'cord placement',
    place: 'mouth',
    helped: true,
    hurts: '$gumAt',
    minutes: [0.5, 1, 2],
    needs: [open('cord.$size', '$mm', { piecesMm: ['$mm'], words: 'cord size $size' })],
    countsIn: [{ id: 'cord.deep', what: 'short {cord} at the deep spot', planned: 1, outStep: '$cordOutStep' }],
    reason: '$because',
  },
  'tissue.pellets': {
    phase: 'tissue',
    title: 'Soaked {pellets} pressed between the teeth',
    told: 'pressed soaked {pellets} between the teeth as back-up',
    fn: 'cord placement',
    place: 'mouth',
    hurts: '$gumAt',
    minutes: [0.5, 1, 2],
    needs: [open('cotton pellet', '$pellets')],
    // Out before anything else of the impression: a pellet under the tray is an impression lost.
    countsIn: [{ id: 'pellets', what: 'back-up {pellets}', planned: '$pellets', outStep: 'impression.pellets-out' }],
    mistakes: ['counted in and forgotten: a {pellet} left behind, and it is all done again'],
  },
  'tissue.paste': {
    phase: 'tissue',
    title: '{Astringent paste} over the crevice, patient bites on a {roll}, then rinse it all off',
    told: 'held the tissue with {astringent paste} and rinsed it off',
    tell: 'The gum was held back with a paste. It may be sore for a day or two.',
    fn: 'cord placement',
    place: 'mouth',
    helped: true,
    hurts: { if: '$layers', use: '$gumAt' },
    minutes: [2, 2.5, 4],
    needs: [open('agent.astringent paste', '$mL'), open('paste tip'), open('cotton roll', 2)],
    ties: [{ from: '.', fromEdge: 'start', toEdge: 'finish', least: 'paste.works', title: 'Paste works' }],
    mistakes: ['rinsed short: what is left stops addition silicone at the margin'],
    reason: '$planBecause',
  },
  'tissue.base-out.$site': {
    phase: 'impression',
    title: '$LayerWords out, wet, $label',
    act: 'base cord out',
    asks: [{ reading: 'cord out', teeth: ['$tooth'] }],
    told: 'removed the $layerWords of $label',
    tooth: '$tooth',
    fn: 'cord removal',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    countsOut: ['$cordCountId', '$deepOut'],
    ties: '$lies',
    detail: 'Wetted once more, then out in one smooth pull.',
    cautions: [reason('Never dry: a dry {cord} takes the lining with it, and it bleeds', 'C')],
  },
  'tissue.$layer-cord.$site:before cutting': {
    ...cordIn,
    detail: {
      if: 'alert.adrenaline-sensitive',
      use: 'Labial and both proximal sides only; tails in the embrasures. Tight contact: doubled {floss} carries it in. Seated so that it cannot be seen: the bur then cuts tooth, not tissue. Wet with water or saline; an anaesthetic on it counts with what was injected, and is one without adrenaline: the alert. Wet, it neither drags the lining going in nor takes it along coming out.',
      else: 'Labial and both proximal sides only; tails in the embrasures. Tight contact: doubled {floss} carries it in. Seated so that it cannot be seen: the bur then cuts tooth, not tissue. Wet with water or saline; an anaesthetic on it counts with what was injected. Wet, it neither drags the lining going in nor takes it along coming out.',
    },
    mistakes: ['left standing proud: the bur winds it up', 'pushed away from the seated part: it lifts out behind you'],
  },
  'tissue.$layer-cord.$site:bonding': {
    ...cordIn,
    countsIn: [{ id: '$cordCountId', what: '{cord} for bonding, $said', planned: 1, outStep: '$outId' }],
  },
} as const satisfies Record<string, Template>
