/** What comes up beside a visit that runs: it waits for the dentist, and what is under way in the mouth does not wait for it. */
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { files, planOf } from '../../demo/test/plans'
import { isWindow } from '../model/link'
import { besideSentences } from '../record/beside'
import { decide, type Beside } from './decide'
import { runThrough, startDrive, type Drive } from './drive'
import type { Happening, RunEvent } from './events'
import { matterWords, mattersAfter, openMatters } from './matters'
import { evolve, initialState } from './state'

/** Something told to a run, as the server tells it. */
const told = (d: Drive, what: Happening): Drive['state'] =>
  evolve(d.state, { id: 't', seq: d.state.seq + 1, at: d.now, by: 'wim', device: 'beside', commandId: 't', what })
const doubted: Happening = { kind: 'cassette.doubted', cassetteId: 'c1', name: 'Crown 1', load: 12, why: 'spores grew' }
const latex: Happening = {
  kind: 'alerts.changed',
  entered: ['latex'],
  taken: [],
  touches: { latex: ['on this tray: Dam sheet'] },
}

describe('what came up beside a visit', () => {
  it('keeps every next step of any kind from starting until the dentist has answered, but none that a running window waits for', () => {
    for (const name of files) {
      const plan = planOf(name)
      const windows = plan.links.filter(isWindow)
      const all = runThrough(startDrive(plan, 0), assistant, dentist)
      const starts = all.events.filter((e) => e.what.kind === 'step.started')
      for (const e of starts.filter((_, i) => i % 5 === 0)) {
        if (e.what.kind !== 'step.started') continue
        const stepId = e.what.stepId
        const before = all.events.filter((x) => x.seq < e.seq)
        const d = { ...startDrive(plan, 0), state: before.reduce(evolve, initialState(plan)), now: e.at }
        const start = { kind: 'advance', start: stepId } as const
        if ('refused' in decide(plan, d.state, start, assistant, e.at)) continue
        const state = told(d, doubted)
        const held = decide(plan, state, start, assistant, e.at)
        const inWindow = windows.some((w) => {
          const s = state.core.steps[w.from]
          return s !== undefined && (w.fromEdge === 'start' ? s.status !== 'todo' : s.status === 'done')
        })
        if ('refused' in held) expect(held.refused).toMatchObject({ code: 'matter', matterId: 'cassette c1' })
        else expect(inWindow, `${name} ${stepId} went on in silence`).toBe(true)
        const answer = { kind: 'settle', matterId: 'cassette c1', reason: 'changed for another' } as const
        expect(decide(plan, state, answer, assistant, e.at)).toMatchObject({ refused: { code: 'not-allowed' } })
        expect(decide(plan, state, answer, { ...dentist, codeShown: false }, e.at)).toMatchObject({
          refused: { code: 'code' },
        })
        expect(decide(plan, state, answer, dentist, e.at)).toEqual({
          events: [{ kind: 'matter.answered', matterId: 'cassette c1', reason: 'changed for another' }],
        })
      }
    }
  })
  it('is asked before the visit begins where a cassette was pulled back: refused, or the dentist’s code with a reason', () => {
    const plan = planOf('crown-37')
    const state = initialState(plan)
    const beside: Beside = {
      cassettes: [
        { id: 'c1', name: 'Crown 1', load: 12, confirmedBy: 'wim', pulledBack: 'spores grew' },
        { id: 'b1', name: 'Basic 1', load: 11, confirmedBy: 'wim', pulledBack: null },
      ],
    }
    const begin = (despite: string | undefined, who = assistant) =>
      decide(plan, state, { kind: 'begin', ...(despite ? { despite } : {}) }, who, 0, beside)
    expect(begin(undefined)).toMatchObject({
      refused: { code: 'cassettes', missing: ['Crown 1 out of load 12: spores grew'] },
    })
    expect(begin('nothing else is sterile')).toMatchObject({ refused: { code: 'not-allowed' } })
    expect(begin('nothing else is sterile', dentist)).toMatchObject({
      events: [
        { kind: 'run.started', cassettes: [{ name: 'Crown 1', load: 12, confirmedBy: 'wim' }, { name: 'Basic 1' }] },
        doubted,
        { kind: 'matter.answered', matterId: 'cassette c1', reason: 'nothing else is sterile' },
      ],
    })
    expect(decide(plan, state, { kind: 'begin' }, assistant, 0)).toEqual({ events: [{ kind: 'run.started' }] })
  })
  it('is over when it is no longer so, asked anew when it comes again, and not taken back by undo', () => {
    const event = (what: Happening, at = 0): RunEvent => ({
      id: 'e',
      seq: 1,
      at,
      by: 'wim',
      device: 'd',
      commandId: 'c',
      what,
    })
    const after = (...all: Happening[]) => all.map((what, i) => event(what, i)).reduce(mattersAfter, [])
    expect(openMatters(after(latex)).map(matterWords)).toEqual([
      'Alert entered: latex allergy (on this tray: Dam sheet)',
    ])
    const answered: Happening = { kind: 'matter.answered', matterId: 'alert latex', reason: 'gloves changed' }
    expect(openMatters(after(latex, answered))).toEqual([])
    expect(openMatters(after(latex, answered, latex))).toHaveLength(1)
    expect(after(latex, { kind: 'alerts.changed', entered: [], taken: ['latex'] })).toEqual([])
    const changed: Happening = { kind: 'cassette.changed', cassetteId: 'c1', name: 'Crown 1', to: 'Crown 2', load: 14 }
    expect(after(doubted, changed)).toEqual([])
    expect(
      after(doubted, { kind: 'cassette.cleared', cassetteId: 'c1', name: 'Crown 1', why: 'read wrongly' }),
    ).toEqual([])
    const d = runThrough(startDrive(planOf('crown-37'), 0), assistant, dentist, 'cutting.finish.37')
    const state = told(d, latex)
    const undone = evolve(state, {
      ...event({ kind: 'undone', commandId: state.past!.commandId }),
      seq: state.seq + 1,
    })
    expect(undone.matters).toEqual(state.matters)
    expect(
      besideSentences([event(latex), event(answered), event(doubted)], { time: () => '10:00', name: (id) => id }),
    ).toEqual([
      '10:00 wim entered an alert while the visit ran: latex allergy; it touches on this tray: Dam sheet.',
      '10:00 wim answered with their own code on “latex allergy”: gloves changed.',
      '10:00 Crown 1 out of load 12 was pulled back: spores grew.',
      'Not answered by the dentist: Crown 1 out of load 12 was pulled back: spores grew.',
    ])
  })
})
