/** Who lends a hand, on hand-made stretches: under, at and over what counts as away. */
import { describe, expect, it } from 'vitest'
import { planOf } from '../../demo/test/plans'
import type { Step } from '../model/step'
import { sure } from '../sure'
import { lentHands } from './second-hands'

const like = sure(planOf('J05-crown-first-visit').steps[0])
const step = (id: string, by: string, likelyS: number, more: Partial<Step> = {}): Step => ({
  ...like,
  id,
  place: 'mouth',
  performer: { ...like.performer, personId: by },
  helpers: [],
  spread: { shortS: likelyS, likelyS, longS: likelyS },
  ...more,
})
const alone = { alone: true } as const
/** Who helps at each step, and who is still alone. */
const lent = (steps: Step[], awayS = 600): string[] =>
  lentHands(steps, 'dentist', (i) => `job ${i}`, awayS).map((s) =>
    s.alone ? `${s.id} alone` : `${s.id} ${s.help ?? ''}`.trim(),
  )

describe('second pairs of hands', () => {
  const stretch = (lastS: number): Step[] => [
    step('cut', 'dentist', 300),
    step('rinse', 'assistant', 400, alone),
    step('pack', 'assistant', lastS),
    step('look', 'dentist', 60),
  ]
  it('the dentist helps in a stretch under the limit, and is left to it from the limit on', () => {
    expect(lent(stretch(199))).toEqual(['cut', 'rinse job 1', 'pack', 'look'])
    expect(lent(stretch(200))).toEqual(['cut', 'rinse alone', 'pack', 'look'])
  })
  it('a stretch ends where the dentist works, helps or watches; it runs to the ends of the visit', () => {
    const watched = [step('rinse', 'assistant', 400, alone), step('light', 'assistant', 10, { helpers: ['dentist'] })]
    expect(lent([...watched, step('dry', 'assistant', 400, alone)])).toEqual(['rinse job 0', 'light', 'dry job 2'])
    expect(lent([step('rinse', 'assistant', 700, alone), step('cut', 'dentist', 60)])).toEqual(['rinse alone', 'cut'])
  })
  it('what goes on without the patient keeps nobody from the chair, and nobody is called to the bench', () => {
    const room = step('turn over', 'assistant', 900, { place: 'room' })
    expect(lent([step('cut', 'dentist', 60), step('wipe', 'assistant', 60, alone), room])).toEqual([
      'cut',
      'wipe job 1',
      'turn over',
    ])
    expect(lent([step('mix', 'assistant', 60, { ...alone, place: 'bench' })])).toEqual(['mix alone'])
  })
  it('a practice that leaves its dentists be has them at nothing; what was not alone is left as it is', () => {
    expect(lent(stretch(10), 0)).toEqual(['cut', 'rinse alone', 'pack', 'look'])
    const steps = [step('cut', 'dentist', 300, { help: 'suction', helpers: ['assistant'] })]
    expect(lentHands(steps, 'dentist', () => 'job', 600)).toEqual(steps)
  })
})
