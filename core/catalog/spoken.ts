/**
 * What things are called beside a chair: each word, and the needs it may mean. A plan’s sentences name things by these words
 * and by no others, so a sentence can be held against the tray (core/plan/tray-text.ts). The trade’s own terms, common practice.
 */
import { sure } from '../sure'
import { alertWords } from '../vocabulary'

/** A thing by its spoken words: the needs any of which it may mean; a need means every one beneath it ('cord' all sizes). */
interface Thing {
  needs: readonly string[]
  says: readonly string[]
  /** The words mean one thing among those that answer: they fit what has this in its name, anything else is called by its own. */
  only?: string
}

const row = (needs: string, says: string, only?: string): Thing => ({
  needs: needs.split(', '),
  says: says.split(', '),
  ...(only === undefined ? {} : { only }),
})

/** Needs, then their words; the longer word is read first. Plurals follow by themselves. */
const things: readonly Thing[] = [
  row('mirror, hand mirror, plastic mirror, photograph mirror', 'mirror'),
  row('hand mirror', 'hand mirror'),
  row('plastic mirror', 'plastic mirror', 'plastic'),
  row('explorer, caries explorer', 'explorer, tip of the explorer'),
  row('caries explorer, explorer', 'sickle explorer', 'sickle'),
  row('periodontal probe', 'probe, periodontal probe'),
  row('tweezers, locking tweezers', 'tweezers'),
  row('locking tweezers', 'locking tweezers'),
  row('magnifier', 'magnifier'),
  row('loupes', 'loupes'),
  row('microscope', 'microscope'),
  row('clearance tabs', 'clearance tab, tabs in the bite, the tab'),
  row('film holder', 'film holder'),
  row('facebow', 'facebow'),
  row('camera', 'camera, picture, photograph'),
  row('paper forceps', 'paper forceps'),
  row('crown caliper, sliding caliper', 'caliper'),
  row('cord packer', 'packer, cord packer'),
  row('cord scissors', 'fine scissors'),
  row('blunt scissors', 'blunt scissors'),
  row('crown scissors', 'crown scissors'),
  row('scaler', 'scaler'),
  row('curette', 'curette'),
  row('spoon excavator', 'spoon excavator, excavator, sharp spoon'),
  row('enamel chisel', 'chisel'),
  row('enamel hatchet', 'hatchet'),
  row('gingival margin trimmer', 'gingival margin trimmer'),
  row('plastic instrument', 'plastic instrument, flat instrument'),
  row('amalgam condenser, foil condenser', 'condenser'),
  row('amalgam condenser', 'small condenser'),
  row('amalgam condenser.large', 'large condenser, larger condenser'),
  row('composite plugger, endodontic plugger, amalgam condenser', 'plugger'),
  row('burnisher', 'burnisher'),
  row('burnisher.ball', 'ball burnisher', 'ball'),
  row('burnisher.flat', 'flat burnisher', 'flat'),
  row('amalgam carver, composite carver, interproximal carver', 'carver'),
  row('amalgam carver', 'discoid carver', 'discoid'),
  row('composite carver', 'shaping instrument'),
  row('composite carver', 'fissure instrument', 'fissure'),
  row('interproximal carver', 'interproximal carver'),
  row('amalgam carrier, liner carrier, foil carrier', 'carrier'),
  row('heat carrier', 'heat carrier'),
  row('amalgam well', 'amalgam well, over the well'),
  row('liner carrier', 'liner carrier'),
  row('contact former', 'contact former, contact instrument'),
  row('composite dispenser', 'dispenser, compule dispenser'),
  row('haemostat', 'haemostat'),
  row('provisional remover', 'provisional remover'),
  row('mixing spatula, cement spatula', 'spatula'),
  row('scalpel', 'scalpel, blade, curved blade'),
  row('thickness gauge', 'thickness gauge, gauge'),
  row('pencil', 'pencil'),
  row('cheek retractor', 'cheek retractor'),
  row('mouth prop', 'mouth prop, prop'),
  row('contouring pliers, crimping pliers', 'pliers'),
  row('contouring pliers', 'contouring pliers'),
  row('crimping pliers', 'crimping pliers'),
  row('crown spoon', 'crown seater'),
  row('foil condenser', 'foil condenser'),
  row('foil carrier', 'foil carrier'),
  row('gold mallet', 'mallet'),
  row('gold knife', 'gold knife'),
  row('placement stick', 'placement stick, sticky tip'),
  row('slow handpiece, straight handpiece', 'slow handpiece'),
  row('high-speed handpiece', 'high-speed handpiece'),
  row('straight handpiece', 'straight handpiece'),
  row('scanner', 'scanner'),
  row('endodontic motor', 'motor'),
  row('powder jet', 'powder jet'),
  row('curing light', 'curing light, light held, held light'),
  row('light shield', 'light shield, orange shield'),
  row('light sleeve', 'light sleeve'),
  row('triturator', 'triturator, triturate'),
  row('composite warmer', 'warmer, composite warmer'),
  row('cold agent, pulp tester', 'cold spray'),
  row('skin tape', 'taped'),
  row('capsule applier', 'capsule applier'),
  row('block-out wax', 'block-out wax'),
  row('zirconia cleaner', 'zirconia cleaner'),
  row('air abrasion', 'air abrasion'),
  row('ultrasonic bath', 'ultrasonic bath, ultrasonic'),
  row('apex locator', 'locator, apex locator'),
  row('soft-tissue laser', 'laser'),
  row('laser goggles', 'goggles'),
  row('electrosurgery unit', 'electrosurgery'),
  row('welder', 'welder, welded'),
  row('alcohol lamp', 'alcohol lamp, flamed, in the flame'),
  row('annealing tray', 'mica'),
  row('vacuum drying tip', 'vacuum'),
  row('laminate block', 'labelled block, numbered block'),
  row('light-proof lid', 'light-proof lid'),
  row('bib', 'bib'),
  row('patient shield, face shield', 'eye shield'),
  row('face shield', 'face shield'),
  row('gloves', 'glove'),
  row('mask', 'mask'),
  row('sharps box', 'sharps box'),
  row('dam sheet', 'dam sheet, sheet'),
  row('dam frame', 'frame, dam frame'),
  row('dam punch', 'dam punch, punched, punch'),
  row('clamp forceps', 'clamp forceps'),
  row('clamp', 'clamp'),
  row('clamp.cervical', 'cervical clamp, double-bow clamp'),
  row('dam lubricant', 'lubricant, water-soluble lubricant'),
  row('block-out resin', 'block-out resin'),
  row('matrix retainer', 'retainer of the band, band in its retainer'),
  row('matrix band, deep-margin band, band material', 'band'),
  row('matrix band.sectional', 'sectional band', 'sectional'),
  row('matrix band.circumferential', 'band round'),
  row('deep-margin band', 'deep-margin band'),
  row('wedge', 'wedge'),
  row('separation ring', 'ring, separation ring'),
  row('ring forceps', 'ring forceps, ring on its forceps'),
  row('plastic strip', 'plastic strip, half strip'),
  row('metal strip', 'metal strip, guard strip'),
  row('foil strip', 'foil strip'),
  row('plastic strip, metal strip, foil strip, finishing strip, neighbour tape', 'strip'),
  row('neighbour tape', 'thin tape'),
  row('hand file', 'hand file, file 8, file 10, file 15'),
  row('hand file, rotary file set', 'file'),
  row('orifice opener', 'orifice opener'),
  row('file stops', 'stop set, file stop'),
  row('endodontic ruler', 'ruler'),
  row('lip hook', 'lip hook, file clip, file with clip'),
  row('irrigation syringe', 'irrigation syringe, irrigation'),
  row('side-vented needle', 'side-vented needle'),
  row('irrigation agitator', 'agitator, agitator tip'),
  row('paper point', 'paper point, dry point'),
  row('paper point, master cone, rubber point', 'point'),
  row('master cone', 'cone, master cone'),
  row('fibre post', 'post, fibre post'),
  row('shade guide, material tab', 'shade guide, shade tab, tab beside the tooth'),
  row('reduction guide', 'reduction guide'),
  row('wax-up matrix', 'wax-up matrix'),
  row('laboratory piece', 'laboratory piece'),
  row('cord', 'cord'),
  row('agent.aluminium chloride, agent.ferric sulphate, agent.astringent paste', 'astringent'),
  row('agent.astringent paste', 'astringent paste'),
  row('paste tip', 'paste tip'),
  row('dual-arch tray', 'dual-arch tray'),
  row('custom tray', 'custom tray'),
  row('full tray', 'full tray, stock tray'),
  row('sectional tray', 'sectional tray'),
  row('dual-arch tray, custom tray, full tray, sectional tray, water-cooled tray', 'loaded tray, tray'),
  row('light body', 'wash'),
  row('heavy body, medium body, tray body', 'tray material, heavy body'),
  row('putty, preliminary silicone', 'putty'),
  row('bite silicone', 'bite silicone'),
  row('alginate', 'alginate'),
  row('mixing bowl', 'bowl'),
  row('dispensing gun', 'gun'),
  row('mixing tip', 'mixing tip'),
  row('impression syringe, syringe, irrigation syringe, hydrocolloid syringe', 'syringe'),
  row('impression syringe, hydrocolloid syringe', 'loaded syringe'),
  row('impression syringe', 'impression syringe'),
  row('block-out wax', 'block-out wax'),
  row('disinfectant spray', 'disinfectant, disinfected, disinfect'),
  row('impression bag', 'bag'),
  row('fit checker', 'fit-checking silicone'),
  row('bis-acryl', 'bis-acryl'),
  row('separator', 'separator, jelly'),
  row('flowable resin, composite.flowable', 'flowable, flowable resin'),
  row('micro brush', 'micro brush, brush with primer, brush with bond, brush with adhesive'),
  row('provisional powder', 'provisional powder'),
  row('provisional liquid', 'provisional liquid'),
  row('paint brush, micro brush, clean-up brush, polishing brush', 'brush'),
  row('stopping', 'stopping, soft stopping'),
  row('crown form, core former', 'former, crown form'),
  row('laboratory cutter', 'laboratory cutter'),
  row('provisional cement', 'provisional cement'),
  row('provisional cement.non-eugenol', 'non-eugenol cement'),
  row('cement.resin', 'resin cement'),
  row('cement.glass ionomer luting, core.glass ionomer, cement.resin-modified glass ionomer', 'glass ionomer'),
  row('cement, provisional cement, base cement', 'cement'),
  row('try-in paste', 'try-in paste'),
  row('resin tint', 'tint'),
  row('base cement', 'base cement'),
  row('mixing pad', 'pad, mixing pad'),
  row('bite stick, placement stick', 'stick'),
  row('bite stick', 'bite stick'),
  row('etchant', 'etchant, etch-and-rinse gel'),
  row('primer', 'primer'),
  row('bond, bonding resin', 'bond'),
  row('adhesive.universal', 'universal adhesive'),
  row('adhesive, bond, bonding resin', 'adhesive'),
  row('tray adhesive', 'tray adhesive'),
  row('silane', 'silane'),
  row('glycerine gel', 'glycerine'),
  row('clean-up brush', 'clean-up brush'),
  row('disclosing solution', 'disclosing solution, disclosed'),
  row('composite.bulk', 'bulk increment'),
  row('composite', 'composite'),
  row('composite stain', 'stain in'),
  row('amalgam capsule', 'amalgam capsule'),
  row('liner', 'liner'),
  row('core.dual-cure, cement.resin', 'dual-cure'),
  row('core tip', 'long tip'),
  row('core former', 'core former'),
  row('pulp medicament', 'medicament'),
  row('resorbable paste', 'resorbable paste', 'paste'),
  row('gold foil.powdered', 'powdered gold, powdered'),
  row('gold foil', 'gold foil'),
  row('polishing powder.15', '15 µm powder'),
  row('polishing powder.1', '1 µm powder'),
  row('band material', 'band material'),
  row('separators', 'elastic separator, separators out'),
  row('topical', 'topical'),
  row('cotton tip', 'cotton tip'),
  row('needle', 'needle'),
  row('suction tip, plastic suction tip', 'high-volume suction, suction'),
  row('plastic suction tip', 'plastic suction', 'plastic'),
  row('saliva ejector', 'saliva ejector'),
  row('gauze', 'gauze'),
  row('cotton roll', 'cotton roll, roll'),
  row('cotton pellet', 'cotton pellet'),
  row('cotton roll, cotton pellet, cotton tip', 'cotton'),
  row('cotton pellet, gold foil', 'pellet'),
  row('dappen dish', 'dappen dish, two wells'),
  row('floss', 'floss'),
  row('floss threader', 'threader, knotted threader'),
  row('articulating paper', 'articulating paper, paper'),
  row('contact film', 'contact film'),
  row('foil', 'shim foil'),
  row('alcohol', 'alcohol'),
  row('hypochlorite', 'hypochlorite'),
  row('edta', 'chelator, EDTA'),
  row('sealer', 'sealer'),
  row('chlorhexidine', 'chlorhexidine'),
  row('throat pack', 'throat pack'),
  row('trimming disc, finishing disc', 'disc'),
  row('polishing brush', 'felt'),
  row('finishing strip', 'finishing strip'),
  row('rubber point', 'rubber point'),
  row('metal wheel', 'metal wheel'),
  row('composite polisher, ceramic polisher, metal polisher', 'polisher, pre-polisher, gloss polisher'),
  row('ceramic wheel', 'wheel'),
  row('diamond paste', 'diamond paste, polishing paste'),
  row('pumice', 'pumice'),
  row('prophy cup, composite polisher, rubber cup', 'cup'),
  row('powder', 'jet powder'),
  row('crown stone', 'stone'),
]

