/** A dentist's signature by a touch: on the own device, a while after the own code; never anybody else's, never where nobody may leave it off. */
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Hold, Plan } from '../core/model/plan'
import { sure } from '../core/sure'
import { bringTo } from '../demo/bring'
import { eventsView } from '../wire/run'
import { recordView } from '../wire/visit'
import { Caller, command, day, eventsIn, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let juno: Caller
let orrell: Caller
beforeEach(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
  orrell = await new Caller(house.app).signIn('orrell', '471108')
})
afterEach(() => house.close())

const visit = `${day}-one`
const minutes = (n: number): void => void (house.clock.now += n * 60_000)
/** The visit at a signature that is asked, with what it rests on read. */
async function asked(which: (h: Hold, plan: Plan) => boolean): Promise<Hold> {
  const probe = await bringTo(house.database.db, visit, { onlySigned: true }, house.clock.now)
  const hold = sure(probe.holds.find((h) => which(h, probe)))
  await orrell.call('POST', `/visits/${visit}/tray/reopen`)
  const marks = probe.setup.filter((l) => l.readiness !== 'drawer').map((l) => l.id)
  await juno.call('PUT', `/visits/${visit}/tray`, { lineIds: marks, done: false })
  await bringTo(house.database.db, visit, { until: hold.stepId, start: true }, house.clock.now)
  return hold
}
const free = (h: Hold, plan: Plan): boolean =>
  !h.mandatory && (h.restsOn ?? []).length === 0 && sure(plan.steps.find((s) => s.id === h.stepId)).asks.length === 0
const touch = async (who: Caller, hold: Hold, more: object = {}) => {
  const { events } = await juno.read(eventsView, `/visits/${visit}/events`)
  return who.call('POST', `/visits/${visit}/commands`, command(events.length, { kind: 'sign', holdId: hold.id }, more))
}
const refused = ({ status, body }: Awaited<ReturnType<typeof touch>>) => [status, Object(body['refusal'])['code']]

describe('a dentist’s touch', () => {
  it('signs within ten minutes of the code on that device, and the record says how', async () => {
    const hold = await asked(free)
    minutes(4)
    const signed = await touch(orrell, hold)
    expect([signed.status, eventsIn(signed.body)[0]?.what]).toEqual([
      200,
      { kind: 'hold.signed', holdId: hold.id, codeAgoS: 240 },
    ])
    const { note } = await juno.read(recordView, `/visits/${visit}/record`)
    expect(note.sections.flatMap((s) => s.sentences)).toContainEqual(
      expect.stringContaining('by a touch on the own device 4 min 00 s after the code'),
    )
  })
  it('asks for the code later, when another has signed on the device, and of anybody but a dentist', async () => {
    const hold = await asked(free)
    expect(refused(await touch(juno, hold))).toEqual([409, 'not-allowed'])
    // Another's code on her device: whoever holds it now is not known.
    await touch(orrell, { ...hold, id: 'no-such-hold' }, { signer: { personId: 'juno', code: '3816' } })
    expect(refused(await touch(orrell, hold))).toEqual([409, 'code'])
    const own = { signer: { personId: 'orrell', code: '471108' } }
    await touch(orrell, { ...hold, id: 'no-such-hold' }, own)
    minutes(11)
    expect(refused(await touch(orrell, hold))).toEqual([409, 'code'])
    expect((await touch(orrell, hold, own)).status).toBe(200)
  })
  it('is never enough where no card takes the signature off, until the practice says so', async () => {
    const hold = await asked((h) => h.mandatory && h.name === 'counts')
    expect(refused(await touch(orrell, hold))).toEqual([409, 'code'])
    await orrell.call('PUT', '/practice/rules', { rule: 'sign.within.mandatory', value: 300 })
    expect((await touch(orrell, hold)).status).toBe(200)
    expect((await orrell.call('PUT', '/practice/rules', { rule: 'sign.within', value: 3600 })).status).toBe(422)
  })
})
