import { cohesiveGold, powderedGold } from './lanes'
import { fillingSteps } from './filling'
import { deliverySteps } from './delivery'
import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const mouth = { phase: 'restoring', fn: 'placing', place: 'mouth', helped: true } as const
const sheet = { phase: 'isolation', fn: 'dam', place: 'mouth', helped: true } as const
const finishing = { phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true } as const

/** What wipes a cavity clean before something is put into it for good. */
const wiping = { if: 'alert.chlorhexidine', use: open('alcohol'), else: open('chlorhexidine', 2) } as const
const secondClamp = open('clamp.premolar', 1, {
  is: 'clamp',
  words: 'premolar clamp',
  orElse: [{ what: 'clamp.cervical', loss: 'bulky at the front end' }],
})

export const goldDeliverSteps = {
  'isolation.second-clamp': {
    ...sheet,
    title: 'Second {clamp} at the front end, on $farSaid; or a {floss} tie there, as the dentist says',
    hurts: '$soreGum',
    minutes: [0.5, 1, 2],
    needs: [secondClamp],
    passes: ['{clamp} in forceps, {floss} tied on'],
  },
  'isolation.seal:gold': {
    ...sheet,
    title: 'Light-cured seal along the gum, cured: not a drop comes through',
    minutes: [0.5, 1, 2],
    needs: [open('block-out resin'), open('curing light'), open('light shield')],
    reason: practice('gold wants it dry to the last drop: wet foil does not weld'),
  },
  'isolation.scrub': {
    ...sheet,
    title: '{Chlorhexidine} scrub of the field',
    minutes: [0.3, 0.5, 1],
    act: 'scrub',
    fn: 'chairside',
    needs: [open('chlorhexidine', 5), open('cotton pellet', 4)],
  },
  'isolation.scrub:with alcohol': {
    ...sheet,
    title: 'Field scrubbed with {alcohol}: chlorhexidine alert',
    minutes: [0.3, 0.5, 1],
    act: 'scrub',
    fn: 'chairside',
    needs: [open('alcohol'), open('cotton pellet', 4)],
    reason: practice('chlorhexidine alert: that antiseptic leaves the plan'),
  },
  'delivery.antiseptic:gold': {
    ...mouth,
    title: 'Cavity wiped with $antiseptic, left to dry: $labels',
    minutes: [0.3, 0.5, 1],
    fn: 'chairside',
    passes: ['{pellet}, wet'],
    needs: [wiping, open('cotton pellet', 2)],
    told: 'cleaned the cavity with $antiseptic',
  },
  'foil.$tooth.dry': {
    tooth: '$tooth',
    ...mouth,
    title: 'Pit wiped with $antiseptic, dry; base where deep',
    minutes: [0.5, 1, 2],
    passes: ['{pellet}, wet', 'air'],
    needs: [wiping, open('cotton pellet', 2), standby('base cement', 'the pit is deep')],
  },
  'foil.$tooth.light': {
    tooth: '$tooth',
    ...mouth,
    title: '{Alcohol lamp} lit; {pellets} laid out in order of size',
    minutes: [0.3, 0.5, 1],
    place: 'bench',
    fn: 'chairside',
    helped: false,
    needs: [
      open('alcohol lamp'),
      open('annealing tray'),
      open('gold foil.powdered', '$powdered'),
      open('gold foil.cohesive', '$foil'),
      open('foil carrier'),
    ],
    figures: ['$pit', '$figure'],
    detail: {
      if: 'alert.chlorhexidine',
      use: 'Not before the {alcohol} has gone dry, on field and pit, and its bottle is closed and away.',
    },
    cautions: [
      '$flame',
      {
        if: 'alert.chlorhexidine',
        use: [reason('{Alcohol} was used: what is still wet burns, and its flame is hardly seen', 'C')],
      },
    ],
  },
  'foil.$tooth.powdered': {
    tooth: '$tooth',
    ...mouth,
    title: '{Powdered gold}, {pellet} by {pellet}, to two thirds: longer {in the flame}, the wax burns off',
    minutes: [3, 5, 8],
    lanes: powderedGold,
    told: 'placed {powdered gold} in $label to two thirds',
    passes: ['{pellet}, {flamed}, on the {carrier}', '{condenser}', '{mallet} in step with the dentist'],
    needs: [open('foil condenser', 2), open('gold mallet')],
    detail: 'The assistant holds it {in the flame}, hands it over and taps in step with the dentist.',
    mistakes: ['wax not burnt off: the {pellet} does not weld', 'overheated: it melts into a ball'],
    reason: practice('two thirds powdered gold: quick bulk'),
  },
  'foil.$tooth.cohesive': {
    tooth: '$tooth',
    ...mouth,
    title: 'Cohesive foil for the rest, saucer-shaped, walls first',
    minutes: [11, 17, 24],
    cues: [
      {
        from: 'foil.$tooth.powdered',
        fromEdge: 'start',
        atS: { amount: 'gold.placed' },
        say: '$(gold.placed) of foil: what holds it up?',
        because: { row: 'gold.placed' },
      },
    ],
    lanes: cohesiveGold,
    told: 'built $label up in cohesive foil',
    passes: ['foil, {flamed}, on the {carrier}', '{condenser}', '{mallet} in step with the dentist'],
    mistakes: ['steel on the enamel edge: it chips'],
  },
  'foil.$tooth.burnish': {
    tooth: '$tooth',
    ...mouth,
    title: 'Burnish from gold to tooth',
    minutes: [1, 2, 3],
    needs: [open('burnisher.ball'), open('burnisher.flat')],
    told: 'burnished the foil of $label',
  },
  'foil.$tooth.trim': {
    tooth: '$tooth',
    ...mouth,
    title: 'Excess off with the {sharp spoon}, {discoid carver} and knife, gold and enamel together',
    minutes: [1.5, 2.5, 4],
    needs: [open('spoon excavator'), open('amalgam carver'), open('gold knife')],
    passes: ['{spoon excavator}', '{discoid carver}', '{gold knife}'],
    detail: 'Never rotary: heat and drag lift what is not yet finished.',
    mistakes: ['pulled from tooth toward gold: the edge opens'],
  },
  'finishing.discs': {
    ...finishing,
    title: '{Discs}, then rubber abrasives, from gold toward tooth: $teeth',
    minutes: [2, 3, 5],
    needs: [open('finishing disc', 4), open('rubber cup'), open('slow handpiece')],
    passes: ['{disc}', 'rubber {cup}', 'water'],
    detail: 'Much water, light strokes.',
  },
  'finishing.pumice': {
    ...finishing,
    title: '{Pumice}, wet',
    minutes: [1, 1.5, 3],
    needs: [open('pumice'), open('prophy cup')],
  },
  'finishing.fifteen': {
    ...finishing,
    title: '{15 µm powder}: dry, {suction}, blow',
    minutes: [1, 1.5, 3],
    needs: [open('polishing powder.15'), open('prophy cup')],
    passes: ['{cup}', '{suction}', 'air'],
    cautions: [reason('Dry powder: {suction} at the {cup}, {masks}, eyes shielded', 'C')],
    mistakes: ['run dry and long: heat goes into the pulp'],
  },
  'finishing.one': {
    ...finishing,
    title: '{1 µm powder}: dry, {suction}, blow',
    minutes: [1, 1.5, 3],
    needs: [open('polishing powder.1'), open('prophy cup')],
    passes: ['{cup}', '{suction}', 'air'],
    told: 'polished the gold with 15 and {1 µm powder}',
  },
  'finishing.smooth-again': {
    ...finishing,
    title: 'What was eased smoothed again: rubber {cup}, then {pumice}, wet',
    minutes: [0.5, 1, 2],
    needs: [open('rubber cup'), open('pumice'), open('slow handpiece')],
    reason: practice('a spot that was carved is rough again'),
  },
  'finishing.wet-paste': {
    ...finishing,
    title: 'Gloss with {polishing paste}, wet, on a {cup}: no dry powder without the sheet',
    minutes: [1, 2, 4],
    needs: [open('diamond paste'), open('prophy cup'), open('slow handpiece')],
    passes: ['{cup}', '{suction}', 'water'],
    reason: practice('dry powder in an open mouth is breathed in and swallowed'),
    told: 'polished the gold with wet paste',
  },
  'delivery.try-in:gold': {
    ...deliverySteps['delivery.try-in'],
    hurts: [],
    title: 'Try in the gold inlay, $labels: margins unfinished on purpose',
    mistakes: ['margins polished before cementing: nothing left to burnish'],
  },
  'filling.$tooth.bite:gold': {
    ...fillingSteps['filling.$tooth.bite'],
    passes: ['{paper}'],
    told: 'checked and adjusted the bite on $label',
  },
} as const satisfies Record<string, Template>
