/** A choreography laid out for the people who are there: who does what from which second, or why it cannot be done. */
import { firstOf } from '../sure'
import type { Choreography, LaneAct, LaneRow, Lanes } from '../model/lanes'
import type { Cue } from '../model/step'
import type { FunctionName, Permission } from '../practice/functions'

interface Hands {
  id: string
  name: string
  dentist: boolean
}
/** What each person may do, by function. */
type Permitted = (fn: FunctionName) => Record<string, Permission>

const may = (act: LaneAct, p: Hands, permitted: Permitted): boolean =>
  (act.by === 'either' || (act.by === 'dentist') === p.dentist) &&
  (p.dentist || (permitted(act.fn)[p.id] ?? 'no') !== 'no')

/** Different hands for each of these acts, those that may do least first; nothing where there are not enough. */
function handsFor(
  acts: readonly LaneAct[],
  people: readonly Hands[],
  able: (act: LaneAct, p: Hands) => boolean,
  freeAt: (p: Hands) => number,
): Map<string, Hands> | undefined {
  const given = new Map<string, Hands>()
  const place = (left: readonly LaneAct[]): boolean => {
    const [act, ...rest] = left
    if (!act) return true
    const taken = new Set([...given.values()].map((p) => p.id))
    // Of those who may, whoever is free first; an assistant before the dentist, whose hands are wanted elsewhere.
    const free = people
      .filter((p) => able(act, p) && !taken.has(p.id))
      .toSorted((a, b) => freeAt(a) - freeAt(b) || Number(a.dentist) - Number(b.dentist))
    return free.some((p) => {
      given.set(act.id, p)
      return place(rest) || !given.delete(act.id)
    })
  }
  return place(acts) ? given : undefined
}

/** Acts that begin together: one, and those that say they go with it. */
function groups(acts: readonly LaneAct[]): LaneAct[][] {
  const out: LaneAct[][] = []
  for (const act of acts) {
    const mate = act.with === undefined ? undefined : out.find((g) => g.some((a) => a.id === act.with))
    if (mate) mate.push(act)
    else out.push([act])
  }
  return out
}

const plural = (n: number): string => `${n} ${n === 1 ? 'person' : 'people'}`

/**
 * Lays the acts on the people present, in the order written: each as early as what it waits for, its own second and free
 * hands allow.
 * @param permitted the table of functions in force.
 * @param on the step it stands on, which begins it where it names no other.
 */
export function layLanes(of: Choreography, people: readonly Hands[], permitted: Permitted, on: string): Lanes {
  const free = new Map(people.map((p) => [p.id, 0]))
  const ends = new Map<string, number>()
  const rows = new Map<string, LaneRow>()
  let short: string | undefined
  for (const group of groups(of.acts)) {
    const readyS = Math.max(
      0,
      ...group.flatMap((a) => [a.notBeforeS ?? 0, ...(a.after ?? []).map((id) => ends.get(id) ?? 0)]),
    )
    const hands = handsFor(
      group,
      people,
      (act, p) => may(act, p, permitted),
      (p) => Math.max(readyS, free.get(p.id) ?? 0),
    )
    if (!hands) {
      short ??= `${group.length} things at once (${group.map((a) => a.say.toLowerCase()).join('; ')}), and ${plural(people.length)}${group.length <= people.length ? ' who may not all do them' : ''}`
      continue
    }
    const fromS = Math.max(readyS, ...[...hands.values()].map((p) => free.get(p.id) ?? 0))
    for (const act of group) {
      const p = hands.get(act.id) ?? firstOf(people)
      const toS = fromS + act.takesS
      free.set(p.id, toS)
      ends.set(act.id, toS)
      const row = rows.get(p.id) ?? { personId: p.id, name: p.name, acts: [] }
      row.acts.push({ id: act.id, say: act.say, fromS, toS })
      rows.set(p.id, row)
    }
  }
  const endS = Math.max(0, ...ends.values())
  if (short === undefined && of.withinS !== undefined && endS > of.withinS)
    short = `it takes ${plural(people.length)} ${Math.ceil(endS)} s, and ${of.withinS} s are allowed`
  return {
    title: of.title,
    from: of.from ?? on,
    fromEdge: of.fromEdge ?? 'start',
    rows: people.flatMap((p) => rows.get(p.id) ?? []),
    endS,
    ...(of.withinS === undefined ? {} : { withinS: of.withinS }),
    // Again no sooner than it is done.
    ...(of.everyS === undefined ? {} : { everyS: Math.max(of.everyS, Math.ceil(endS)) }),
    ...(of.times === undefined ? {} : { times: of.times }),
    because: of.because,
    ...(short === undefined ? {} : { short: { why: short, waysOut: of.waysOut } }),
  }
}

/** What a person is called across a chair: the first name, or the title with the last. */
export function calledBy(name: string): string {
  const words = name.split(' ')
  if (words[0] === 'The') return name
  return words[0] === 'Dr' ? `Dr ${words.at(-1)}` : (words[0] ?? name)
}

/** The calls of a choreography, each with the names of those it is for; what begins together is called together. */
export function cuesOf(lanes: Lanes): Cue[] {
  const at = new Map<number, string[]>()
  for (const row of lanes.rows)
    for (const act of row.acts) {
      const say = `${calledBy(row.name)}: ${act.say.charAt(0).toLowerCase()}${act.say.slice(1)}`
      at.set(act.fromS, [...(at.get(act.fromS) ?? []), say])
    }
  return [...at]
    .toSorted(([a], [b]) => a - b)
    .map(([atS, says]) => ({
      from: lanes.from,
      fromEdge: lanes.fromEdge,
      atS,
      say: says.join(' · '),
      until: 'finish',
      because: lanes.because,
      ...(lanes.everyS === undefined ? {} : { everyS: lanes.everyS, times: lanes.times ?? 1 }),
    }))
}

/** Seconds a choreography stands for: its limit, or its turn, or its own length. */
export const spanOf = (l: Lanes): number => Math.max(l.endS, l.withinS ?? l.everyS ?? 0, 1)

/**
 * Where the running mark stands, as a share of the width; one that is done over and over begins again each time.
 * @param elapsedS since the choreography began
 */
export function markAt(lanes: Lanes, elapsedS: number): { share: number; turn: number; inS: number } | null {
  const spanS = spanOf(lanes)
  const turn = lanes.everyS === undefined ? 0 : Math.floor(elapsedS / lanes.everyS)
  if (elapsedS < 0 || turn >= (lanes.times ?? 1)) return null
  const inS = lanes.everyS === undefined ? elapsedS : elapsedS - turn * lanes.everyS
  return { share: Math.min(1, inS / spanS), turn, inS }
}
