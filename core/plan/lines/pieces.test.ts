/** Pieces of the laboratory: what they are made of, and what is open until they come. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { inAnyCase, planFor, stepOf } from '../../../demo/test/lines'
import { planOf } from '../../../demo/test/plans'
import type { Plan } from '../../model/plan'

describe('A35, A36, A37 and A41 what a bonded piece is made of', () => {
  const bridge = (kind: string, pontic: string, framework?: string): Plan =>
    planFor({
      kind,
      teeth: pontic === '32' ? ['33', '31'] : ['42'],
      pontics: [pontic],
      ...(framework ? { framework } : {}),
    })
  it('A35 a framework nobody has named is never guessed: it stops the delivery, is asked at the preparation, then stands in title, slip, box and hold', () => {
    for (const pontic of ['32', '41']) {
      const unsaid = bridge('bridge.ceramic.deliver', pontic)
      expect(unsaid.clashes.find((x) => x.id === 'made-of-what')).toMatchObject({ severity: 'stop' })
      expect(bridge('bridge.ceramic.prepare', pontic).clashes.find((x) => x.id === 'made-of-what')).toMatchObject({
        severity: 'ask',
        decides: 'dentist',
      })
      const primers = (plan: Plan): string[] =>
        plan.setup.filter((l) => /silane|primer.metal/.test(l.needs.join())).map((l) => `${l.id} ${l.readiness}`)
      expect(primers(unsaid)).toEqual(['silane standby', 'metal-primer standby'])
      for (const framework of ['zirconia', 'lithium disilicate']) {
        const [prepared, delivered] = [
          bridge('bridge.ceramic.prepare', pontic, framework),
          bridge('bridge.ceramic.deliver', pontic, framework),
        ]
        for (const plan of [prepared, delivered]) {
          expect(plan.title).toContain(framework)
          expect(plan.clashes.some((x) => x.id === 'made-of-what')).toBe(false)
          expect(plan.asked.facts.flat()).toContain('framework')
        }
        expect(stepOf(prepared, 'records.pontic-note')?.title).toContain(framework)
        expect(stepOf(delivered, 'arrival.piece')?.detail).toContain(framework)
        expect(delivered.holds.find((h) => h.name === 'fit')?.evidence).toContain(framework)
        expect(primers(delivered)).toEqual([framework === 'zirconia' ? 'metal-primer open' : 'silane open'])
      }
    }
    // One stuff only: nothing is asked.
    expect(planOf('J02-bonded-metal-bridge-delivery').clashes.some((x) => x.id === 'made-of-what')).toBe(false)
  })
  it('A36 zirconia that was in the mouth and is bonded is cleaned by an agent or fine air abrasion; glass by alcohol, a cemented crown as it was', () => {
    const crown = (tooth: string, restoration: string, deliveryCement: string): string =>
      stepOf(planFor({ kind: 'crown.deliver', teeth: [tooth], restoration, deliveryCement }), 'delivery.clean-piece')
        ?.title ?? ''
    for (const tooth of ['36', '14', '21']) {
      expect(crown(tooth, 'monolithic zirconia crown', 'resin'), tooth).toContain('zirconia cleaner')
      expect(crown(tooth, 'lithium disilicate crown', 'resin'), tooth).toContain('alcohol')
      expect(crown(tooth, 'monolithic zirconia crown', 'conventional'), tooth).toContain('alcohol')
    }
    expect(stepOf(bridge('bridge.ceramic.deliver', '41', 'zirconia'), 'delivery.clean-piece')?.title).toContain(
      'zirconia cleaner',
    )
  })
  inAnyCase((plan) => {
    const cleaned = plan.steps.find((s) => s.id.startsWith('delivery.clean-piece'))
    const works = [plan.request, ...plan.request.also]
    if (cleaned && works.length === 1) {
      const { restoration, framework, deliveryCement, kind } = plan.request
      const zirconia = restoration === 'monolithic zirconia crown' || framework === 'zirconia'
      const bonded = kind !== 'crown.deliver' || deliveryCement === 'resin'
      // A36 alcohol does not take the phosphate of saliva off.
      if (zirconia && bonded) {
        expect(cleaned.title).toContain('zirconia cleaner')
        expect(cleaned.needs.map((n) => n.what)).toEqual(['zirconia cleaner', 'air abrasion', 'ultrasonic bath'])
      }
    }
    // A37 a film of silicone on a fitting side that is bonded is not a matter of course.
    const bonded =
      plan.steps.some((s) => s.id.startsWith('delivery.seat') && s.needs.length > 0) &&
      plan.setup.some((l) => l.needs.some((n) => /^cement\.(resin$|veneer)/.test(n)) && l.readiness === 'open')
    if (bonded && works.length === 1)
      expect(plan.setup.filter((l) => l.needs.includes('fit checker') && l.readiness === 'open')).toEqual([])
    // A41 hydrofluoric acid is spoken of only where there is glass to etch.
    const glass = works.some(
      (w) =>
        w.framework === 'lithium disilicate' ||
        ['lithium disilicate crown', 'laminate veneer', 'ceramic inlay', 'ceramic onlay'].includes(w.restoration ?? ''),
    )
    if (!glass) expect(plan.steps.some((s) => s.cautions.some((x) => x.text.includes('ydrofluoric')))).toBe(false)
  })
})

describe('A120, A121 veneers where dentine shows, and where it does not', () => {
  const veneers = (kind: string, teeth: string[], more: object): Plan => planFor({ kind, teeth, ...more })
  it('A120 says wholly in enamel only where it is; dentine without a shell is asked about, by its own reason', () => {
    for (const kind of ['veneer.prepare', 'laminate.prepare'])
      for (const teeth of [['12', '11'], ['22'], ['42', '41', '31']])
        for (const inEnamel of [true, false])
          for (const veneerProvisional of ['none', 'locked-on shell']) {
            const plan = veneers(kind, teeth, { inEnamel, visitChoices: { veneerProvisional } })
            const why = plan.absent.filter((a) => a.what === 'provisional').map((a) => a.because.text)
            const words = JSON.stringify([plan.steps, plan.absent])
            expect(words.includes('holly in enamel')).toBe(inEnamel)
            const open = !inEnamel && veneerProvisional === 'none'
            expect(why).toHaveLength(veneerProvisional === 'none' ? 1 : 0)
            if (open) expect(why[0]).toContain('dentine shows')
            expect(plan.clashes.find((x) => x.id === 'open-dentine')?.decides).toBe(open ? 'dentist' : undefined)
          }
  })
  it('A121 checks the edge of those teeth only whose edge is covered, in enamel or not', () => {
    for (const inEnamel of [true, false]) {
      const plan = veneers('veneer.prepare', ['12', '11', '21'], { inEnamel, ofTooth: { 11: { coveredEdge: true } } })
      const detail = stepOf(plan, 'cutting.reduction-check')?.detail ?? ''
      expect(detail).toMatch(/edge 1\.0–1\.5 mm of 11[,.]/)
      expect(
        veneers('veneer.prepare', ['12', '21'], { inEnamel }).steps.find((s) => s.id === 'cutting.reduction-check')
          ?.detail,
      ).not.toContain('edge')
    }
    const all = veneers('laminate.prepare', ['41', '31'], {
      ofTooth: { 41: { coveredEdge: true }, 31: { coveredEdge: true } },
    })
    expect(all.steps.find((s) => s.id === 'cutting.reduction-check')?.detail).toContain('of 41, 31')
  })
})
