/** The practice's amendments on a wired visit: applied one by one; what would make the day unsound is refused and said. */
import { lastOf, sure } from '../sure'
import { changeWords, type Amendment, type Change, type MouthEffect } from '../practice/amendment'
import { self, type Draft, type Drafted, type Wired } from '../library/build'
import { drafted } from '../library/fields'
import { plain, readSaid } from '../library/said'
import type { Item } from '../catalog/item'
import type { Need } from '../catalog/match'
import { itsName } from '../catalog/spoken'
import { keptClean } from './films'
import { missingThings } from './tray-text'
import { soreGum, soreTooth } from '../measure/numbing'
import type { Act } from '../model/step'
import type { Tooth } from '../teeth/notation'
import type { AmendmentUse } from '../model/plan'

type Line = Wired['steps'][number]

/** The lines an id means: itself, or the same step on every tooth or in a second piece of work. */
const matching = (lines: readonly Line[], target: string): Line[] =>
  lines.filter(({ draft: { id } }) => id === target || id.startsWith(`${target}.`) || id.startsWith(`${target}@`))

const replaced = (after: readonly string[], id: string, by: readonly string[]): string[] =>
  after.includes(id) ? [...new Set(after.flatMap((a) => (a === id ? by : [a])))] : [...after]

function without(lines: readonly Line[], gone: Line): Line[] {
  return lines
    .filter((l) => l !== gone)
    .map((l) => (l.after.includes(gone.draft.id) ? { ...l, after: replaced(l.after, gone.draft.id, gone.after) } : l))
}

/** Puts a step behind another; what came after that one now comes after the new one. */
function insert(lines: readonly Line[], after: Line, draft: Drafted): Line[] {
  const at = lines.findIndex((l) => l.draft.id === after.draft.id)
  const later = lines.slice(at + 1).map((l) => ({ ...l, after: replaced(l.after, after.draft.id, [draft.id]) }))
  return [
    ...lines.slice(0, at + 1),
    { draft, after: [after.draft.id], ...(after.meanwhile ? { meanwhile: after.meanwhile } : {}) },
    ...later,
  ]
}

/** Fields of a step put otherwise. */
type Patch = Partial<Drafted> | ((d: Drafted) => Partial<Drafted>)
const patched = (lines: readonly Line[], targets: readonly Line[], patch: Patch): Tried => ({
  lines: lines.map((l) =>
    targets.includes(l)
      ? { ...l, draft: { ...l.draft, ...(typeof patch === 'function' ? patch(l.draft) : patch) } }
      : l,
  ),
  touched: targets.map((l) => l.draft.id),
})
const toNeed = ({
  when,
  ...need
}: {
  what: string
  quantity: number
  readiness: Need['readiness']
  when?: string | undefined
}): Need => ({ ...need, ...(when ? { when } : {}) })

/** What a step of the practice's own does to the mouth, as the rest of the plan knows it. What changes teeth hurts, too. */
function effectsOf(does: readonly MouthEffect[], teeth: readonly Tooth[]): Partial<Draft> {
  const upper = does.includes('changes the upper teeth')
  const lower = does.includes('changes the lower teeth')
  return {
    ...(does.includes('hurts') || upper || lower ? { hurts: [...soreTooth(...teeth), ...soreGum(teeth)] } : {}),
    ...(upper || lower ? { reshapes: upper ? 'upper' : 'lower' } : {}),
    ...(does.includes('leaves a film') ? { leaves: 'own' } : {}),
  }
}

/** Why a step keeps its name: it says the tooth, which is read aloud and looked for, or stands for a signature that stays. */
function keepsItsName({ title, tooth, hold, act }: Drafted, says: readonly string[]): string | undefined {
  const words = plain(title)
  if (tooth !== undefined || says.some((t) => words.includes(t)))
    return `“${words}” names its tooth: only what is said under it can be put otherwise`
  return hold?.mandatory || act !== undefined
    ? `“${words}” is what others rest on: only what is said under it can be put otherwise`
    : undefined
}

