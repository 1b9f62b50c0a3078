/** Visits and their cases over HTTP: planned, changed, frozen by a signature, chained, told of an alert. */
import { and, eq, max, sql } from 'drizzle-orm'
import { bringTo } from '../demo/bring'
import { demoCodes } from '../demo/seed'
import * as t from './db/schema'
import { dayView } from '../wire/day'
import { visitView } from '../wire/visit'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { command, Caller, day, openHouse, type TestHouse } from './test/house'

describe('visits', () => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse()
    juno = await new Caller(house.app).signIn('juno', '3816')
  })
  afterAll(() => house?.close())

  it('changes a case, keeps what was not named, and freezes the plan when the tray is signed', async () => {
    const other = `${day}-two`
    expect(
      (await juno.call('PUT', `/visits/${other}/request`, { version: 1, request: { vital: false } })).body,
    ).toEqual({ version: 2 })
    const { request } = await juno.read(visitView, `/visits/${other}`)
    expect(request).toMatchObject({
      vital: false,
      alerts: ['latex'],
      tissue: { biotype: 'thin' },
      deliveryCement: 'resin',
    })
    await juno.signTray(other)
    expect((await juno.call('PUT', `/visits/${other}/request`, { version: 2, request: { vital: true } })).status).toBe(
      409,
    )
    expect((await juno.call('POST', `/visits/${other}/tray/sign`, { acknowledged: [] })).body['detail']).toMatch(
      /The tray is signed/,
    )
    expect((await juno.call('POST', `/visits/${other}/tray/reopen`)).status).toBe(200)
    expect((await juno.call('PUT', `/visits/${other}/request`, { version: 2, request: { vital: true } })).status).toBe(
      200,
    )
  })

  it('an exchange at the tray stays, and a clash it settles goes', async () => {
    const other = `${day}-three`
    const clashes = async () =>
      JSON.stringify((await juno.read(dayView, `/days/${day}`)).visits.find((v) => v.id === other)!.tray)
    expect(await clashes()).not.toContain('Dam sheet, latex')
    await juno.call('PUT', `/visits/${other}/swaps`, { from: 'sheet-free', to: 'sheet-latex' })
    expect(await clashes()).toContain('Dam sheet, latex')
    await juno.call('PUT', `/visits/${other}/swaps`, { from: 'sheet-free', to: null })
    expect(await clashes()).not.toContain('Dam sheet, latex')
  })

  it('puts a new visit into the day, or says which field is wrong', async () => {
    const body = {
      patientName: 'Odile Marsh',
      chairId: 'chair-3',
      day,
      time: '16:00',
      team: { dentist: 'orrell', assistants: ['juno'] },
      teeth: ['25'],
      restoration: 'full metal crown',
      alerts: [],
    }
    expect((await juno.call('POST', '/visits', { ...body, teeth: ['75'] })).body['detail']).toMatch(
      /teeth\.0: The lower left primary second molar \(ISO 75\) is a primary tooth/,
    )
    expect((await juno.call('POST', '/visits', { ...body, time: '25:00' })).status).toBe(422)
    const made = await juno.call('POST', '/visits', body)
    expect(made.status).toBe(201)
    expect((await juno.call('GET', `/visits/${String(made.body['id'])}`)).body).toMatchObject({
      stage: 'planned',
      patient: { name: 'Odile Marsh' },
    })
  })

  it('plans any kind, with further work, and keeps the case as a chain: a follow-up knows its teeth and what lay on them', async () => {
    const team = { dentist: 'varen', assistants: ['bram'] }
    const made = await juno.call('POST', '/visits', {
      patientName: 'Lysander Poe',
      kind: 'crown.prepare',
      chairId: 'chair-3',
      day,
      time: '17:00',
      team,
      teeth: ['24', '26'],
      pontics: ['25'],
      restoration: 'metal-ceramic crown',
    })
    const id = String(made.body['id'])
    const first = await juno.read(visitView, `/visits/${id}`)
    expect(first.request.pontics).toEqual(['25'])
    const also = [{ kind: 'filling.amalgam', teeth: ['27'] }]
    expect(
      (await juno.call('PUT', `/visits/${id}/request`, { version: first.version, request: { also } })).status,
    ).toBe(200)
    expect(
      (
        await juno.call('PUT', `/visits/${id}/request`, {
          version: first.version + 1,
          request: { also: [{ kind: 'filling.amalgam', teeth: ['11'] }] },
        })
      ).body['detail'],
    ).toMatch(/also\.0\.teeth\.0: .*ISO 11/)
    const next = await juno.call('POST', '/visits', {
      caseId: first.caseId,
      kind: 'crown.deliver',
      chairId: 'chair-3',
      day: '2026-12-08',
      time: '10:00',
      team,
    })
    expect(next.status).toBe(201)
    const second = await juno.read(visitView, `/visits/${String(next.body['id'])}`)
    expect(second.request).toMatchObject({ kind: 'crown.deliver', teeth: ['24', '26'], also: [] })
    // What the first visit laid out is known to the second: eugenol before bonding is found over the case.
    expect(second.request.earlier).toEqual([
      expect.objectContaining({ kind: 'crown.prepare', uses: expect.arrayContaining(['provisional cement.eugenol']) }),
    ])
    expect(second.chain.map((v) => v.kind)).toEqual(['crown.prepare', 'crown.deliver'])
    expect(
      (
        await juno.call('POST', '/visits', {
          caseId: 'nobody',
          kind: 'crown.deliver',
          chairId: 'chair-3',
          day,
          time: '10:00',
          team,
        })
      ).status,
    ).toBe(404)
  })

  it('a delivery is told what the first visit asked of the laboratory and which shade it read; a reading taken back is none', async () => {
    const first = `${day}-four`
    await bringTo(house.database.db, first, { until: 'anaesthesia.test' })
    const { caseId } = await juno.read(visitView, `/visits/${first}`)
    const { body, status } = await juno.call('POST', '/visits', {
      caseId,
      kind: 'crown.deliver',
      chairId: 'chair-2',
      day: '2027-01-08',
      time: '10:00',
      team: { dentist: 'orrell', assistants: ['juno'] },
    })
    expect(status).toBe(201)
    const earlier = async () => (await juno.read(visitView, `/visits/${String(body['id'])}`)).request.earlier
    expect(await earlier()).toEqual([
      expect.objectContaining({
        asked: expect.arrayContaining(['metal-ceramic crown, 47']),
        shade: expect.stringMatching(/^47 neck A3, middle A2, edge A1, by daylight, wet$/),
      }),
    ])
    const [read] = await house.database.db
      .select()
      .from(t.runEvents)
      .where(and(eq(t.runEvents.visitId, first), sql`${t.runEvents.what} ->> 'measure' = 'shade'`))
    const [last] = await house.database.db
      .select({ seq: max(t.runEvents.seq) })
      .from(t.runEvents)
      .where(eq(t.runEvents.visitId, first))
    await house.database.db.insert(t.runEvents).values({
      ...read!,
      seq: last!.seq! + 1,
      id: 'taken-back',
      commandId: 'taken-back',
      what: { kind: 'undone', commandId: read!.commandId },
    })
    expect((await earlier())[0]!.shade).toBeUndefined()
  })

  it('an alert entered after signing re-opens the tray with the plan that stood; a visit that has begun keeps its plan', async () => {
    const bram = await new Caller(house.app).signIn('bram', '8193')
    const own = `${day}-ten`
    await bram.signTray(own)
    const before = await bram.read(visitView, `/visits/${own}`)
    expect((await bram.setAlerts(own, ['latex'])).body).toMatchObject({
      alerts: ['latex'],
      reopened: [own],
    })
    const open = await bram.read(visitView, `/visits/${own}`)
    expect(open).toMatchObject({
      frozen: null,
      stage: 'planned',
      request: { alerts: ['latex'] },
      reopened: { why: 'alert entered: latex' },
    })
    expect(open.reopened!.plan.setup).toEqual(before.frozen!.plan.setup)
    await bram.signTray(own)
    expect((await bram.call('GET', `/visits/${own}`)).body).toMatchObject({ reopened: null, stage: 'laid up' })
    expect((await bram.setAlerts(own, ['latex'])).body).toMatchObject({
      reopened: [],
    })
    expect((await bram.call('POST', `/visits/${own}/commands`, command(0, { kind: 'begin' }))).status).toBe(200)
    // Taken away with a reason, or by a dentist; never by the desk.
    // Her code was guessed at a moment ago, from here.
    house.clock.now += 61_000
    const ada = await new Caller(house.app).signIn('ada', demoCodes['ada']!)
    const away = (who: Caller, why?: string) => who.setAlerts(own, [], why ? { why } : {})
    expect((await away(bram)).status).toBe(422)
    expect((await away(ada, 'she says so')).status).toBe(403)
    expect((await away(bram, 'tested: no allergy')).body).toMatchObject({ alerts: [], reopened: [] })
    expect((await ada.setAlerts(own, ['latex'])).status).toBe(200)
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    expect((await away(orrell)).body).toMatchObject({ alerts: [] })
    expect((await bram.call('GET', `/visits/${own}`)).body).toMatchObject({ stage: 'running' })
  })
})
