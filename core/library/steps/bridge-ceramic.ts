import { resinSeated } from './shared'
import { deliverySteps } from './delivery'
import { bondingSteps } from './bonding'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const plan = { phase: 'records', fn: 'chairside', place: 'mouth' } as const
const deliver = { phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true } as const
const finishing = { phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true } as const

export const bridgeCeramicSteps = {
  'records.place': {
    ...plan,
    title: 'Place judged, $(place of the bridge): $pontics on $teeth; do the opposite teeth slide over it?',
    minutes: [0.5, 1, 3],
    fn: 'occlusal check',
    bite: 'room',
    needs: [open('articulating paper', 2), open('foil')],
    hold: {
      name: 'plan',
      title: 'Right place for a bonded bridge',
      evidence: '{paper} marks in side and forward movement',
      because: '$(why that place)',
    },
  },
  'cutting.retainer-check': {
    ...plan,
    title: {
      if: 'all in enamel',
      use: 'Depth and draw looked at: enamel all round, one path',
      else: 'Depth and draw looked at: where dentine shows, one path',
    },
    minutes: [0.5, 1, 2],
    phase: 'cutting',
    fn: 'look',
    helped: true,
    hold: {
      name: 'reduction',
      title: { if: 'all in enamel', use: 'Retainers enough, in enamel', else: 'Retainers enough; where dentine shows' },
      evidence: {
        if: 'all in enamel',
        use: 'no dentine, one path of insertion seen with one eye',
        else: 'where the dentine is, said aloud; edges in enamel; one path of insertion seen with one eye',
      },
      because: practice({
        if: 'all in enamel',
        use: '0.5 mm lingual, all in enamel',
        else: 'the bond to dentine is weaker: acid and primer at the delivery go by where it shows',
      }),
      again: ['$(finishing cuts)', 'cutting.retainer-check'],
    },
  },
  'records.pontic-note': {
    ...plan,
    title: {
      if: 'framework',
      use: 'Slip: $framework; pontic $pontics flat on the tongue side, clear in side and forward bite',
      else: 'Slip: of what it is made, as the dentist says; pontic $pontics flat on the tongue side, clear in side and forward bite',
    },
    minutes: [0.3, 0.5, 1],
    place: 'desk',
    fn: 'chart note',
    tellsLab: ['pontic $pontics flat on the tongue side, clear in side and forward bite'],
  },
  'delivery.piece-adhesive': {
    ...deliver,
    title: '{Bond} on the piece, air until it no longer moves, under the {light-proof lid}',
    minutes: [0.5, 0.7, 1],
    fn: 'chairside',
    place: 'bench',
    helped: false,
    needs: [open('bonding resin', 0.1), open('micro brush'), open('light-proof lid')],
    reason: practice('done before the teeth are etched: etched enamel waits for nothing'),
  },
  'delivery.alcohol': {
    ...deliver,
    title: 'Teeth wiped with {alcohol}, {disclosed}: nothing stains',
    minutes: [0.5, 1, 2],
    cleans: true,
    fn: 'polishing',
    needs: [open('alcohol'), open('disclosing solution'), open('cotton pellet', 2)],
    mistakes: ['a film of plaque under the resin: it lets go in weeks'],
  },
  'delivery.antiseptic:ceramic bridge': {
    ...deliver,
    title: {
      if: 'alert.chlorhexidine',
      use: 'Wiped once more with {alcohol}, dry: chlorhexidine alert',
      else: 'Antiseptic cleanser on the teeth, rinse, dry',
    },
    minutes: [0.3, 0.5, 1],
    fn: 'chairside',
    needs: [
      { if: 'alert.chlorhexidine', use: open('alcohol'), else: open('chlorhexidine', 1) },
      open('cotton pellet', 2),
    ],
    passes: ['{pellet} in {tweezers}'],
    detail:
      'From here the patient breathes away: {gauze} in front of the mouth, another beside it to catch what is blown.',
  },
  'delivery.load:ceramic bridge': {
    ...deliver,
    title: '{Resin cement} on the retainers',
    minutes: [0.2, 0.4, 0.6],
    fn: 'chairside',
    place: 'bench',
    helped: false,
    needs: [open('cement.resin', '$(number of teeth)', { words: 'resin cement' }), open('mixing tip')],
  },
  'delivery.seat:ceramic bridge': {
    ...deliver,
    title: 'Seat along the path, hold',
    minutes: [0.2, 0.4, 0.8],
    shows: { what: 'wing', tooth: '$tooth' },
    told: 'seated the bonded bridge with {resin cement}',
    tell: 'Your bridge is glued to these teeth. Do not bite off hard things with it. Clean under it with the threaded floss we showed you. If one side feels loose, come at once.',
    passes: ['bridge in {gauze}', '{ball burnisher}'],
    needs: [open('burnisher.ball'), open('gauze', 2)],
    ties: [{ ...resinSeated, whenMissed: 'it is setting: clean both and begin again from the etch' }],
  },
  'finishing.edges': {
    ...finishing,
    title: 'Retainer edges: bur with water on, {carver} on the front',
    fn: 'finishing',
    minutes: [1.5, 2, 4],
    cut: {
      id: 'finishing.edges',
      form: 'edge',
      depthMm: 0.2,
      part: 'neck',
      widestMm: '$(edge widest)',
      stuff: 'carbide',
      surface: 'joint',
    },
    needs: [open('high-speed handpiece'), open('interproximal carver')],
    mistakes: ['carved toward the gum: the film lifts at its edge'],
    told: 'finished the edges of the retainers',
  },
  'finishing.edges-wheel': {
    ...finishing,
    title: 'Retainer edges smooth and bright: {wheel}, water, light hand',
    minutes: [0.5, 1, 2],
    needs: [open('ceramic wheel'), open('slow handpiece')],
    told: 'polished the edges of the retainers',
  },
  'finishing.threader': {
    ...finishing,
    title: '{Knotted threader} through under $pontics',
    minutes: [0.5, 1, 2],
    fn: 'excess removal',
    needs: [open('floss threader'), open('floss', 300)],
  },
  'finishing.foil': {
    ...finishing,
    title: 'Bite hard: foil slides out between the four front teeth; bridge clear in side and forward movements',
    minutes: [1, 2, 4],
    bite: 'bonded bridge',
    fn: 'occlusal check',
    needs: [open('foil'), open('articulating paper', 2), standby('alcohol', 'the paper smears')],
    told: 'checked the bite with foil: front teeth clear, guidance on natural teeth',
    hold: {
      name: 'bite',
      title: 'Bite clear',
      evidence: 'foil and {paper}, closed, sideways, forward',
      because: practice('guidance stays on natural teeth'),
    },
  },
  'light:ceramic bridge': {
    ...bondingSteps['light'],
    title: 'Light $lightValue s, $side of $label',
    figures: ['$light', { if: { all: [['$side', 'is', 'front'], '$first'] }, use: ['$whole'] }],
  },
  'delivery.try-in:ceramic bridge': {
    ...deliverySteps['delivery.try-in'],
    hurts: [],
    hold: {
      ...deliverySteps['delivery.try-in'].hold,
      evidence: {
        if: 'framework',
        use: 'contacts, seat, ledges; $framework, as the slip says',
        else: 'contacts, seat, ledges; what it is made of, as the slip says',
      },
    },
    title: 'Try in the bridge, $teeth: seats on the ledges, contacts, pontic on the tissue',
    mistakes: [
      'closed on it to see: ceramic that is not bonded cracks',
      'eased until it grips: it is meant to lie loose, the bond holds it',
    ],
  },
} as const satisfies Record<string, Template>
