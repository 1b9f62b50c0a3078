/** What reckons, by its name: a kind of visit calls it with what it has to know. Each is a function of the case that returns steps. */
import type { Phase } from '../../model/step'
import type { BiteStage } from '../bite-stages'
import { nothing, only, type Block } from '../build'
import { restored, type Case, type Unit } from '../case'
import { lay } from '../lay'
import type { Own } from '../scope'
import type { StepId } from '../steps'
import { bondTooth, type BondOf, type Bonded } from './adhesive'
import { checkBite } from './bite'
import {
  cureOf,
  etch,
  frosted,
  lightStep,
  pumice,
  resinExcess,
  spotOn,
  spotOnAll,
  type CureRule,
  type EtchOf,
  type Spot,
} from './bonding'
import { access, fillCanals, shapeCanals } from './canal'
import { cordsOf, type CordsIn } from './cord-plan'
import { reductionCheck } from './cutting'
import { cementPiece, provisionalOff, tryIn } from './delivery'
import {
  bulk,
  cuspByCusp,
  floorFirst,
  flossContacts,
  matrixOff,
  matrixOn,
  polishComposite,
  readCavity,
  shapeComposite,
  thinFlowableCured,
  type MatrixStyle,
} from './filling'
import { goldFoil, goldInlays } from './gold'
import { finalImpression } from './impression'
import { impressionAndProvisional } from './impression-and-provisional'
import { isolation, isolationOff, rolls, secondClamp, sheetOff, sheetOn, type Sheet } from './isolation'
import { overgrownTissue } from './overgrown'
import { cleanPiece, primePiece } from './piece'
import { coat, rootDrawn, spaceForPost, type RootStage } from './post'
import { fitFrontCrown, preformedCrowns, sealedInOrNot } from './preformed-crowns'
import { makeProvisional, polishProvisional, trimProvisional } from './provisional'
import { fitProvisional } from './provisional-fit'
import { pulp } from './pulp'
import { opposingArch, paintTray, provisionalMould } from './records'
import { retainerLight } from './retainer-light'
import { cords, cordsForBonding } from './tissue'
import { cutVeneers, veneerImpression } from './veneers'

/** The tooth a part is for. @throws Error where it is for none: a fault of the library */
function unitIn(own: Own): Unit {
  if (!own.u) throw new Error('asked of one tooth, and said of none')
  return own.u
}

/** Where something is bonded: the stem of its ids and its phase. */
const spots = {
  delivery: (c) => spotOnAll(c, 'delivery', 'delivery'),
  'delivery of the tooth': (_, own) => onTooth(own, 'delivery', 'delivery'),
  filling: (_, own) => onTooth(own, 'filling', 'restoring'),
  inlay: (c) => spotOnAll(c, 'inlay', 'restoring'),
  core: (_, own) => spotOn(unitIn(own), 'core', 'core'),
  post: (_, own) => spotOn(unitIn(own), 'post', 'core'),
} as const satisfies Record<string, (c: Case, own: Own) => Spot>
type At = keyof typeof spots
function onTooth(own: Own, stem: string, phase: Phase): Spot {
  const u = unitIn(own)
  return spotOn(u, `${stem}.${u.tooth}`, phase)
}

interface Light {
  at: At
  /** What it does, behind the place: `cure-occlusal`. */
  act: string
  name: string
  least: CureRule
  /** The material whose own time counts. */
  of?: string
  deepMm?: number
  as?: StepId
  /** What the step says besides. */
  side?: string
  where?: string
  i?: number
}
function light(c: Case, { at, act, name, least, of, deepMm, as, ...values }: Light, own: Own): Block {
  const spot = spots[at](c, own)
  return lightStep(c, spot, `${spot.stem}.${act}`, cureOf(c, name, least, of, deepMm), {
    ...own,
    ...values,
    ...(as ? { as } : {}),
  })
}

interface Bond extends Omit<BondOf, 'hold'> {
  at: At
  to: Bonded
  /** The dentist sees that the enamel is dull all over. */
  frosted?: boolean
}
const bond = (c: Case, { at, to, frosted: dull, ...more }: Bond, own: Own): Block =>
  bondTooth(c, spots[at](c, own), to, { ...more, ...(dull ? { hold: frosted() } : {}) })

const gauze = (c: Case, at: CordsIn): Block => {
  const { layers, sites } = cordsOf(c, at)
  return only(layers.length > 0 && sites.length > 0, () => lay(c, 'tissue.bite-gauze'))
}

