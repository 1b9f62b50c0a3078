/** The order of steps, and the clocks between them. */
import type { Clock, Link } from '../model/link'
import type { Said } from '../library/said'
import { self, type Drafted, type Tie } from '../library/build'

/** A tie as a link between two steps that are there. */
function clockOf(
  draft: Drafted,
  tie: Tie<Said>,
  has: (id: string) => boolean,
  call: (said: Said) => string,
): Clock | null {
  const from = tie.from === self ? draft.id : tie.from
  if (!has(from)) return null
  const { fromEdge = 'finish', toEdge = 'start', title, because } = tie
  const ends = { id: `${from}.${fromEdge}~${draft.id}.${toEdge}`, from, fromEdge, to: draft.id, toEdge, title, because }
  let clock: Clock
  if (tie.atMostS === undefined) clock = { ...ends, kind: 'lag', atLeastS: tie.atLeastS }
  else {
    const again = [...new Set(tie.again ?? [from, draft.id])].filter(has)
    clock = { ...ends, kind: 'window', atMostS: tie.atMostS, whenMissed: call(tie.whenMissed), again }
    if (tie.atLeastS !== undefined) clock.atLeastS = tie.atLeastS
  }
  if (tie.warnS !== undefined) clock.warnS = tie.warnS
  if (tie.own) clock.own = tie.own
  return clock
}

/** Order links first, then the ties with time in them; a tie to a step this plan does not have falls away. */
export function linksOf(
  draft: Drafted,
  after: readonly string[],
  has: (id: string) => boolean,
  call: (said: Said) => string,
): Link[] {
  const order = after.map((from): Link => ({
    kind: 'order',
    id: `${from}>${draft.id}`,
    from,
    fromEdge: 'finish',
    to: draft.id,
    toEdge: 'start',
  }))
  return [...order, ...(draft.ties ?? []).flatMap((tie) => clockOf(draft, tie, has, call) ?? [])]
}