/** Phrases in which a thing’s word means no thing. */
const notThings = [
  ...Object.values(alertWords),
  'inverted cone',
  'deepest point',
  'four points',
  'two points',
  'no sheet',
  'air syringe',
  'chlorhexidine alert',
  'on paper',
  'seating tab',
  'flash of resin or cement',
  'stopping with it',
  'the bond',
  'not bond',
  'bonds to',
]

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)
/** One or many, as they are written. */
const inNumber = (word: string): string[] => [word, `${word}s`, `${word}es`]
const known = new Map<string, Pick<Thing, 'needs' | 'only'>>([
  ...things.flatMap(({ says, ...thing }) =>
    says.flatMap((word) => inNumber(word.toLowerCase()).map((w): [string, typeof thing] => [w, thing])),
  ),
  ...notThings.flatMap((word) =>
    inNumber(word.toLowerCase()).map((w): [string, Thing] => [w, { needs: [], says: [] }]),
  ),
])
const patternOf = (words: Iterable<string>): RegExp =>
  new RegExp(
    String.raw`(?<![\w-])(?:${[...words]
      .toSorted((a, b) => b.length - a.length)
      .map(escaped)
      .join('|')})(?![\w-])`,
    'gi',
  )
const pattern = patternOf(known.keys())

/** A thing as a sentence names it. */
export interface Naming {
  /** As written, and where. */
  words: string
  at: number
  /** The needs any of which it may mean. */
  needs: readonly string[]
  /** It fits only what has this in its name. */
  only?: string
}

