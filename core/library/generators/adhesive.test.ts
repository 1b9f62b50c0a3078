/** Adhesives by their system: what is done in which order, on what. Common practice; in words, system by system. */
import { describe, expect, it } from 'vitest'
import { visitRequest, type VisitRequestInput } from '../../model/request'
import { compile } from '../../plan/compile'
import type { Choices } from '../../practice/choices'
import { starterPractice } from '../../practice/starter'

const practice = starterPractice()
type Chosen = Partial<Pick<Choices, 'adhesive' | 'etch'>>
type Request = Omit<VisitRequestInput, 'date' | 'team'>
const planOf = (request: Request, choices: Chosen = {}) =>
  compile(
    visitRequest.parse({
      date: '2026-11-24',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...request,
      choices,
    }),
    practice,
  )

/** What is done to the tooth from the acid to the adhesive's light, in words. */
const bondOf = (request: Request, stem: string, choices: Chosen = {}): string[] =>
  planOf(request, choices)
    .steps.filter((s) => s.id.startsWith(`${stem}.`) && /\.(etch|primer|adhesive|wick)/.test(s.id))
    .map((s) => s.title.replace(/, \d\d \(\w+\)$/, ''))

const filling: Request = { kind: 'filling.bulk', teeth: ['26'] }
const edge = ['Etch the enamel edge 20 s', 'Rinse 10 s, dry: dull where etched']
const overAll = ['Etch enamel and dentine 15 s', 'Rinse 10 s, dry: enamel dull, dentine moist']
const still = 'Air from gentle to strong until nothing moves'
const primer = ['Primer: rub in 20 s', 'Strong air on the primer until nothing moves']
const bond = ['Bond: thin, over all of it', 'Air, gentle: the bond is thinned, not blown away']
const light = 'Light 10 s'

describe('the bond follows the system', () => {
  it.each<[Chosen, string[]]>([
    [{}, [...edge, ...primer, ...bond, light]],
    [{ etch: 'none' }, [...primer, ...bond, light]],
    [{ adhesive: 'self-etch, one bottle' }, [...edge, 'Self-etch adhesive: rub in 20 s', still, light]],
    [{ adhesive: 'etch-and-rinse, three steps' }, [...overAll, ...primer, ...bond, light]],
    [{ adhesive: 'etch-and-rinse, two steps' }, [...overAll, 'Adhesive: rub in 20 s', still, light]],
    [{ adhesive: 'universal' }, [...edge, 'Universal adhesive: rub in 20 s', still, light]],
    [{ etch: 'total' }, [...overAll, 'Universal adhesive: rub in 20 s', still, light]],
  ])('a filling: %j', (choices, says) => {
    expect(bondOf(filling, 'filling.26', choices)).toEqual(says)
    expect(planOf(filling, choices).clashes.some((c) => c.id === 'acid-system')).toBe(false)
  })
  it.each<Chosen>([
    { adhesive: 'self-etch, two bottles', etch: 'total' },
    { adhesive: 'self-etch, one bottle', etch: 'total' },
    { adhesive: 'etch-and-rinse, three steps', etch: 'enamel edge' },
    { adhesive: 'etch-and-rinse, two steps', etch: 'none' },
  ])('what does not go together stops the tray, with the ways out: %j', (choices) => {
    expect(planOf(filling, choices).clashes.find((c) => c.id === 'acid-system')).toMatchObject({
      severity: 'stop',
      doThis: expect.stringMatching(/; or an? /),
    })
  })
  it('enamel alone: etched 60 s whatever the system, then the bond without its primer', () => {
    const laminate: Request = { kind: 'laminate.deliver', teeth: ['11'], pieceOnHand: true, inEnamel: true }
    const enamel = ['Etch the enamel 60 s', 'Rinse 10 s, dry: dull white all over']
    expect(bondOf(laminate, 'delivery.11')).toEqual([...enamel, ...bond])
    expect(bondOf(laminate, 'delivery.11', { adhesive: 'universal' })).toEqual([
      ...enamel,
      'Universal adhesive: rub in 20 s',
      still,
    ])
    // Where dentine lies open it is primed; the enamel round it has its acid as before.
    expect(bondOf({ ...laminate, inEnamel: false }, 'delivery.11')).toEqual([...enamel, ...primer, ...bond])
  })
  it('fresh dentine is sealed without acid by a self-etch system, with it by the others', () => {
    const inlay: Request = { kind: 'inlay.prepare', teeth: ['36'] }
    expect(bondOf(inlay, 'inlay')).toEqual([...primer, ...bond, light])
    expect(bondOf(inlay, 'inlay', { adhesive: 'etch-and-rinse, two steps' })[0]).toBe('Etch enamel and dentine 15 s')
  })
  it('a canal: by point, wicked, with its activator and no light; no acid for a self-etch system', () => {
    const post: Request = { kind: 'post.core', teeth: ['12'] }
    const canal = [
      'Adhesive mixed with its activator: down the canal, by point',
      'Excess wicked out with dry points, quick touches',
      'Air, gentle, over the canal mouth',
    ]
    expect(bondOf(post, 'post')).toEqual([
      'Etch the canal and the tooth over it 15 s',
      'Rinse 10 s, then paper points until one comes out dry',
      ...canal,
    ])
    expect(bondOf(post, 'post', { adhesive: 'self-etch, two bottles' })).toEqual(canal)
  })
  it('under a dual-cure resin an acidic bottle comes with its activator, a bond over its primer as it is', () => {
    const onlay: Request = { kind: 'inlay.deliver', teeth: ['36'], restoration: 'ceramic onlay', pieceOnHand: true }
    const named = (choices: Chosen) => bondOf(onlay, 'delivery.36', choices).at(-2)
    expect(named({})).toBe('Bond: thin, over all of it')
    for (const adhesive of ['self-etch, one bottle', 'universal', 'etch-and-rinse, two steps'] as const)
      expect(named({ adhesive })).toBe('Adhesive mixed with its activator: rub in 20 s')
  })
})

describe('the piece follows its stuff', () => {
  it.each([
    ['lithium disilicate crown', 'Silane on the fitting side 60 s, dry'],
    ['monolithic zirconia crown', 'Primer with phosphate monomer for zirconia on the fitting side, dry'],
    ['metal-ceramic crown', 'Primer with phosphate monomer for metal on the fitting side, dry'],
  ] as const)('%s', (restoration, says) => {
    const p = planOf({
      kind: 'crown.deliver',
      teeth: ['36'],
      restoration,
      deliveryCement: 'resin',
      pieceOnHand: true,
    })
    expect(p.steps.find((s) => s.id === 'delivery.prime-piece')?.title).toBe(says)
    expect(p.steps.find((s) => s.id === 'delivery.clean-piece')?.mistakes.some((m) => m.includes('phosphoric'))).toBe(
      restoration === 'monolithic zirconia crown',
    )
  })
  it('a bonded bridge of zirconia meets no silane, one of glass ceramic does', () => {
    const bridge: Request = {
      kind: 'bridge.ceramic.deliver',
      teeth: ['31'],
      pontics: ['41'],
      pieceOnHand: true,
    }
    const uses = (framework: 'zirconia' | 'lithium disilicate') =>
      planOf({ ...bridge, framework }).setup.some((l) => l.id === 'silane')
    expect([uses('zirconia'), uses('lithium disilicate')]).toEqual([false, true])
  })
})
