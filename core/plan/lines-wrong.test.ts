/** Lines of the trade that are wrong where they are broken, held over any case of any kind. Common practice unless said. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../demo/test/any-case'
import { practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import type { Plan } from '../model/plan'
import { isPrimary, write } from '../teeth/notation'
import { compile } from './compile'

const any = (holds: (plan: Plan) => void) =>
  it.each(kindIds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => holds(compile(parse({ ...work, ...more }), practice))),
      { numRuns: often(12) },
    )
  })

describe('A10, A55 a living tooth that is cut or opened is tested itself, by cold that lies there', () => {
  any((plan) => {
    const numb = plan.holds.find((h) => h.id === 'numb')?.evidence
    const cold = plan.setup.some((l) => l.needs.includes('cold agent'))
    expect(
      plan.steps.some((s) => /[Cc]old (spray )?on a pellet|by cold/.test([s.detail, ...s.passes].join(' '))),
      'cold named',
    ).toBe(cold)
    const [work] = [plan.request]
    if (numb === undefined || work.also.length > 0 || !work.vital) return
    const cut = new Set(
      plan.steps.flatMap((s) =>
        s.cut && s.hurts && s.tooth && !isPrimary(s.tooth) && s.place === 'mouth' ? [s.tooth] : [],
      ),
    )
    // What is cut in enamel only hurts at the gum, and in a canal just filled nothing is alive.
    if (work.inEnamel || plan.kind === 'post.core') return
    for (const tooth of cut) {
      const own = write(tooth, plan.notation)
      expect(
        numb.split(';').some((part) => part.includes('by cold') && part.includes(own)),
        `${own}: ${numb}`,
      ).toBe(true)
    }
  })
})

describe('A56 what is kept in reserve of a thing that is laid open is a line of its own, with its number and its when', () => {
  any((plan) => {
    for (const l of plan.setup) {
      const asks = plan.steps.flatMap((s) => s.needs.filter((n) => l.needs.includes(n.what) && l.steps.includes(s.id)))
      if (l.reusable || !['piece', 'cartridge'].includes(l.unit)) continue
      const kinds = new Set(asks.map((n) => n.readiness))
      if (!kinds.has('open') || !kinds.has('standby')) continue
      const id = l.id.replace(/\.further$/, '')
      const [open, reserve] = [plan.setup.find((x) => x.id === id), plan.setup.find((x) => x.id === `${id}.further`)]
      expect([open?.readiness, reserve?.readiness], id).toEqual(['open', 'standby'])
      expect(reserve?.when, id).toBeTruthy()
      expect(reserve?.quantity, id).toBeGreaterThan(0)
    }
  })
})

describe('C121 pellets that stand by for weeping are two a tooth, whatever the layers', () => {
  any((plan) => {
    const corded = new Set(plan.steps.flatMap((s) => (s.act === 'cord in' && s.tooth ? [s.tooth] : [])))
    const pellets = plan.setup.filter(
      (l) => l.when?.startsWith('the tissue weeps') && l.needs.includes('cotton pellet'),
    )
    if (corded.size > 0 && plan.request.also.length === 0)
      expect(pellets.map((l) => l.quantity)).toEqual([2 * corded.size])
  })
})
