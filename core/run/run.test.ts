import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'
import { composeNote, noteText } from '../record/note'
import { workingDaysAfter } from '../clock'
import { clocksAt } from './clocks'
import { decide, openAtClose } from './decide'
import { give, runThrough, startDrive, type Drive, soundReadingsOf } from './drive'
import type { Command } from './events'
import { outlook } from './next'
import { evolve, initialState, replay, edgeOf, stepState } from './state'

const plan = compile(
  visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    restoration: 'monolithic zirconia crown',
    missing: ['38'],
    alerts: ['latex'],
    choices: { cord: 'double', impression: 'polyether, custom tray' },
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }),
  starterPractice(),
)
const nine = Date.UTC(2026, 10, 24, 9)
const fresh = (): Drive => startDrive(plan, nine)
const upTo = (stepId: string): Drive => runThrough(fresh(), assistant, dentist, stepId)

describe('a visit from begin to close', () => {
  const d = runThrough(fresh(), assistant, dentist)
  it('closes square when everything was done, signed and counted', () => {
    expect(d.refusals).toEqual([])
    expect(d.state.core.status).toBe('closed')
    expect(openAtClose(plan, d.state.core)).toMatchObject({ counts: [], holds: [], steps: [] })
  })
  it('not numb: more is given, with its own needle, and waited for, before it is tested again', () => {
    const once = runThrough(fresh(), assistant, dentist, undefined, {
      again: (step, rounds) =>
        step.id === 'anaesthesia.test' && rounds === 0 ? 'the cheek side still feels it' : undefined,
    })
    expect(once.state.core.status).toBe('closed')
    const given = once.events.flatMap((e) =>
      e.what.kind === 'step.started' && e.what.stepId === 'anaesthesia.inject' ? [e.at] : [],
    )
    expect(given).toHaveLength(2)
    expect(once.state.core.counts['needle']).toMatchObject({ in: 2, out: 2 })
  })
  it('can do nothing more once closed', () => {
    expect(decide(plan, d.state, { kind: 'note', text: 'later' }, assistant, d.now)).toMatchObject({
      refused: { code: 'closed' },
    })
  })

  it('composes a note from the events in sentences: both notations, times, lots, counts, signatures, deviations', () => {
    const note = noteText(composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC'))
    expect(note).toContain('37 (LL7, Universal 18, lower left second molar)')
    expect(note).toContain('The visit began at 09:00')
    expect(note).toContain('Alerts on record: latex allergy.')
    expect(note).toMatch(/Braided cord 0 \(29 mm\), lot S-cord-0, expires 2029-12-31/)
    expect(note).toContain('Base cord, 37: 1 in, 1 out.')
    expect(note).toMatch(/Impression good: signed by The dentist at \d\d:\d\d\./)
    expect(note).toContain(
      'The dentist gave local anaesthetic: block and long buccal, lower left; lidocaine with adrenaline, 1 cartridge laid out (',
    )
    expect(note).toContain('placed base cord size 0, 29 mm, on 37 (LL7) (')
    expect(note).toContain('Burs in order of use: depth cutter 1.0, medium')
    expect(note).toContain('Otherwise than planned\nNothing.')
    expect(note).toContain('Do not eat until the feeling is back')
    expect(note).toContain('slide the floss out sideways')
    expect(note).toContain('not before 8 December 2026')
  })
})

describe('refusals say what is missing', () => {
  it('a step before its turn names what comes first', () => {
    const d = upTo('cutting.groove-functional.37')
    expect(give(d, { kind: 'advance', start: 'cutting.margin.37' }, assistant)).toMatchObject({
      code: 'order',
      missing: ['Distal wall 0.8–1.0 mm: nothing stands there, same path'],
    })
  })
  it('a lag that has not passed says how long', () => {
    const d = upTo('provisional.separate')
    d.now += 10_000
    const no = give(d, { kind: 'advance', start: 'anaesthesia.inject' }, assistant)
    expect(no!.code).toBe('not-now')
    const early = upTo('impression.rinse')
    const then = edgeOf(stepState(early.state.core, 'tissue.top-cord.37'), 'finish')! + 100_000
    expect(
      decide(plan, { ...early.state }, { kind: 'advance', start: 'impression.rinse' }, assistant, then),
    ).toMatchObject({ refused: { code: 'lag', waitS: 200, message: expect.stringContaining('3 min 20 s too early') } })
  })
  it('the train of the impression begins when the cord has lain: no syringe is loaded before', () => {
    const d = upTo('provisional.trim')
    expect(give(d, { kind: 'advance', start: 'impression.load-syringe' }, assistant)).toMatchObject({ code: 'order' })
    const no = give(d, { kind: 'advance', start: 'impression.rinse' }, assistant)!
    expect(no).toMatchObject({ code: 'lag', message: expect.stringContaining('too early') })
    d.now += Math.ceil(no.waitS!) * 1000
    expect(give(d, { kind: 'advance', start: 'impression.rinse' }, assistant)).toBeNull()
  })
  it('once a cord is drawn nobody is sent to the bench: what the open window waits for comes first', () => {
    const d = upTo('impression.rinse')
    for (const id of ['impression.rinse', 'impression.load-syringe', 'tissue.draw-cord.37']) {
      give(d, { kind: 'advance', start: id }, assistant)
      d.now += 20_000
      give(d, { kind: 'advance', finish: id }, assistant)
    }
    expect(outlook(plan, d.state.core, d.now).next?.id).toBe('impression.dry')
  })
  it('a hold stops what follows until the dentist signs with their own code', () => {
    const d = upTo('anaesthesia.test')
    give(d, { kind: 'advance', start: 'anaesthesia.test' }, assistant)
    give(d, { kind: 'advance', finish: 'anaesthesia.test' }, assistant)
    expect(give(d, { kind: 'advance', start: 'isolation.rolls' }, assistant)).toMatchObject({
      code: 'hold',
      holdId: 'numb',
      missing: ['signature: Numb, tested'],
    })
    expect(give(d, { kind: 'sign', holdId: 'numb' }, assistant)!.code).toBe('not-allowed')
    expect(give(d, { kind: 'sign', holdId: 'numb' }, { ...dentist, codeShown: false })!.code).toBe('code')
    for (const read of soundReadingsOf(plan, d.state.core, 'numb')) give(d, read, assistant)
    expect(give(d, { kind: 'sign', holdId: 'numb' }, dentist)).toBeNull()
    expect(give(d, { kind: 'advance', start: 'isolation.rolls' }, assistant)).toBeNull()
  })
  it('skipping the step between opens no way round a hold', () => {
    const d = upTo('anaesthesia.test')
    give(d, { kind: 'advance', start: 'anaesthesia.test' }, assistant)
    give(d, { kind: 'advance', finish: 'anaesthesia.test' }, assistant)
    give(d, { kind: 'skip', stepIds: ['isolation.rolls'], reason: 'not wanted today' }, assistant)
    expect(give(d, { kind: 'advance', start: 'cutting.groove-functional.37' }, assistant)).toMatchObject({
      code: 'hold',
      holdId: 'numb',
    })
  })
  it('nobody is named for what the table forbids them', () => {
    const d = upTo('tissue.base-cord.37')
    expect(give(d, { kind: 'advance', start: 'tissue.base-cord.37', performer: 'assistant' }, assistant)).toMatchObject(
      { code: 'not-allowed', missing: ['The dentist to do it'] },
    )
    expect(give(d, { kind: 'advance', start: 'tissue.base-cord.37' }, assistant)).toBeNull()
    expect(
      give(d, { kind: 'advance', start: 'provisional.separate' }, { ...assistant, roles: ['front desk'] })!.code,
    ).toBe('not-allowed')
  })
  it('two things are not in the mouth at once', () => {
    const d = upTo('records.preliminary')
    give(d, { kind: 'advance', start: 'records.preliminary' }, assistant)
    d.now += 600_000
    expect(give(d, { kind: 'advance', start: 'anaesthesia.test' }, assistant)!.code).toBe('mouth-busy')
  })
  it('a window that closed asks: over again, or the dentist accepts with a reason', () => {
    const d = upTo('impression.seat')
    give(d, { kind: 'advance', start: 'impression.seat' }, assistant)
    d.now += 120_000
    const no = give(d, { kind: 'advance', finish: 'impression.seat' }, assistant)!
    expect(no).toMatchObject({ code: 'window-missed' })
    expect(
      give(d, { kind: 'answer', linkId: no.linkId!, answer: 'accept', reason: 'tissue still open' }, assistant)!.code,
    ).toBe('not-allowed')
    give(d, { kind: 'answer', linkId: no.linkId!, answer: 'again', reason: 'crevice closed' }, assistant)
    expect(d.state.core.steps['tissue.top-cord.37']).toMatchObject({ status: 'todo', rounds: 1 })
    expect(d.state.core.steps['provisional.lift']!.status).toBe('done')
    runThrough(d, assistant, dentist)
    expect(d.state.core.status).toBe('closed')
    expect(d.state.core.counts['cord.top.37']).toEqual({ in: 2, out: 2 })
    expect(noteText(composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC'))).toContain('because: crevice closed')
    expect(noteText(composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC'))).toContain(
      'drew the top cord of 37 (LL7), wet, at the second try (',
    )
  })
  it('an impression that is not good is taken again, its hold still open', () => {
    const d = upTo('tissue.base-out.37')
    expect(give(d, { kind: 'again', holdId: 'impression', reason: 'late' }, dentist)!.code).toBe('not-now')
    const e = upTo('impression.inspect')
    give(e, { kind: 'advance', start: 'impression.inspect' }, assistant)
    expect(
      give(e, { kind: 'again', holdId: 'impression', reason: 'bubble on the distal margin' }, assistant),
    ).toBeNull()
    // The base cord is plain and within its limit: it stays where it is.
    expect(outlook(plan, e.state.core, e.now).next!.id).toBe('tissue.top-cord.37')
    expect(runThrough(e, assistant, dentist).state.core.status).toBe('closed')
  })
  it('a count left open keeps the hold unsigned and the visit open', () => {
    const d = upTo('closing.counts')
    give(d, { kind: 'count', countId: 'cord.base.37', direction: 'out', n: -1 }, assistant)
    give(d, { kind: 'advance', start: 'closing.counts' }, assistant)
    expect(give(d, { kind: 'sign', holdId: 'counts' }, dentist)).toMatchObject({
      code: 'count-open',
      missing: ['base cord, 37: 1 still in'],
    })
    expect(give(d, { kind: 'wave', holdId: 'counts', reason: 'in a hurry' }, dentist)!.code).toBe('count-open')
    expect(give(d, { kind: 'close' }, assistant)!.code).toBe('count-open')
    expect(give(d, { kind: 'count', countId: 'cord.base.37', direction: 'out', n: 2 }, assistant)!.message).toContain(
      '1 went in, 2 cannot come out',
    )
  })
  it('closing names unsigned holds; a hold waved on by the dentist stays visible with its reason', () => {
    const d = upTo('closing.home')
    expect(give(d, { kind: 'close' }, assistant)).toMatchObject({ code: 'hold', missing: ['signature: Going home'] })
    give(d, { kind: 'wave', holdId: 'home', reason: 'called away to chair 2' }, dentist)
    expect(give(d, { kind: 'close' }, assistant)!.code).toBe('unfinished')
    give(d, { kind: 'skip', stepIds: ['closing.home'], reason: 'dentist was called away' }, assistant)
    expect(give(d, { kind: 'close' }, assistant)).toBeNull()
    const note = noteText(composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC'))
    expect(note).toContain('Going home: not signed; waved on by The dentist')
    expect(note).toContain('Left out: Ready to go home, because: dentist was called away.')
  })
})

describe('clocks', () => {
  it('wait, go, warn and miss at their seconds', () => {
    const d = upTo('provisional.lift')
    const mix = edgeOf(stepState(d.state.core, 'provisional.mix'), 'start')!
    const rubbery = (s: number) =>
      clocksAt(plan, d.state.core, mix + s * 1000).find((c) => c.title === 'Rubbery stage')!.phase
    expect([30, 60, 119, 120, 150, 151].map(rubbery)).toEqual(['wait', 'go', 'go', 'warn', 'warn', 'missed'])
  })
})

describe('undo', () => {
  it('returns to the earlier state and is the last actor’s or the dentist’s', () => {
    const d = upTo('anaesthesia.test')
    give(d, { kind: 'advance', start: 'anaesthesia.test' }, assistant)
    give(d, { kind: 'advance', finish: 'anaesthesia.test' }, assistant)
    for (const read of soundReadingsOf(plan, d.state.core, 'numb')) give(d, read, assistant)
    give(d, { kind: 'sign', holdId: 'numb' }, dentist)
    const before = d.state.core
    give(d, { kind: 'advance', start: 'isolation.rolls' }, assistant)
    expect(give(d, { kind: 'undo' }, assistant)).toBeNull()
    expect(d.state.core).toEqual(before)
    expect(give(d, { kind: 'undo' }, assistant)!.message).toContain('somebody else')
    expect(give(d, { kind: 'undo' }, dentist)).toBeNull()
    expect(d.state.core.holds['numb']!.status).toBe('open')
  })
})

/** Commands over this plan, sensible and not. */
const stepId = fc.constantFrom(...plan.steps.map((s) => s.id), 'no.such.step')
const countId = fc.constantFrom(...plan.counts.map((c) => c.id), 'nothing')
const holdId = fc.constantFrom(...plan.holds.map((h) => h.id), 'nothing')
const anyCommand: fc.Arbitrary<Command> = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.record({
      kind: fc.constant('advance' as const),
      finish: fc.option(stepId, { nil: undefined }),
      start: fc.option(stepId, { nil: undefined }),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('skip' as const),
      stepIds: fc.array(stepId, { minLength: 1, maxLength: 30 }),
      reason: fc.constant('any reason'),
    }),
  },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constant('count' as const),
      countId,
      direction: fc.constantFrom('in' as const, 'out' as const),
      n: fc.integer({ min: -2, max: 2 }),
    }),
  },
  { weight: 3, arbitrary: fc.record({ kind: fc.constantFrom('sign' as const), holdId }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constantFrom('wave' as const, 'again' as const),
      holdId,
      reason: fc.constant('any reason'),
    }),
  },
  { weight: 1, arbitrary: fc.constant({ kind: 'undo' as const }) },
  { weight: 2, arbitrary: fc.constant({ kind: 'close' as const }) },
)
const anyAct = fc.record({
  command: anyCommand,
  byDentist: fc.boolean(),
  wait: fc.integer({ min: 0, max: 400 }),
  follow: fc.boolean(),
})

