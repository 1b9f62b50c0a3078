/** Two works in one visit, of kinds that go together: one frame, one sheet where they share a jaw. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../../demo/test/people'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import type { KindId } from '../../kinds'
import { compileHeld as compile } from '../../plan/compile'
import { runThrough, startDrive } from '../../run/drive'
import { anyWork, frame, parse, safeParse } from '../../../demo/test/any-case'
import { tooMany, whole } from '../../../demo/test/whole'

describe('two works in one visit', () => {
  const pairs: [KindId, KindId][] = [
    ['filling.bulk', 'filling.cervical'],
    ['crown.prepare', 'filling.amalgam'],
    ['filling.bulk', 'filling.bulk'],
    ['inlay.deliver', 'filling.cusps'],
    ['gold.deliver', 'filling.injected'],
    ['primary.metal-crown', 'primary.class3'],
    ['primary.incisors', 'primary.metal-crown'],
    ['endo.core.crown', 'crown.interim'],
    ['veneer.prepare', 'laminate.prepare'],
  ]
  it.each(pairs)('%s and %s: one frame, no id twice, everything still whole', (a, b) => {
    fc.assert(
      fc.property(anyWork(a), anyWork(b), frame, (one, { ...two }, more) => {
        const read = safeParse({ ...one, also: [two], ...more })
        if (!read.success) {
          // The only thing two sound works can have against each other is a tooth they share.
          for (const { message } of read.error.issues)
            expect(message).toMatch(
              /cannot both be done on the .* \(ISO \d\d\)|is replaced by the bridge|is worked on by .* and cannot be replaced/,
            )
          return
        }
        const p = compile(read.data, practice)
        whole(p)
        fc.pre(!tooMany(p))
        expect(p.steps.filter((s) => s.id === 'arrival.seat' || s.id === 'closing.counts')).toHaveLength(2)
        const d = runThrough(startDrive(p, 0), assistant, dentist)
        expect(d.state.core.status, JSON.stringify(d.refusals.at(-1))).toBe('closed')
      }),
      { numRuns: often(6) },
    )
  })
  it('asleep: the throat pack goes round all of the work, back teeth before front teeth, and is out before anything closes', () => {
    const p = compile(
      parse({
        kind: 'primary.incisors',
        teeth: ['51'],
        weightKg: 15,
        also: [{ kind: 'primary.metal-crown', teeth: ['54'] }],
      }),
      practice,
    )
    const at = (id: string): number => p.steps.findIndex((s) => s.id === id)
    const between = [
      'crown.54.seat@primary.metal-crown',
      'crown.51.fit',
      'crown.51.seat',
      'asleep.pack-out',
      'closing.counts',
    ].map(at)
    expect(Math.min(...between)).toBeGreaterThan(at('asleep.pack-in'))
    expect(between).toEqual(between.toSorted((a, b) => a - b))
    expect(p.steps.filter((s, i) => s.place === 'mouth' && i > at('asleep.pack-out')).map((s) => s.id)).toEqual([
      'closing.rinse',
    ])
    expect(p.holds.find((h) => h.id === 'throat.out')).toMatchObject({ mandatory: true })
  })
  it('share one sheet in one jaw: it goes on once, over the teeth of both, and comes off at the end', () => {
    const p = compile(
      parse({ kind: 'filling.bulk', teeth: ['36'], also: [{ kind: 'filling.amalgam', teeth: ['34'] }] }),
      practice,
    )
    const ids = p.steps.map((s) => s.id)
    expect(ids.filter((id) => id.includes('dam-on'))).toEqual(['isolation.dam-on'])
    expect(ids.filter((id) => id.includes('dam-off'))).toEqual(['isolation.dam-off@filling.amalgam'])
    expect(p.counts.find((c) => c.id === 'dam-pieces')).toMatchObject({ outStep: 'isolation.dam-off@filling.amalgam' })
  })
})
