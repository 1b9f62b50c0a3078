/** Where practitioners disagree: each question with its schools, its default and why. Standing: common practice. */
import { kindFacts } from '../kinds'
import { isAnterior, neighbours } from '../teeth/arch'
import { parts } from '../teeth/notation'
import { ask, type ChoiceFacts } from './school-form'
import { ofChildren } from './schools-children'

/** A tooth that has no neighbour on one side, be it missing or the last of the arch. */
const openSided = (f: ChoiceFacts): boolean =>
  f.teeth.some((t) => {
    const { mesial, distal } = neighbours(t, [...f.missing, ...f.pontics])
    return !mesial.tooth || !distal.tooth
  })
/** Work right and left of the middle. */
const bothSides = (f: ChoiceFacts): boolean =>
  new Set(f.teeth.map((t) => [1, 4, 5, 8].includes(parts(t).quadrant))).size > 1
const units = (f: ChoiceFacts): number => f.teeth.length + f.pontics.length
/** Why a dual-arch tray does not serve; nothing where it does. */
function wholeArchWhy(f: ChoiceFacts): string | undefined {
  if (units(f) > 2 || kindFacts(f.kind).wholeArch)
    return 'beyond two units, and in front, the bite has to be seen over the whole arch'
  if (f.teeth.some(isAnterior)) return 'in front the bite has to be seen over the whole arch'
  if (bothSides(f)) return 'teeth on both sides: a dual-arch tray takes in one'
  return openSided(f) ? 'a neighbour is missing: the bite in a dual-arch tray is stopped on one side only' : undefined
}
/** An inlay is cut: its boxes lie under the tissue. */
const hasBoxes = (f: ChoiceFacts): boolean =>
  kindFacts(f.kind).family === 'inlay' && kindFacts(f.kind).prepares === true