interface Tried {
  lines: Line[]
  touched: string[]
}

function reworded(
  lines: readonly Line[],
  targets: readonly Line[],
  c: Extract<Change, { op: 'reword step' }>,
  says: readonly string[],
): Tried | string {
  const [fixed] = c.field === 'title' ? targets.flatMap((l) => keepsItsName(l.draft, says) ?? []) : []
  return fixed ?? patched(lines, targets, { [c.field]: readSaid(c.says) })
}

/** The lines with the change made, or why it cannot be. */
function attempt(lines: readonly Line[], c: Change, teeth: readonly Tooth[], says: readonly string[]): Tried | string {
  const find = (target: string): Line[] | string => {
    const found = matching(lines, target)
    return found.length > 0 ? found : `this plan has no step ${target}`
  }
  const targets = find(c.op === 'add step' ? c.after : c.step)
  if (typeof targets === 'string') return targets
  const ids = targets.map((l) => l.draft.id)
  switch (c.op) {
    case 'add step': {
      const after = lastOf(targets)
      if (lines.some((l) => l.draft.id === c.id)) return `a step ${c.id} is there already`
      const draft: Draft = {
        id: c.id,
        phase: after.draft.phase,
        title: c.title,
        told: `did: ${c.title}`,
        fn: c.fn,
        place: c.place,
        minutes: c.minutes,
        needs: c.needs.map(toNeed),
        ...effectsOf(c.does ?? [], teeth),
      }
      return { lines: insert(lines, after, drafted(draft, readSaid)), touched: [c.id] }
    }
    case 'remove step':
      return {
        lines: targets.reduce<Line[]>(
          (left, t) => without(left, sure(left.find((l) => l.draft.id === t.draft.id))),
          [...lines],
        ),
        touched: [],
      }
    case 'move step': {
      const after = find(c.after)
      if (typeof after === 'string') return after
      if (after.some((l) => ids.includes(l.draft.id))) return 'a step cannot come after itself'
      const moved = targets.reduce<Line[]>(
        (left, t) => without(left, sure(left.find((l) => l.draft.id === t.draft.id))),
        [...lines],
      )
      const anchor = sure(moved.find((l) => l.draft.id === lastOf(after).draft.id))
      return {
        lines: targets.toReversed().reduce<Line[]>((left, t) => insert(left, anchor, t.draft), moved),
        touched: ids,
      }
    }
    case 're-time step':
      return patched(lines, targets, { minutes: c.minutes })
    case 'reword step':
      return reworded(lines, targets, c, says)
    case 'add item':
      return patched(lines, targets.slice(0, 1), (d) => ({ needs: [...(d.needs ?? []), toNeed(c.need)] }))
    case 'remove item': {
      const having = targets.filter((l) => l.draft.needs?.some((n) => n.what === c.what))
      if (having.length === 0) return `${c.step} asks for no ${c.what.replaceAll('.', ', ')}`
      return patched(lines, having, (d) => ({ needs: sure(d.needs).filter((n) => n.what !== c.what) }))
    }
  }
}

/** Seconds of work that stand inside each window, by its title and the step it ends at; and whether the order leads from its beginning to its end. */
function windowLoads(
  lines: readonly Line[],
): Map<string, { loadS: number; atMostS: number; title: string; leads: boolean }> {
  const byId = new Map(lines.map((l) => [l.draft.id, l]))
  const likelyS = (l: Line): number => l.draft.minutes[1] * 60
  const loads: ReturnType<typeof windowLoads> = new Map()
  for (const line of lines) {
    for (const tie of line.draft.ties ?? []) {
      const from = byId.get(tie.from)
      if (tie.atMostS === undefined || !from) continue
      const inside = new Set<Line>()
      const leads = (id: string): boolean => {
        if (id === tie.from) return true
        const l = byId.get(id)
        let any = false
        for (const before of l?.after ?? []) if (leads(before)) any = true
        if (any && l) inside.add(l)
        return any
      }
      const joined = leads(line.draft.id)
      if (tie.toEdge !== 'finish') inside.delete(line)
      const loadS = [...inside].reduce((sum, l) => sum + likelyS(l), 0) + (tie.fromEdge === 'start' ? likelyS(from) : 0)
      loads.set(`${tie.from}>${line.draft.id}>${tie.title}`, {
        loadS,
        atMostS: tie.atMostS,
        title: tie.title,
        leads: joined,
      })
    }
  }
  return loads
}

