/** A screen shows the server's time, whatever the device's own clock says and however slow the way is. */
import { describe, expect, it } from 'vitest'
import { ServerClock } from './server-clock'

/** A device that is so much behind the server, and the way there: so long to it and back for each asking, ms. */
class Device {
  wall = 1_000_000
  kept = 0
  /** Missing: the server is not heard. */
  ways: ([number, number] | undefined)[] = []
  constructor(readonly behindMs: number) {}
  readonly wait = (ms: number): void => void (this.wall += ms)
  get server(): number {
    return this.wall + this.behindMs
  }
  readonly clock = (): ServerClock =>
    new ServerClock({
      wall: () => this.wall,
      steady: () => this.wall - 999_000,
      ask: async () => {
        const way = this.ways.shift()
        if (!way) return undefined
        this.wait(way[0])
        const { server } = this
        this.wait(way[1])
        return server
      },
      kept: { get: () => this.kept, set: (ms) => (this.kept = ms) },
    })
}

describe('the server’s clock', () => {
  it('is measured by the asking that came back soonest, half of it each way', async () => {
    const device = new Device(8_000)
    const clock = device.clock()
    let measured: unknown
    clock.subscribe((m) => (measured = m))
    device.ways = [[900, 20], [10, 10], [300, 400], [40, 2]] // prettier-ignore
    await clock.measure()
    expect(clock.now()).toBe(device.server)
    expect(measured).toEqual({ offsetMs: 8_000, withinMs: 10 })
    device.wait(60_000)
    expect(clock.now()).toBe(device.server)
  })
  it('is never further off than half the quickest way there and back', async () => {
    for (const there of [0, 5, 80, 250])
      for (const back of [0, 5, 80, 250]) {
        const device = new Device(-3_600_000)
        const clock = device.clock()
        device.ways = [[there, back], [there + 90, back + 300], [there + 1, back + 1], [there + 500, back]] // prettier-ignore
        await clock.measure()
        expect(Math.abs(clock.now() - device.server)).toBeLessThanOrEqual(Math.ceil((there + back) / 2))
      }
  })
  it('is at once what the server says of itself, at its pace, and stays so where it is not heard again', async () => {
    const device = new Device(0)
    const clock = device.clock()
    clock.told(5_000_000, 20)
    device.wait(1_000)
    expect(clock.now()).toBe(5_020_000)
    device.ways = [[5, 5]]
    await clock.measure()
    expect(clock.now()).toBe(5_020_000 + 10 * 20)
  })
  it('on a page opened later is as wrong as it was, until it is heard', async () => {
    const device = new Device(86_400_000)
    device.ways = [[5, 5], [5, 5], [5, 5], [5, 5]] // prettier-ignore
    await device.clock().measure()
    expect(device.clock().now()).toBe(device.server)
  })
  it('that was measured later counts, whichever comes back first', async () => {
    const device = new Device(1_000)
    const answers: ((at: number) => void)[] = []
    const clock = new ServerClock({
      wall: () => device.wall,
      steady: () => device.wall,
      ask: () => new Promise((resolve) => answers.push(resolve)),
      kept: { get: () => 0, set: () => undefined },
    })
    const [first, second] = [clock.measure(), clock.measure()]
    const answer = async (at: number, says: number): Promise<void> => {
      for (let i = 0; i < 4; i++) {
        answers[at]!(says)
        await Promise.resolve()
        await Promise.resolve()
        answers.splice(at, 1)
        if (answers.length > 1 && at === 0) answers.reverse()
      }
    }
    await answer(1, device.wall + 5_000)
    await second
    await answer(0, device.wall - 5_000)
    await first
    expect(clock.now()).toBe(device.wall + 5_000)
  })
})
