/** Cassettes and loads through the server: laid up, soiled, run, let out, pulled back and traced. */
import { instrumentsView, loadMadeView, tracedView } from '../wire/instruments'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { CassetteState } from '../core/schedule/cassettes'
import { eq } from 'drizzle-orm'
import { buildApp } from './app'
import * as t from './db/schema'
import { simulatedLog } from './standins/steriliser'
import { eventsView } from '../wire/run'
import { recordView, visitView } from '../wire/visit'
import { Caller, command, day, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let wim: Caller
let ada: Caller
beforeAll(async () => {
  house = await openHouse()
  wim = await new Caller(house.app).signIn('wim', '9527')
  ada = await new Caller(house.app).signIn('ada', '2708')
})
afterAll(() => house.close())

const view = () => wim.read(instrumentsView, '/instruments')
const stateOf = async (id: string): Promise<CassetteState> => (await view()).states.find((s) => s.cassette.id === id)!
const laidUp = async (visitId: string): Promise<CassetteState[]> =>
  (await view()).states.filter((s) => s.visitId === visitId && s.status === 'laid up')
const start = async (cassetteIds: string[], spore = false): Promise<string> => {
  const { status, body } = await wim.call('POST', '/loads', { steriliserId: 'steriliser-a', cassetteIds, spore })
  expect(status, JSON.stringify(body)).toBe(201)
  return loadMadeView.parse(body).id
}

describe('a cassette', () => {
  it('is laid up with the tray, back in the cupboard when the tray is re-opened, soiled when the visit closes', async () => {
    const visit = `${day}-four`
    await wim.signTray(visit)
    const first = await laidUp(visit)
    expect(first.map((s) => s.cassette.type).toSorted()).toEqual(['basic', 'crown'])
    await wim.call('POST', `/visits/${visit}/tray/reopen`)
    expect((await stateOf(first[0]!.cassette.id)).status).toBe('sterile')
    expect(await laidUp(visit)).toEqual([])
  })

  it('cannot be in a load while it is sterile elsewhere, in a second load, or more than the steriliser holds; the front desk starts none', async () => {
    expect((await ada.call('POST', '/loads', { steriliserId: 'steriliser-a', cassetteIds: ['basic-1'] })).status).toBe(
      403,
    )
    expect(
      (await wim.call('POST', '/loads', { steriliserId: 'steriliser-a', cassetteIds: ['nobody-knows'] })).status,
    ).toBe(404)
    expect(
      (
        await wim.call('POST', '/loads', {
          steriliserId: 'steriliser-b',
          cassetteIds: ['basic-1', 'basic-2', 'basic-3', 'basic-4', 'basic-5', 'basic-6', 'basic-7'],
        })
      ).body['detail'],
    ).toContain('takes 6 cassettes; these are 7')
    const id = await start(['endodontic-1'])
    expect(
      (await wim.call('POST', '/loads', { steriliserId: 'steriliser-a', cassetteIds: ['child-1'] })).body['detail'],
    ).toBe('Steriliser A is running already.')
    expect(
      (await wim.call('POST', '/loads', { steriliserId: 'steriliser-b', cassetteIds: ['endodontic-1'] })).body[
        'detail'
      ],
    ).toContain('is in the steriliser')
    expect((await wim.call('POST', `/loads/${id}/release`, { indicator: 'changed' })).body['detail']).toContain(
      'still running',
    )
    await wim.call('POST', `/loads/${id}/log`, { text: simulatedLog('pre-vacuum 132') })
    expect((await stateOf('endodontic-1')).status).toBe('to be released')
    expect((await wim.call('POST', `/loads/${id}/release`, { indicator: 'changed' })).body).toEqual({ released: true })
    expect(await stateOf('endodontic-1')).toMatchObject({ status: 'sterile', load: { number: 235 } })
  })
})

describe('a steriliser that fails', () => {
  it('is not let out when too cold, cut off or held too short; a broken line is named and what was read by hand stands on record', async () => {
    for (const [fault, says] of [
      ['too cold', 'never hotter than'],
      ['too short', 'min at 132 °C or more, of 4'],
      ['cut off', 'break off'],
    ] as const) {
      const id = await start(['child-1'])
      expect(
        (await wim.call('POST', `/loads/${id}/log`, { text: simulatedLog('pre-vacuum 132', fault) })).body,
      ).toMatchObject({ good: false })
      const refused = await wim.call('POST', `/loads/${id}/release`, {
        indicator: 'changed',
        byHand: 'the display says it is fine',
      })
      expect([refused.status, refused.body['detail']]).toEqual([409, expect.stringContaining(says)])
      await wim.call('POST', `/loads/${id}/fail`, { why: 'run again' })
    }
    const id = await start(['child-1'])
    expect(
      (await wim.call('POST', `/loads/${id}/log`, { text: simulatedLog('pre-vacuum 132', 'garbled') })).body['fault'],
    ).toMatch(/line 62 cannot be read/)
    expect((await wim.call('POST', `/loads/${id}/release`, { indicator: 'changed' })).body['detail']).toContain(
      'no readings',
    )
    expect(
      (await wim.call('POST', `/loads/${id}/release`, { indicator: 'changed', byHand: 'strip: 133.9 °C, 4 min 40 s' }))
        .body,
    ).toEqual({ released: true })
    expect((await stateOf('child-1')).status).toBe('sterile')
  })

  it('found out later is traced: what lies in the cupboard, the tray to change, the visit that is over', async () => {
    const visit = `${day}-seven`
    await wim.signTray(visit)
    const basic = (await laidUp(visit)).find((s) => s.cassette.type === 'basic')!
    const load = basic.load!
    const { body } = await wim.call('POST', `/loads/${load.id}/fail`, { why: 'the printed strip was read wrongly' })
    expect(body['laidUp']).toContainEqual({ cassetteId: basic.cassette.id, visitId: visit })
    const dayView = (await wim.call('GET', `/days/${day}`)).body as {
      visits?: { id: string; cassettes: { type: string; pulledBack?: boolean }[] }[]
    }
    expect(dayView.visits!.find((v) => v.id === visit)!.cassettes.find((c) => c.type === 'basic')).toMatchObject({
      pulledBack: true,
    })
    // Changed before the visit: another one, out of another load, and the visit is not touched.
    const { body: changed } = await wim.call('POST', `/visits/${visit}/cassettes/change`, {
      cassetteId: basic.cassette.id,
    })
    expect(changed['cassetteId']).not.toBe(basic.cassette.id)
    expect((await stateOf(basic.cassette.id)).status).toBe('pulled back')
    // Another of it lay in the same load: it is changed, too, before the visit begins.
    for (const s of await laidUp(visit))
      if (s.change) await wim.call('POST', `/visits/${visit}/cassettes/change`, { cassetteId: s.cassette.id })
    // Once its visit runs, the cassette stays on the visit's record.
    const good = (await laidUp(visit)).find((s) => !s.change && s.load!.id !== load.id)!
    expect(
      (
        await wim.call('POST', `/visits/${visit}/commands`, {
          commandId: 'begin-seven',
          basedOn: 0,
          device: 'a-device',
          command: { kind: 'begin' },
        })
      ).body,
    ).toMatchObject({ seq: 1 })
    expect((await wim.call('POST', `/loads/${good.load!.id}/fail`, { why: 'indicator looked at again' })).status).toBe(
      200,
    )
    expect((await wim.call('POST', `/visits/${visit}/cassettes/change`, { cassetteId: good.cassette.id })).status).toBe(
      200,
    )
    expect((await view()).loads.find((l) => l.id === good.load!.id)!.traced!.visits).toEqual([visit])
  })

  it('by a grown spore test: every load of it since the last one without growth is pulled back, once', async () => {
    const id = await start(['dam-6'], true)
    await wim.call('POST', `/loads/${id}/log`, { text: simulatedLog('pre-vacuum 132') })
    await wim.call('POST', `/loads/${id}/release`, { indicator: 'changed' })
    const traced = tracedView.parse((await wim.call('POST', `/loads/${id}/spore`, { result: 'growth' })).body)
    const { loads } = await view()
    const numbers = traced.loads.map((l) => loads.find((x) => x.id === l)!.number)
    expect(numbers).toContain(loads.find((l) => l.id === id)!.number)
    // Steriliser A ran 233 yesterday, after its last good test; B is in no doubt.
    expect(numbers).not.toContain(232)
    expect(numbers).not.toContain(234)
    expect(loads.filter((l) => traced.loads.includes(l.id)).every((l) => l.failedWhy?.startsWith('spore test'))).toBe(
      true,
    )
    expect((await wim.call('POST', `/loads/${id}/spore`, { result: 'no growth' })).status).toBe(409)
    // Out of service: it runs nothing but another test, and lets nothing out, until somebody lets it back by word.
    const { outOfService, states } = await wim.read(instrumentsView, '/instruments')
    expect(outOfService).toEqual(['steriliser-a'])
    const soiled = states
      .filter((x) => ['soiled', 'pulled back', 'not on record'].includes(x.status))
      .map((x) => x.cassette.id)
    const load = (spore: boolean) =>
      wim.call('POST', '/loads', { steriliserId: 'steriliser-a', cassetteIds: soiled.slice(0, 1), spore })
    expect((await load(false)).body).toMatchObject({ status: 409, type: '/problems/out-of-service' })
    const test = String((await load(true)).body['id'])
    await wim.call('POST', `/standins/steriliser/${test}`, {})
    const out = () => wim.call('POST', `/loads/${test}/release`, { indicator: 'changed' })
    expect((await out()).body).toMatchObject({ status: 409, type: '/problems/out-of-service' })
    expect((await wim.call('POST', '/sterilisers/steriliser-a/return', { why: '' })).status).toBe(422)
    const why = { why: 'the door seal was changed; the test repeated did not grow' }
    expect((await wim.call('POST', '/sterilisers/steriliser-a/return', why)).status).toBe(200)
    expect((await wim.call('POST', '/sterilisers/steriliser-a/return', why)).status).toBe(409)
    expect((await wim.read(instrumentsView, '/instruments')).outOfService).toEqual([])
  })
})

describe('a tray that is robbed of its cassette', () => {
  let wim2: Caller
  let juno: Caller
  let own: TestHouse
  beforeAll(async () => {
    own = await openHouse()
    wim2 = await new Caller(own.app).signIn('wim', '9527')
    juno = await new Caller(own.app).signIn('juno', '3816')
  })
  afterAll(() => own.close())
  const visit = `${day}-four`
  const seen = () => juno.read(visitView, `/visits/${visit}`)
  const signer = { signer: { personId: 'orrell', code: '471108' } }
  const give = async (body: object, more: object = {}) => {
    const { events } = await juno.read(eventsView, `/visits/${visit}/events`)
    return juno.call('POST', `/visits/${visit}/commands`, command(events.at(-1)?.seq ?? 0, body, more))
  }
  const spored = async (): Promise<string> => {
    const { loads } = await juno.read(instrumentsView, '/instruments')
    const { cassettes } = await seen()
    return loads.find((l) => l.number === cassettes[0]!.load)!.id
  }
  it('is confirmed cassette by cassette, says on every screen that one was pulled back, and does not begin in silence', async () => {
    const body = await juno.layTray(visit)
    const bare = await juno.call('POST', `/visits/${visit}/tray/sign`, { ...body, cassettes: [] })
    expect([bare.status, JSON.stringify(bare.body['unread'])]).toEqual([
      409,
      expect.stringContaining('Hold it against'),
    ])
    expect((await juno.call('POST', `/visits/${visit}/tray/sign`, body)).status).toBe(200)
    expect((await seen()).matters).toEqual([])
    await wim2.call('POST', `/loads/${await spored()}/fail`, { why: 'door found open' })
    const { matters, cassettes } = await seen()
    expect(matters.length).toBeGreaterThan(0)
    for (const one of matters) expect(one).toContain('was pulled back: door found open')
    const begun = await give({ kind: 'begin' })
    expect([begun.status, Object(begun.body['refusal'])['code']]).toEqual([409, 'cassettes'])
    expect((await give({ kind: 'begin', despite: 'no other is sterile' })).status).toBe(409)
    // Changed for another it begins without a word.
    for (const robbed of cassettes.filter((c) => c.pulledBack !== null))
      expect((await wim2.call('POST', `/visits/${visit}/cassettes/change`, { cassetteId: robbed.id })).status).toBe(200)
    expect((await seen()).matters).toEqual([])
    expect((await give({ kind: 'begin' })).status).toBe(200)
    const { note } = await juno.read(recordView, `/visits/${visit}/record`)
    const sentences = note.sections.flatMap((s) => s.sentences)
    expect(sentences).toContainEqual(
      expect.stringMatching(
        /^Cassettes: .* out of load \d+, confirmed by Wim .*; .* out of load \d+, confirmed by (Wim|Juno)/,
      ),
    )
  })
  it('pulled back while it runs it waits for the dentist, whose answer stands in the record; a reading taken back clears it', async () => {
    const load = await spored()
    await wim2.call('POST', `/loads/${load}/fail`, { why: 'strip pale' })
    const { length } = (await seen()).matters
    expect(length).toBeGreaterThan(0)
    const start = { kind: 'advance', start: 'arrival.seat' }
    for (let left = length; left > 0; left--) {
      const held = await give(start)
      expect(held.body['refusal']).toMatchObject({ code: 'matter', matterId: expect.stringMatching(/^cassette /) })
      const answer = {
        kind: 'settle',
        matterId: Object(held.body['refusal'])['matterId'],
        reason: 'laid aside, the other one serves',
      }
      expect((await give(answer)).status).toBe(409)
      expect((await give(answer, signer)).status).toBe(200)
      expect((await seen()).matters).toHaveLength(left - 1)
    }
    expect((await give(start)).status).toBe(200)
    const { note } = await juno.read(recordView, `/visits/${visit}/record`)
    expect(note.sections.flatMap((s) => s.sentences)).toContainEqual(
      expect.stringMatching(/Orrell answered with their own code on “.* was pulled back: strip pale”: laid aside/),
    )
  })
  it('a spore test read by mistake is taken back while nothing has followed, and every cassette and tray with it', async () => {
    const soiled = (await juno.read(instrumentsView, '/instruments')).states.find((x) =>
      ['soiled', 'pulled back', 'not on record'].includes(x.status),
    )!
    const { body } = await wim2.call('POST', '/loads', {
      steriliserId: 'steriliser-b',
      cassetteIds: [soiled.cassette.id],
      spore: true,
    })
    const id = loadMadeView.parse(body).id
    await wim2.call('POST', `/standins/steriliser/${id}`, {})
    await wim2.call('POST', `/loads/${id}/release`, { indicator: 'changed' })
    const before = await juno.read(instrumentsView, '/instruments')
    await wim2.call('POST', `/loads/${id}/spore`, { result: 'growth' })
    expect((await juno.read(instrumentsView, '/instruments')).outOfService).toEqual(['steriliser-b'])
    expect((await wim2.call('DELETE', `/loads/${id}/spore`)).status).toBe(200)
    const after = await juno.read(instrumentsView, '/instruments')
    expect([after.outOfService, after.states]).toEqual([[], before.states])
    await wim2.call('POST', `/loads/${id}/spore`, { result: 'growth' })
    own.clock.now += 60_000
    await wim2.call('POST', '/sterilisers/steriliser-b/return', { why: 'cause found' })
    expect((await wim2.call('DELETE', `/loads/${id}/spore`)).body['detail']).toContain('was let back into service')
  })
  it('pulled back by a version that told no run is told once when the server starts', async () => {
    const late = await openHouse()
    const bram = await new Caller(late.app).signIn('juno', '3816')
    await bram.signTray(visit)
    const begin = command(0, { kind: 'begin' })
    expect((await bram.call('POST', `/visits/${visit}/commands`, begin)).status).toBe(200)
    const [lies] = (await bram.read(visitView, `/visits/${visit}`)).cassettes
    const pulled = { failedAt: late.clock.now, failedBy: 'wim', failedWhy: 'strip pale' }
    await late.database.db.update(t.loads).set(pulled).where(eq(t.loads.number, lies!.load!))
    const matters: number[] = []
    for (const _ of ['first start', 'second']) {
      const app = await buildApp({ database: late.database, now: () => late.clock.now })
      await app.ready()
      const again = await new Caller(app).signIn('juno', '3816')
      const { events } = await again.read(eventsView, `/visits/${visit}/events`)
      const told = events.filter((e) => e.what.kind === 'cassette.doubted')
      expect(told.map((e) => e.by)).toEqual(told.map(() => 'wim'))
      matters.push(told.length)
      await app.close()
    }
    expect(matters[0]).toBeGreaterThan(0)
    expect(matters[1]).toBe(matters[0])
    await late.close()
  })
})