/** One thing that a change may not break: what is wrong, in words, or null. */
type Soundness = (before: readonly Line[], after: readonly Line[]) => string | null
const placesIn = (lines: readonly Line[]): Map<string, number> => new Map(lines.map((l, i) => [l.draft.id, i]))
const placeOfAct = (lines: readonly Line[], act: Act): number | undefined => {
  const i = lines.findIndex((l) => l.draft.act === act)
  return i < 0 ? undefined : i
}

/** Signatures that no card may remove. */
const signaturesStay: Soundness = (before, after) => {
  const at = placesIn(after)
  const gone = before.find(({ draft }) => draft.hold?.mandatory && !at.has(draft.id))?.draft
  return gone?.hold ? `“${plain(gone.title)}” carries a signature that stays: ${plain(gone.hold.title)}` : null
}

/** Those that a card asks for do not go with their step either: the card lets them go. */
const cardsSignaturesFirst: Soundness = (before, after) => {
  const at = placesIn(after)
  const gone = before.find(({ draft }) => draft.hold && !at.has(draft.id))?.draft
  return gone?.hold
    ? `“${plain(gone.title)}” carries a signature: ${plain(gone.hold.title)}. The dentist’s card takes that away first`
    : null
}

/** Nothing that hurts before the test of numbness. */
const numbFirst: Soundness = (before, after) => {
  const was = placeOfAct(before, 'numb')
  if (was === undefined) {
    const known = placesIn(before)
    const hurting = after.find(({ draft }) => (draft.hurts ?? []).length > 0 && !known.has(draft.id))
    return hurting ? `“${plain(hurting.draft.title)}” hurts, and nothing is numbed in this visit` : null
  }
  const numb = placesIn(after).get(sure(before[was]).draft.id)
  const early = after.find(({ draft }, i) => draft.hurts && draft.hurts.length > 0 && (numb === undefined || i < numb))
  return early ? `“${plain(early.draft.title)}” would come before it is numb` : null
}

/** The trade's order, the beginnings of clocks, and counts that come out after they went in. */
const orderKept: Soundness = (before, after) => {
  const at = placesIn(after)
  const was = placesIn(before)
  for (const [i, { draft, after: ids }] of after.entries()) {
    for (const id of ids)
      if ((at.get(id) ?? Infinity) >= i) return `“${plain(draft.title)}” would come before what it follows`
    for (const tie of draft.ties ?? []) {
      if (tie.from === self || !was.has(tie.from)) continue
      const from = at.get(tie.from)
      if (from === undefined) return `“${tie.title}” runs from the step that would be gone`
      if (from >= i) return `“${plain(draft.title)}” would come before “${tie.title}” has begun`
    }
    for (const count of draft.countsIn ?? [])
      if ((at.get(count.outStep) ?? -1) <= i) return `${plain(count.what)} would go in and not come out`
  }
  return null
}

/** Counts are squared once, with everything out, and nothing is done with a patient who has gone. */
const endKept: Soundness = (_before, after) => {
  const [squared, gone] = [placeOfAct(after, 'counts squared'), placeOfAct(after, 'going home')]
  for (const [i, { draft }] of after.entries()) {
    if (squared !== undefined && i > squared && (draft.countsOut ?? []).length > 0)
      return `${sure(draft.countsOut).join(', ')} would come out after the counts are squared`
    if (gone !== undefined && i > gone && (draft.place === 'mouth' || draft.place === 'chair'))
      return `“${plain(draft.title)}” would come when the patient has gone`
  }
  return null
}

