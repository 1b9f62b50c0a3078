/** What a practice owns and sets: lots, lists of items, amendments, cards. */
import { amendmentFile } from '../core/practice/amendment'
import { practice } from '../core/practice/practice'
import { dayView } from '../wire/day'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Caller, day, openHouse, type TestHouse } from './test/house'

describe('practice', () => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse()
    juno = await new Caller(house.app).signIn('juno', '3816')
  })
  afterAll(() => house?.close())

  it('takes a lot into the cupboard as its box says, and the next plan takes from it', async () => {
    const body = { itemId: 'bis-acryl', number: 'B-77', expires: '2027-06-30', left: 50 }
    expect((await new Caller(house.app).call('POST', '/lots', body)).status).toBe(401)
    expect(
      (await (await new Caller(house.app).signIn('petra', '5064')).call('POST', '/lots', { ...body, expires: 'soon' }))
        .body['detail'],
    ).toMatch(/expires/)
    expect((await juno.call('POST', '/lots', { ...body, itemId: 'ambrosia' })).status).toBe(404)
    const made = await juno.call('POST', '/lots', body)
    expect(made.status).toBe(201)
    expect((await juno.call('POST', '/lots', body)).body['detail']).toMatch(/is in the cupboard already/)
    const warned = async () =>
      JSON.stringify((await juno.read(dayView, `/days/${day}`)).visits.find((v) => v.id === `${day}-six`)!.tray)
    expect(await warned()).not.toContain('short: 1.6 left')
    expect((await juno.call('PATCH', `/lots/${String(made.body['id'])}`, { left: 0 })).status).toBe(200)
    expect(await warned()).toContain('short: 1.6 left')
    expect((await juno.call('PATCH', '/lots/none', { left: 1 })).status).toBe(404)
  })

  it('brings a list of items in, all or none, in its own order, and hands it out again', async () => {
    const before = await juno.read(practice, '/practice')
    const mirror = before.items.find((i) => i.id === 'mirror')!
    const lamp = { ...mirror, id: 'lamp', name: 'Head lamp', serves: ['magnifier'] }
    expect((await juno.call('POST', '/items/import', { items: [lamp, { ...mirror, family: 'cutlery' }] })).status).toBe(
      422,
    )
    expect((await juno.read(practice, '/practice')).items).toHaveLength(before.items.length)
    expect((await juno.call('POST', '/items/import', { items: [{ ...mirror, stock: 4 }, lamp] })).body).toEqual({
      stored: 2,
    })
    const after = await juno.read(practice, '/practice')
    expect(after.items.map((i) => i.id)).toEqual([...before.items.map((i) => i.id), 'lamp'])
    expect(after.items.find((i) => i.id === 'mirror')!.stock).toBe(4)
    const csv = await house.app.inject({ method: 'GET', url: '/api/items.csv', headers: { cookie: juno.cookie } })
    expect(csv.headers['content-disposition']).toContain('items.csv')
    expect(csv.body).toContain('lamp,Head lamp,diagnostic,magnifier')
  })

  it('amendments: the dentist’s, signed and dated, in the next plan, out as a file and in again; none is lost', async () => {
    const varen = await new Caller(house.app).signIn('varen', '771194')
    const photo = {
      kind: 'primary.metal-crown',
      why: 'for the parents',
      change: {
        op: 'add step',
        after: 'crown.75.seat',
        id: 'own.photo',
        title: 'Picture of the crown',
        fn: 'chairside',
        place: 'chair',
        minutes: [0.5, 1, 2],
        needs: [{ what: 'camera', quantity: 1, readiness: 'open' }],
      },
    }
    expect((await juno.call('POST', '/practice/amendments', photo)).status).toBe(403)
    expect(
      (await varen.call('POST', '/practice/amendments', { ...photo, change: { ...photo.change, minutes: [2, 1, 3] } }))
        .body['detail'],
    ).toMatch(/each no shorter/)
    const made = await varen.call('POST', '/practice/amendments', photo)
    expect(made.body).toMatchObject({ by: 'Dr Imke Varen', on: day })
    const file = await juno.read(amendmentFile, '/practice/amendments')
    expect(file.amendments).toHaveLength(1)
    const plans = await juno.read(dayView, `/days/${day}`)
    expect(plans.visits.find((v) => v.id === `${day}-seven`)!.score.bars.map((b) => b.stepId)).toContain('own.photo')
    expect(
      (
        await varen.call('PUT', '/practice/amendments', {
          ...file,
          amendments: [...file.amendments, { ...file.amendments[0], id: 'from-elsewhere' }],
        })
      ).body,
    ).toEqual({ added: 1, replaced: 1 })
    expect((await varen.call('PUT', '/practice/amendments', { ...file, format: 'something else' })).status).toBe(422)
    expect((await varen.call('DELETE', '/practice/amendments/from-elsewhere')).status).toBe(200)
    expect((await varen.call('DELETE', `/practice/amendments/${file.amendments[0]!.id}`)).status).toBe(200)
  })

  it('a dentist sets their own card and nobody else’s', async () => {
    const varen = await new Caller(house.app).signIn('varen', '771194')
    expect(
      (await varen.call('PUT', '/practice/cards', { dentistId: 'orrell', choices: {}, extraHolds: [] })).status,
    ).toBe(403)
    expect(
      (await varen.call('PUT', '/practice/cards', { dentistId: 'varen', choices: { cord: 'string' }, extraHolds: [] }))
        .status,
    ).toBe(422)
    expect(
      (
        await varen.call('PUT', '/practice/cards', {
          dentistId: 'varen',
          choices: { damOrder: 'sheet first' },
          extraHolds: ['bite'],
        })
      ).status,
    ).toBe(200)
    expect((await varen.read(practice, '/practice')).cards.find((c) => c.dentistId === 'varen')!.choices).toEqual({
      damOrder: 'sheet first',
    })
  })
})
