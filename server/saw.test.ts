/** Who writes second is told what changed and asked: nothing of what somebody saw is overwritten in silence. */
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { practice as practiceSchema } from '../core/practice/practice'
import { visitView } from '../wire/visit'
import { Caller, day, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let orrell: Caller
let varen: Caller
beforeEach(async () => {
  house = await openHouse()
  orrell = await new Caller(house.app).signIn('orrell', '471108')
  varen = await new Caller(house.app).signIn('varen', '771194')
})
afterEach(() => house.close())

const practice = () => orrell.read(practiceSchema, '/practice')
const visit = `${day}-three`

describe('the second of two', () => {
  it('does not delete an alert that was entered meanwhile: from the same screen each of both is kept or asked', async () => {
    const { alerts: seen } = (await orrell.read(visitView, `/visits/${visit}`)).request
    const put = (who: Caller, alerts: string[]) => who.call('PUT', `/visits/${visit}/alerts`, { alerts, saw: seen })
    expect((await put(orrell, [...seen, 'latex'])).status).toBe(200)
    const second = await put(varen, [...seen, 'nickel'])
    expect([second.status, second.body['type']]).toEqual([409, '/problems/stale'])
    expect(second.body['detail']).toContain('latex allergy')
    expect((await orrell.read(visitView, `/visits/${visit}`)).request.alerts).toEqual([...seen, 'latex'])
    expect((await varen.call('PUT', `/visits/${visit}/alerts`, { alerts: [] })).status).toBe(422)
  })
  it('does not move a visit away from where somebody has just put it', async () => {
    const { chairId, startsAt } = await orrell.read(visitView, `/visits/${visit}`)
    const put = (who: Caller, time: string) =>
      who.call('PUT', `/visits/${visit}/time`, { chairId, day, time, saw: { chairId, startsAt } })
    expect((await put(orrell, '17:10')).status).toBe(200)
    const second = await put(varen, '18:20')
    expect([second.status, second.body['detail']]).toEqual([409, expect.stringContaining('now it is 17:10')])
    const chair = { visitId: visit, from: startsAt, to: startsAt, chairId, fromChair: 'chair-99' }
    expect((await varen.call('PUT', `/days/${day}/times`, { moves: [chair] })).status).toBe(409)
  })
  it('does not set the day’s rules, a time of the practice’s own, a function or a lot over what it has not seen', async () => {
    const first = await practice()
    const rules = (who: Caller, opensAt: string) =>
      who.call('PATCH', '/practice', { day: { ...first.day, opensAt }, saw: { day: first.day } })
    expect([(await rules(orrell, '07:15')).status, (await rules(varen, '07:30')).status]).toEqual([200, 409])
    expect((await varen.call('PATCH', '/practice', { day: first.day })).status).toBe(422)
    const rule = (who: Caller, value: number) =>
      who.call('PUT', '/practice/rules', { rule: 'cord.dwell', value, saw: null })
    expect([(await rule(orrell, 360)).status, (await rule(varen, 420)).status]).toEqual([200, 409])
    const lot = first.lots[0]!
    const left = (who: Caller, n: number) => who.call('PATCH', `/lots/${lot.id}`, { left: n, saw: { left: lot.left } })
    expect([(await left(orrell, lot.left + 1)).status, (await left(varen, lot.left + 2)).status]).toEqual([200, 409])
    const line = first.functions.cautious[0]!
    const set = (who: Caller, code: string) =>
      who.call('PUT', '/practice/functions', {
        table: 'cautious',
        function: line.function,
        who: 'assistant',
        permission: line.assistant === 'no' ? 'word' : 'no',
        saw: line.assistant,
        signer: { code },
      })
    expect([(await set(orrell, '471108')).status, (await set(varen, '771194')).status]).toEqual([200, 409])
  })
  it('does not set a person, a card, the instruments or a place of the tray over what it has not seen', async () => {
    const first = await practice()
    const { instruments } = first
    const more = (who: Caller, name: string) =>
      who.call('PUT', '/instruments', {
        ...instruments,
        cassettes: [...instruments.cassettes, { id: name, type: 'basic', name }],
        saw: instruments,
      })
    expect([(await more(orrell, 'one-more')).status, (await more(varen, 'another')).status]).toEqual([200, 409])
    expect((await practice()).instruments.cassettes.map((c) => c.id)).toContain('one-more')
    expect((await varen.call('PUT', '/instruments', instruments)).status).toBe(422)
    expect((await varen.call('PATCH', '/practice', { instruments })).status).toBe(422)
    const { name, roles } = first.people.find((p) => p.id === 'wim')!
    const person = (who: Caller, code: string, to: string) =>
      who.call('PUT', '/people/wim', { name: to, roles, saw: { name, roles }, signer: { code } })
    const both = [await person(orrell, '471108', 'Wim One'), await person(varen, '771194', 'Wim Two')]
    expect(both.map((x) => x.status)).toEqual([200, 409])
    expect(both[1]!.body['detail']).toContain('now it is Wim One')
    const saw = first.cards.find((c) => c.dentistId === 'orrell') ?? null
    const card = (holds: string[]) =>
      orrell.call('PUT', '/practice/cards', { dentistId: 'orrell', choices: {}, extraHolds: holds, saw })
    expect([(await card(['bite'])).status, (await card([])).status]).toEqual([200, 409])
    const [from, to, third] = first.items.map((i) => i.id)
    const swap = (who: Caller, by: string) => who.call('PUT', `/visits/${visit}/swaps`, { from, to: by, saw: null })
    expect([(await swap(orrell, to!)).status, (await swap(varen, third!)).status]).toEqual([200, 409])
  })
})
