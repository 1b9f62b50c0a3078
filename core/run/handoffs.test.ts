import { entriesOf } from '../sure'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { files, planOf } from '../../demo/test/plans'
import { composeNote, noteText } from '../record/note'
import { decide } from './decide'
import { give, runThrough, startDrive, type Drive } from './drive'
import { handoffs } from './handoffs'
import { offered, wantedOf } from './wanted'
import { replay } from './state'

const plan = planOf('crown-37')
const nine = Date.UTC(2026, 10, 24, 9)
const begun = (): Drive => {
  const d = startDrive(plan, nine)
  give(d, { kind: 'begin' }, assistant)
  return d
}

describe('handoffs', () => {
  it('are said by one side, wait for the other with the time they were said, and are gone once seen', () => {
    const d = begun()
    expect(wantedOf(plan, d.state, 'dentist')).toEqual([])
    expect(give(d, { kind: 'call', handoff: 'ready' }, assistant)).toBeNull()
    expect(wantedOf(plan, d.state, 'dentist')).toEqual([
      { kind: 'call', words: 'Ready for you', since: nine, handoff: 'ready' },
    ])
    expect(wantedOf(plan, d.state, 'assistant')).toEqual([])
    // Said twice is said once; and nobody sees for the other side.
    expect(give(d, { kind: 'call', handoff: 'ready' }, assistant)).toMatchObject({ code: 'not-now' })
    expect(give(d, { kind: 'seen', handoff: 'ready' }, assistant)).toMatchObject({ code: 'not-allowed' })
    d.now += 90_000
    expect(give(d, { kind: 'seen', handoff: 'ready' }, dentist)).toBeNull()
    expect(wantedOf(plan, d.state, 'dentist')).toEqual([])
    expect(give(d, { kind: 'seen', handoff: 'ready' }, dentist)).toMatchObject({ code: 'not-now' })
    expect(give(d, { kind: 'call', handoff: 'ready' }, assistant)).toBeNull()
  })
  it('belong to their side: an assistant does not speak for the dentist, nor the front desk for anybody', () => {
    const d = begun()
    for (const [h, { from }] of entriesOf(handoffs)) {
      const [own, other] = from === 'dentist' ? [dentist, assistant] : [assistant, dentist]
      expect(decide(plan, d.state, { kind: 'call', handoff: h }, other, d.now), h).toMatchObject({
        refused: { code: 'not-allowed' },
      })
      expect(decide(plan, d.state, { kind: 'call', handoff: h }, own, d.now), h).toHaveProperty('events')
    }
    expect(
      decide(
        plan,
        d.state,
        { kind: 'call', handoff: 'ready' },
        { personId: 'x', roles: ['front desk'], codeShown: false },
        d.now,
      ),
    ).toMatchObject({ refused: { code: 'not-allowed' } })
  })
  it('stay said when the last act is taken back, and are in the record with who saw them', () => {
    const d = begun()
    give(d, { kind: 'advance', start: 'arrival.seat' }, assistant)
    give(d, { kind: 'call', handoff: 'leaving', minutes: 10 }, dentist)
    give(d, { kind: 'undo' }, assistant)
    expect(d.state.core.steps['arrival.seat']!.status).toBe('todo')
    expect(wantedOf(plan, d.state, 'assistant')).toMatchObject([{ words: 'Leaving the room, back in about 10 min' }])
    give(d, { kind: 'call', handoff: 'ready' }, assistant)
    d.now += 60_000
    give(d, { kind: 'seen', handoff: 'leaving' }, assistant)
    expect(d.state.calls).toMatchObject({
      leaving: { minutes: 10, seenBy: 'assistant', seenAt: d.now },
      ready: { by: 'assistant' },
    })
    const note = noteText(composeNote(plan, d.events, { name: 'A' }, 'Etc/UTC'))
    expect(note).toContain('09:00 The dentist: leaving the room, back in about 10 min; seen by The assistant at 09:01.')
    expect(replay(plan, d.events)).toEqual(d.state)
  })
  it('offer only what the visit has: no provisional where none is made, no cord where none is laid', () => {
    const recall = planOf('recall-week')
    expect(offered(recall, 'assistant')).toEqual(['ready'])
    expect(offered(plan, 'assistant')).toEqual(['ready', 'provisional', 'cord', 'materials'])
    for (const f of files) expect(offered(planOf(f), 'dentist')).toContain('leaving')
  })
  it('beside them the dentist is shown every signature asked for, and nobody anything once the visit is closed', () => {
    const d = runThrough(startDrive(plan, nine), assistant, { ...dentist, codeShown: true }, 'cutting.reduction-check')
    give(d, { kind: 'advance', start: 'cutting.reduction-check' }, assistant)
    expect(wantedOf(plan, d.state, 'dentist')).toMatchObject([
      { kind: 'hold', words: plan.holds.find((h) => h.stepId === 'cutting.reduction-check')!.title, since: d.now },
    ])
    expect(wantedOf(plan, d.state, 'assistant')).toEqual([])
    const closed = runThrough(startDrive(plan, nine), assistant, { ...dentist, codeShown: true })
    expect(wantedOf(plan, closed.state, 'dentist')).toEqual([])
  })
})