export const generators = {
  // Isolation
  rolls: (c) => rolls(c),
  isolation: (c) => isolation(c),
  'isolation off': (c) => isolationOff(c),
  'sheet on': (c, sheet: Sheet) => sheetOn(c, sheet),
  'second clamp': (c) => secondClamp(c),
  'sheet off': (c, off: { purpose?: Sheet['purpose']; why?: string }) => sheetOff(c, off),
  // Records
  'painted tray': (c) => paintTray(c),
  'provisional mould': (c) => provisionalMould(c),
  'opposing arch': (c) => opposingArch(c),
  // Gum and cords
  'overgrown gum': (c) => overgrownTissue(c),
  cords: (c, p: { in?: CordsIn }) => cords(c, cordsOf(c, p.in)),
  'cords for bonding': (c, p: { outStep: StepId }) => cordsForBonding(c, p.outStep),
  'gauze on the cords': (c, p: { in: CordsIn }) => gauze(c, p.in),
  // Cutting
  'reduction check': (c, p: { as?: StepId }) => reductionCheck(restored(c), p),
  'veneers cut': (c, p: { secondCord: boolean }) => cutVeneers(c, p.secondCord),
  // Impression and provisional
  'final impression': (c, p: { in?: CordsIn }) => finalImpression(c, cordsOf(c, p.in)),
  'veneer impression': (c, p: { secondCord: boolean }) => veneerImpression(c, p.secondCord),
  'impression and provisional': (c, p: { before?: Block }) =>
    impressionAndProvisional(c, cordsOf(c), p.before ?? nothing),
  'provisional made': (c, p: { sealed?: boolean }) => makeProvisional(c, p),
  'provisional trimmed': (c) => trimProvisional(c),
  'provisional polished': (c) => polishProvisional(c),
  'provisional fitted': (c) => fitProvisional(c),
  // Bonding
  etch: (c, p: { at: At; of: EtchOf; frosted?: boolean }, own) =>
    etch(c, spots[p.at](c, own), p.of, p.frosted ? { hold: frosted() } : {}),
  bond,
  light,
  'retainer light': (c, p: { side: 'front' | 'back' }, own) => retainerLight(c, unitIn(own), p.side),
  pumice: (c, p: { at: At; as?: StepId }, own) => pumice(c, spots[p.at](c, own), p.as ? { as: p.as } : {}),
  'resin excess': (c, p: { at: At; as?: StepId }, own) =>
    resinExcess(c, spots[p.at](c, own), p.as ? { as: p.as, u: unitIn(own) } : {}),
  // Delivery
  'provisional off': (c, p: { how?: 'lift' | 'cut' | 'flick' }) => provisionalOff(c, p.how),
  'try-in': (c, p: { what: string; as?: StepId; bitten?: boolean }) =>
    tryIn(c, p.what, p.as ? { as: p.as } : {}, { bitten: p.bitten ?? true }),
  'piece cleaned': (c, p: { what: string }) => cleanPiece(c, p.what),
  'piece primed': (c) => primePiece(c),
  'piece cemented': (c, p: { what: string }) => cementPiece(c, p.what),
  bite: (c, p: { stage: BiteStage; step: StepId }, own) => checkBite(c, p.stage, p.step, own),
  // Fillings
  'cavity read': (c, p: { detail?: string }, own) => readCavity(c, spots.filling(c, own), p.detail),
  matrix: (c, style: MatrixStyle, own) => matrixOn(c, unitIn(own), style),
  'matrix off': (c, p: { order: string; as?: StepId }, own) =>
    matrixOff(c, unitIn(own), p.order, p.as ? { as: p.as } : {}),
  'bulk increments': (c, _, own) => bulk(c, unitIn(own)),
  'thin flowable cured': (c, _, own) => thinFlowableCured(c, unitIn(own)),
  'floor first': (c, _, own) => floorFirst(c, unitIn(own)),
  'cusp by cusp': (c, _, own) => cuspByCusp(c, unitIn(own)),
  'contacts flossed': (c, _, own) => flossContacts(c, unitIn(own)),
  'composite shaped': (c, p: { part?: 'top' | 'side' }, own) => shapeComposite(c, unitIn(own), p.part),
  'composite polished': (c, _, own) => polishComposite(c, unitIn(own)),
  // Gold
  'gold inlays': (c) => goldInlays(c),
  'gold foil': (c, _, own) => goldFoil(c, unitIn(own)),
  // Roots
  'canal access': (c, _, own) => access(c, unitIn(own)),
  'canals shaped': (c, _, own) => shapeCanals(c, unitIn(own)),
  'canals filled': (c, p: { belowOrificeMm: number }, own) => fillCanals(c, unitIn(own), p.belowOrificeMm),
  'post space': (c, _, own) => spaceForPost(c, unitIn(own)),
  'root drawn': (c, p: { step: StepId; stage: RootStage }, own) => rootDrawn(c, unitIn(own), p.step, p.stage),
  coat: (c, _, own) => coat(c, unitIn(own)),
  // Milk teeth
  'milk pulps': (c) => pulp(c),
  'sealed in or not': (c) => sealedInOrNot(c),
  'preformed crowns': (c) => preformedCrowns(c),
  'front crown fitted': (c, _, own) => fitFrontCrown(c, unitIn(own)),
} as const satisfies Record<string, (c: Case, asks: never, own: Own) => Block>
export type GeneratorName = keyof typeof generators
