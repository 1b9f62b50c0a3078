/** The live socket as a second device hears it: over a real port, with a real client. */
import { runEvent } from '../core/run/events'
import * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WebSocket } from 'ws'
import { Caller, command, day, openHouse, type TestHouse } from './test/house'

const visit = `${day}-one`
let house: TestHouse
let juno: Caller
let url: string

const heard = z.looseObject({ event: z.string(), data: z.unknown() })
type Heard = z.infer<typeof heard>
const runTold = z.looseObject({ events: z.array(runEvent) })
/** A device's socket, with what it hears and a way to wait for it. */
class Device {
  readonly heard: Heard[] = []
  private waiting: (() => void)[] = []
  private constructor(readonly socket: WebSocket) {
    socket.on('message', (text: Buffer) => {
      this.heard.push(heard.parse(JSON.parse(text.toString())))
      for (const wake of this.waiting.splice(0)) wake()
    })
  }
  static open(path: string, headers: Record<string, string>): Device {
    return new Device(new WebSocket(`${url}${path}`, { headers }))
  }
  async hears(event: string, times = 1): Promise<Heard[]> {
    for (;;) {
      const found = this.heard.filter((h) => h.event === event)
      if (found.length >= times) return found
      await new Promise<void>((resolve) => this.waiting.push(resolve))
    }
  }
}
const refused = (path: string, headers: Record<string, string>): Promise<number> =>
  new Promise((resolve, reject) => {
    const socket = new WebSocket(`${url}${path}`, { headers })
    socket.on('unexpected-response', (_request, response) => resolve(response.statusCode ?? 0))
    socket.on('open', () => reject(new Error('it was let in')))
    socket.on('error', () => undefined)
  })
let n = 0
const give = (basedOn: number, command: object) =>
  juno.call('POST', `/visits/${visit}/commands`, { commandId: `live-command-${++n}`, basedOn, device: 'test', command })

beforeAll(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
  url = (await house.app.listen({ port: 0, host: '127.0.0.1' })).replace('http', 'ws')
})
afterAll(() => house?.close())

describe('the live socket', () => {
  it('lets no stranger in, and no other site’s page', async () => {
    expect(await refused('/api/live', {})).toBe(401)
    expect(await refused('/api/live', { cookie: 'jade=made-up' })).toBe(401)
    expect(await refused('/api/live', { cookie: juno.cookie, origin: 'http://elsewhere.example' })).toBe(403)
  })

  it('says hello with the server’s clock and boot', async () => {
    const device = Device.open(`/api/live?visit=${visit}`, { cookie: juno.cookie })
    const [hello] = await device.hears('hello')
    expect(hello!.data).toMatchObject({ now: house.clock.now, pace: 1, boot: expect.stringMatching(/^[0-9a-f-]{36}$/) })
    device.socket.close()
  })

  it('brings marks, stage and events of its own visit, in order and each once, and nothing of another', async () => {
    const mine = Device.open(`/api/live?visit=${visit}`, { cookie: juno.cookie })
    const other = Device.open(`/api/live?visit=${day}-six`, { cookie: juno.cookie })
    const desk = Device.open('/api/live', { cookie: juno.cookie })
    await Promise.all([mine.hears('hello'), other.hears('hello'), desk.hears('hello')])
    await juno.signTray(visit)
    expect((await mine.hears('tray'))[0]!.data).toMatchObject({
      marks: expect.arrayContaining([expect.objectContaining({ lineId: 'mirror', by: 'juno' })]),
    })
    await give(0, { kind: 'begin' })
    await give(1, { kind: 'advance', start: 'arrival.seat' })
    // Refused: nobody hears of what did not happen.
    await give(2, { kind: 'advance', start: 'cutting.margin.37' })
    await give(2, { kind: 'note', text: 'patient is early' })
    const events = (await mine.hears('run', 3)).flatMap((h) => runTold.parse(h.data).events)
    expect(events.map((e) => [e.seq, e.what.kind])).toEqual([
      [1, 'run.started'],
      [2, 'step.started'],
      [3, 'note.added'],
    ])
    // Signing and beginning change the stage; the day hears that something moved, the other visit nothing at all.
    expect((await mine.hears('visit', 2)).length).toBeGreaterThanOrEqual(2)
    await desk.hears('day', 4)
    // Nothing of this waits for anybody: a screen elsewhere has heard nothing. What the dentist says to her she hears there.
    expect(other.heard.map((h) => h.event).filter((e) => e !== 'presence')).toEqual(['hello'])
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    await orrell.call('POST', `/visits/${visit}/commands`, command(3, { kind: 'call', handoff: 'leaving', minutes: 5 }))
    await other.hears('needed')
    await give(4, { kind: 'note', text: 'nobody waits for a note' })
    await mine.hears('run', 5)
    expect(other.heard.filter((h) => h.event === 'needed')).toHaveLength(1)
    for (const d of [mine, other, desk]) d.socket.close()
  })

  it('a retry is answered but not told twice', async () => {
    const device = Device.open(`/api/live?visit=${visit}`, { cookie: juno.cookie })
    await device.hears('hello')
    const again = { commandId: 'live-retry-1', basedOn: 5, device: 'test', command: { kind: 'note', text: 'once' } }
    const [a, b] = [
      await juno.call('POST', `/visits/${visit}/commands`, again),
      await juno.call('POST', `/visits/${visit}/commands`, again),
    ]
    expect(a.body).toEqual(b.body)
    await give(6, { kind: 'note', text: 'after it' })
    const events = (await device.hears('run', 2)).flatMap((h) => runTold.parse(h.data).events)
    expect(events.map((e) => e.seq)).toEqual([6, 7])
    device.socket.close()
  })

  it('a change of the practice reaches every screen', async () => {
    const devices = [
      Device.open(`/api/live?visit=${visit}`, { cookie: juno.cookie }),
      Device.open('/api/live', { cookie: juno.cookie }),
    ]
    await Promise.all(devices.map((d) => d.hears('hello')))
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    await orrell.call('PATCH', '/practice', { name: 'Quillwater Rooms' })
    await Promise.all(devices.map((d) => d.hears('practice')))
    for (const d of devices) d.socket.close()
  })
})
