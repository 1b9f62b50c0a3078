/** Children asleep. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { planFor, stepOf } from '../../../demo/test/lines'
import { files, planOf } from '../../../demo/test/plans'
import { isClock } from '../../model/link'
import type { Plan } from '../../model/plan'
import { layOut } from '../../schedule/timeline'

describe('B140, B141 and B142 children asleep', () => {
  const asleep = (more: object): Plan =>
    planFor({
      kind: 'primary.incisors',
      weightKg: 14,
      ageYears: 3,
      ...more,
    })
  const cases = [
    { teeth: ['52', '51'] },
    { teeth: ['62'], alerts: ['latex'] },
    { teeth: ['61', '62'], also: [{ kind: 'primary.metal-crown', teeth: ['74', '75'] }] },
  ]
  it('B140 the anaesthetist is told, the child woken, turned on its side and handed over before the room is free; home is from recovery, in its own time', () => {
    for (const more of cases) {
      const plan = asleep(more)
      const at = (id: string): number => plan.steps.findIndex((s) => s.id === id)
      const order = ['asleep.pack-out', 'closing.counts', 'asleep.tell', 'asleep.wake', 'asleep.recovery'].map(at)
      expect(order.every((i) => i > 0)).toBe(true)
      expect(order).toEqual(order.toSorted((a, b) => a - b))
      for (const id of ['closing.turnover', 'closing.home', 'closing.instructions'])
        expect(
          plan.links.some((l) => l.from === 'asleep.recovery' && l.to === id) || at(id) > at('asleep.recovery'),
          id,
        ).toBe(true)
      // Nobody is in the chair any more.
      expect(stepOf(plan, 'closing.home')?.place).toBe('desk')
      const watched = plan.links.filter(isClock).find((l) => l.to === 'closing.home' && l.from === 'asleep.recovery')
      expect(watched?.atLeastS).toBe(1800)
      const timeline = layOut(plan)
      const end = (id: string): number => timeline.bars.find((s) => s.stepId === id)!.endS
      expect(end('closing.home')).toBeGreaterThan(end('asleep.recovery') + 1800)
      expect(end('closing.turnover')).toBeLessThan(end('closing.home'))
    }
    const awake = planFor({
      kind: 'primary.metal-crown',
      teeth: ['84'],
    })
    expect(awake.steps.some((s) => s.id.startsWith('asleep.'))).toBe(false)
  })
  it('B141 gauze is counted in as it is laid out and out before waking; awake without a pack it is not', () => {
    for (const more of cases) {
      const plan = asleep(more)
      const gauze = plan.counts.find((x) => x.id === 'gauze')
      expect(gauze?.planned).toBe(plan.setup.find((l) => l.id === 'gauze')?.quantity)
      expect(gauze?.planned).toBeGreaterThan(0)
      const at = (id: string | undefined): number => plan.steps.findIndex((s) => s.id === id)
      expect(at(gauze?.outStep)).toBeLessThan(at('asleep.wake'))
    }
    for (const name of files.filter((f) => !f.startsWith('J14')))
      expect(
        planOf(name).counts.some((x) => x.id === 'gauze'),
        name,
      ).toBe(false)
  })
  it('B142 the pack is the dentist’s or the anaesthetist’s in every preset, with a tail and a thread that shows, said aloud', () => {
    for (const functions of ['cautious', 'expanded']) {
      const plan = asleep({ teeth: ['51', '61'], visitChoices: { functions } })
      for (const id of ['asleep.pack-in', 'asleep.pack-out']) {
        const step = plan.steps.find((s) => s.id === id)
        expect(step?.performer.personId, id).toBe('dentist')
        expect(step?.title, id).toMatch(/the dentist or the anaesthetist: said aloud/)
      }
      expect(stepOf(plan, 'asleep.pack-in')?.detail).toMatch(/tail, and a thread that shows on X-ray/)
    }
  })
})
