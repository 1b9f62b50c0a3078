/** What may be asked of a case and its teeth, and what each answer decides: shown beside the questions, listed in docs/facts.md. */
import { keysOf } from '../../sure'
import type { ToothFacts } from '../../model/request'
import type { AskedOfWork } from '../case'

interface Decides {
  title: string
  /** What hangs on it, as an assistant would say it. */
  decides: string
}
type Asked = AskedOfWork | keyof ToothFacts

export const decides: Readonly<Record<Asked, Decides>> = {
  teeth: { title: 'Teeth', decides: 'everything' },
  pontics: {
    title: 'Teeth replaced',
    decides: 'what is made, how many units, which trays and how much of each material',
  },
  restoration: { title: 'Restoration', decides: 'how much is cut, the form of the margin, shade and cement' },
  vital: { title: 'Pulp', decides: 'what hurts and is numbed, and whether anything may be cut dry' },
  margin: { title: 'Margin', decides: 'cord or none, which layers, and what the bur does at the gum' },
  deepSpot: { title: 'Margin deep in one spot', decides: 'a second short piece of cord there' },
  tissue: { title: 'Tissue', decides: 'the size of the cord, and whether paste goes with it' },
  deliveryCement: {
    title: 'Cement at delivery',
    decides: 'which cement is laid out at delivery, and eugenol or none under the provisional',
  },
  framework: { title: 'Framework', decides: 'how the fitting side is cleaned and primed' },
  sealMm: { title: 'Root filling that stays', decides: 'how deep the post space may go' },
  missingWall: { title: 'A wall is missing', decides: 'whether it is built up before the mould is taken' },
  partErupted: { title: 'Part-erupted', decides: 'the clamp' },
  inEnamel: {
    title: 'Wholly in enamel',
    decides: 'what is numbed, the bottles of the adhesive, the depth that is checked',
  },
  innerSide: {
    title: 'Inner side of the crown',
    decides: 'how deep the inner wall is cut, and whether a chamfer or the shoulder ends it',
  },
  tintPercent: { title: 'Tint in the cement', decides: 'whether tint is laid out, and how much is too much' },
  lesion: { title: 'Lesion', decides: 'which way of the school is open: sealant, or a crown sealed in' },
  lesionSite: { title: 'Where the lesion is', decides: 'which way of the school is open' },
  managesFilling: { title: 'The child', decides: 'whether a simpler way is named' },
  pulpTreatment: { title: 'Pulp treatment', decides: 'medicament, base and time, tooth by tooth' },
  crossbite: { title: 'Crossbite', decides: 'which cusps carry the bite and are cut deeper' },
  missing: { title: 'Missing teeth', decides: 'contacts, strips, the holes of the sheet and the clamp' },
  anaesthetic: { title: 'Anaesthetic', decides: 'cartridges, the most that may be given, when the test is' },
  weightKg: { title: 'Weight', decides: 'the most anaesthetic that may be given' },
  ageYears: { title: 'Age', decides: 'whether the dose goes by weight, and which agents are asked about' },
  pieceOnHand: { title: 'The laboratory’s piece is here', decides: 'whether the visit can take place' },
  earlier: {
    title: 'Earlier visits of the case',
    decides: 'what was asked of the laboratory, left in, sealed or cemented with',
  },
  surfaces: { title: 'Surfaces', decides: 'matrix, wedge and strips, and how much material' },
  depthMm: { title: 'Depth', decides: 'the increments and their light, the height of the band, the base' },
  canals: { title: 'Canals', decides: 'files, cones and points, and the room for a post' },
  perimeterMm: {
    title: 'Perimeter at the neck',
    decides: 'the length of each cord, in place of the mean for such a tooth',
  },
  made: { title: 'Inlay or foil', decides: 'what is laid out and done for that tooth' },
  pulp: { title: 'Pulp of the tooth', decides: 'a part taken, all of it, or nothing' },
  widthMm: { title: 'Width', decides: 'the size of the preformed crown that is begun with' },
  worn: { title: 'Worn, not decayed', decides: 'whether a cavity is cut or dentine only roughened' },
  coveredEdge: { title: 'Edge covered', decides: 'whether the biting edge is cut' },
  overgrown: { title: 'Gum overgrown', decides: 'whether tissue has to go first, and with what' },
  dark: { title: 'Dark', decides: 'how low the margin goes, and that the cement is chosen on the tooth' },
  shade: { title: 'Shade', decides: 'the shade laid out' },
}

/** What each of these answers decides, in the order they are asked for. */
export const whyAsked = (facts: readonly string[]): (Decides & { fact: Asked })[] =>
  keysOf(decides).flatMap((fact) => (facts.includes(fact) ? [{ fact, ...decides[fact] }] : []))