/** Every question with its schools, in the order of the day. */
export const table = {
  hand: ask(
    'The dentist’s hand',
    [
      ['right', 'Right-handed', 'sits between 7 and 12 o’clock, the assistant at 3'],
      ['left', 'Left-handed', 'the mirror of it: between 12 and 5 o’clock, the assistant at 9'],
    ],
    { value: 'right', why: 'most are; a card says otherwise once and for all' },
  ),
  isolation: ask(
    'Isolation while cutting',
    [
      [
        'rolls and suction',
        'Rolls and suction',
        'the margin under the tissue stays in reach; high-volume suction guards the throat',
      ],
      ['dam throughout', 'Dam throughout', 'dry, no debris in the throat; the sheet comes off for the tissue work'],
      [
        'suction retractor',
        'Suction retractor',
        'one device holds tongue and cheek and draws off; nothing guards the throat from small parts',
      ],
    ],
    {
      value: 'rolls and suction',
      why: 'most teams keep the sheet for adhesive and root-canal work; margins near the tissue need it off',
    },
  ),
  bondingIsolation: ask(
    'Isolation for bonding and canals',
    [
      ['dam', 'Dam', 'dry, no bitter agents, no debris in the throat'],
      ['rolls and suction', 'Rolls and suction', 'quicker on; breath and spit reach the bond'],
      ['suction retractor', 'Suction retractor', 'tongue and cheek held; breath still reaches the bond'],
    ],
    { value: 'dam', why: 'adhesive, foil and root-canal work wants the dam' },
  ),
  dryCuts: ask(
    'Water at a margin that feels nothing',
    [
      ['never', 'Water throughout', 'the ligament and the bone feel the heat though the tooth does not'],
      ['brief', 'Brief dry cuts', 'seconds at low speed, to see the line; never through amalgam'],
    ],
    { value: 'never', why: 'heat harms what holds the tooth; air and a clean mirror show the line as well' },
  ),
  damOrder: ask(
    'Putting the sheet on',
    [
      ['clamp first', 'Clamp first', 'clamp, frame, then the sheet over it: seen stable before anything hides it'],
      ['sheet on the wings', 'Wings together', 'clamp, sheet and frame go on in one, then the wings are freed'],
      ['sheet first', 'Sheet first', 'sheet over the teeth, clamp on top of it'],
    ],
    { value: 'clamp first', why: 'the clamp is seen stable before anything hides it' },
  ),
  cordFirst: ask(
    'Cord before cutting',
    [
      ['yes', 'Yes', 'the bur does not cut the tissue; labial and both proximal sides'],
      ['two rounds', 'Two rounds', 'cut to the gum, cord, lower the margin under it, cord again for the impression'],
      ['no', 'No', 'the cord goes in for the impression only'],
    ],
    (f) => {
      if (f.kind === 'laminate.prepare')
        return { value: 'two rounds', why: 'a dark tooth: the margin is lowered once the gum is held away' }
      return kindFacts(f.kind).family === 'veneer' && kindFacts(f.kind).prepares
        ? { value: 'yes', why: 'veneer margins lie at the tissue' }
        : { value: 'no', why: 'crown margins are taken to the tissue first' }
    },
  ),
  cord: ask(
    'Holding the tissue',
    [
      ['single', 'Single cord', 'one cord, drawn just before the material goes in'],
      ['double', 'Double cord', 'a thin base cord stays during the impression, the top one is drawn'],
      [
        'cord and pellet',
        'Cord and pellet',
        'a soaked pellet pressed between the teeth as back-up for angry tissue; counted',
      ],
      ['paste', 'Astringent paste', 'kaolin paste with aluminium chloride; no packing, little displacement'],
      ['none', 'None', 'for a margin that is dry and in sight'],
    ],
    (f) =>
      kindFacts(f.kind).family === 'bonded bridge' && f.margin !== 'subgingival'
        ? { value: 'none', why: 'the retainers end in enamel above the gum' }
        : f.margin === 'subgingival' || units(f) > 1 || hasBoxes(f)
          ? {
              value: 'double',
              why:
                f.margin === 'subgingival'
                  ? 'double for a margin under the tissue'
                  : hasBoxes(f)
                    ? 'boxes lie under the tissue: base and top'
                    : 'double for several units: the first crevice stays open while the last is washed',
            }
          : { value: 'single', why: 'enough for most single crowns' },
  ),
  cordAgent: ask(
    'On the cord',
    [
      ['aluminium chloride', 'Aluminium chloride', '25 %, bitter: rinse it off before the impression'],
      ['plain', 'Plain or saline', 'displacement only'],
      ['ferric sulphate', 'Ferric sulphate', 'stains; what is left on the tooth harms addition silicone'],
      ['adrenaline', 'Adrenaline', 'never with a heart, blood-pressure or medicine alert'],
    ],
    { value: 'aluminium chloride', why: 'holds fluid without a drug effect on the heart' },
  ),
  baseCord: ask(
    'On the base cord',
    [
      ['plain', 'Wet, nothing on it', 'it may lie three quarters of an hour; the agent goes on the top cord'],
      ['as the top', 'The agent, as on the top', 'drier below; out within a quarter of an hour'],
    ],
    {
      value: 'plain',
      why: 'it stays through every impression, and an agent on it wants it out in a quarter of an hour',
    },
  ),
  packer: ask(
    'What packs it',
    [
      ['serrated', 'Serrated packer', 'grips braided cord'],
      ['smooth', 'Smooth packer', 'does not snag knitted cord'],
      ['probe', 'Periodontal probe', 'for those who own no packer; thin, and needs a light hand'],
    ],
    { value: 'serrated', why: 'for braided cord' },
  ),
  redundantTissue: ask(
    'Overgrown tissue',
    [
      ['laser', 'Laser', 'dry field; everyone in the room wears its goggles'],
      ['electrosurgery', 'Electrosurgery', 'quick; never with a pacemaker; plastic mirror and suction'],
      ['wait', 'Leave it', 'shape the provisional and look again'],
    ],
    { value: 'laser', why: 'for redundant tissue only; a week’s healing before the next tissue-critical visit' },
  ),
  impression: ask(
    'Final impression',
    [
      [
        'addition silicone, dual-arch',
        'Silicone, dual-arch',
        'both jaws and the bite in one; one or two units with neighbours on both sides',
      ],
      [
        'addition silicone, full arch',
        'Silicone, full arch',
        'stock or custom tray; opposing and bite are taken apart',
      ],
      ['polyether, custom tray', 'Polyether, custom tray', 'tolerates damp; stiff, so undercuts are blocked out'],
      [
        'reversible hydrocolloid',
        'Hydrocolloid',
        'wants it wet; two for a single crown; for more, one polyether and one hydrocolloid; poured at once',
      ],
      ['optical scan', 'Optical scan', 'dry and clear; every surface checked before the cord is put away'],
    ],
    (f) =>
      kindFacts(f.kind).dampMargin
        ? {
            value: 'polyether, custom tray',
            why: 'a lingual margin by the tongue stays damp: a material that likes water, in a custom tray',
          }
        : kindFacts(f.kind).inHouse
          ? { value: 'optical scan', why: 'designed and milled in-house' }
          : wholeArchWhy(f) === undefined
            ? {
                value: 'addition silicone, dual-arch',
                why: 'for one or two units it gives the opposing teeth and the bite in the same act',
              }
            : { value: 'addition silicone, full arch', why: wholeArchWhy(f) ?? '' },
  ),
  wash: ask(
    'Where the wash goes',
    [
      ['syringe', 'On the teeth', 'by syringe, tip in the material: bubbles are pushed out ahead'],
      [
        'tray',
        'In the tray only',
        'only with a material that likes water; quicker, and the crevice is filled by pressure alone',
      ],
    ],
    { value: 'syringe', why: 'the crevice is filled from its floor' },
  ),
  howMany: ask(
    'How many impressions',
    [
      ['one', 'One good one', 'repeated only on a fault'],
      ['parachute', 'A second as parachute', 'where there is no coming back: long travel, general anaesthesia'],
    ],
    { value: 'one', why: 'a second where there is no coming back' },
  ),
  setBy: ask(
    'Timing the set',
    [
      ['clock and bead', 'Clock, then bead', 'clock for the earliest, touch for go'],
      ['clock', 'By the clock', 'the stated time in the mouth, and no earlier'],
    ],
    {
      value: 'clock and bead',
      why: 'the mouth is warmer than the bench: the bead tells, never before the stated time',
    },
  ),
  provisional: ask(
    'Provisional',
    [
      [
        'bis-acryl in preliminary impression',
        'In preliminary impression',
        'taken before cutting, while the anaesthetic takes',
      ],
      ['bis-acryl in putty index', 'In putty index', 'stiff walls, trimmed to sit; also the gauge for reduction'],
      [
        'bis-acryl in wax-up matrix',
        'In wax-up matrix',
        'from the laboratory: shows the planned shape; nothing to take at the chair',
      ],
    ],
    { value: 'bis-acryl in preliminary impression', why: 'quickest, and made while nobody waits' },
  ),
  provisionalBite: ask(
    'The provisional in the bite',
    [
      ['light contact', 'Light contact', 'holds tooth and opponent where they are; free in side movements'],
      [
        'out of contact',
        'Out of contact',
        'nothing loads a weak tooth or a soft cement; for weeks only: teeth grow toward each other',
      ],
    ],
    { value: 'light contact', why: 'a tooth that meets nothing moves: light, even contact keeps its place' },
  ),
  provisionalWhen: ask(
    'The provisional is made',
    [
      [
        'while the cord dwells',
        'While the cord dwells',
        'nobody waits for the cord; its traces are cleaned off before the wash',
      ],
      ['after the impression', 'After the impression', 'nothing greasy or unset near the margin before it is taken'],
    ],
    (f, said) =>
      said['cord'] === 'paste'
        ? { value: 'after the impression', why: 'paste is rinsed off and the impression taken at once' }
        : said['impression'] === 'optical scan' || kindFacts(f.kind).inHouse
          ? { value: 'after the impression', why: 'the scanner wants a field that nothing was rubbed on' }
          : kindFacts(f.kind).impressionAtOnce
            ? { value: 'after the impression', why: 'many units: the gum is opened, rinsed and taken at once' }
            : { value: 'while the cord dwells', why: 'the cord wants its minutes: they are used' },
  ),
  matrixLift: ask(
    'Lifting the matrix',
    [
      ['stays on the tooth', 'Provisional stays', 'the matrix comes away first, so the provisional is not bent'],
      ['comes in the matrix', 'Comes in the matrix', 'all in one; thin edges may bend'],
    ],
    { value: 'stays on the tooth', why: 'it is not bent' },
  ),
  smooth: ask(
    'Smooth surface',
    [
      ['brush and felt', 'Brush and felt', '5,000 rpm, felt with a touch of acrylic polish'],
      ['discs and points', 'Discs and points', 'coarse to fine; away from the margin'],
      ['resin coat', 'Resin coat, cured', 'a thin coat of bonding resin: for small ones'],
    ],
    { value: 'brush and felt', why: 'smoothest for the time; a coat for small ones' },
  ),
  veneerProvisional: ask(
    'Provisional for veneers',
    [
      ['none', 'None', 'polished teeth are their own cover'],
      ['locked-on shell', 'Locked-on shell', 'spot etch, shrink-fit from the wax-up matrix; cut off at delivery'],
    ],
    (f) =>
      f.inEnamel
        ? { value: 'none', why: 'nothing is sensitive and nothing shows in enamel; asked every time' }
        : { value: 'locked-on shell', why: 'dentine is open: it needs cover' },
  ),
  dentineSeal: ask(
    'Dentine after cutting',
    [
      ['at once', 'Sealed at once', 'resin over fresh dentine; then the separator is a hold'],
      ['at delivery', 'At delivery', 'nothing on the dentine until the piece is bonded'],
    ],
    { value: 'at once', why: 'for inlays and onlays the bond to fresh dentine is better, and less is felt meanwhile' },
  ),
  inlayProvisional: ask(
    'Inlay and onlay provisional',
    [
      ['painted', 'Painted powder and liquid', 'over soft stopping: the place is held, easy off; no flossing'],
      ['bis-acryl', 'Bis-acryl', 'prettier, takes a matrix and cement'],
      ['light-cured soft', 'Light-cured soft', 'placed and cured; comes out in one piece'],
    ],
    { value: 'painted', why: 'the place is held, and it comes off easily' },
  ),
  core: ask(
    'Core',
    [
      ['dual-cure resin', 'Dual-cure resin', 'bonded; hard at once, in the deep too'],
      ['glass ionomer', 'Glass ionomer', 'etch 5 s, 4 min set; not bonded over'],
    ],
    (f) =>
      kindFacts(f.kind).inHouse
        ? { value: 'glass ionomer', why: 'the crown to come is scanned the same day and not bonded to the core' }
        : { value: 'dual-cure resin', why: 'the next step is bonded' },
  ),
  adhesive: ask(
    'Adhesive on the tooth',
    [
      ['self-etch, two bottles', 'Self-etch, two bottles', 'primer, then bond; acid on the enamel edge at most'],
      ['self-etch, one bottle', 'Self-etch, one bottle', 'one layer; acidic: its activator under a dual-cure resin'],
      [
        'etch-and-rinse, three steps',
        'Etch and rinse, three steps',
        'acid over all, primer, bond: the longest on record',
      ],
      ['etch-and-rinse, two steps', 'Etch and rinse, two steps', 'acid over all, then one bottle on moist dentine'],
      ['universal', 'Universal', 'with acid over all, on the edge, or with none'],
    ],
    (f, said) =>
      (said['etch'] ?? (kindFacts(f.kind).etchesAll ? 'total' : 'enamel edge')) === 'total'
        ? { value: 'universal', why: 'the acid goes over all: a self-etch primer would bond less' }
        : { value: 'self-etch, two bottles', why: 'dentine is not bleached out by acid, and little is felt after' },
  ),
  etch: ask(
    'Acid before the adhesive',
    [
      ['enamel edge', 'Enamel edge only', '20 s on the edge: less staining'],
      ['none', 'None', 'the self-etch or universal adhesive alone'],
      ['total', 'Over all of it', 'enamel and dentine; dentine never over 15 s'],
    ],
    (f, said) => {
      const system = said['adhesive']
      if (system?.startsWith('etch-and-rinse'))
        return { value: 'total', why: 'an etch-and-rinse adhesive bonds to nothing else' }
      return kindFacts(f.kind).etchesAll && !system?.startsWith('self-etch')
        ? { value: 'total', why: 'taught so for this visit: small cavities, enamel all round' }
        : { value: 'enamel edge', why: 'less staining at the edge' }
    },
  ),
  resinExcess: ask(
    'Resin excess',
    [
      [
        'tack and scrape',
        'Tack, then scrape',
        'about a second to a gel, then it breaks away; wiped wet it drags out of the joint',
      ],
      ['brush wet', 'Brush clean, then cure', 'in turns; for thin edges that a scaler would chip'],
    ],
    (f) =>
      kindFacts(f.kind).family === 'veneer'
        ? { value: 'brush wet', why: 'laminates have thin edges' }
        : { value: 'tack and scrape', why: 'retainers have open joints' },
  ),
  ...ofChildren,
  functions: ask(
    'Who may do what',
    [
      ['cautious', 'Cautious', 'what cannot be undone in the mouth is the dentist’s'],
      ['expanded', 'Expanded', 'the practice’s expanded-function table; the dentist’s holds stay'],
    ],
    {
      value: 'cautious',
      why: 'the program knows no place’s law; the practice widens it after reading its board’s rules',
    },
  ),
} as const
