/** Properties that hold for every kind of visit, over random cases, schools, alerts and combinations. */
import { often } from '../../scripts/often'
import { keysOf, sure } from '../sure'
import { isClock, isWindow, leastS } from '../model/link'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequest, type VisitRequestInput } from '../model/request'
import { layTrays } from '../picture/tray'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { alertWords } from '../vocabulary'
import { adhesives, takes, withActivator } from '../practice/adhesives'
import { questions } from '../practice/choices'
import { fittingPontics } from '../model/misfits'
import { starterPractice } from '../practice/starter'
import { archOrder } from '../teeth/arch'
import { runThrough, startDrive } from '../run/drive'
import { cordsLie } from '../schedule/cords'
import { overlong } from '../schedule/overlong'
import { layOut } from '../schedule/timeline'
import { allTeeth, isPrimary, jawOf, parts, type Tooth } from '../teeth/notation'
import { visitKinds } from '.'
import { kindFacts, kindIds, type KindId } from '../kinds'

const practice = starterPractice()
const everyBottle = new Set(Object.values(adhesives).flatMap((a) => (a.primer ? [a.primer, a.bond] : [a.bond])))

/** Teeth a kind takes, in one jaw. */
function teethFor(kind: KindId, jaw: 'upper' | 'lower'): Tooth[] {
  const k = kindFacts(kind)
  return allTeeth.filter(
    (t) =>
      isPrimary(t) === (k.dentition === 'primary') &&
      jawOf(t) === jaw &&
      (!k.jaw || k.jaw === jaw) &&
      (!k.positions || (parts(t).position >= k.positions[0] && parts(t).position <= k.positions[1])),
  )
}

/** A request takes so many. */
const mostPontics = 6

/** Any work of a kind that its table allows. */
const anyWork = (kind: KindId) => {
  const k = kindFacts(kind)
  const jaws = (['upper', 'lower'] as const).filter((j) => teethFor(kind, j).length > 0)
  return fc.constantFrom(...jaws).chain((jaw) =>
    fc
      .record({
        kind: fc.constant(kind),
        teeth: fc.shuffledSubarray(teethFor(kind, jaw), { minLength: 1, maxLength: Math.min(k.most, 3) }),
        restoration: k.restorations.length > 0 ? fc.constantFrom(undefined, ...k.restorations) : fc.constant(undefined),
        pontic: fc.nat(3),
        vital: fc.boolean(),
        inEnamel: fc.boolean(),
        deepSpot: fc.boolean(),
        missingWall: fc.boolean(),
        partErupted: fc.boolean(),
        pulpTreatment: fc.boolean(),
        margin: fc.constantFrom('supragingival' as const, 'equigingival' as const, 'subgingival' as const),
        lesion: fc.constantFrom('cavitated' as const, 'non-cavitated' as const),
        tissue: fc.record({
          weeping: fc.boolean(),
          biotype: fc.constantFrom('thin' as const, 'thick' as const),
        }),
        deliveryCement: fc.constantFrom(
          'resin' as const,
          'conventional' as const,
          'resin-modified glass ionomer' as const,
        ),
        tooth: fc.record(
          {
            dark: fc.boolean(),
            overgrown: fc.boolean(),
            coveredEdge: fc.boolean(),
            made: fc.constantFrom('inlay' as const, 'foil' as const),
            pulp: fc.constantFrom('none' as const, 'pulpotomy' as const, 'pulpectomy' as const),
          },
          { requiredKeys: [] },
        ),
        surface: fc.constantFrom('O', 'MO', 'DO', 'MOD'),
        depth: fc.constantFrom(2, 4, 6, 7, 11),
        canal: fc.constantFrom(11, 14, 22),
      })
      .map(({ pontic, tooth, surface, depth, canal, ...w }) => {
        // Two bonded retainers side by side hold nothing between them, two far apart more than a request takes: then one, and
        // the pontic hangs on it.
        const needed = k.pontics === 'needed'
        const between = fittingPontics(kind, w.teeth, []).length
        const teeth = needed && (between === 0 || between > mostPontics) ? w.teeth.slice(0, 1) : w.teeth
        const others = archOrder(jaw).filter((t) => !teeth.includes(t))
        const pontics = needed
          ? fittingPontics(kind, teeth, [])
          : pontic > 0
            ? fittingPontics(kind, teeth, others.slice(4, 4 + pontic))
            : []
        const facts = { ...tooth, surfaces: surface, depthMm: depth, canals: [{ name: 'one', lengthMm: canal }] }
        return { ...w, teeth, pontics, ofTooth: Object.fromEntries(teeth.map((t) => [t, facts])) }
      }),
  )
}

