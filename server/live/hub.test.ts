import { describe, expect, it } from 'vitest'
import { Hub, type Listener } from './hub'

describe('the hub', () => {
  const listener = () => {
    const heard: string[] = []
    let gone: (() => void) | undefined
    const it: Listener & { heard: string[]; leave: () => void } = {
      heard,
      send: (text) => void heard.push(String(Object(JSON.parse(text)).event)),
      close: () => gone?.(),
      on: (_event, fn) => (gone = fn),
      leave: () => gone?.(),
    }
    return it
  }
  it('sends to a topic’s listeners and no others, and to nobody who has left', () => {
    const hub = new Hub()
    const [a, b, c] = [listener(), listener(), listener()]
    hub.join('visit-1', a)
    hub.join('visit-1', b)
    hub.join('day', c)
    hub.send('visit-1', { event: 'run', data: { visitId: 'visit-1', events: [] } })
    b.leave()
    hub.send('visit-1', { event: 'tray', data: { visitId: 'visit-1', marks: [] } })
    hub.send('nobody', { event: 'visit', data: { visitId: 'x' } })
    hub.broadcast({ event: 'practice', data: {} })
    expect([a.heard, b.heard, c.heard]).toEqual([['run', 'tray', 'practice'], ['run'], ['practice']])
  })
  it('lets a screen go that reads nothing any more, and goes on telling the others', () => {
    const hub = new Hub()
    const [asleep, awake] = [listener(), listener()]
    let gone = 0
    hub.join('day', Object.assign(asleep, { bufferedAmount: 2_000_000, terminate: () => gone++ }))
    hub.join('day', Object.assign(awake, { bufferedAmount: 2_000 }))
    hub.send('day', { event: 'day', data: {} })
    expect([gone, asleep.heard, awake.heard]).toEqual([1, [], ['day']])
  })
  it('closes everybody for a clean stop, although each leaves while it closes', () => {
    const hub = new Hub()
    const many = Array.from({ length: 20 }, listener)
    many.forEach((l, i) => hub.join(`t${i % 3}`, l))
    hub.close()
    hub.broadcast({ event: 'day', data: {} })
    expect(many.flatMap((l) => l.heard)).toEqual([])
  })
})
