/** J11: post, core and provisional on a front tooth, under the sheet throughout. */
import { postLines } from '../cuts/other-crowns'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { postFor, type PostChoice } from '../../measure/post'
import { postSpace } from '../../measure/restoring'
import type { Shown } from '../../model/step'
import { bondTooth } from '../generators/adhesive'
import { cureOf, lightStep, type Spot, spotOn } from '../generators/bonding'
import { draftsOf, sequence, type Block } from '../build'
import { type Case, type Unit, type RestoredCase } from '../case'
import { cutSteps } from '../generators/cutting'
import { sheetOff, sheetOn } from '../generators/isolation'
import { reductionTargets } from '../../measure/reduction'
import { innerSide } from '../../teeth/arch'
import { deliveryAfter, after } from './follow-ups'
import { restoring } from './kind'
const first = (c: Case): Unit => firstOf(c.units)
const spotOf = (u: Unit): Spot => spotOn(u, 'post', 'core')

/** The drill's last size where none is owned, mm. Our estimate. */
const usualPostMm = 1.4

/** Drills that are owned, and the post among them for this root. */
function choiceOf(c: Case): PostChoice | undefined {
  const drills = c.practice.burs.filter((b) => b.shape === 'reamer').map((b) => b.diameterMm)
  return drills.length > 0 ? postFor(first(c).size.cervicalMesiodistalMm, drills) : undefined
}

/** The root as it is drawn at a stage. */
function rootOf(c: Case, stage: 'space' | 'post' | 'core'): Shown {
  const canalMm = first(c).says('canals')?.[0]?.lengthMm
  return {
    what: 'post',
    stage,
    ...(canalMm === undefined ? {} : { canalMm }),
    sealMm: c.asks('sealMm'),
    postMm: choiceOf(c)?.postMm ?? usualPostMm,
  }
}

/** Post space by the canal's length where the film has been read, else what the film will be asked. */
function space(c: Case): Block {
  const u = first(c)
  const canalMm = u.says('canals')?.[0]?.lengthMm
  const sealMm = c.asks('sealMm')
  const room = canalMm !== undefined && canalMm > sealMm ? postSpace(canalMm, sealMm) : undefined
  const choice = choiceOf(c)
  const earlier = choice?.drillsMm.slice(0, -1) ?? []
  const shows = rootOf(c, 'space')
  const depth = room
    ? `${room.leastMm}–${room.mostMm} mm`
    : `half to two thirds of the canal, ${sealMm} mm of root filling left`
  return sequence(
    lay(c, 'canal.film', {
      u,
      depth,
      canalMm,
      shows,
      room,
      figure: room?.figure,
      roomBecause: room?.because,
    }),
    lay(c, 'canal.orifice', { u }),
    ...earlier.map((mm, n) => lay(c, 'canal.widen.$nth', { u, mm, shows, nth: n + 1 })),
    lay(c, 'canal.drill', {
      u,
      choice,
      lastMm: choice?.postMm,
      room,
      leastMm: room?.leastMm,
      mostMm: room?.mostMm,
      shows,
      postMm: choice?.postMm ?? usualPostMm,
      figure: choice?.figure,
    }),
    lay(c, 'canal.clean', { u }),
    lay(c, 'canal.try-post', {
      u,
      rootOf: rootOf(c, 'post'),
      choice,
      postMm: choice?.postMm,
      widened: earlier.map((_, n) => `canal.widen.${n + 1}`),
    }),
  )
}

/** The post bonded: silane, adhesive by points with the excess wicked off, dual-cure from the bottom, light from three sides. */
function bondPost(c: Case): Block {
  const u = first(c)
  const s = spotOf(u)
  const inner = innerSide(u.tooth)
  const half = cureOf(c, 'post cement, each of three sides', 'cure.piece', 'core.dual-cure')
  const built = cureOf(c, 'built core, each of three sides', 'cure.piece', 'core.dual-cure')
  return sequence(
    lay(c, 'post.silane', { u }),
    lay(c, 'post.strips', { u }),
    bondTooth(c, s, 'canal', {
      cured: false,
      what: 'the canal and the tooth over it',
      dried: 'then paper points until one comes out dry',
    }),
    lay(c, 'post.inject', { u, rootOf: rootOf(c, 'post') }),
    ...['top', 'cheek side', inner === 'palatal' ? 'palatal side' : 'tongue side'].map((side, i) =>
      lightStep(c, s, `post.cure-${['top', 'cheek', 'inner'][i]}`, half, {
        as: 'light:post',
        side,
        i,
      }),
    ),
    lay(c, 'post.cut', { u }),
    lay(c, 'post.core', { u, rootOf: rootOf(c, 'core') }),
    ...['top', 'cheek side', inner === 'palatal' ? 'palatal side' : 'tongue side'].map((side, i) =>
      lightStep(c, s, `post.core-cure-${['top', 'cheek', 'inner'][i]}`, built, {
        as: 'light:built core',
        side,
        i,
      }),
    ),
  )
}

/** Chamfer all round with its ferrule, then a coat over the dentine that must shine. */
function shapeAndCoat(c: RestoredCase): Block {
  const u = first(c)
  const s = spotOn(u, 'coat', 'core')
  const coat = bondTooth(c, s, 'fresh dentine', { rinse: 'etch.rinse.coat', what: 'the dentine' })
  return sequence(
    cutSteps(c, postLines, [8, 12, 20], () => ({
      // The canal has just been filled: whatever the case says, nothing is alive in it.
      painless: true,
      marginInTwoMm: Math.min(reductionTargets(c.restoration).margin.mostMm, 0.8),
    })),
    lay(c, 'core.ferrule', { u, rootOf: rootOf(c, 'core') }),
    coat,
    lay(c, 'coat.look', { u, coated: draftsOf(coat).map((d) => d.id) }),
  )
}

/** Direct composite provisional in the shade of a tab made of the very material. */
function provisional(c: Case): Block {
  const u = first(c)
  return sequence(
    lay(c, 'provisional.separate:core', { u }),
    lay(c, 'provisional.build', { u }),
    lay(c, 'provisional.trim:core', { u }),
    lay(c, 'provisional.load:core', { u }),
    lay(c, 'provisional.cement:core', { u }),
    lay(c, 'provisional.excess:core', { u }),
  )
}

export const postCore = restoring({
  id: 'post.core',
  beforehand: (c) => [lay(c, 'records.shade:post')],
  work: (c) =>
    sequence(sheetOn(c, { purpose: 'bonding' }), space(c), bondPost(c), shapeAndCoat(c), sheetOff(c), provisional(c)),
  followUps: (c) => [
    {
      title: 'Crown, impression',
      kind: 'crown.prepare',
      ...after(c, 'core.impression'),
    },
    deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.restoration}`),
  ],
})