const frame = fc.record({
  crossbite: fc.boolean(),
  pieceOnHand: fc.boolean(),
  weightKg: fc.constantFrom(undefined, 18, 70),
  alerts: fc.subarray(keysOf(alertWords)),
  visitChoices: fc.record(
    Object.fromEntries(questions.map((q) => [q.name, fc.constantFrom(...q.schools.map((s) => s.value))])),
  ) as fc.Arbitrary<VisitRequestInput['visitChoices']>,
})
const written = (more: object): object => ({
  date: '2026-11-24',
  team: { dentist: 'dentist', assistants: ['assistant'] },
  ...more,
})
const parse = (more: object): VisitRequest => visitRequest.parse(written(more))
const safeParse = (more: object) => visitRequest.safeParse(written(more))

/** Asked of everything in a plan: said only where it does not hold, for asking costs as much as the plan. */
function must(holds: boolean, otherwise: string): void {
  if (!holds) expect.fail(otherwise)
}

/** Everything that has to be true of any plan, whatever it is for. */
function whole(p: Plan): void {
  // The tray equals the text: nothing is named that is not laid out, nothing laid out that no step uses.
  expect({ unlaid: p.unlaid, unused: p.unused }).toEqual({ unlaid: [], unused: [] })
  const ids = p.steps.map((s) => s.id)
  const at = new Map(ids.map((id, i) => [id, i]))
  expect(at.size).toBe(ids.length)
  expect(new Set(p.links.map((l) => l.id)).size).toBe(p.links.length)
  expect(new Set(p.holds.map((h) => h.id)).size).toBe(p.holds.length)
  expect(new Set(p.counts.map((c) => c.id)).size).toBe(p.counts.length)
  // Every need is in the setup, or reported.
  for (const s of p.steps)
    for (const n of s.needs) {
      const answers = new Set([n.what, ...(n.orElse ?? []).map((o) => o.what)])
      const line = p.setup.find(
        (l) =>
          l.steps.includes(s.id) &&
          (l.id === `lack:${n.what}` || practice.items.find((i) => i.id === l.id)?.serves.some((x) => answers.has(x))),
      )
      must(line !== undefined, `${s.id} needs ${n.what}`)
      if (line?.lack) must(p.lacks.includes(line.lack), `${s.id}: ${line.lack}`)
    }
  // Every count goes in at a step of the plan and comes out at a later one; what stays is less than what goes in, or all of it.
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
  // Nothing that hurts before it is numb, or asleep.
  const numb = at.get('anaesthesia.test') ?? at.get('asleep.under')
  for (const s of p.steps) if (s.hurts) must(at.get(s.id)! > (numb ?? Infinity), `${s.id} hurts`)
  // A scan speaks of a scan: nothing of an impression is said at it, laid out for it or handed over.
  if (at.has('impression.scan-preparation')) {
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
  // The impression is one train: nothing is drawn after the first wash, and the field is dried once a round.
  const firstWash = p.steps.findIndex(
    (s) => s.id.startsWith('impression.inject') || s.id.startsWith('impression.scan-preparation'),
  )
  if (firstWash >= 0) {
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
  // No adhesive step that its system does not have; acid and system that do not go together are stopped.
  const own = adhesives[p.choices.adhesive.value]
  const bottles = new Set([own.primer, own.bond, withActivator])
  for (const s of p.steps)
    if (s.fn === 'bonding')
      for (const n of s.needs) if (everyBottle.has(n.what)) must(bottles.has(n.what), `${s.id}: ${n.what}`)
  const both = p.asked.choices.includes('etch') && p.asked.choices.includes('adhesive')
  expect(p.clashes.some((c) => c.id === 'acid-system')).toBe(
    both && !takes(p.choices.adhesive.value, p.choices.etch.value),
  )
  // Etched enamel waits for nothing: from the rinse to the next layer nothing is done at the bench.
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
  // A choreography goes with the hands there are, each at one thing at a time and within its limit; or the tray is stopped.
  const lanes = p.steps.flatMap((s) => s.lanes ?? [])
  expect(p.clashes.some((c) => c.id === 'lanes')).toBe(lanes.some((l) => l.short))
  for (const l of lanes) {
    if (l.short) expect(l.short.waysOut).not.toBe('')
    else if (l.withinS !== undefined) expect(l.endS, l.title).toBeLessThanOrEqual(l.withinS)
    expect(at.has(l.from), l.from).toBe(true)
    for (const row of l.rows)
      for (const [i, a] of row.acts.entries()) expect(a.fromS).toBeGreaterThanOrEqual(row.acts[i - 1]?.toS ?? 0)
  }
  // No wash, scan or bond over a film: between what was greasy or unset and them the teeth were cleaned.
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
  // No cord lies over its minutes unsaid.
  const score = layOut(p)
  const lying = cordsLie(p, score)
  expect(lying.length).toBe(p.steps.filter((s) => s.act === 'cord in').length)
  if (lying.some((x) => x.liesS > x.mostS)) expect(overlong(p, score).some((w) => /cord/i.test(w))).toBe(true)
  // An arch that is changed after its impression is said so, and nothing else is.
  const touched = p.steps.some((s, i) => s.reshapes && p.steps.slice(0, i).some((b) => b.imprints === s.reshapes))
  expect(p.clashes.some((c) => c.id === 'arch-touched')).toBe(touched)
  // Holds that no card may remove: counts always; the others wherever there is something of theirs to sign.
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
  // Latex and forbidden antiseptics never with their alert; children's doses by weight.
  for (const a of ['latex', 'chlorhexidine', 'iodine'] as const)
    if (p.request.alerts.includes(a))
      for (const l of p.setup) must(!(a === 'latex' ? l.latex : l.allergens?.includes(a)), `${l.name} with ${a}`)
  if (!p.request.pieceOnHand && kindFacts(p.kind).delivers) expect(p.clashes[0]).toMatchObject({ severity: 'stop' })
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

/** The plan itself says that the injection does not fit the working time of anything owned, or the gum. */
const tooMany = (p: Plan): boolean =>
  p.clashes.some((c) => c.id === 'impression-window' || c.id === 'crevice-window') ||
  p.steps.some((s) => s.id.endsWith('load-syringe') && s.reason!.text.includes('too long'))

describe.each(kindIds)('%s', (kind) => {
  it('any case of it compiles whole, the same each time, lays out without a missed window, fits its trays', () => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const request = parse({ ...work, ...more })
        const p = compile(request, practice)
        expect(JSON.stringify(compile(request, practice))).toBe(JSON.stringify(p))
        whole(p)
        // The starter answers every need and every cut of every kind.
        expect(p.lacks).toEqual(p.lacks.filter((l) => l.includes('alert') || l.includes('in stock')))
        const score = layOut(p)
        const missed = score.brackets.filter((b) => b.missed).map((b) => b.title)
        expect(tooMany(p) ? missed.filter((t) => t !== 'Working time' && t !== 'Gum closes in') : missed).toEqual([])
        expect(layTrays(p.setup).flatMap((b) => b.bands.flatMap((x) => x.places))).toHaveLength(
          p.setup.filter((l) => l.readiness === 'open').length,
        )
      }),
      { numRuns: often(12) },
    )
  })
  it('runs from the first step to closed, every step reachable, every clock and signature kept', () => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const p = compile(parse({ ...work, ...more, visitChoices: {} }), practice)
        // More boxes than any material waits for: the plan says so itself, and the dentist decides otherwise.
        fc.pre(!tooMany(p))
        const d = runThrough(startDrive(p, 0), assistant, dentist)
        expect(d.state.core.status, JSON.stringify(d.refusals.at(-1))).toBe('closed')
        expect(p.steps.filter((s) => d.state.core.steps[s.id]!.status !== 'done')).toEqual([])
      }),
      { numRuns: often(3) },
    )
  })
  it('says what it is, and what follows it is a kind there is', () => {
    expect(visitKinds[kind].id).toBe(kind)
    const jaw = teethFor(kind, 'lower').length > 0 ? 'lower' : 'upper'
    const k = kindFacts(kind)
    const teeth = teethFor(kind, jaw).slice(0, 1)
    const p = compile(
      parse({ kind, teeth, pontics: k.pontics === 'needed' ? [teeth[0] === '31' ? '32' : '31'] : [] }),
      practice,
    )
    for (const f of p.followUps) expect(f.kind === undefined || kindIds.includes(f.kind)).toBe(true)
    expect(p.title).toContain(k.title)
  })
})

