/** A change of the case before it is kept: what it makes of the request, what it leaves alone, and what is said of it. */
import { describe, expect, it } from 'vitest'
import { visitRequest } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import { starterPractice } from '../../core/practice/starter'
import { comparePlans } from '../../core/schedule/compare'
import { toTooth } from '../../core/teeth/notation'
import { changeOf, inShort, toothChange, tryPlan, tryRequest, workAt } from './change'

const practice = starterPractice()
const request = visitRequest.parse({
  kind: 'filling.cusps',
  date: '2026-11-24',
  teeth: ['36', '37'],
  ofTooth: { '36': { surfaces: 'MO', depthMm: 3 }, '37': { depthMm: 2 } },
  team: { dentist: 'dentist', assistants: ['assistant'] },
  also: [{ kind: 'filling.bulk', teeth: ['46'], ofTooth: { '46': { depthMm: 4 } } }],
})
const planned = (tried: Plan | string): Plan => {
  if (typeof tried === 'string') throw new Error(tried)
  return tried
}

describe('what is said of a tooth', () => {
  it('is added to what was said of it, and taken back by saying nothing; the other teeth keep theirs', () => {
    const of = toTooth('36')
    expect(toothChange(request, of, { depthMm: 5 }).ofTooth).toMatchObject({
      '36': { depthMm: 5, surfaces: request.ofTooth[of]!.surfaces },
      '37': { depthMm: 2 },
    })
    expect(toothChange(request, of, { depthMm: undefined, surfaces: undefined }).ofTooth).toEqual({
      '37': { depthMm: 2 },
    })
    expect(request.ofTooth[of]!.depthMm).toBe(3)
  })
  it('goes with the tooth when it is no longer worked on', () => {
    expect(changeOf(request, 0, { teeth: [toTooth('37')] })).toEqual({
      teeth: ['37'],
      ofTooth: { '37': { depthMm: 2 } },
    })
  })
})

describe('a further piece of work in the visit', () => {
  it('is changed where it stands, and the first is left alone', () => {
    const tried = tryRequest(request, changeOf(request, 1, { margin: 'subgingival' }))
    expect(tried).toMatchObject({ margin: request.margin, also: [{ teeth: ['46'], margin: 'subgingival' }] })
    expect(workAt(request, 1)).toBe(request.also[0])
    expect(workAt(request, 7)).toBe(request)
  })
})

describe('trying a change', () => {
  it('that contradicts itself answers why, and makes no plan', () => {
    const why = tryRequest(request, { teeth: [toTooth('36'), toTooth('36')] })
    expect(why).toEqual(expect.stringMatching(/\w/))
    expect(tryPlan(request, { teeth: [toTooth('36'), toTooth('36')] }, practice)).toBe(why)
  })
  it('leaves the request as it was', () => {
    const before = structuredClone(request)
    planned(tryPlan(request, changeOf(request, 0, { margin: 'subgingival' }), practice))
    expect(request).toEqual(before)
  })
})

describe('the consequence of a choice, in one line', () => {
  const none = comparePlans(planned(tryPlan(request, {}, practice)), planned(tryPlan(request, {}, practice)))
  it('of none is that nothing changes', () => {
    expect(inShort(none)).toBe('nothing changes')
  })
  it('is minutes, things and signatures with their signs, one of each by its singular', () => {
    expect(inShort({ ...none, chairMinutes: 4, dentistMinutes: -2, itemsAdded: ['a'], holdsRemoved: ['h'] })).toBe(
      '+4 min, dentist −2 min, +1 item, −1 hold',
    )
    expect(inShort({ ...none, itemsAdded: ['a', 'b'], itemsRemoved: ['c', 'd'], holdsAdded: ['h', 'i'] })).toBe(
      '2 items exchanged, +2 holds',
    )
  })
  it('names what no longer goes together, and not what is only to be minded', () => {
    const clashesAdded = [
      { what: 'latex with addition silicone', severity: 'stop' as const },
      { what: 'a long day', severity: 'mind' as const },
    ]
    expect(inShort({ ...none, clashesAdded })).toBe('◆ latex with addition silicone')
  })
})
