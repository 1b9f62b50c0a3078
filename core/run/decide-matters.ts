/** Beginning on what is laid up, and what came up beside the visit: the dentist's answers. */
import { dentistsCode, no, type Asked, type Decision, type Of } from './asked'
import { clocksAt } from './clocks'
import type { Happening } from './events'
import { matterWords, openMatters } from './matters'
import { indexPlan } from './plan-index'
import { refuse, type Refusal } from './refusals'

export function begin(c: Of<'begin'>, { core, beside, who }: Asked): Decision {
  if (core.status !== 'laid up') return no('not-now', 'the visit has begun already')
  const cassettes = beside.cassettes.map(({ name, load, confirmedBy }) => ({ name, load, confirmedBy }))
  const started: Happening = { kind: 'run.started', ...(cassettes.length > 0 ? { cassettes } : {}) }
  const doubted = beside.cassettes.flatMap(({ id, name, load, pulledBack }) =>
    pulledBack === null
      ? []
      : [{ kind: 'cassette.doubted', cassetteId: id, name, load, why: pulledBack } satisfies Happening],
  )
  if (doubted.length === 0) return { events: [started] }
  const missing = doubted.map((d) => `${d.name}${d.load === null ? '' : ` out of load ${d.load}`}: ${d.why}`)
  const reason = c.despite
  if (reason === undefined)
    return no(
      'cassettes',
      `not begun, a cassette was pulled back: ${missing.join('; ')}. Change it at the tray, or the dentist begins on it with a reason`,
      { missing },
    )
  const refused = dentistsCode(who, 'Beginning on a cassette that was pulled back')
  if (refused) return { refused }
  const answers = doubted.map((d): Happening => ({
    kind: 'matter.answered',
    matterId: `cassette ${d.cassetteId}`,
    reason,
  }))
  return { events: [started, ...doubted, ...answers] }
}

/** What came up waits for the dentist; what is under way in the mouth does not: a window that runs is not let close over it. */
export function matterRefuses(stepId: string, { plan, state, core, now }: Asked): Refusal | null {
  const [matter] = openMatters(state.matters)
  if (!matter) return null
  const index = indexPlan(plan)
  const inWindow = clocksAt(plan, core, now).some(
    (c) =>
      c.phase !== 'missed' &&
      index
        .windowsFrom(c.from)
        .some(({ link, through }) => link.id === c.linkId && [...through.map((s) => s.id), link.to].includes(stepId)),
  )
  if (inWindow) return null
  return refuse('matter', `the dentist answers first, with a reason: ${matterWords(matter)}`, {
    stepId,
    matterId: matter.id,
    missing: ['the dentist’s own code, and a reason'],
  })
}

export function settle(c: Of<'settle'>, { state, who }: Asked): Decision {
  const matter = openMatters(state.matters).find((m) => m.id === c.matterId)
  if (!matter) return no('not-now', 'this is answered already, or no longer so')
  const refused = dentistsCode(who, 'The answer')
  return refused ? { refused } : { events: [{ kind: 'matter.answered', matterId: matter.id, reason: c.reason }] }
}
