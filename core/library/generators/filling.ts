/** What direct fillings share: old filling and decay out, matrix and wedge, increments, sheet, carving and gloss. */
import { lay, type Otherwise } from '../lay'
import { type Figure } from '../../figure'
import { cavityVolume } from '../../measure/volumes'
import { bulkIncrements, type Increments } from '../../measure/restoring'
import type { EdgePart } from '../../catalog/cut'
import { cutSteps } from './cutting'
import { cavityLines } from '../cuts/cavities'
import type { Own } from '../scope'
import { checkBite } from './bite'
import { nothing, only, sequence, type Block } from '../build'
import type { Shown } from '../../model/step'
import { boxesOf, surfacesOf, type Case, type Unit } from '../case'
import { cureOf, lightStep, type Spot, spotOn } from './bonding'

export const spotOf = (u: Unit): Spot => spotOn(u, `filling.${u.tooth}`, 'restoring')
/** Depth of the cavity, mm; 4 where nobody has measured yet. */
export const depthOf = (u: Unit): number => u.says('depthMm') ?? 4

/** The cavity of a tooth as it is planned, in mm³. */
export const volumeOf = (u: Unit, usual: string): Figure =>
  cavityVolume({
    mesiodistalMm: u.size.mesiodistalMm,
    labiolingualMm: u.size.labiolingualMm,
    depthMm: depthOf(u),
    boxes: boxesOf(surfacesOf(u, usual)).length,
  })

/** What the cuts of a cavity say of its surfaces. */
export function surfaceWords(u: Unit, usual: string): Own {
  const surfaces = surfacesOf(u, usual)
  const boxes = boxesOf(surfaces)
  const beside = boxes.flatMap((b) => (u[b].tooth ? [u[b].said] : []))
  return {
    surfaces,
    boxWords: boxes.join(' and '),
    bothBoxes: boxes.length > 1,
    besideBoxes: beside.join(', ') || 'tooth',
  }
}

/** Cutting a cavity: outline, box walls by hand, soft decay, inspected. 6 · 10 · 20 minutes in all: our estimate. */
export const cavity = (c: Case, usual: string): Block =>
  cutSteps(c, cavityLines, [6, 10, 20], (u) => surfaceWords(u, usual))

/** Rinse, dry, look: the cavity is read before anything goes in. */
export function readCavity(
  c: Case,
  s: Spot,
  detail = 'Edges sound, no stain at the enamel-dentine line; depth by probe.',
): Block {
  return lay(c, '$stem.read', { ...s, detail })
}

export interface MatrixStyle {
  kind: 'circumferential' | 'sectional'
  /** Band height asked for, in words. */
  band?: string
  figure?: ReturnType<typeof bulkIncrements>['figure']
}

/** Matrix, wedge and ring; each piece is counted in and comes out again. */
export function matrixOn(c: Case, u: Unit, usual: string, { kind, band, figure }: MatrixStyle): Block {
  const boxes = boxesOf(surfacesOf(u, usual))
  if (boxes.length === 0) return nothing
  const n = boxes.length
  return lay(c, 'filling.$tooth.matrix', { u, kind, boxWords: boxes.join(' and '), n, band, amount: 2 * n, figure })
}

export function matrixOff(
  c: Case,
  u: Unit,
  usual: string,
  order = 'Wedge, then band, out sideways',
  more: Otherwise = {},
): Block {
  if (boxesOf(surfacesOf(u, usual)).length === 0) return nothing
  return lay(c, more.as ?? 'filling.$tooth.matrix-off', { u, order, ...more })
}

/** The layers of a cavity as they are drawn; `now` is the one put in, -1 before any. */
const layersOf = (u: Unit, usual: string, increments: Increments, now: number): Shown => ({
  what: 'layers',
  layersMm: [...increments.bulkMm, increments.coverMm],
  now,
  boxes: boxesOf(surfacesOf(u, usual)),
})

/**
 * The increments of a cavity by its depth, with their light, deepest point first; `shows` draws them as they stand before
 * the first and at the cover.
 */
export function bulk(
  c: Case,
  u: Unit,
  usual: string,
): { increments: Increments; blocks: Block[]; shows: { before: Shown; cover: Shown } } {
  const s = spotOf(u)
  const depthMm = depthOf(u)
  const increments = bulkIncrements(depthMm)
  const shows = (now: number): Shown => layersOf(u, usual, increments, now)
  const pressed = boxesOf(surfacesOf(u, usual)).length > 0
  let floor = depthMm
  const blocks = increments.bulkMm.map((mm, i) => {
    const id = `${s.stem}.bulk-${i + 1}`
    const light = cureOf(c, `bulk increment ${i + 1}`, 'cure.increment', 'composite.bulk', Math.max(0, floor - mm))
    floor -= mm
    return sequence(
      lay(c, '$stem.bulk-$nth', {
        ...s,
        nth: i + 1,
        length: increments.bulkMm.length,
        mm,
        i,
        figure: increments.figure,
        shows: shows(i),
      }),
      lightStep(c, s, `${id}-cure`, light, pressed && i === 0 ? { as: 'light:pressed' } : {}),
    )
  })
  return { increments, blocks, shows: { before: shows(-1), cover: shows(increments.bulkMm.length) } }
}

/** Excess off and shape of a composite; the bur follows the surface. */
export function shapeComposite(c: Case, u: Unit, part: EdgePart = 'top'): Block {
  const s = spotOf(u)
  return lay(c, '$stem.finish', { ...s, u, part })
}

/** Two polishers, the finer one last; where the filling is bitten on, after its bite. */
export function polishComposite(c: Case, u: Unit): Block {
  const s = spotOf(u)
  return lay(c, '$stem.finish-polish', { ...s })
}

/** Floss through every contact that is there. */
export function flossContacts(c: Case, u: Unit, usual: string): Block {
  const there = boxesOf(surfacesOf(u, usual)).filter((b) => u[b].tooth)
  return only(there.length > 0, () =>
    lay(c, 'filling.$tooth.floss', { u, contacts: there.map((b) => `${b} contact to ${u[b].said}`).join(', ') }),
  )
}

/** Paper, the spot eased, paper again until even: a filling on top, the sheet off. */
export function biteUntilEven(c: Case, u: Unit, stage: 'filling' | 'amalgam', more: Otherwise = {}): Block {
  return checkBite(c, stage, 'filling.$tooth.bite', { u, ...more })
}
