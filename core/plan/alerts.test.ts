/** Alerts look at what lies on the tray, in whichever way it came there: over any case, alert, product, exchange and amendment. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse, safeParse } from '../../demo/test/any-case'
import { practice, requestOf } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { carries } from '../catalog/hazards'
import { kindIds, type KindId } from '../kinds'
import type { Plan } from '../model/plan'
import type { Change } from '../practice/amendment'
import { keysOf, sure } from '../sure'
import { alertWords, type Alert } from '../vocabulary'
import { compile } from './compile'

const alerts = keysOf(alertWords)
const hazardous = (alert: Alert) => practice.items.filter((i) => carries({ ...i, needs: i.serves }, alert))
const amended = (kind: KindId, change: Change) => ({
  ...practice,
  amendments: [{ id: 'am-1', kind, change, by: 'Dr A', on: '2026-11-01', why: 'as we do it' }],
})
/** What lies open or stands by and carries what an alert of the patient looks at, and is not spoken of before the tray is signed. */
function unheard({ setup, clashes, request }: Plan): string[] {
  const said = clashes.filter((c) => c.severity !== 'mind').map((c) => c.what)
  return request.alerts.flatMap((alert) =>
    setup
      .filter((l) => l.readiness !== 'drawer' && carries(l, alert) && !l.forbidden)
      // Cartridges are asked of together, a sheet by what it does.
      .filter((l) => !said.some((s) => s.includes(l.name) || /anaesthetic with adrenaline|mouth breather/.test(s)))
      .map((l) => `${alert}: ${l.name}`),
  )
}

describe.each(kindIds)('%s', (kind) => {
  it('whatever a plan, a school or an amendment lays out against an alert is asked of the dentist', () => {
    const against = alerts.flatMap((alert) => hazardous(alert).map((item) => ({ alert, item })))
    fc.assert(
      fc.property(anyWork(kind), frame, fc.constantFrom(...against), fc.boolean(), (work, more, one, standsBy) => {
        const request = parse({ ...work, ...more, alerts: [...new Set([...more.alerts, one.alert])] })
        const plain = compile(request, practice)
        expect(unheard(plain)).toEqual([])
        const readiness = standsBy ? ('standby' as const) : ('open' as const)
        const need = { what: sure(one.item.serves[0]), quantity: 1, readiness, ...(standsBy ? { when: 'wanted' } : {}) }
        const step = sure(plain.steps.find((s) => s.place === 'mouth')).id
        const plan = compile(request, amended(kind, { op: 'add item', step, need }))
        expect(unheard(plan)).toEqual([])
      }),
      { numRuns: often(10) },
    )
  })
  it('T5 what is asked for a first work is asked for a further one', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kindIds), anyWork(kind), frame, (first, second, more) =>
        fc.assert(
          fc.property(anyWork(first), (one) => {
            const both = safeParse({ ...one, ...more, also: [second] })
            const alone = safeParse({ ...second, ...more })
            fc.pre(both.success && alone.success)
            const asked = (p: Plan) =>
              p.clashes.filter((c) => c.severity !== 'mind' && c.id === 'pacemaker').map((c) => c.id)
            const [a, b] = [asked(compile(alone.data, practice)), asked(compile(both.data, practice))]
            expect(a.filter((id) => !b.includes(id))).toEqual([])
          }),
          { numRuns: 1 },
        ),
      ),
      { numRuns: often(4) },
    )
  })
})

describe('a step of the practice’s own', () => {
  const add = (after: string, does: NonNullable<Extract<Change, { op: 'add step' }>['does']>): Change => ({
    op: 'add step',
    after,
    id: 'own.one',
    title: 'Something of our own',
    fn: 'chairside',
    place: 'mouth',
    minutes: [1, 1, 1],
    needs: [],
    does,
  })
  const crown = parse({ kind: 'crown.prepare', teeth: ['36'], restoration: 'full metal crown' })
  const made = (kind: KindId, request: Parameters<typeof compile>[0], change: Change): Plan =>
    compile(request, amended(kind, change))
  it('that hurts or cuts is not done before the test of numbness, nor where nothing is numbed', () => {
    for (const does of [['hurts'], ['changes the lower teeth']] as const)
      expect(made('crown.prepare', crown, add('arrival.seat', [...does])).amendments[0]).toMatchObject({
        applied: false,
        misfit: expect.stringContaining('before it is numb'),
      })
    const recall = parse({ kind: 'recall.week', teeth: ['36'] })
    expect(made('recall.week', recall, add('arrival.seat', ['hurts'])).amendments[0]).toMatchObject({
      applied: false,
      misfit: expect.stringContaining('nothing is numbed'),
    })
    expect(made('crown.prepare', crown, add('arrival.seat', [])).amendments[0]).toMatchObject({ applied: true })
  })
  it('that leaves a film before a wash or a scan has the teeth cleaned', () => {
    const scanned = parse({
      kind: 'crown.prepare',
      teeth: ['36'],
      restoration: 'full metal crown',
      choices: { impression: 'optical scan' },
    })
    for (const request of [crown, scanned]) {
      const before = compile(request, practice).steps.filter((s) => s.id.startsWith('clean.films')).length
      const plan = made('crown.prepare', request, add('cutting.finish', ['leaves a film']))
      expect(plan.amendments[0]).toMatchObject({ applied: true })
      expect(plan.steps.filter((s) => s.id.startsWith('clean.films')).length).toBeGreaterThanOrEqual(
        Math.max(1, before),
      )
    }
  })
  it('that changes the arch opposite after its impression is asked of the dentist', () => {
    const full = requestOf('crown-37', { choices: { impression: 'addition silicone, full arch' } })
    const plan = compile(full, practice)
    const after = sure(plan.steps.find((s) => s.imprints === 'upper')).id
    expect(plan.clashes.map((c) => c.id)).not.toContain('arch-touched')
    // Before the test it would not be taken: so it is put behind the last of both.
    const late = sure(plan.steps.findLast((s) => s.id.startsWith('cutting.'))).id
    const own = made('crown.prepare', full, add(late, ['changes the upper teeth']))
    expect(own.amendments[0]).toMatchObject({ applied: true })
    expect(plan.steps.findIndex((s) => s.id === after)).toBeLessThan(plan.steps.findIndex((s) => s.id === late))
    expect(own.clashes.find((c) => c.id === 'arch-touched')).toMatchObject({ decides: 'dentist' })
  })
})
