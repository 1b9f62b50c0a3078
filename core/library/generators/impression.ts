/** The final impression or scan: taken, read, approved, put away. */
import { marginWords } from '../facts/margin-parts'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { reason } from '../../figure'
import { only, sequence, type Block, type Draft } from '../build'
import { cardAdds, type Case } from '../case'
import { crevice, fieldReady, retakeSteps, roundSteps } from './crevice'
import { roundsOf, type Round } from './impression-material'
import { trayImpression } from './impression-tray'
import { pasteAlone, type CordPlan } from './cord-plan'
import { baseCordsOut, blockOut } from './tissue'

function marginsHold(c: Case): Block {
  return only(cardAdds(c, 'margins'), () => lay(c, 'impression.margins'))
}

function scan(c: Case, plan: CordPlan): Block {
  const arch = lay(c, 'impression.scan-arch', { layers: plan.layers })
  const preparation = sequence(
    fieldReady(c, plan, undefined),
    lay(c, 'impression.scan-preparation', { crevice: crevice(c, plan, 'start', retakeSteps(plan)) }),
  )
  return sequence(
    // A cord waits for the arch; what only paste has opened does not.
    ...(pasteAlone(plan) ? [preparation, arch] : [arch, preparation]),
    lay(c, 'impression.scan-bite'),
    lay(c, 'impression.scan-holes'),
  )
}

/** Every final impression or scan is read; the dentist's approval is a hold. */
function inspect(c: Case, plan: CordPlan, mark: string, isScan: boolean): Block {
  const second = mark !== ''
  const hold: Draft['hold'] = {
    name: 'impression',
    ...(second ? { key: '2' } : {}),
    title: isScan ? 'Scan good' : second ? 'Second impression good' : 'Impression good',
    evidence: `${marginWords(c)}, of each preparation`,
    because: reason('every final impression or scan is the dentist’s to approve', 'C'),
    mandatory: true,
    again: second ? [...roundSteps(mark), `impression.${mark}inspect`] : retakeSteps(plan),
  }
  return lay(c, 'impression.$(mark)inspect', { mark, isScan, hold })
}

/** What each impression needs before it leaves the room: disinfected, damp or dry, poured in time. */
function putAway(c: Case, round: Round): Block {
  const { family, mark } = round
  if (family === 'hydrocolloid') {
    return lay(c, 'impression.$(mark)pour', { mark, roundSteps: roundSteps(mark) })
  }
  return lay(c, 'impression.$(mark)disinfect', { mark, family })
}

/** The final impression or scan, read and approved by the dentist before the base cord leaves and the material is put away. */
export function finalImpression(c: Case, plan: CordPlan): Block {
  const rounds = roundsOf(c)
  const isScan = rounds.length === 0
  const bite = !isScan && firstOf(rounds).tray !== 'dual-arch'
  return sequence(
    marginsHold(c),
    // Before paste; while cords dwell.
    only(!pasteAlone(plan), () => blockOut(c)),
    isScan ? scan(c, plan) : trayImpression(c, plan, firstOf(rounds)),
    inspect(c, plan, '', isScan),
    ...rounds.slice(1).flatMap((r) => [trayImpression(c, plan, r), inspect(c, plan, r.mark, false)]),
    baseCordsOut(c, plan),
    isScan ? lay(c, 'impression.send') : sequence(...rounds.map((r) => putAway(c, r))),
    only(bite, () => lay(c, 'impression.bite-record', { mL: 6.5 + c.rule('tip.loss').value })),
  )
}
