/** The demo's day, told in words: each visit is there to show something, and shows it. */
import { nightly } from '../scripts/often'
import { describe, expect, it } from 'vitest'
import { compile } from '../core/plan/compile'
import { visitRequest } from '../core/model/request'
import type { Plan } from '../core/model/plan'
import { outlook } from '../core/run/next'
import { runThrough, startDrive } from '../core/run/drive'
import { stretchesOf } from '../core/schedule/day'
import { layOut } from '../core/schedule/timeline'
import { demoCodes, demoPractice, demoVisits } from './practice'

const day = '2026-11-24'
const practice = demoPractice(day, 'Etc/UTC')
const visit = (key: string) => demoVisits.find((v) => v.key === key)!
const planOf = (key: string): Plan => {
  const v = visit(key)
  return compile(
    visitRequest.parse({
      kind: 'crown.prepare',
      date: day,
      alerts: v.alerts,
      team: v.team,
      visitChoices: v.visitChoices ?? {},
      ...v.request,
    }),
    practice,
  )
}
const ids = (p: Plan): string[] => p.steps.map((s) => s.id)
const clashes = (p: Plan): string[] => p.clashes.map((c) => c.id)

describe('the demo practice', () => {
  it('has two dentists with cards that differ in every school that shows, and a code for everybody', () => {
    const [a, b] = practice.cards
    for (const school of ['isolation', 'cord', 'impression', 'provisional', 'functions'] as const)
      expect(a!.choices[school]).not.toBe(b!.choices[school])
    expect(a!.extraHolds).not.toEqual(b!.extraHolds)
    expect(Object.keys(demoCodes).toSorted()).toEqual(practice.people.map((p) => p.id).toSorted())
    expect(practice.chairs).toHaveLength(4)
  })
  it('has one lot expired and one short, whatever the day', () => {
    for (const date of ['2026-01-31', '2026-11-24', '2028-02-29']) {
      const lots = demoPractice(date, 'Etc/UTC').lots
      expect(lots.filter((l) => l.expires < date).map((l) => l.itemId)).toEqual(['aluminium-chloride'])
      expect(lots.filter((l) => l.itemId === 'bis-acryl').map((l) => l.left)).toEqual([1.6])
    }
  })
})

const crowns = demoVisits.filter((v) => v.request.kind === undefined)

describe('its visits', () => {
  it('are six crowns on different teeth, all four restorations, and a child, a bonded bridge with its recall, a root canal, laminates; tomorrow metal bridges, cord-first veneers, one canal, five laminates', () => {
    expect(new Set(crowns.flatMap((v) => v.request.teeth)).size).toBe(6)
    expect(new Set(crowns.map((v) => v.request.restoration)).size).toBe(4)
    expect(demoVisits.flatMap((v) => v.request.kind ?? [])).toEqual([
      'primary.metal-crown',
      'bridge.ceramic.deliver',
      'endo.core.crown',
      'laminate.prepare',
      // Tomorrow.
      'bridge.metal.deliver',
      'veneer.prepare',
      'endo.core.crown',
      'bridge.metal.prepare',
      'laminate.prepare',
      'recall.week',
    ])
  })
  it('one: 37, no tooth behind: polyether by the case, no distal contact, margins held by the card', () => {
    const p = planOf('one')
    expect(p.choices.impression).toEqual({ value: 'polyether, custom tray', from: 'case' })
    expect(ids(p)).not.toContain('cutting.contact-distal.37')
    expect(p.holds.find((h) => h.id === 'margins')).toMatchObject({ from: 'card' })
  })
  it('two: 11 for a latex-allergic patient, bonded: nothing with latex, no eugenol, the finer cord for thin tissue', () => {
    const p = planOf('two')
    expect(p.setup.some((l) => l.latex)).toBe(false)
    expect(clashes(p)).toEqual(expect.arrayContaining(['latex-alert', 'eugenol-bonding']))
    expect(p.setup.some((l) => l.id === 'cord-00' && l.readiness === 'open')).toBe(true)
  })
  it('three: 16 full metal, root-filled: no shade, palatal cusps deeper, the tissue numbed for cord and clamp', () => {
    const p = planOf('three')
    expect(p.absent.map((a) => a.what)).toContain('shade')
    expect(p.teeth[0]!.functional).toBe('palatal')
    expect(ids(p)).toContain('anaesthesia.inject')
  })
  it('four: 47 with adrenaline and nickel alerts: the picked adrenaline cord is refused, the alloy asked', () => {
    const p = planOf('four')
    expect(clashes(p)).toEqual(expect.arrayContaining(['adrenaline-cord', 'adrenaline-anaesthetic', 'nickel']))
    expect(p.setup.some((l) => l.id === 'adrenaline-solution')).toBe(false)
    // The 2.0 depth cutter is worn out: passed over with the reason, the next best in its place.
    expect(p.burs[0]!.passedOver).toEqual([expect.stringContaining('limit of 10 uses')])
  })
  it('five: 25 with the margin above and dry: no cord; the sheet questioned for a mouth breather', () => {
    const p = planOf('five')
    expect(p.absent.map((a) => a.what)).toContain('cord')
    expect(clashes(p)).toContain('breathing')
  })
  it('six: 34 in crossbite with two assistants: lingual cusps deeper, work shared out', () => {
    const p = planOf('six')
    expect(p.teeth[0]!.functional).toBe('lingual')
    const busy = layOut(p).busyS
    expect(busy['wim']).toBeGreaterThan(0)
    expect(busy['juno']).toBeGreaterThan(0)
  })
  it('the starter’s cupboard answers all of them', () => {
    for (const v of demoVisits) expect(planOf(v.key).lacks).toEqual([])
  })
  it('each can be run to its close, and at every moment something may be done or it is said what is waited for', () => {
    for (const v of demoVisits) {
      const plan = planOf(v.key)
      const assistant = {
        personId: v.team.assistants[0]!,
        roles: practice.people.find((p) => p.id === v.team.assistants[0])!.roles,
        codeShown: false,
      }
      const dentist = { personId: v.team.dentist, roles: ['dentist' as const], codeShown: true }
      for (const until of plan.steps.filter((_, i) => i % (nightly ? 3 : 6) === 0).map((s) => s.id)) {
        const d = runThrough(startDrive(plan, 0), assistant, dentist, until)
        const { next, waiting } = outlook(plan, d.state.core, d.now)
        expect(next ?? waiting).not.toBeNull()
      }
      expect(runThrough(startDrive(plan, 0), assistant, dentist).state.core.status).toBe('closed')
    }
  })
  it.each([0, 1])('no chair is taken twice, %d days from now', (inDays) => {
    for (const chair of practice.chairs) {
      const placed = demoVisits
        .filter((v) => v.chairId === chair.id && (v.inDays ?? 0) === inDays)
        .map((v) => ({
          id: v.key,
          chairId: v.chairId,
          startsAt: Date.parse(`${day}T${v.time}:00Z`),
          score: layOut(planOf(v.key)),
        }))
      const ends = placed
        .toSorted((a, b) => a.startsAt - b.startsAt)
        .map((v) => [v.startsAt, v.startsAt + v.score.totalS * 1000] as const)
      for (let i = 1; i < ends.length; i++) expect(ends[i]![0]).toBeGreaterThanOrEqual(ends[i - 1]![1])
      for (const v of placed) expect(stretchesOf(visit(v.id).team.dentist, [v]).length).toBeGreaterThan(0)
    }
  })
})
