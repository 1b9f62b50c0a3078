/** What waits on a device is there after the page was closed, for the one who touched it and nobody else. */
import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import type { Queued } from '../../core/run/queue'
import { Outbox } from './outbox'
import { unsentWords } from './sign-out'

const touch = (id: string): Queued => ({ commandId: id, command: { kind: 'note', text: id }, at: 1_000 })
/** As a page opened later finds it. */
const reopened = async (name: string, see: (outbox: Outbox) => void): Promise<void> =>
  vi.waitFor(async () => see(await Outbox.open(name)), { interval: 5 })

describe('the outbox', () => {
  it('is found again by a new page, in order, and is empty once all was sent', async () => {
    const mine = (await Outbox.open('a')).of('visit', 'juno')
    mine.write([touch('1')])
    mine.write([touch('1'), touch('2')])
    await reopened('a', (o) =>
      expect(
        o
          .of('visit', 'juno')
          .read()
          .map((q) => q.commandId),
      ).toEqual(['1', '2']),
    )
    mine.write([touch('2')])
    mine.write([])
    await reopened('a', (o) => expect(o.waiting).toEqual([]))
  })
  it('is a person’s own, visit by visit; the device can tell all that waits', async () => {
    const box = await Outbox.open('b')
    box.of('one', 'juno').write([touch('1')])
    box.of('two', 'juno').write([touch('2')])
    expect(box.of('one', 'wim').read()).toEqual([])
    expect(box.of('three', 'juno').read()).toEqual([])
    await reopened('b', (o) => expect(o.waiting.map((w) => w.visitId).toSorted()).toEqual(['one', 'two']))
  })
  it('takes over what a page of an older program had left', async () => {
    const left: Record<string, string> = { 'jade.queue.one.juno': JSON.stringify([touch('1')]), 'jade.theme': 'dim' }
    const storage = {
      getItem: (k: string) => left[k] ?? null,
      removeItem: (k: string) => Reflect.deleteProperty(left, k) && Reflect.deleteProperty(storage, k),
      ...left,
    }
    vi.stubGlobal('localStorage', storage)
    const box = await Outbox.open('d')
    vi.unstubAllGlobals()
    expect(box.of('one', 'juno').read()).toEqual([touch('1')])
    expect(Object.keys(left)).toEqual(['jade.theme'])
    await reopened('d', (o) => expect(o.waiting.map((w) => w.personId)).toEqual(['juno']))
  })
  it('where the browser keeps nothing, holds what waits for as long as the page is there', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('refused', 'SecurityError')
      },
    })
    const mine = (await Outbox.open('c')).of('visit', 'juno')
    vi.unstubAllGlobals()
    mine.write([touch('1')])
    expect(mine.read()).toEqual([touch('1')])
  })
})

describe('signing out', () => {
  it('says what of one’s own is not sent yet, and nothing where all was', () => {
    const of = (visitId: string, personId: string, n: number) => ({
      visitId,
      personId,
      queue: Array.from({ length: n }, (_, i) => touch(String(i))),
    })
    expect(unsentWords([of('one', 'wim', 3)], 'juno')).toBeUndefined()
    expect(unsentWords([of('one', 'juno', 1), of('one', 'wim', 3)], 'juno')).toMatch(
      /^1 touch of yours is .* the visit/,
    )
    expect(unsentWords([of('one', 'juno', 2), of('two', 'juno', 3)], 'juno')).toMatch(/^5 touches .* 2 visits/)
  })
})
