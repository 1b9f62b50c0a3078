import { describe, expect, it } from 'vitest'
import { Attempts } from './attempts'
import { codeMatches, hashCode, newToken, tokenId } from './codes'

describe('codes', () => {
  it('match only themselves, and two hashes of one code differ', async () => {
    const [a, b] = [await hashCode('4711'), await hashCode('4711')]
    expect(a).not.toBe(b)
    expect(a).not.toContain('4711')
    expect([await codeMatches('4711', a), await codeMatches('4712', a), await codeMatches('4711', 'rubbish')]).toEqual([
      true,
      false,
      false,
    ])
  })
  it('tokens are long, never the same, and not what is stored', () => {
    const tokens = new Set(Array.from({ length: 200 }, newToken))
    expect(tokens.size).toBe(200)
    for (const t of tokens)
      expect([t.length >= 32, tokenId(t) !== t, tokenId(t) === tokenId(t)]).toEqual([true, true, true])
  })
})

describe('guessing', () => {
  it('pauses after six wrong codes in a minute, for that person only, and until the minute is over', () => {
    const attempts = new Attempts()
    for (let i = 0; i < 6; i++) {
      attempts.check('ada', 1000 * i)
      attempts.failed('ada', 1000 * i)
    }
    expect(() => attempts.check('ada', 6_000)).toThrow(/wait a minute/)
    expect(() => attempts.check('juno', 6_000)).not.toThrow()
    expect(() => attempts.check('ada', 59_000)).toThrow()
    expect(() => attempts.check('ada', 60_001)).not.toThrow()
  })
  it('a right code clears the slate', () => {
    const attempts = new Attempts()
    for (let i = 0; i < 5; i++) attempts.failed('ada', i)
    attempts.succeeded('ada')
    for (let i = 0; i < 5; i++) attempts.failed('ada', 10 + i)
    expect(() => attempts.check('ada', 20)).not.toThrow()
  })
})
