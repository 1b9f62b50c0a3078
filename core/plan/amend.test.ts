import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { amendmentFile, change as changeSchema, changeWords, type Amendment, type Change } from '../practice/amendment'
import { starterPractice } from '../practice/starter'
import { runThrough, startDrive } from '../run/drive'
import { compileHeld as compile } from './compile'
import { visitRequest } from '../model/request'
import type { Plan } from '../model/plan'

const practice = starterPractice()
const request = visitRequest.parse({
  kind: 'crown.prepare',
  date: '2026-11-24',
  teeth: ['35', '36'],
  margin: 'subgingival',
  team: { dentist: 'dentist', assistants: ['assistant'] },
})
let n = 0
const amendment = (change: Change): Amendment => ({
  id: `a${++n}`,
  kind: 'crown.prepare',
  change,
  by: 'Dr Demo',
  on: '2026-11-01',
  why: 'as we do it here',
})
const amended = (...changes: Change[]): Plan => compile(request, { ...practice, amendments: changes.map(amendment) })
const ids = (p: Plan): string[] => p.steps.map((s) => s.id)
const why = (p: Plan): string | undefined => p.amendments.at(-1)!.misfit
const photo: Change = {
  op: 'add step',
  after: 'cutting.finish',
  id: 'own.photo',
  title: 'Picture of the preparation',
  fn: 'chairside',
  place: 'mouth',
  minutes: [0.5, 1, 2],
  needs: [{ what: 'camera', quantity: 1, readiness: 'open' }],
}

describe('an amendment changes the plan as said, with who, when and why', () => {
  it('adds a step behind the last of the same step on every tooth, with its item, and says whose it is', () => {
    const p = amended(photo)
    expect(ids(p).indexOf('own.photo')).toBe(ids(p).indexOf('cutting.finish.36') + 1)
    expect(p.links.filter((l) => l.from === 'own.photo').map((l) => l.to)).toEqual(['cutting.reduction-check'])
    expect(p.setup.map((l) => l.id)).toContain('camera')
    expect(p.steps.find((s) => s.id === 'own.photo')!.amended).toEqual([p.amendments[0]!.id])
    expect(p.amendments).toEqual([
      {
        id: expect.any(String),
        says: 'adds “Picture of the preparation” after cutting.finish',
        by: 'Dr Demo',
        on: '2026-11-01',
        why: 'as we do it here',
        applied: true,
      },
    ])
  })
  it('calls a step otherwise, and says under it what the practice says; what names its tooth keeps its name', () => {
    const said = (p: Plan, id: string) => p.steps.find((s) => s.id === id)!
    const p = amended(
      { op: 'reword step', step: 'closing.turnover', field: 'title', says: 'To the door, with the facebow left here' },
      { op: 'reword step', step: 'closing.chart', field: 'title', says: 'Chart, then the mirror away' },
      { op: 'reword step', step: 'cutting.margin', field: 'detail', says: 'As on the card by the window' },
    )
    expect(p.amendments.map((a) => [a.applied, a.misfit])).toEqual([
      [false, '“To the door, with the facebow left here” names facebow, and no step lays it out'],
      [true, undefined],
      [true, undefined],
    ])
    expect(said(p, 'closing.chart').title).toBe('Chart, then the mirror away')
    for (const tooth of request.teeth) {
      expect(said(p, `cutting.margin.${tooth}`)).toMatchObject({ detail: 'As on the card by the window' })
      expect(said(p, `cutting.margin.${tooth}`).cautions).toEqual(said(amended(), `cutting.margin.${tooth}`).cautions)
    }
    for (const [step, kept] of [
      ['cutting.margin', /names its tooth/],
      ['arrival.seat', /names its tooth/],
      ['anaesthesia.test', /what others rest on/],
      ['impression.inspect', /what others rest on/],
      ['closing.counts', /what others rest on/],
    ] as const)
      expect(why(amended({ op: 'reword step', step, field: 'title', says: 'As we call it' })), step).toMatch(kept)
  })
  it.each(['db9f363', '4077b15'])('as %s stored them: read, and done as they were there', (version) => {
    const { amendments } = amendmentFile.parse(
      JSON.parse(readFileSync(`demo/test/stored/amendments-${version}.json`, 'utf8')),
    )
    expect(new Set(amendments.map((a) => a.change.op)).size).toBe(6)
    const p = compile({ ...request, teeth: request.teeth.slice(0, 1) }, { ...practice, amendments })
    expect(p.amendments.map((a) => [a.says, a.applied])).toEqual(amendments.map((a) => [changeWords(a.change), true]))
    expect(amendments.map(({ kind, change }) => ({ kind, change }))).toEqual(
      JSON.parse(readFileSync(`demo/test/stored/amendments-${version}.json`, 'utf8')).amendments.map(
        ({ kind, change }: Amendment) => ({ kind, change }),
      ),
    )
  })
  it('re-times, leaves out, moves, adds and takes out items, on every tooth the step stands on', () => {
    const timed = amended({ op: 're-time step', step: 'tissue.top-cord', minutes: [2, 3, 6] })
    expect(timed.steps.filter((s) => s.id.startsWith('tissue.top-cord')).map((s) => s.spread.likelyS)).toEqual([
      180, 180,
    ])
    const less = amended({ op: 'remove step', step: 'cutting.bevel' })
    expect(ids(less).filter((id) => id.startsWith('cutting.bevel'))).toEqual([])
    expect(less.links.find((l) => l.to === 'cutting.axial-facial.35' && l.kind === 'order')!.from).toBe(
      'cutting.occlusal.36',
    )
    const moved = amended({ op: 'move step', step: 'records.shade', after: 'arrival.seat' })
    expect(ids(moved).slice(0, 2)).toEqual(['arrival.seat', 'records.shade'])
    expect(
      amended({
        op: 'add item',
        step: 'cutting.finish',
        need: { what: 'rubber cup', quantity: 1, readiness: 'standby', when: 'a line is rough' },
      }).setup.find((l) => l.id === 'rubber-cup'),
    ).toMatchObject({ readiness: 'standby' })
    expect(
      amended({ op: 'remove item', step: 'arrival.seat', what: 'saliva ejector' }).setup.find(
        (l) => l.id === 'saliva-ejector' && l.steps.includes('arrival.seat'),
      ),
    ).toBeUndefined()
  })
  it('a plan amended and taken back is the plan as it was', () => {
    expect(JSON.stringify(compile(request, { ...practice, amendments: [] }))).toBe(
      JSON.stringify(compile(request, practice)),
    )
  })
})

