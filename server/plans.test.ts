import { describe, expect, it } from 'vitest'
import { visitRequest } from '../core/model/request'
import { starterPractice } from '../core/practice/starter'
import { Plans } from './plans'

const request = visitRequest.parse({
  kind: 'crown.prepare',
  date: '2026-11-24',
  teeth: ['36'],
  restoration: 'monolithic zirconia crown',
  team: { dentist: 'dentist', assistants: ['assistant'] },
})

describe('plans kept for the day', () => {
  it('are the same object while nothing changed, and made anew for another request, another practice, another signature', () => {
    const plans = new Plans()
    const practice = starterPractice()
    const first = plans.with(practice)('v', request)
    expect(plans.with(practice)('v', structuredClone(request))).toBe(first)
    const latex = plans.with(practice)('v', { ...request, alerts: ['latex'] })
    expect(latex).not.toBe(first)
    expect(latex.request.alerts).toEqual(['latex'])
    // A practice that no longer owns a mirror must not be answered from before.
    const poorer = { ...practice, items: practice.items.filter((i) => i.id !== 'mirror') }
    const without = plans.with(poorer)('v', request)
    expect(first.setup.some((l) => l.id === 'mirror')).toBe(true)
    expect(without.setup.some((l) => l.id === 'mirror')).toBe(false)
    const signed = plans.keep('v', 'signed 1', () => first)
    expect(plans.keep('v', 'signed 1', () => without)).toBe(signed)
    expect(plans.keep('v', 'signed 2', () => without)).toBe(without)
  })
  it('do not grow without end, and forget the oldest first', () => {
    const plans = new Plans()
    const of = plans.with(starterPractice())
    const first = of('v0', request)
    for (let i = 1; i <= 100; i++) plans.keep(`v${i}`, 'x', () => first)
    let made = 0
    plans.keep('v100', 'x', () => (made++, first))
    expect(made).toBe(0)
    plans.keep('v0', JSON.stringify(request), () => (made++, first))
    expect(made).toBe(1)
  })
})
