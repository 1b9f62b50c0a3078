/** The drill through the server: a round scored there, what was missed comes back to that person and no other. */
import { practice } from '../core/practice/practice'
import { nextRoundView, progressView, scoreView } from '../wire/drill'
import type * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { roundOf } from '../core/drill/round'
import { solutionOf } from '../core/drill/score'
import type { KindId } from '../core/kinds'
import { Caller, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let wim: Caller
let juno: Caller
beforeAll(async () => {
  house = await openHouse()
  wim = await new Caller(house.app).signIn('wim', '9527')
  juno = await new Caller(house.app).signIn('juno', '3816')
})
afterAll(() => house.close())

type Next = z.infer<typeof nextRoundView>
const next = (who: Caller, kind?: KindId): Promise<Next> =>
  who.read(nextRoundView, `/drill/next${kind ? `?kind=${kind}` : ''}`)
const progress = (who: Caller) => who.read(progressView, '/drill')
const roundFor = async (n: Next) =>
  roundOf(n.kind, n.seed, await wim.read(practice, '/practice'), n.date, new Set(n.due))

describe('a round', () => {
  it('is scored by the server against its own plan; what was missed is due within the hour and comes back in the next round of its kind', async () => {
    const n = await next(wim, 'crown.prepare')
    const round = await roundFor(n)
    const solution = solutionOf(round)
    const missed = round.wanted[0]!
    const { status, body } = await wim.call('POST', '/drill/rounds', {
      ...n,
      seconds: 90,
      answers: { ...solution, tray: solution.tray.filter((id) => id !== missed) },
    })
    expect(status, JSON.stringify(body)).toBe(201)
    const score = scoreView.parse(body).score
    expect([score.of - score.right, score.parts[0]!.misses[0]!.says]).toEqual([
      1,
      `not laid out: ${round.cupboard.find((p) => p.id === missed)!.name}`,
    ])
    expect((await progress(wim)).rounds).toMatchObject([{ kind: 'crown.prepare', right: score.right, of: score.of }])
    house.clock.now += 3_600_000
    // What was new comes back within the hour as well, the way the algorithm first makes sure; the miss before all.
    const again = await next(wim)
    expect(again.kind).toBe('crown.prepare')
    expect(again.due[0]).toBe(`tray|crown.prepare|${missed}`)
    expect(again.seed).not.toBe(n.seed)
    expect((await roundFor(again)).wanted).toContain(missed)
    expect((await progress(juno)).rounds).toEqual([])
    expect((await next(juno, 'crown.prepare')).due).toEqual([])
  })
  it('asks for the sign-in, takes no kind that is not there, and writes nothing where it refuses', async () => {
    const before = (await progress(juno)).rounds.length
    const n = await next(juno, 'filling.bulk')
    const answers = { tray: [], burs: [], steps: [], clock: [] }
    expect((await new Caller(house.app).call('POST', '/drill/rounds', { ...n, seconds: 1, answers })).status).toBe(401)
    expect((await juno.call('POST', '/drill/rounds', { ...n, kind: 'no.such', seconds: 1, answers })).status).toBe(422)
    expect(
      (await juno.call('POST', '/drill/rounds', { ...n, seconds: 1, answers: { ...answers, right: 99 } })).status,
    ).toBe(422)
    expect((await progress(juno)).rounds.length).toBe(before)
    // An empty answer is a round, too: nothing right.
    const empty = scoreView.parse((await juno.call('POST', '/drill/rounds', { ...n, seconds: 1, answers })).body).score
    expect(empty.right).toBe(0)
  })
})
