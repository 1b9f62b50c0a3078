/** A post in its canal: the space measured on the film, the drills that are owned, the post tried and bonded, the dentine coated. */
import { postFor, type PostChoice } from '../../measure/post'
import { postSpace } from '../../measure/restoring'
import type { Shown } from '../../model/step'
import { draftsOf, sequence, type Block } from '../build'
import type { Case, Unit } from '../case'
import { lay } from '../lay'
import type { StepId } from '../steps'
import { bondTooth } from './adhesive'
import { spotOn } from './bonding'

/** The drill's last size where none is owned, mm. Our estimate. */
const usualPostMm = 1.4

/** Drills that are owned, and the post among them for this root. */
function choiceOf(c: Case, u: Unit): PostChoice | undefined {
  const drills = c.practice.burs.filter((b) => b.shape === 'reamer').map((b) => b.diameterMm)
  return drills.length > 0 ? postFor(u.size.cervicalMesiodistalMm, drills) : undefined
}

export type RootStage = 'space' | 'post' | 'core'
/** The root as it is drawn at a stage. */
function rootOf(c: Case, u: Unit, stage: RootStage): Shown {
  const canalMm = u.says('canals')?.[0]?.lengthMm
  return {
    what: 'post',
    stage,
    ...(canalMm === undefined ? {} : { canalMm }),
    sealMm: c.asks('sealMm'),
    postMm: choiceOf(c, u)?.postMm ?? usualPostMm,
  }
}
/** A step that shows the root. */
export const rootDrawn = (c: Case, u: Unit, step: StepId, stage: RootStage): Block =>
  lay(c, step, { u, rootOf: rootOf(c, u, stage) })

/** Post space by the canal's length where the film has been read, else what the film will be asked. */
export function spaceForPost(c: Case, u: Unit): Block {
  const canalMm = u.says('canals')?.[0]?.lengthMm
  const sealMm = c.asks('sealMm')
  const room = canalMm !== undefined && canalMm > sealMm ? postSpace(canalMm, sealMm) : undefined
  const choice = choiceOf(c, u)
  const earlier = choice?.drillsMm.slice(0, -1) ?? []
  const shows = rootOf(c, u, 'space')
  const depth = room
    ? `${room.leastMm}–${room.mostMm} mm`
    : `half to two thirds of the canal, ${sealMm} mm of root filling left`
  return sequence(
    lay(c, 'canal.film', { u, depth, canalMm, shows, room, figure: room?.figure, roomBecause: room?.because }),
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
      rootOf: rootOf(c, u, 'post'),
      choice,
      postMm: choice?.postMm,
      widened: earlier.map((_, n) => `canal.widen.${n + 1}`),
    }),
  )
}

/** A coat over the dentine that must shine; dull is coated again. */
export function coat(c: Case, u: Unit): Block {
  const spot = spotOn(u, 'coat', 'core')
  const coated = bondTooth(c, spot, 'fresh dentine', { rinse: 'etch.rinse.coat', what: 'the dentine' })
  return sequence(coated, lay(c, 'coat.look', { u, coated: draftsOf(coated).map((d) => d.id) }))
}
