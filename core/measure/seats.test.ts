import { describe, expect, it } from 'vitest'
import { files, planOf, practice } from '../../demo/test/plans'
import { seatingOf } from '../plan/seating'
import { compile } from '../plan/compile'
import { hourAt, jawOfSeats, spanOf, tipOf, turnFor } from '../picture/seating'
import { innerSide, isAnterior } from '../teeth/arch'
import { allTeeth, parts, toTooth, type Tooth } from '../teeth/notation'
import { aspectOf, seatsFor, zones, type Aspect, type Hand } from './seats'

const aspects: readonly Aspect[] = ['top', 'outer', 'inner']
/** The tooth across the midline. */
const across = (t: Tooth): Tooth => {
  const { quadrant, position } = parts(t)
  return toTooth(`${{ 1: 2, 2: 1, 3: 4, 4: 3, 5: 6, 6: 5, 7: 8, 8: 7 }[quadrant]}${position}`)
}
const inZone = (hour: number, [from, to]: readonly [number, number]): boolean =>
  (hour - from + 12) % 12 <= spanOf([from, to])

// Zones of activity as courses of four-handed dentistry teach them, from memory: right-handed 7–12, 12–2, 2–4, 4–7;
// left-handed 12–5, 10–12, 8–10, 5–8.
describe('the zones round the patient', () => {
  it('are those of a right-handed dentist, and their mirror for a left-handed one', () => {
    expect(zones('right')).toEqual({ dentist: [7, 12], static: [12, 2], assistant: [2, 4], transfer: [4, 7] })
    expect(zones('left')).toEqual({ dentist: [12, 5], static: [10, 12], assistant: [8, 10], transfer: [5, 8] })
  })
  it('go once round the clock for either hand', () => {
    for (const hand of ['right', 'left'] as const)
      expect(Object.values(zones(hand)).reduce((sum, z) => sum + spanOf(z), 0)).toBe(12)
  })
})

describe('who sits where', () => {
  // The four that every course shows first; from memory.
  it.each([
    ['46', 'top', 'right', 9, 'direct', 'lingual'],
    ['36', 'top', 'right', 11, 'direct', 'buccal'],
    ['16', 'top', 'right', 11, 'mirror', 'palatal'],
    ['11', 'inner', 'right', 12, 'mirror', 'labial'],
    ['41', 'outer', 'right', 8, 'direct', 'lingual'],
    ['36', 'top', 'left', 3, 'direct', 'lingual'],
  ] as const)('%s, %s, %s-handed: %d o’clock, %s, tip %s', (tooth, aspect, hand, hour, sight, tip) => {
    expect(seatsFor(toTooth(tooth), aspect, hand)).toMatchObject({ dentist: hour, sight, tip, tipHand: hand })
  })

  const everyCase = allTeeth.flatMap((t) =>
    aspects.flatMap((a) => (['right', 'left'] as const).map((h): [Tooth, Aspect, Hand] => [t, a, h])),
  )
  it('keeps each in their own zone, for every tooth, side and hand', () => {
    for (const [tooth, aspect, hand] of everyCase) {
      const seats = seatsFor(tooth, aspect, hand)
      expect(inZone(seats.dentist, zones(hand).dentist), `${tooth} ${aspect} ${hand}`).toBe(true)
      expect(inZone(seats.assistant, zones(hand).assistant)).toBe(true)
    }
  })
  it('is for a left-handed dentist what it is for a right-handed one at the tooth across', () => {
    for (const [tooth, aspect, hand] of everyCase.filter(([, , h]) => h === 'right')) {
      const [own, other] = [seatsFor(tooth, aspect, hand), seatsFor(across(tooth), aspect, 'left')]
      expect([other.dentist, own.dentist].map((h) => h % 12).reduce((a, b) => a + b) % 12).toBe(0)
      expect(other.tip).toBe(own.tip)
      expect(other.sight).toBe(own.sight)
    }
  })
  it('never lays the tip where the bur is, in front, and behind on the side next to the assistant', () => {
    for (const [tooth, aspect, hand] of everyCase) {
      const { tip, assistant } = seatsFor(tooth, aspect, hand)
      if (isAnterior(tooth) && aspect !== 'top') expect(tip === innerSide(tooth)).toBe(aspect === 'outer')
      if (isAnterior(tooth)) continue
      const own = jawOfSeats(tooth).find((t) => t.tooth === tooth)!
      const { open } = tipOf(tooth, seatsFor(tooth, aspect, hand))
      // By the drawing: of the two sides of the tooth, the one the assistant's stool is nearer to.
      expect(Math.sign(open[0] - own.at[0]), `${tooth} ${hand}`).toBe(Math.sign(hourAt(assistant, 1)[0]))
    }
  })
  it('the jaw is turned so that whoever looks sits below it', () => {
    for (const hour of [3, 8, 9, 11, 12]) {
      const [x, y] = hourAt(hour, 1)
      const turn = (turnFor(hour) * Math.PI) / 180
      expect(x * Math.cos(turn) - y * Math.sin(turn)).toBeCloseTo(0, 9)
      expect(x * Math.sin(turn) + y * Math.cos(turn)).toBeCloseTo(1, 9)
    }
  })
  it('goes with every cut in the mouth; a left-handed dentist’s card turns all of them, and the assistant’s place', () => {
    for (const name of files) {
      const { request } = planOf(name)
      const cuts = (hand: Hand) =>
        compile({ ...request, visitChoices: { ...request.visitChoices, hand } }, practice).steps.filter(
          (s) => s.cut && s.tooth && s.place === 'mouth',
        )
      const [right, left] = [cuts('right'), cuts('left')]
      expect(
        right.map((s) => s.seats?.assistant).filter((h) => h !== 3),
        name,
      ).toEqual([])
      expect(
        left.map((s) => s.seats?.assistant).filter((h) => h !== 9),
        name,
      ).toEqual([])
    }
  })
  it('is shown once for each place, with every step cut from there', () => {
    const plan = planOf('J05-crown-first-visit')
    const seatings = seatingOf(plan)
    expect(new Set(seatings.map((s) => s.short)).size).toBe(seatings.length)
    expect(seatings.flatMap((s) => s.steps)).toHaveLength(plan.steps.filter((s) => s.seats).length)
  })
  it('reads from a cut’s words which side is worked on', () => {
    expect(['buccal cusps', 'incisal', 'labial', 'palatal', 'lingual', 'margin', 'all'].map(aspectOf)).toEqual([
      'top',
      'top',
      'outer',
      'inner',
      'inner',
      'top',
      'top',
    ])
  })
})