/**
 * A thing by the words of a sentence, one or many.
 * @throws Error where nobody beside a chair calls anything so
 * @example thingCalled('Burnishers').needs // ['burnisher']
 */
export function thingCalled(words: string): Omit<Naming, 'at'> {
  const thing = known.get(words.toLowerCase())
  if (!thing || thing.needs.length === 0) throw new Error(`nothing is called “${words}”`)
  return { words, needs: thing.needs, ...(thing.only === undefined ? {} : { only: thing.only }) }
}

const read = new Map<string, readonly Naming[]>()
/** Sentences are few and come again; practices write their own, so the store is kept from growing for ever. */
const mostRead = 20_000

/**
 * The things a sentence names.
 * @example thingsIn('Soft decay out with the spoon excavator')[0].needs // ['spoon excavator']
 */
export function thingsIn(sentence: string): readonly Naming[] {
  const before = read.get(sentence)
  if (before) return before
  const found = [...sentence.matchAll(pattern)].flatMap(({ 0: words, index }): Naming[] => {
    const { needs, only } = sure(known.get(words.toLowerCase()))
    return needs.length > 0 ? [{ words, at: index, needs, ...(only === undefined ? {} : { only }) }] : []
  })
  if (read.size >= mostRead) read.clear()
  read.set(sentence, found)
  return found
}

/**
 * A thing’s own name as it is spoken in a sentence: what a list puts behind a comma goes before.
 * @example spokenName('Matrix band, circumferential') // 'circumferential matrix band'
 */
export function spokenName(name: string): string {
  const [, noun, kind] = /^([^,]+), ([a-z-]+)$/.exec(name) ?? []
  return noun && kind ? `${kind} ${itsName(noun)}` : itsName(name)
}

/**
 * A thing’s own name in the middle of a sentence.
 * @example itsName('Mouth mirror') // 'mouth mirror'
 */
export const itsName = (name: string): string =>
  /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name
