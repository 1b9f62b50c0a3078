/** What direct fillings share: old filling and decay out, matrix and wedge, increments, sheet, carving and gloss. */
import { adhesives } from '../../practice/adhesives'
import { cavityBoxes, depthOf } from '../cavity'
import { lay, type Otherwise } from '../lay'
import { bulkIncrements, floorLayers } from '../../measure/restoring'
import { innerSide, isAnterior } from '../../teeth/arch'
import type { EdgePart } from '../../catalog/cut'
import { nothing, only, sequence, type Block } from '../build'
import type { Shown } from '../../model/step'
import { type Case, type Unit } from '../case'
import { cureOf, lightStep, type Spot, spotOn, cureTogether } from './bonding'

export const spotOf = (u: Unit): Spot => spotOn(u, `filling.${u.tooth}`, 'restoring')
/** Rinse, dry, look: the cavity is read before anything goes in. */
export function readCavity(
  c: Case,
  s: Spot,
  detail = 'Edges sound, no stain at the enamel-dentine line; depth by {probe}.',
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
export function matrixOn(c: Case, u: Unit, { kind: wanted, band, figure }: MatrixStyle): Block {
  const boxes = cavityBoxes(c, u)
  if (boxes.length === 0) return nothing
  const n = boxes.length
  const rings = boxes.filter((b) => u[b].tooth).length
  // A ring spreads against a neighbour: without one the band goes all round, and the wall is shaped free.
  const kind = rings > 0 ? wanted : 'circumferential'
  return lay(c, 'filling.$tooth.matrix', {
    u,
    kind,
    rings,
    // One side stands free beside one that does not: its band is closed without a ring.
    free: rings > 0 ? boxes.filter((b) => !u[b].tooth).join(' and ') : '',
    boxWords: boxes.join(' and '),
    n,
    band,
    amount: kind === 'circumferential' ? 1 + n : 2 * n,
    figure,
  })
}

export function matrixOff(c: Case, u: Unit, order: string, more: Otherwise = {}): Block {
  if (cavityBoxes(c, u).length === 0) return nothing
  return lay(c, more.as ?? 'filling.$tooth.matrix-off', { u, order, ...more })
}

/** The increments of a cavity by its depth, deepest point first, each with its light, and what covers them. */
export function bulk(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const depthMm = depthOf(u)
  const { bulkMm, coverMm, figure } = bulkIncrements(depthMm)
  const shows = (now: number): Shown => ({
    what: 'layers',
    layersMm: [...bulkMm, coverMm],
    now,
    boxes: cavityBoxes(c, u),
  })
  // Where nothing stands there is nothing to press to.
  const pressed = cavityBoxes(c, u).some((b) => u[b].tooth)
  const length = bulkMm.length
  let floor = depthMm
  const blocks = bulkMm.map((mm, i) => {
    const light = cureOf(c, `bulk increment ${i + 1}`, 'cure.increment', 'composite.bulk', Math.max(0, floor - mm))
    floor -= mm
    return sequence(
      lay(c, '$stem.bulk-$nth', { ...s, nth: i + 1, length, mm, i, figure, shows: shows(i) }),
      lightStep(c, s, `${s.stem}.bulk-${i + 1}-cure`, light, pressed && i === 0 ? { as: 'light:pressed' } : {}),
    )
  })
  return sequence(
    lay(c, 'filling.$tooth.depth', { u, length, before: shows(-1), figure, text: figure.text }),
    ...blocks,
    lay(c, 'filling.$tooth.cover', { u, coverMm, cover: shows(length), length }),
  )
}

/** Excess off and shape of a composite; the bur follows the surface. */
export function shapeComposite(c: Case, u: Unit, part: EdgePart = 'top'): Block {
  const s = spotOf(u)
  // A side toward a neighbour is smoothed with strips, a front edge with discs; a surface of its own with neither.
  const strips = part === 'side' || cavityBoxes(c, u).length > 0
  const smoothed = strips || isAnterior(u.tooth)
  return sequence(
    lay(c, '$stem.finish', { ...s, u, part, smoothed }),
    only(smoothed, () => lay(c, '$stem.finish-discs', { ...s, u, strips })),
  )
}

/** Two polishers, the finer one last; where the filling is bitten on, after its bite. */
export function polishComposite(c: Case, u: Unit): Block {
  const s = spotOf(u)
  return lay(c, '$stem.finish-polish', { ...s })
}

/** Floss through every contact that is there. */
export function flossContacts(c: Case, u: Unit): Block {
  const there = cavityBoxes(c, u).filter((b) => u[b].tooth)
  return only(there.length > 0, () =>
    lay(c, 'filling.$tooth.floss', { u, contacts: there.map((b) => `${b} contact to ${u[b].said}`).join(', ') }),
  )
}

/** Two layers under one light: the thin flowable, and the adhesive that was not cured before it. */
export function thinFlowableCured(c: Case, u: Unit): Block {
  const light = cureTogether(`thin flowable with the adhesive, ${u.said}`, [
    cureOf(c, `adhesive, ${u.said}`, 'cure.adhesive', adhesives[c.school('adhesive')].bond),
    cureOf(c, `thin flowable, ${u.said}`, 'cure.increment', 'composite.flowable'),
  ])
  return lightStep(c, spotOf(u), `filling.${u.tooth}.flow-cure`, light, { as: 'light:thin flowable' })
}

/** The floor first: layers of at most 2 mm, each with its light, up to about 2 mm under the cusps. */
export function floorFirst(c: Case, u: Unit): Block {
  const { layersMm, figure } = floorLayers(depthOf(u))
  return sequence(
    ...layersMm.flatMap((mm, i) => {
      const name = `floor layer ${i + 1}, ${u.said}`
      return [
        lay(c, 'filling.$tooth.floor-$nth', { u, nth: i + 1, length: layersMm.length, mm, figure, i }),
        lightStep(
          c,
          spotOf(u),
          `filling.${u.tooth}.floor-${i + 1}-cure`,
          cureOf(c, name, 'cure.increment', 'composite.universal', 2),
        ),
      ]
    }),
  )
}

/** Each cusp by itself: four where the tooth is as wide as a molar, else two. */
export function cuspByCusp(c: Case, u: Unit): Block {
  const layer = cureOf(c, `cusp, ${u.said}`, 'cure.increment', 'composite.universal', 2)
  const inner = innerSide(u.tooth)
  const cusps =
    u.size.mesiodistalMm >= 9 ? ['mesiobuccal', 'distobuccal', `mesio${inner}`, `disto${inner}`] : ['buccal', inner]
  return sequence(
    ...cusps.flatMap((cusp) => [
      lay(c, 'filling.$tooth.cusp-$cusp', { cusp, u }),
      lightStep(c, spotOf(u), `filling.${u.tooth}.cusp-${cusp}-cure`, layer),
    ]),
  )
}