describe('two works in one visit', () => {
  const pairs: [KindId, KindId][] = [
    ['filling.bulk', 'filling.cervical'],
    ['crown.prepare', 'filling.amalgam'],
    ['filling.bulk', 'filling.bulk'],
    ['inlay.deliver', 'filling.cusps'],
    ['gold.deliver', 'filling.injected'],
    ['primary.metal-crown', 'primary.class3'],
    ['primary.incisors', 'primary.metal-crown'],
    ['endo.core.crown', 'crown.interim'],
    ['veneer.prepare', 'laminate.prepare'],
  ]
  it.each(pairs)('%s and %s: one frame, no id twice, everything still whole', (a, b) => {
    fc.assert(
      fc.property(anyWork(a), anyWork(b), frame, (one, { ...two }, more) => {
        const read = safeParse({ ...one, also: [two], ...more })
        if (!read.success) {
          // The only thing two sound works can have against each other is a tooth they share.
          for (const { message } of read.error.issues)
            expect(message).toMatch(/cannot both be done on \d\d|is replaced by the bridge/)
          return
        }
        const p = compile(read.data, practice)
        whole(p)
        fc.pre(!tooMany(p))
        expect(p.steps.filter((s) => s.id === 'arrival.seat' || s.id === 'closing.counts')).toHaveLength(2)
        const d = runThrough(startDrive(p, 0), assistant, dentist)
        expect(d.state.core.status, JSON.stringify(d.refusals.at(-1))).toBe('closed')
      }),
      { numRuns: often(6) },
    )
  })
  it('asleep: the throat pack goes round all of the work, back teeth before front teeth, and is out before anything closes', () => {
    const p = compile(
      parse({
        kind: 'primary.incisors',
        teeth: ['51'],
        weightKg: 15,
        also: [{ kind: 'primary.metal-crown', teeth: ['54'] }],
      }),
      practice,
    )
    const at = (id: string): number => p.steps.findIndex((s) => s.id === id)
    const between = [
      'crown.54.seat@primary.metal-crown',
      'crown.51.fit',
      'crown.51.seat',
      'asleep.pack-out',
      'closing.counts',
    ].map(at)
    expect(Math.min(...between)).toBeGreaterThan(at('asleep.pack-in'))
    expect(between).toEqual(between.toSorted((a, b) => a - b))
    expect(p.steps.filter((s, i) => s.place === 'mouth' && i > at('asleep.pack-out')).map((s) => s.id)).toEqual([
      'closing.rinse',
    ])
    expect(p.holds.find((h) => h.id === 'throat.out')).toMatchObject({ mandatory: true })
  })
  it('share one sheet in one jaw: it goes on once, over the teeth of both, and comes off at the end', () => {
    const p = compile(
      parse({ kind: 'filling.bulk', teeth: ['36'], also: [{ kind: 'filling.amalgam', teeth: ['34'] }] }),
      practice,
    )
    const ids = p.steps.map((s) => s.id)
    expect(ids.filter((id) => id.includes('dam-on'))).toEqual(['isolation.dam-on'])
    expect(ids.filter((id) => id.includes('dam-off'))).toEqual(['isolation.dam-off@filling.amalgam'])
    expect(p.counts.find((c) => c.id === 'dam-pieces')).toMatchObject({ outStep: 'isolation.dam-off@filling.amalgam' })
  })
})
