import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

export const coldBurns = reason('Cold stays on the tooth: on gum or lip it burns', 'C')

export const anaesthesiaSteps = {
  'anaesthesia.ask': {
    phase: 'anaesthesia',
    title: {
      if: '$bare',
      use: 'Numb or not? A living tooth lies bare: the patient says when it hurts, the dentist may numb at any time',
      else: 'Numb or not? Living teeth are cut in enamel only: the patient says when it hurts, the dentist may numb at any time',
    },
    told: 'agreed to begin without an injection',
    fn: 'chairside',
    place: 'chair',
    minutes: [0.2, 0.3, 0.5],
    needs: [
      standby('syringe', 'the patient or the dentist asks for it'),
      standby('needle.short', 'the patient or the dentist asks for it'),
      standby('topical', 'the patient or the dentist asks for it', 0.5),
      standby('$agent', 'the patient or the dentist asks for it'),
    ],
    reason: practice({
      if: '$bare',
      use: 'air, cold water and resin on bare dentine are felt; who has no kit at hand talks a patient into bearing it',
      else: 'a bur in enamel is felt and should not hurt; who has no kit at hand talks a patient into bearing it',
    }),
  },
  'anaesthesia.topical': {
    phase: 'anaesthesia',
    title: 'Dry the tissue, {topical} on',
    told: 'applied {topical} anaesthetic',
    fn: 'topical',
    place: 'mouth',
    minutes: [0.5, 1, 1.5],
    needs: [open('topical', 0.5), open('cotton tip', 2)],
  },
  'anaesthesia.inject': {
    phase: 'anaesthesia',
    title: { if: ['$more', 'at least', 1], use: 'Injections: $words', else: 'Injection: $words' },
    told: {
      if: ['$laid', 'is', 1],
      use: 'gave local anaesthetic: $given, $laid cartridge laid out',
      else: 'gave local anaesthetic: $given, $laid cartridges laid out',
    },
    tell: {
      say: [
        'Your ',
        { if: '$lower', use: 'lip, cheek and tongue', else: 'lip and cheek' },
        ' are numb for some hours. Do not eat until the feeling is back. Mind hot drinks, and do not bite your lip.',
        { if: '$child', use: ' Watch that the child does not chew the numb lip.' },
      ],
    },
    detail: {
      if: 'pulp alive',
      use: { if: '$mental', use: '$Volumes. A mental block is the other choice for the premolar.', else: '$Volumes.' },
      else: '$Volumes. The pulp is gone, the gum is not: it is numbed for what is done to it.',
    },
    fn: 'injection',
    asks: [{ reading: 'anaesthetic', teeth: '$(tooth codes)' }],
    place: 'mouth',
    helped: true,
    minutes: ['$shortest', '$likely', '$longest'],
    passes: ['{syringe} below the patient’s line of sight', '{gauze}'],
    numbed: { doses: '$doses', under: '$childBounds', over: { if: { not: { not: '$over' } }, use: '$over' } },
    needs: [
      open('syringe'),
      { if: '$long', use: [open('needle.long')] },
      { if: { any: ['$short', { not: '$long' }] }, use: [open('needle.short')] },
      '$cartridges',
      '$moreCartridges',
      {
        if: { all: ['alert.adrenaline-sensitive', '$adrenaline'] },
        use: [standby('cartridge.mepivacaine plain', 'the dentist asks for one without adrenaline')],
      },
    ],
    countsIn: [
      {
        id: 'needle',
        what: { if: ['$needles', 'is', 1], use: '{needle}', else: '{needles}' },
        planned: '$needles',
        outStep: 'anaesthesia.rinse',
      },
    ],
    cautions: ['$cautionsOf', '$cautions'],
    figures: ['$figures', '$lastingOf'],
    ties: [{ from: 'anaesthesia.topical', fromEdge: 'finish', least: 'topical.takes', title: 'Topical takes' }],
  },
  'anaesthesia.rinse': {
    phase: 'anaesthesia',
    title: 'Rinse; {needle} to the {sharps box}',
    fn: 'rinse',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    needs: [open('sharps box')],
    countsOut: ['needle'],
  },
  'anaesthesia.test': {
    phase: 'anaesthesia',
    title: 'Test: numb where it will hurt',
    act: 'numb',
    told: 'tested numbness: $where',
    detail: {
      say: ['By {explorer}: $where.', { if: '$cold', use: ' The tooth itself by {cold spray} on a {pellet}: $cold.' }],
    },
    fn: 'numb test',
    place: 'mouth',
    minutes: [0.3, 0.5, 2],
    passes: ['{mirror}', '{explorer}', { if: '$cold', use: '{cold spray} on a {pellet}' }],
    needs: [
      open('mirror'),
      open('explorer'),
      {
        if: '$cold',
        use: [
          open('cold agent', 1, {
            orElse: [{ what: 'pulp tester', loss: 'by current, not by cold: never with a pacemaker' }],
          }),
          open('cotton pellet', 1, { piece: 'cold' }),
        ],
      },
    ],
    cautions: { if: '$cold', use: [coldBurns] },
    hold: {
      name: 'numb',
      title: 'Numb, tested',
      evidence: {
        say: ['the dentist’s own test: $where', { if: '$cold', use: '; $cold by cold, no answer' }],
      },
      because: reason('no cutting, clamp or cord before the tissue is numb', 'C'),
      // What was given is written down before it is tested: agent, amount, where.
      restsOn: ['anaesthesia.inject'],
      // Not good: more is given, with its own needle and cartridge, and only then tested again.
      again: ['anaesthesia.inject', 'anaesthesia.rinse', 'anaesthesia.test'],
    },
    ties: [{ from: 'anaesthesia.inject', fromEdge: 'finish', least: '$takes', title: 'Anaesthetic takes' }],
    mistakes: ['only one side of the gum tested: the other side hurts later'],
  },
} as const satisfies Record<string, Template>
