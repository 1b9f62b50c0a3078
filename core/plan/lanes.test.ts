/** Choreographies by person: hand-computed layouts, and what is refused with its ways out. */
import { describe, expect, it } from 'vitest'
import { reason } from '../figure'
import type { Choreography } from '../model/lanes'
import { drawLanes } from '../picture/lanes'
import { files, planOf, practice } from '../../demo/test/plans'
import type { Plan } from '../model/plan'
import { compile } from './compile'
import { cuesOf, layLanes, markAt } from './lanes'

const orrell = { id: 'orrell', name: 'Tamsin Orrell', dentist: true }
const juno = { id: 'juno', name: 'Juno Vale', dentist: false }
const petra = { id: 'petra', name: 'Petra Lund', dentist: false }
/** What is done and whether it may be is of no matter here. */
const fn = 'chairside' as const
const all = () => ({ juno: 'yes' as const, petra: 'yes' as const, orrell: 'yes' as const })

const bridge: Choreography = {
  title: 'Bridge',
  acts: [
    { id: 'metal', say: 'Bond on the metal', takesS: 15, by: 'assistant', fn },
    { id: 'teeth', say: 'Bond on the teeth', takesS: 15, by: 'dentist', fn, after: ['metal'] },
    { id: 'mix', say: 'Mix the cement', takesS: 20, by: 'assistant', fn, after: ['metal'], notBeforeS: 20 },
    { id: 'load', say: 'Load it', takesS: 10, by: 'assistant', fn, after: ['mix'] },
    { id: 'seat', say: 'Seat', takesS: 12, by: 'dentist', fn, after: ['teeth', 'load'] },
  ],
  withinS: 90,
  because: reason('90 s', 'C'),
  waysOut: 'premix',
}
const told = (of: Choreography, ...people: (typeof orrell)[]) =>
  layLanes(of, people, all, 'seat').rows.map((r) => [r.personId, ...r.acts.map((a) => `${a.id} ${a.fromS}–${a.toS}`)])

describe('a choreography', () => {
  it('by two: metal, then cement at 20 s while the dentist bonds the teeth, seated by 62 of 90 s', () => {
    expect(told(bridge, orrell, juno)).toEqual([
      ['orrell', 'teeth 15–30', 'seat 50–62'],
      ['juno', 'metal 0–15', 'mix 20–40', 'load 40–50'],
    ])
    expect(layLanes(bridge, [orrell, juno], all, 'seat')).toMatchObject({ endS: 62 })
    expect(layLanes(bridge, [orrell, juno], all, 'seat').short).toBeUndefined()
  })
  it('that takes longer than it may is refused, with the seconds and the way out', () => {
    expect(layLanes({ ...bridge, withinS: 60 }, [orrell, juno], all, 'seat').short).toEqual({
      why: 'it takes 2 people 62 s, and 60 s are allowed',
      waysOut: 'premix',
    })
  })
  const three: Choreography = {
    title: 'Foil',
    acts: [
      { id: 'condense', say: 'Condense', takesS: 40, by: 'dentist', fn },
      { id: 'mallet', say: 'Tap in step', takesS: 40, by: 'assistant', fn, with: 'condense' },
      { id: 'flame', say: 'Next into the flame', takesS: 10, by: 'assistant', fn, with: 'condense' },
    ],
    because: reason('', 'C'),
    waysOut: 'a third pair of hands',
  }
  it('three things at once with two people is said to be impossible; with three it goes', () => {
    expect(layLanes(three, [orrell, juno], all, 'x').short).toEqual({
      why: '3 things at once (condense; tap in step; next into the flame), and 2 people',
      waysOut: 'a third pair of hands',
    })
    expect(told(three, orrell, juno, petra)).toEqual([
      ['orrell', 'condense 0–40'],
      ['juno', 'mallet 0–40'],
      ['petra', 'flame 0–10'],
    ])
  })
  it('nobody is given what the table of functions keeps from them', () => {
    const light: Choreography = {
      ...three,
      acts: [
        { id: 'press', say: 'Press', takesS: 2, by: 'dentist', fn },
        { id: 'tack', say: 'Light', takesS: 1, by: 'assistant', fn: 'curing', with: 'press' },
      ],
    }
    expect(layLanes(light, [orrell, juno], () => ({ juno: 'no' }), 'x').short?.why).toBe(
      '2 things at once (press; light), and 2 people who may not all do them',
    )
    expect(layLanes(light, [orrell, juno, petra], () => ({ juno: 'no', petra: 'word' }), 'x').rows[1]).toMatchObject({
      personId: 'petra',
    })
  })
  it('what begins together is called together, by name; one that repeats calls each time, no sooner than it is done', () => {
    const again = layLanes({ ...three, acts: three.acts.slice(0, 2), everyS: 30, times: 8 }, [orrell, juno], all, 'x')
    expect(again.everyS).toBe(40)
    expect(cuesOf(again)).toEqual([
      expect.objectContaining({ atS: 0, everyS: 40, times: 8, say: 'Tamsin: condense · Juno: tap in step' }),
    ])
  })
  it('is drawn to its seconds, with a mark that runs, and runs anew each time', () => {
    const lanes = layLanes(bridge, [orrell, juno], all, 'seat')
    const drawn = drawLanes(lanes)
    expect(drawn).toMatchObject({ spanS: 90, limit: 1 })
    expect(drawn.rows[1]?.bars[1]).toMatchObject({ id: 'mix', x: 20 / 90, width: 20 / 90 })
    expect([markAt(lanes, 45)?.share, markAt(lanes, 200)?.share, markAt(lanes, -1)]).toEqual([0.5, 1, null])
    const again = { ...lanes, everyS: 100, times: 2 }
    expect([markAt(again, 145), markAt(again, 250)]).toEqual([{ share: 0.5, turn: 1, inS: 45 }, null])
  })
})

describe('a step with a choreography', () => {
  // An assistant who may do more, by the wider table: the step's function alone would give it to them.
  const expanded = {
    ...practice,
    people: practice.people.map((p) =>
      p.roles.includes('assistant') ? { ...p, roles: ['expanded assistant' as const] } : p,
    ),
  }
  const plans = files.map((f): [string, Plan] => [
    f,
    compile(
      { ...planOf(f).request, visitChoices: { ...planOf(f).request.visitChoices, functions: 'expanded' } },
      expanded,
    ),
  ])
  it('is performed by somebody in it, helped by the others, and wants nobody besides', () => {
    let looked = 0
    for (const [file, plan] of plans)
      for (const s of plan.steps.filter((x) => x.lanes && !x.lanes.short)) {
        const hands = s.lanes!.rows.map((r) => r.personId)
        const is = `${file}: ${s.id}`
        expect(hands, is).toContain(s.performer.personId)
        expect(s.helpers, is).not.toContain(s.performer.personId)
        // What began before is in the steps of the others, too.
        if (s.lanes!.from === s.id) {
          expect([s.performer.personId, ...s.helpers], is).toEqual(expect.arrayContaining(hands))
          if (hands.length > 1) expect(s.alone, is).toBeUndefined()
        }
        looked += 1
      }
    expect(looked).toBeGreaterThan(20)
  })
  it('the cup that polishes is the dentist’s, whatever the table gives away: the assistant has the air', () => {
    const plan = plans.find(([f]) => f === 'J09-injected')![1]
    const step = plan.steps.find((s) => s.id.endsWith('polish-dry'))!
    expect([step.performer.personId, step.helpers]).toEqual(['dentist', ['assistant']])
  })
})
