/** What a hand, a pedal and a held key do, and what they cannot mean. */
import { describe, expect, it, vi } from 'vitest'
import { compile } from '../../core/plan/compile'
import { starterPractice } from '../../core/practice/starter'
import type { Command } from '../../core/run/events'
import { initialState } from '../../core/run/state'
import { sure } from '../../core/sure'
import { exampleRequest } from '../../core/library/kinds/example'
import type { Run } from '../app/run'
import { oneAtATime, once, pressing } from '../parts/press'
import { sightOf } from './sight'
import { touchesOf } from './touches'

const plan = compile(
  exampleRequest('crown.prepare', '2026-11-26', { dentist: 'dentist', assistants: ['assistant'] }),
  starterPractice(),
)

/** The touches of a screen on a run laid up, and what they sent. */
function screen(shown: { seen: boolean; sending?: Run['sending'] }) {
  const sent: Command[] = []
  const state = initialState(plan)
  const run: Run = {
    state,
    events: [],
    sending: shown.sending ?? 'no',
    waiting: 0,
    refusals: [],
    present: [],
    forget: () => undefined,
    send: async (command) => {
      sent.push(command)
      return { ok: true }
    },
  }
  const person = { id: 'assistant', name: 'A', roles: ['assistant' as const] }
  const sight = sightOf(plan, state, person, 1_000_000)
  const ask = vi.fn()
  return {
    sent,
    touches: touchesOf(plan, run, sight, { unfocus: () => undefined, ask, matter: vi.fn() }, () => shown.seen),
  }
}

describe('“next”', () => {
  it('does what stands in front, once that has been seen', () => {
    const { sent, touches } = screen({ seen: true })
    // The pedal that was pressed for the tray does not begin the visit.
    touches.next()
    expect(sent).toEqual([])
    touches.begin()
    expect(sent).toEqual([{ kind: 'begin' }])
  })
  it('means nothing where that has only just come: a tap too many, or another person was quicker', () => {
    const { sent, touches } = screen({ seen: false })
    touches.next()
    touches.begin()
    expect(sent).toEqual([])
  })
  it('waits for the touch before it', () => {
    const { sent, touches } = screen({ seen: true, sending: 'yes' })
    touches.next()
    touches.begin()
    expect(sent).toEqual([])
  })
  it('and neither does “undo” then; a count stands for itself', () => {
    const { sent, touches } = screen({ seen: false })
    touches.undo()
    touches.count(sure(plan.counts[0]).id, 'out', 1)
    expect(sent.map((c) => c.kind)).toEqual(['count'])
  })
})

describe('a key', () => {
  it('held down is one press', () => {
    const act = vi.fn()
    const handler = once(act)
    for (const repeat of [false, true, true]) handler({ repeat })
    expect(act).toHaveBeenCalledTimes(1)
  })
  it('presses a drawn thing by space and enter, once, and by nothing else', () => {
    const act = vi.fn()
    const stopped: string[] = []
    const { onKeyDown } = pressing(act)
    const press = (key: string, repeat = false): void =>
      onKeyDown({ key, repeat, preventDefault: () => stopped.push(key), stopPropagation: () => undefined })
    for (const key of [' ', 'Enter', 'Tab', 'u']) press(key)
    press(' ', true)
    expect(act).toHaveBeenCalledTimes(2)
    expect(stopped).toEqual([' ', 'Enter', ' '])
    expect(pressing(undefined).tabIndex).toBeUndefined()
  })
})

describe('a code on its way', () => {
  it('is one try, however long the key is held; the next is another, also where the first failed', async () => {
    const alone = oneAtATime()
    let answer: (ok: boolean) => void = () => {}
    const send = vi.fn<() => Promise<void>>(
      () => new Promise((resolve, reject) => (answer = (ok) => (ok ? resolve() : reject(new Error('wrong code'))))),
    )
    const first = alone(send)
    await Promise.all([alone(send), alone(send)])
    expect(send).toHaveBeenCalledTimes(1)
    answer(false)
    await expect(first).rejects.toThrow('wrong code')
    const second = alone(send)
    expect(send).toHaveBeenCalledTimes(2)
    answer(true)
    await second
  })
})
