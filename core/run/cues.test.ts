/** What is called out by the clock, and light summed. Common practice where nothing else is named. */
import { isClock } from '../model/link'
import { describe, expect, it } from 'vitest'
import { assistant as plain, dentist } from '../../demo/test/people'
import { planOf } from '../../demo/test/plans'
import type { Plan } from '../model/plan'
import { composeNote, noteText } from '../record/note'
import { calledAt } from './cues'
import type { Who } from './decide'
import { give, runThrough, startDrive, type Drive } from './drive'
import { lightSums } from './light'

const assistant: Who = { ...plain, roles: ['assistant', 'expanded assistant'] }
const upTo = (file: string, stepId: string): Drive => {
  const d = runThrough(startDrive(planOf(file), Date.UTC(2026, 10, 24, 9)), assistant, dentist, stepId)
  expect(give(d, { kind: 'advance', start: stepId }, dentist)).toBeNull()
  return d
}
const says = (d: Drive, afterS: number): string[] =>
  calledAt(d.plan, d.state.core, d.now + afterS * 1000).map((c) => `${c.state} ${c.inS.toFixed(0)} ${c.say}`)

describe('the etched metal bridge', () => {
  it('the cement is mixed 20 s after the bond, the bridge is in the mouth before 90 s', () => {
    const d = upTo('J02-bonded-metal-bridge-delivery', 'delivery.bond-mix')
    expect(says(d, 5)[1]).toBe('coming 10 The dentist: bond on the teeth, blow')
    expect(says(d, 20)[0]).toBe('now 0 The assistant: mix the cement')
    expect(says(d, 20.5).some((s) => s.startsWith('coming') && s.endsWith('Bridge to the mouth now'))).toBe(true)
    d.now += 21_000
    give(d, { kind: 'advance', finish: 'delivery.bond-mix', start: 'delivery.cement-mix' }, assistant)
    expect(says(d, 30)[0]).toBe('now -1 The dentist: seat, press on every retainer')
    expect(says(d, 39)[0]).toContain('now 0 Bridge to the mouth now')
    give(d, { kind: 'advance', finish: 'delivery.cement-mix', start: 'delivery.seat' }, assistant)
    d.now += 30_000
    give(d, { kind: 'advance', finish: 'delivery.seat' }, assistant)
    expect(says(d, 0)).toEqual([])
  })
})

describe('the provisional in its rubbery stage', () => {
  it('is lifted from about 60 s, again and again, and is out by 150 s', () => {
    const d = upTo('crown-37', 'provisional.mix')
    const at = (s: number): string => says(d, s)[0]!
    const who = 'The assistant: '
    expect(at(21)).toBe(`now -1 ${who}seat the mould`)
    expect(at(61)).toBe(`now -1 ${who}rubbery? First lift`)
    expect([81, 101, 121, 141].map((s) => at(s))).toEqual(Array(4).fill(`now -1 ${who}lift, and seat it again`))
    expect(at(151)).toBe(`now -1 ${who}out now`)
    // Called once, it stays in sight until somebody goes on.
    expect(at(200)).toBe(`past -50 ${who}out now`)
  })
})

describe('the tray', () => {
  it('is begun so that it arrives as the syringe ends: units × 20 s + 5 s, less 30 s of loading and handing over', () => {
    const plan = planOf('J05-three-unit-bridge')
    const tray = (of: Plan) =>
      of.steps
        .find((s) => s.id === 'impression.seat')!
        .lanes!.rows.flatMap((r) => r.acts.filter((a) => a.id === 'tray'))
    const atS = plan.teeth.length * 20 + 5 - 30
    expect(tray(plan)).toEqual([expect.objectContaining({ fromS: atS })])
    // The clock that holds the step back says the same.
    expect(plan.links.find((l) => l.to === 'impression.load-tray' && l.kind === 'lag')).toMatchObject({ atLeastS: atS })
    // One crown: the tray is loaded as the syringe leaves the hand.
    expect(tray(planOf('crown-37'))).toEqual([expect.objectContaining({ fromS: 0 })])
  })
})

describe('gold foil', () => {
  it('is flamed pellet by pellet, powdered gold longer because its wax burns off', () => {
    const d = upTo('J10-gold-inlay-and-foil', 'foil.24.powdered')
    const lanesOf = (id: string) => d.plan.steps.find((s) => s.id === id)!.lanes!
    const outAt = (id: string) =>
      lanesOf(id)
        .rows.flatMap((r) => r.acts)
        .find((a) => a.id === 'hand')!.fromS
    expect([lanesOf('foil.24.powdered').times, outAt('foil.24.powdered')]).toEqual([2, 10])
    expect(says(d, 1)[0]).toContain('pellet into the flame')
    expect(says(d, 11)[0]).toContain('out of the flame')
    expect(says(d, lanesOf('foil.24.powdered').everyS! + 1)[0]).toContain('pellet into the flame')
    expect(outAt('foil.24.cohesive')).toBeLessThan(10)
  })
})

describe('light', () => {
  it('is summed by tooth as the cures are done, and stands in the record', () => {
    const plan = planOf('J08-bulk-fill')
    const d = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist)
    const tooth = plan.teeth[0]!.tooth
    const cures = plan.steps.filter((s) => s.fn === 'curing' && s.tooth === tooth)
    const seconds = cures.reduce((sum, s) => sum + s.figures[0]!.value, 0)
    expect(lightSums(plan, d.state.core).find((s) => s.tooth === tooth)).toEqual({
      tooth,
      givenS: seconds,
      plannedS: seconds,
      cures: cures.length,
      curesDone: cures.length,
    })
    expect(noteText(composeNote(plan, d.events, { name: 'A' }, 'Etc/UTC'))).toContain(
      `Light on ${tooth}: ${seconds} s in ${cures.length} cures.`,
    )
  })
  it('agrees with the clocks: each light is on for as long as its figure says', () => {
    for (const file of ['J08-bulk-fill', 'J21-cusp-by-cusp', 'J16-laminates-delivery', 'J11-post-and-core']) {
      const plan = planOf(file)
      for (const s of plan.steps.filter((x) => x.fn === 'curing' && x.figures.length === 1))
        expect(plan.links.filter(isClock).find((l) => l.from === s.id && l.to === s.id)?.atLeastS, s.id).toBe(
          s.figures[0]!.value,
        )
    }
  })
})
