/** The edges of the rules, where a mutation of the code once went unnoticed: see docs/decisions/003. */
import { plan, upTo } from '../../demo/test/crown-run'
import { assistant, dentist } from '../../demo/test/people'
import { expect, it } from 'vitest'
import { sitesOf } from '../measure/reduction'
import { clocksAt } from './clocks'
import { give, runThrough, startDrive } from './drive'
import { evolve, stepState, type RunState } from './state'

it('a window is answered only once it is missed, and only where it runs', () => {
  const d = upTo('impression.seat')
  const window = plan.links.find((l) => l.kind === 'window' && l.to === 'impression.seat')!
  const closed = window.kind === 'window' ? window.atMostS : 0
  const accept = { kind: 'answer', linkId: window.id, answer: 'accept', reason: 'still soft' } as const
  expect(give(d, accept, dentist)).toMatchObject({ code: 'not-now', message: expect.stringContaining('still open') })
  expect(give(d, { ...accept, linkId: plan.links[0]!.id }, dentist)).toMatchObject({ code: 'unknown' })
  d.now += (closed + 1) * 1000
  expect(give(d, accept, assistant)).toMatchObject({ missing: ['the dentist’s own code'] })
  expect(give(d, accept, dentist)).toBeNull()
})

it('a signature is taken back by the dentist alone, though an assistant’s own act is the assistant’s', () => {
  const d = upTo('cutting.reduction-check')
  const hold = plan.holds.find((h) => h.stepId === 'cutting.reduction-check')!
  expect(give(d, { kind: 'sign', holdId: hold.id }, dentist)).toMatchObject({
    code: 'order',
    missing: [plan.steps.find((s) => s.id === hold.stepId)!.title],
    holdId: hold.id,
  })
  give(d, { kind: 'advance', start: 'cutting.reduction-check' }, assistant)
  expect(give(d, { kind: 'sign', holdId: hold.id }, { ...dentist, codeShown: false })).toMatchObject({
    code: 'code',
    missing: ['the dentist’s own code'],
  })
  expect(give(d, { kind: 'sign', holdId: hold.id }, dentist)).toBeNull()
  expect(give(d, { kind: 'undo' }, { ...assistant, personId: 'dentist' })).toMatchObject({ code: 'not-allowed' })
  expect(give(d, { kind: 'undo' }, dentist)).toBeNull()
  expect(d.state.core.holds[hold.id]?.status ?? 'open').toBe('open')
})

it('what was read as short is not signed as good; done over, its readings go and its faults are remembered', () => {
  const d = upTo('cutting.reduction-check')
  give(d, { kind: 'advance', start: 'cutting.reduction-check' }, assistant)
  const hold = plan.holds.find((h) => h.stepId === 'cutting.reduction-check')!
  const short = Object.fromEntries(sitesOf('monolithic zirconia crown', true).map((site) => [site, 0.2]))
  const read = { kind: 'measure', stepId: 'cutting.reduction-check', measure: 'reduction', tooth: '37' } as const
  expect(give(d, { ...read, readings: short }, assistant)).toBeNull()
  const here = () => d.state.core.measured.filter((m) => m.stepId === read.stepId)
  expect(here().length).toBe(1)
  expect(give(d, { kind: 'sign', holdId: hold.id }, dentist)).toMatchObject({ code: 'measured' })
  const { faults } = here()[0]!
  expect(give(d, { kind: 'again', holdId: hold.id, reason: 'short' }, dentist)).toBeNull()
  expect(here()).toEqual([])
  expect(d.state.core.faults).toEqual(expect.arrayContaining([...faults]))
  expect(stepState(d.state.core, 'cutting.reduction-check').status).toBe('todo')
})

it('clocks name what they wait for, warn of and close at; none runs before the visit or after it', () => {
  const before = startDrive(plan, 0)
  expect(clocksAt(plan, before.state.core, 0)).toEqual([])
  const d = upTo('impression.seat')
  const running = clocksAt(plan, d.state.core, d.now)
  expect(running.length).toBeGreaterThan(0)
  for (const c of running) {
    const link = plan.links.find((l) => l.id === c.linkId)!
    expect(c.closesS).toBe(link.kind === 'window' ? link.atMostS : undefined)
    if (link.kind !== 'order') expect([c.notBeforeS, c.warnS]).toEqual([link.atLeastS, link.warnS])
  }
  const left = running.map((c) => (c.closesS ?? c.warnS ?? c.notBeforeS ?? Infinity) - c.elapsedS)
  expect(left).toEqual(left.toSorted((a, b) => a - b))
})

it('only the last act is taken back: another’s id takes nothing, and neither a beginning nor a closing is one', () => {
  const d = upTo('cutting.reduction-check')
  const seq = d.state.seq + 1
  const undone = (commandId: string): RunState =>
    evolve(d.state, {
      id: 'e',
      seq,
      at: d.now,
      by: 'assistant',
      device: 'd',
      commandId: 'c',
      what: { kind: 'undone', commandId },
    })
  const top = d.state.past!
  expect(undone('never given')).toEqual({ ...d.state, seq, touches: { lastAt: d.now } })
  expect(undone(top.commandId)).toMatchObject({ core: top.before, past: top.previous })
  const begun = startDrive(plan, 0)
  give(begun, { kind: 'begin' }, assistant)
  expect(begun.state.past).toBeNull()
  expect(evolve(begun.state, { ...begun.events[0]!, seq: 2, what: { kind: 'undone', commandId: 'c0' } }).core).toBe(
    begun.state.core,
  )
  expect(runThrough(upTo('closing.rinse'), assistant, dentist).state.past).toBeNull()
})