describe('what would make the day unsound is refused and reported, never lost', () => {
  const bad: [string, Change, RegExp][] = [
    ['a step that is not there any more', { op: 'remove step', step: 'tissue.laser' }, /no step tissue\.laser/],
    [
      'a signature no card removes',
      { op: 'remove step', step: 'impression.inspect' },
      /signature that stays: Impression good/,
    ],
    ['the test of numbness', { op: 'remove step', step: 'anaesthesia.test' }, /before it is numb/],
    [
      'cutting before it is numb',
      { op: 'move step', step: 'cutting.groove-functional', after: 'arrival.seat' },
      /before it is numb/,
    ],
    ['a cord in and not out', { op: 'remove step', step: 'tissue.base-out' }, /go in and not come out/],
    ['the start of a clock', { op: 'remove step', step: 'provisional.mix' }, /runs from the step that would be gone/],
    [
      'the syringe after the seat',
      { op: 'move step', step: 'impression.load-syringe', after: 'impression.remove' },
      /before “Working time” has begun/,
    ],
    [
      'the syringe beside the way to the impression',
      { op: 'move step', step: 'impression.load-syringe', after: 'provisional.trim' },
      /“Working time” would begin at a step that does not lead to its end/,
    ],
    ['a step behind itself', { op: 'move step', step: 'cutting.bevel', after: 'cutting.bevel' }, /after itself/],
    [
      'three minutes of work inside a window of two and a half',
      { op: 'move step', step: 'arrival.seat', after: 'provisional.seat' },
      /more would have to be done than “Rubbery stage” has time for/,
    ],
    [
      'a rinse so late that the teeth are cleaned inside the window of the open crevice',
      { op: 'move step', step: 'impression.rinse', after: 'impression.load-tray' },
      /more would have to be done than “.*” has time for/,
    ],
    [
      'a cord out after the counts are squared',
      { op: 'move step', step: 'tissue.base-out', after: 'closing.chart' },
      /after the counts are squared/,
    ],
    [
      'a step in the mouth of a patient who has gone',
      { op: 'move step', step: 'closing.rinse', after: 'closing.turnover' },
      /has gone|before what it follows|after the counts are squared/,
    ],
    [
      'an item nobody asked for',
      { op: 'remove item', step: 'arrival.seat', what: 'gold mallet' },
      /asks for no gold mallet/,
    ],
  ]
  it.each(bad)('%s', (_what, change, reason) => {
    const p = amended(change)
    expect(p.amendments).toHaveLength(1)
    expect(p.amendments[0]!.applied).toBe(false)
    expect(why(p)).toMatch(reason)
    expect(ids(p)).toEqual(ids(compile(request, practice)))
  })
  it('one that does not fit leaves the others standing', () => {
    const p = amended({ op: 'remove step', step: 'tissue.laser' }, photo, photo)
    expect(p.amendments.map((a) => a.applied)).toEqual([false, true, false])
    expect(why(p)).toContain('is there already')
  })
  it('any amendments at all: each is applied or says why, the plan stays whole and can be run to its close', () => {
    const plain = compile(request, practice)
    const target = fc.constantFrom(...plain.steps.map((s) => s.id), 'cutting.finish', 'nowhere')
    const any: fc.Arbitrary<Change> = fc.oneof(
      fc.record({ op: fc.constant('remove step' as const), step: target }),
      fc.record({ op: fc.constant('move step' as const), step: target, after: target }),
      fc.record({
        op: fc.constant('re-time step' as const),
        step: target,
        minutes: fc.constant([1, 2, 3] as [number, number, number]),
      }),
      fc.nat(3).map((i): Change => ({ ...photo, id: `own.step-${i}` })),
      fc
        .constantFrom('Bite on the haemostat', 'Ask how the week was')
        .map((title): Change => ({ ...photo, title, needs: [] })),
      fc
        .constantFrom(...plain.steps.flatMap((s) => s.needs.map((n) => ({ step: s.id, what: n.what }))))
        .map((gone): Change => ({ op: 'remove item', ...gone })),
    )
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), (changes) => {
        const p = amended(...changes)
        expect(p.amendments).toHaveLength(changes.length)
        for (const a of p.amendments) expect(a.applied).toBe(a.misfit === undefined)
        // The tray still equals the text.
        expect({ unlaid: p.unlaid, unused: p.unused }).toEqual({ unlaid: [], unused: [] })
        const at = new Map(ids(p).map((id, i) => [id, i]))
        for (const l of p.links) if (l.from !== l.to) expect(at.get(l.from)!).toBeLessThan(at.get(l.to)!)
        for (const c of p.counts) expect(at.get(c.outStep)!).toBeGreaterThan(at.get(c.inStep)!)
        for (const s of p.steps) if (s.hurts) expect(at.get(s.id)!).toBeGreaterThan(at.get('anaesthesia.test')!)
        const mandatory = (x: Plan): string[] =>
          x.holds
            .filter((h) => h.mandatory)
            .map((h) => h.id)
            .toSorted()
        expect(mandatory(p)).toEqual(mandatory(plain))
        // No signature goes with its step: those of a card are taken away there.
        const signed = (x: Plan): string[] =>
          // Where numbness is tested again follows the order.
          x.holds
            .map((h) => h.id)
            .filter((id) => !id.startsWith('numb.again'))
            .toSorted()
        expect(signed(p)).toEqual(signed(plain))
        const run = runThrough(startDrive(p, 0), assistant, dentist)
        expect(p.steps.filter((s) => run.state.core.steps[s.id]!.status === 'todo').map((s) => s.id)).toEqual([])
      }),
      { numRuns: 40 },
    )
  })
})

describe('amendments travel as a file', () => {
  it('out and in they are the same, and what is no amendment is refused with the field', () => {
    const file = { format: 'jade-tray amendments', version: 1, amendments: [amendment(photo)] }
    expect(amendmentFile.parse(JSON.parse(JSON.stringify(file)))).toEqual(file)
    expect(amendmentFile.safeParse({ ...file, version: 2 }).success).toBe(false)
    expect(
      changeSchema.safeParse({ op: 're-time step', step: 'cutting.bevel', minutes: [3, 2, 1] }).error!.issues[0]!.path,
    ).toEqual(['minutes'])
    expect(changeSchema.safeParse({ ...photo, id: 'photo' }).error!.issues[0]!.message).toContain('own.')
  })
})
