/** A tray is marked by touch and by scan. */
import { describe, expect, it } from 'vitest'
import { marked, touched } from './marks'
import { scanEar } from './scan'

const keysOf = (text: string): string[] => text.split('')

/** What a run of keys is heard as, so many ms apart. */
function scanned(keys: readonly string[], apartMs: number): (string | undefined)[] {
  const ear = scanEar()
  return keys.map(
    (key, i) => ear({ key: key.replace('^', ''), ctrlKey: key.startsWith('^'), timeStamp: 1_000 + i * apartMs }).code,
  )
}

describe('a scanner among the keys', () => {
  it('is heard by its speed, with its separators, and not a second time', () => {
    expect(scanned([...keysOf('0104012345678901'), '^]', ...keysOf('10AB'), 'Enter'], 8).at(-1)).toBe(
      '0104012345678901\u001d10AB',
    )
    expect(scanned([...keysOf('01040123'), 'Enter', 'Enter'], 8).slice(-2)).toEqual(['01040123', undefined])
  })
  it('a person is not: too slow, or too short', () => {
    expect(scanned([...keysOf('01040123'), 'Enter'], 180).some((c) => c !== undefined)).toBe(false)
    expect(scanned([...keysOf('n'), 'Enter'], 8).at(-1)).toBeUndefined()
  })
  it('keys of a person just before belong to no code; of a scan all but the first are kept from the focus', () => {
    const ear = scanEar()
    const press = (key: string, timeStamp: number) => ear({ key, ctrlKey: false, timeStamp })
    press('u', 0)
    const kept = keysOf('12 45').map((key, i) => press(key, 500 + i * 5).kept)
    expect(kept).toEqual([false, true, true, true, true])
    expect(press('Enter', 525)).toEqual({ kept: true, code: '12 45' })
  })
})

describe('marks', () => {
  const there = [{ lineId: 'mirror', by: 'juno', at: 5 }]
  it('a line is marked once, by whoever was first, and only what is named is taken away', () => {
    const more = marked(there, ['mirror', 'probe'], true)
    expect(more.map((m) => [m.lineId, m.by])).toEqual([
      ['mirror', 'juno'],
      ['probe', ''],
    ])
    expect(marked(more, ['probe', 'dam'], false)).toEqual(there)
  })
  it('touches on their way stand over what the server tells meanwhile, in their order', () => {
    const onTheirWay = [
      { lineIds: ['probe', 'dam'], done: true },
      { lineIds: ['probe', 'mirror'], done: false },
    ]
    expect(touched(there, onTheirWay).map((m) => m.lineId)).toEqual(['dam'])
    expect(touched(there, [])).toEqual(there)
  })
})
