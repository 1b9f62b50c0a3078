/** Two rounds of cord: one to lower the margin, then those of the impression. */
import { cordSize } from '../../measure/cord'
import { lastOf } from '../../sure'
import { practice, sequence, type Block } from '../build'
import type { Case } from '../case'
import { cordStepId, type CordPlan, type CordSite } from './cord-plan'
import { drawCord, dwell } from './crevice'
import { placeCord } from './tissue'

/** The pieces of the first of two rounds: they share the tooth with those of the second. */
const lowering = (s: CordSite): CordSite => ({ ...s, key: `${s.tooth}-lowering` })

/**
 * First of two rounds: cord lies its minutes and is drawn, and the margin is lowered under the gum that it held away; the
 * cords of the impression come after. Standing C.
 * @param sites of the teeth whose margin goes under the gum
 */
export function cordsToLower(c: Case, plan: CordPlan, sites: readonly CordSite[]): Block {
  const round: CordPlan = {
    ...plan,
    layers: ['single'],
    called: 'first {cord}',
    sites: sites.map(lowering),
    pellet: false,
    paste: false,
    deep: false,
  }
  const sized = (s: CordSite) => {
    const { size } = cordSize('single', c.asks('tissue'), s.tooth)
    const because = practice(
      `first of two rounds: the gum is held away while the margin is lowered; ${size}, a size that enters without blanching`,
    )
    return { size, because, purpose: 'to hold the gum away while the margin is lowered' }
  }
  return sequence(
    ...round.sites.map((s) =>
      placeCord(c, round, 'single', s, sized(s), {
        as: 'tissue.$layer-cord.$site:two rounds',
      }),
    ),
    ...round.sites.map((s, i) =>
      drawCord(c, round, 'single', s, [], {
        as: 'tissue.draw-cord.$site:two rounds',
        i,
        dwell: dwell(c, cordStepId('single', lastOf(round.sites))),
      }),
    ),
  )
}
