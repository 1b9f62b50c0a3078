import { describe, expect, it } from 'vitest'
import { Attempts } from './attempts'
import { codeMatches, hashCode, newToken, tokenId, type Lane } from './codes'

describe('codes', () => {
  it('match only themselves, and two hashes of one code differ', async () => {
    const [a, b] = [await hashCode('471108'), await hashCode('471108')]
    expect(a).not.toBe(b)
    expect(a).not.toContain('471108')
    expect([
      await codeMatches('471108', a),
      await codeMatches('4712', a),
      await codeMatches('471108', 'rubbish'),
    ]).toEqual([true, false, false])
  })
  it('are looked at for those who are known before any stranger’s, of whom few wait', async () => {
    const stored = await hashCode('471108')
    const order: string[] = []
    const look = (who: string, lane: Lane) =>
      codeMatches('1', stored, lane).then(
        () => order.push(who),
        (error: unknown) => order.push(`${who} refused: ${String(Object(error).slug)}`),
      )
    const strangers = Array.from({ length: 6 }, (_, i) => look(`stranger ${i}`, { stranger: '10.0.0.9' }))
    await Promise.all([...strangers, look('signature', 'known'), look('elsewhere', { stranger: '10.0.0.8' })])
    // One was at work, four of its address waited; whoever signs came next.
    expect(order).toEqual([
      'stranger 5 refused: busy',
      'stranger 0',
      'signature',
      'stranger 1',
      'stranger 2',
      'stranger 3',
      'stranger 4',
      'elsewhere',
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
  const used = (take: () => unknown, times: number): void => {
    for (let i = 0; i < times; i++) take()
  }
  it('pauses after six tries in a minute, for that person from that place only, and until the minute is over', () => {
    const attempts = new Attempts()
    for (let i = 0; i < 6; i++) attempts.forPerson('ada', 'here', 1000 * i)
    expect(() => attempts.forPerson('ada', 'here', 6_000)).toThrow(/wait a minute/)
    expect(() => attempts.forPerson('juno', 'here', 6_000)).not.toThrow()
    expect(() => attempts.forPerson('ada', 'there', 6_000)).not.toThrow()
    expect(() => attempts.forPerson('ada', 'here', 59_000)).toThrow()
    expect(() => attempts.forPerson('ada', 'here', 60_001)).not.toThrow()
  })
  it('patience does not help: after 24 in half a day a dentist lets the person try again', () => {
    const attempts = new Attempts()
    for (let i = 0; i < 24; i++) attempts.forPerson('ada', 'here', 61_000 * i)
    expect(() => attempts.forPerson('ada', 'here', 61_000 * 24)).toThrow(/a dentist/)
    attempts.forget('ada')
    expect(() => attempts.forPerson('ada', 'here', 61_000 * 24)).not.toThrow()
  })
  it('a right code clears the slate of that place, and gives its address one try back, not all', () => {
    const attempts = new Attempts()
    used(() => attempts.forPerson('ada', 'here', 1), 5)
    attempts.forPerson('ada', 'here', 2).right()
    used(() => attempts.forPerson('ada', 'here', 3), 6)
    used(() => attempts.fromAddress('10.0.0.9', 1), 39)
    attempts.fromAddress('10.0.0.9', 2).right()
    attempts.fromAddress('10.0.0.9', 3)
    expect(() => attempts.fromAddress('10.0.0.9', 4)).toThrow()
  })
  it('a try at which nothing was looked at is given back, and no other', () => {
    const attempts = new Attempts()
    used(() => attempts.forPerson('ada', 'here', 1), 5)
    for (let i = 0; i < 100; i++) attempts.forPerson('ada', 'here', 2).back()
    expect(() => attempts.forPerson('ada', 'here', 3)).not.toThrow()
    expect(() => attempts.forPerson('ada', 'here', 4)).toThrow(/wait a minute/)
  })
  it('whoever tries from however many places: what is kept of it stays small', () => {
    const attempts = new Attempts(100)
    for (let i = 0; i < 10_000; i++) attempts.forPerson('ada', `place ${i}`, i)
    used(() => attempts.forPerson('ada', 'place 9999', 10_000), 5)
    expect(() => attempts.forPerson('ada', 'place 9999', 10_000)).toThrow()
    expect(attempts.size).toBe(100)
  })
})
