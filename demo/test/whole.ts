/** What has to be true of any plan, whatever it is for. */
import { expect } from 'vitest'
import { kindFacts } from '../../core/kinds'
import { isClock, isWindow, leastS } from '../../core/model/link'
import type { Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { adhesives, takes, withActivator } from '../../core/practice/adhesives'
import { cordsLie } from '../../core/schedule/cords'
import { overlong } from '../../core/schedule/overlong'
import { layOut } from '../../core/schedule/timeline'
import { itemIdOf } from '../../core/plan/setup'
import { sure } from '../../core/sure'
import { practice } from './plans'

const everyBottle = new Set(Object.values(adhesives).flatMap((a) => (a.primer ? [a.primer, a.bond] : [a.bond])))
/** Where each step stands in its plan. */
const placesOf = (p: Plan): Map<string, number> => new Map(p.steps.map((s, i) => [s.id, i]))

/** Asked of everything in a plan: said only where it does not hold, for asking costs as much as the plan. */
function must(holds: boolean, otherwise: string): void {
  if (!holds) expect.fail(otherwise)
}

/** The tray equals the text: nothing is named that is not laid out, nothing laid out that no step uses. */
function trayEqualsText(p: Plan): void {
  expect({ unlaid: p.unlaid, unused: p.unused }).toEqual({ unlaid: [], unused: [] })
  expect(new Set(p.steps.map((s) => s.id)).size).toBe(p.steps.length)
  expect(new Set(p.links.map((l) => l.id)).size).toBe(p.links.length)
  expect(new Set(p.holds.map((h) => h.id)).size).toBe(p.holds.length)
  expect(new Set(p.counts.map((c) => c.id)).size).toBe(p.counts.length)
}

/** Every need is in the setup, or reported. */
function everyNeedIsMet(p: Plan): void {
  for (const s of p.steps)
    for (const n of s.needs) {
      const answers = new Set([n.what, ...(n.orElse ?? []).map((o) => o.what)])
      const line = p.setup.find(
        (l) =>
          l.steps.includes(s.id) &&
          (l.id === `lack:${n.what}` ||
            practice.items.find((i) => i.id === itemIdOf(l))?.serves.some((x) => answers.has(x))),
      )
      must(line !== undefined, `${s.id} needs ${n.what}`)
      if (line?.lack) must(p.lacks.includes(line.lack), `${s.id}: ${line.lack}`)
    }
}

/** Every count goes in at a step of the plan and comes out at a later one; what stays is less than what goes in, or all of it. */
function everythingInOrder(p: Plan): void {
  const at = placesOf(p)
  for (const c of p.counts) {
    must(at.get(c.outStep)! > at.get(c.inStep)!, `${c.id} comes out before it goes in`)
    must(c.stays <= c.planned, `${c.id}: more stays than goes in`)
  }
  const counts = new Set(p.counts.map((c) => c.id))
  for (const s of p.steps) for (const id of s.countsOut) must(counts.has(id), `${s.id} counts ${id} out`)
  // Every link starts at a step that is there, earlier; only a clock within a step begins and ends at the same one.
  for (const l of p.links) {
    must(at.has(l.from) && at.has(l.to), `${l.id} ends nowhere`)
    if (l.from === l.to)
      must(l.fromEdge === 'start' && l.toEdge === 'finish' && isClock(l), `${l.id} is no clock of a step`)
    else must(at.get(l.from)! < at.get(l.to)!, `${l.id} goes back`)
    if (isClock(l)) must(l.because.text.length > 3, `${l.id} says not why`)
    if (isWindow(l)) must(l.again.length > 0, `${l.id} begins nothing anew`)
  }
}

/** Nothing that hurts before it is numb, or asleep. */
function numbBeforeItHurts(p: Plan): void {
  const at = placesOf(p)
  const numb = at.get('anaesthesia.test') ?? at.get('asleep.under')
  for (const s of p.steps) if (s.hurts) must(at.get(s.id)! > (numb ?? Infinity), `${s.id} hurts`)
}

/** A scan speaks of a scan: nothing of an impression is said at it, laid out for it or handed over. */
function scanSpeaksOfScan(p: Plan): void {
  if (!placesOf(p).has('impression.scan-preparation')) return
  const scanned = p.steps.filter((s) => s.phase === 'impression')
  const said = scanned.flatMap((s) => [
    s.title,
    s.detail ?? '',
    ...s.passes,
    ...s.mistakes,
    ...s.cautions.map((c) => c.text),
  ])
  expect(said.filter((t) => /syringe|\btray\b|bubble|\btear|\bwash\b|pour\b/i.test(t))).toEqual([])
  const needs = p.steps.flatMap((s) => s.needs.map((n) => n.what))
  expect(
    needs.filter((n) => /^(light|heavy|medium|tray) body|^impression syringe|^tray adhesive|^bite silicone/.test(n)),
  ).toEqual([])
}

/** The impression is one train: nothing is drawn after the first wash, and the field is dried once a round. */
function impressionIsOneTrain(p: Plan): void {
  const firstWash = p.steps.findIndex(
    (s) => s.id.startsWith('impression.inject') || s.id.startsWith('impression.scan-preparation'),
  )
  if (firstWash < 0) return
  const mark = (s: Step): string => s.id.split('@')[1] ?? ''
  const own = p.steps.filter((s) => mark(s) === mark(sure(p.steps[firstWash])))
  const wash = own.findIndex((s) => s.id === sure(p.steps[firstWash]).id)
  expect(
    own
      .slice(wash)
      .filter((s) => s.act === 'cord drawn')
      .map((s) => s.id),
  ).toEqual([])
  expect(own.filter((s) => s.id.startsWith('impression.dry')).length).toBe(1)
}

/** No adhesive step that its system does not have; acid and system that do not go together are stopped. */
function adhesiveIsOfItsSystem(p: Plan): void {
  const own = adhesives[p.choices.adhesive.value]
  const bottles = new Set([own.primer, own.bond, withActivator])
  for (const s of p.steps)
    if (s.fn === 'bonding')
      for (const n of s.needs) if (everyBottle.has(n.what)) must(bottles.has(n.what), `${s.id}: ${n.what}`)
  const both = p.asked.choices.includes('etch') && p.asked.choices.includes('adhesive')
  expect(p.clashes.some((c) => c.id === 'acid-system')).toBe(
    both && !takes(p.choices.adhesive.value, p.choices.etch.value),
  )
}

/** Etched enamel waits for nothing: from the rinse to the next layer nothing is done at the bench. */
function etchedEnamelWaitsForNothing(p: Plan): void {
  for (const [i, s] of p.steps.entries()) {
    if (!/\.etch-rinse(@|$)/.test(s.id) || s.id.startsWith('core.')) continue
    const next = p.steps.findIndex((x, j) => j > i && x.fn === 'bonding')
    expect(
      p.steps
        .slice(i + 1, next)
        .filter((x) => x.place === 'bench')
        .map((x) => x.id),
    ).toEqual([])
  }
}

/** A choreography goes with the hands there are, each at one thing at a time and within its limit; or the tray is stopped. */
function choreographiesGo(p: Plan): void {
  const at = placesOf(p)
  const lanes = p.steps.flatMap((s) => s.lanes ?? [])
  expect(p.clashes.some((c) => c.id === 'lanes')).toBe(lanes.some((l) => l.short))
  for (const l of lanes) {
    if (l.short) expect(l.short.waysOut).not.toBe('')
    else if (l.withinS !== undefined) expect(l.endS, l.title).toBeLessThanOrEqual(l.withinS)
    expect(at.has(l.from), l.from).toBe(true)
    for (const row of l.rows)
      for (const [i, a] of row.acts.entries()) expect(a.fromS).toBeGreaterThanOrEqual(row.acts[i - 1]?.toS ?? 0)
  }
}

/** No wash, scan or bond over a film: between what was greasy or unset and them the teeth were cleaned. */
function nothingOverAFilm(p: Plan): void {
  const mouth = (s: Step): boolean => s.place === 'mouth'
  const dirty = (s: Step): boolean =>
    (mouth(s) && s.needs.some((n) => n.what === 'separator')) ||
    /^(provisional\.seat|delivery\.provisional-off)/.test(s.id)
  const cleansIt = (s: Step): boolean =>
    mouth(s) && s.needs.some((n) => /^(alcohol|pumice)$/.test(n.what) && n.readiness === 'open')
  const clean = (s: Step): boolean =>
    /^impression\.(inject|scan-preparation)/.test(s.id) || (mouth(s) && (s.fn === 'bonding' || s.fn === 'etching'))
  for (const [i, s] of p.steps.entries()) {
    if (!clean(s)) continue
    const film = p.steps.slice(0, i).findLastIndex(dirty)
    if (film >= 0) expect(p.steps.slice(film + 1, i).some(cleansIt), `${s.id} over ${p.steps[film]?.id}`).toBe(true)
  }
}

/** No cord lies over its minutes unsaid. */
function cordsWithinTheirMinutes(p: Plan): void {
  const score = layOut(p)
  const lying = cordsLie(p, score)
  expect(lying.length).toBe(p.steps.filter((s) => s.act === 'cord in').length)
  if (lying.some((x) => x.liesS > x.mostS)) expect(overlong(p, score).some((w) => /cord/i.test(w))).toBe(true)
  // An arch that is changed after its impression is said so, and nothing else is.
  const touched = p.steps.some((s, i) => s.reshapes && p.steps.slice(0, i).some((b) => b.imprints === s.reshapes))
  expect(p.clashes.some((c) => c.id === 'arch-touched')).toBe(touched)
}

/** Holds that no card may remove: counts always; the others wherever there is something of theirs to sign. */
function holdsThatStay(p: Plan): void {
  const at = placesOf(p)
  const ids = p.steps.map((s) => s.id)
  const holds = p.holds.map((h) => h.id)
  expect(holds).toContain('counts')
  if (ids.some((id) => id.startsWith('impression.seat') || id.startsWith('impression.scan-preparation')))
    expect(p.holds.find((h) => h.id.startsWith('impression'))).toMatchObject({ mandatory: true })
  if (
    ids.some(
      (id) =>
        id.startsWith('provisional.cement') || id.startsWith('provisional.shell') || id.startsWith('provisional.paint'),
    )
  )
    expect(p.holds.find((h) => h.id.startsWith('provisional'))).toMatchObject({ mandatory: true })
  for (const h of p.holds) {
    expect(h.again.length, h.id).toBeGreaterThan(0)
    expect(at.has(h.stepId)).toBe(true)
  }
}

/** Latex and forbidden antiseptics never with their alert; children's doses by weight. */
function nothingAgainstAnAlert(p: Plan): void {
  for (const a of ['latex', 'chlorhexidine', 'iodine'] as const)
    if (p.request.alerts.includes(a))
      for (const l of p.setup) must(!(a === 'latex' ? l.latex : l.allergens?.includes(a)), `${l.name} with ${a}`)
  if (!p.request.pieceOnHand && kindFacts(p.kind).delivers) expect(p.clashes[0]).toMatchObject({ severity: 'stop' })
}

/** Times are in their order, and what is said is sayable. */
function timesAndWordsAreSound(p: Plan): void {
  for (const s of p.steps) {
    must(s.spread.shortS <= s.spread.likelyS && s.spread.likelyS <= s.spread.longS, `${s.id}: its times`)
    for (const l of p.links)
      if (l.from === s.id && l.to === s.id)
        must(s.spread.likelyS >= leastS(l), `${s.id}: its own clock fits its likely time`)
    // What is said must be sayable: no half sentence, no unfilled slot.
    for (const text of [s.title, s.detail, s.told, s.tell])
      must(!/undefined|null|NaN|\[object|, ,|:\s*$/.test(text ?? ''), `${s.id}: ${text}`)
  }
}

const properties = [
  trayEqualsText,
  everyNeedIsMet,
  everythingInOrder,
  numbBeforeItHurts,
  scanSpeaksOfScan,
  impressionIsOneTrain,
  adhesiveIsOfItsSystem,
  etchedEnamelWaitsForNothing,
  choreographiesGo,
  nothingOverAFilm,
  cordsWithinTheirMinutes,
  holdsThatStay,
  nothingAgainstAnAlert,
  timesAndWordsAreSound,
]
/** All of it. */
export function whole(p: Plan): void {
  for (const holds of properties) holds(p)
}

/** The plan itself says that the injection does not fit the working time of anything owned, or the gum. */
export const tooMany = (p: Plan): boolean =>
  p.clashes.some((c) => c.id === 'impression-window' || c.id === 'crevice-window') ||
  p.steps.some((s) => s.id.endsWith('load-syringe') && s.reason!.text.includes('too long'))