/** Windows that can still be kept, with the cleaning that the new order asks for. */
const windowsKept: Soundness = (before, after) => {
  const loads = windowLoads(keptClean(before))
  for (const [key, { loadS, atMostS, title, leads }] of windowLoads(keptClean(after))) {
    // Off the way to its end the step would be begun as soon as hands are free, and the window run out each time.
    if (!leads && loads.get(key)?.leads)
      return `“${title}” would begin at a step that does not lead to its end any more`
    if (loadS > atMostS && loadS > (loads.get(key)?.loadS ?? 0))
      return `more would have to be done than “${title}” has time for: ${Math.round(loadS)} s of ${atMostS} s`
  }
  return null
}

/** What is counted out has gone in. */
const countsWentIn: Soundness = (_before, after) => {
  const ins = new Set(after.flatMap((l) => (l.draft.countsIn ?? []).map((c) => c.id)))
  const lost = after.flatMap((l) => l.draft.countsOut ?? []).find((id) => !ins.has(id))
  return lost === undefined ? null : `${lost} would come out and not have gone in`
}

/** What a sentence names lies on the tray: nothing is named that no step lays out, by the trade’s words or the practice’s own. */
const textKept =
  (items: readonly Item[]): Soundness =>
  (before, after) => {
    const drafts = (lines: readonly Line[]): Drafted[] => lines.map((l) => l.draft)
    const was = new Set(missingThings(drafts(before)).map((m) => m.words.toLowerCase()))
    const missing = missingThings(drafts(after)).find((m) => !was.has(m.words.toLowerCase()))
    if (missing) return `“${plain(missing.draft.title)}” names ${missing.words.toLowerCase()}, and no step lays it out`
    const laid = new Set(drafts(after).flatMap((d) => (d.needs ?? []).map((n) => n.what)))
    for (const { title, id } of drafts(after)) {
      const own = id.startsWith('own.')
        ? items.find((i) => plain(title).toLowerCase().includes(i.name.toLowerCase()))
        : undefined
      if (own && !own.serves.some((s) => laid.has(s)))
        return `“${plain(title)}” names ${itsName(own.name)}, and no step lays it out`
    }
    return null
  }

const soundnesses = [signaturesStay, numbFirst, orderKept, endKept, windowsKept, countsWentIn, cardsSignaturesFirst]
/** The first thing that a change would break; null where it is sound. */
function unsound(before: readonly Line[], after: readonly Line[], items: readonly Item[]): string | null {
  for (const one of [...soundnesses, textKept(items)]) {
    const wrong = one(before, after)
    if (wrong !== null) return wrong
  }
  return null
}

export interface Amended {
  wired: Wired
  uses: AmendmentUse[]
  /** Step id → ids of the amendments that made or changed it. */
  touched: Map<string, string[]>
}

/**
 * Applies amendments in order. Each that does not fit is left out and reported with the reason; none is lost.
 * @param teeth those of the visit: a step of the practice's own is done to them
 * @param says how the practice writes them
 */
export function amend(
  wired: Wired,
  amendments: readonly Amendment[],
  items: readonly Item[] = [],
  teeth: readonly Tooth[] = [],
  says: readonly string[] = [],
): Amended {
  const touched = new Map<string, string[]>()
  let lines: readonly Line[] = wired.steps
  const uses = amendments.map((a): AmendmentUse => {
    const use = { id: a.id, says: changeWords(a.change), by: a.by, on: a.on, why: a.why }
    const tried = attempt(lines, a.change, teeth, says)
    const misfit = typeof tried === 'string' ? tried : unsound(lines, tried.lines, items)
    if (typeof tried === 'string' || misfit !== null) return { ...use, applied: false, misfit: sure(misfit) }
    lines = tried.lines
    for (const id of tried.touched) touched.set(id, [...(touched.get(id) ?? []), a.id])
    return { ...use, applied: true }
  })
  return { wired: { ...wired, steps: [...lines] }, uses, touched }
}
