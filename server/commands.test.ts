/** Commands of a run over HTTP: refusals, retries, signatures, two devices at once. */
import { eventsView } from '../wire/run'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { day, command, Caller, eventsIn, openHouse, type TestHouse } from './test/house'

const visit = `${day}-one`

describe('commands', () => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse()
    juno = await new Caller(house.app).signIn('juno', '3816')
  })
  afterAll(() => house?.close())

  it('runs: refuses, answers a retry with the same events, tells a stale screen what it missed', async () => {
    await juno.signTray(visit)
    const begin = command(0, { kind: 'begin' })
    const first = await juno.call('POST', `/visits/${visit}/commands`, begin)
    expect(first.body).toMatchObject({ seq: 1 })
    expect((await juno.call('POST', `/visits/${visit}/commands`, begin)).body).toEqual(first.body)
    const stale = await juno.call('POST', `/visits/${visit}/commands`, command(0, { kind: 'note', text: 'late' }))
    expect(stale).toMatchObject({ status: 409, body: { title: 'stale', seq: 1 } })
    expect(eventsIn(stale.body).map((e) => e.seq)).toEqual([1])
    const refused = await juno.call(
      'POST',
      `/visits/${visit}/commands`,
      command(1, { kind: 'advance', start: 'cutting.margin.37' }),
    )
    expect(refused).toMatchObject({ status: 409, body: { title: 'refused', refusal: { code: 'order' } } })
    expect(
      (await juno.call('POST', `/visits/${visit}/commands`, command(1, { kind: 'advance', start: 'arrival.seat' })))
        .body,
    ).toMatchObject({ seq: 2 })
    expect((await juno.read(eventsView, `/visits/${visit}/events`)).events.map((e) => e.what.kind)).toEqual([
      'run.started',
      'step.started',
    ])
    expect((await juno.call('POST', `/visits/${visit}/tray/reopen`)).body['detail']).toMatch(/has begun/)
    expect((await juno.call('GET', `/visits/${visit}`)).body).toMatchObject({ stage: 'running' })
  })

  it('takes a signature only with that dentist’s own code, whoever is signed in', async () => {
    const sign = (signer?: object) =>
      juno.call(
        'POST',
        `/visits/${visit}/commands`,
        command(2, { kind: 'wave', holdId: 'home', reason: 'for the test' }, signer ? { signer } : {}),
      )
    expect((await sign()).body).toMatchObject({ refusal: { code: 'not-allowed' } })
    expect((await sign({ personId: 'orrell', code: '0000' })).status).toBe(401)
    expect((await sign({ personId: 'juno', code: '3816' })).body).toMatchObject({ refusal: { code: 'not-allowed' } })
    expect((await sign({ personId: 'orrell', code: '471108' })).body).toMatchObject({ seq: 3 })
    // A forged envelope field is not taken for a fact.
    expect(
      (
        await juno.call('POST', `/visits/${visit}/commands`, {
          ...command(3, { kind: 'note', text: 'x' }),
          by: 'orrell',
        })
      ).status,
    ).toBe(422)
  })

  it('handles commands of two devices at once without a gap or a double', async () => {
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        juno.call('POST', `/visits/${visit}/commands`, command(3, { kind: 'note', text: `note ${i}` })),
      ),
    )
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1)
    expect(answers.filter((a) => a.status === 409)).toHaveLength(11)
    const { events } = await juno.read(eventsView, `/visits/${visit}/events`)
    expect(events.map((e) => e.seq)).toEqual([1, 2, 3, 4])
  })
})