describe('properties', () => {
  it('no sequence of commands yields a closed run with an open count or an unanswered hold', () => {
    let closed = 0
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 60 }), fc.nat(plan.steps.length - 1), (acts, from) => {
        // Begin somewhere along a real visit, so that random commands meet every phase of it.
        const d = runThrough(fresh(), assistant, dentist, plan.steps[from]!.id)
        for (const act of acts) {
          d.now += act.wait * 1000
          const next = act.follow ? outlook(plan, d.state.core, d.now).next : null
          const before = d.state.core
          const acted =
            give(d, next ? { kind: 'advance', start: next.id } : act.command, act.byDentist ? dentist : assistant) ===
            null
          if (acted && d.state.past && act.command.kind !== 'undo' && act.command.kind !== 'close') {
            // Undo returns to the earlier state, whatever was done.
            const undo = decide(plan, d.state, { kind: 'undo' }, dentist, d.now)
            if ('events' in undo)
              expect(
                evolve(d.state, {
                  id: 'u',
                  seq: d.state.seq + 1,
                  at: d.now,
                  by: 'dentist',
                  device: 't',
                  commandId: 'u',
                  what: undo.events[0]!,
                }).core,
              ).toEqual(before)
          }
        }
        runThrough(d, assistant, dentist)
        if (d.state.core.status !== 'closed') return
        closed += 1
        for (const c of Object.values(d.state.core.counts)) expect(c.in).toBe(c.out)
        for (const h of Object.values(d.state.core.holds)) expect(h.status).not.toBe('open')
      }),
      { numRuns: 120 },
    )
    // The property would be empty if nothing ever closed.
    expect(closed).toBeGreaterThan(10)
  })

  it('evolve over any prefix, in any order, of any events never throws, and replay equals the live state', () => {
    const d = runThrough(fresh(), assistant, dentist)
    expect(replay(plan, d.events)).toEqual(d.state)
    fc.assert(
      fc.property(fc.shuffledSubarray(d.events), fc.array(fc.anything()), (events, junk) => {
        const envelope = { id: 'x', at: 0, by: 'x', device: 'x', commandId: 'x' }
        let state = initialState(plan)
        for (const e of events) state = evolve(state, e)
        for (const j of junk)
          // As it would come over the wire: nothing of it is of a known type.
          state = evolve(
            state,
            JSON.parse(JSON.stringify({ ...envelope, seq: state.seq + 1, what: { kind: 'unheard of', junk: j } })),
          )
        return state.seq >= 0
      }),
      { numRuns: 200 },
    )
  })
})

describe('days', () => {
  it('counts working days over a weekend', () => {
    expect(workingDaysAfter('2026-11-27', 1)).toBe('2026-11-30')
    expect(workingDaysAfter('2026-11-24', 10)).toBe('2026-12-08')
  })
})
