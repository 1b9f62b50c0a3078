/** Pieces of the laboratory: what they are made of, and what is open until they come. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { at, inAnyCase, planFor, planUnderGum, stepOf } from '../../../demo/test/lines'
import { planOf } from '../../../demo/test/plans'
import { kindFacts } from '../../kinds'
import type { Plan } from '../../model/plan'
import { neighbours } from '../../teeth/arch'

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

describe('C107 films a margin that cannot be looked at all round at the try-in, before fit is signed and before any cement; none where all of it is in sight', () => {
  inAnyCase(
    (plan) => {
      const hidden = plan.request.margin === 'subgingival'
      const film = at(plan, 'delivery.film')
      expect(film >= 0).toBe(hidden)
      const fit = plan.holds.find((h) => h.name === 'fit')
      expect(fit?.stepId).toBe(hidden ? 'delivery.film' : 'delivery.try-in')
      if (!hidden) return
      const cement = plan.steps.findIndex((s) => s.needs.some((n) => n.what.startsWith('cement.')))
      expect(film).toBeGreaterThan(at(plan, 'delivery.try-in'))
      expect(film).toBeLessThan(cement)
    },
    ['crown.deliver'],
  )
})

describe('C125 flosses only the outer contacts of units that come out of one mould in one piece, and looks whether a threader passes between', () => {
  const fitOf = (teeth: string[], more: object = {}) =>
    stepOf(planUnderGum({ kind: 'crown.prepare', teeth, ...more }), 'provisional.try-in')!
  it('C125 two and three side by side, over the midline; two apart keep each contact', () => {
    const two = fitOf(['25', '26'])
    expect(two.detail).toContain('Contacts to floss: 25 mesial, 26 distal.')
    expect(two.detail).toMatch(/threader passes under: 25 and 26\./)
    expect(two.needs.map((n) => n.what)).toContain('floss threader')
    const front = fitOf(['11', '21'])
    expect(front.detail).toContain('Contacts to floss: 11 distal, 21 distal.')
    const apart = fitOf(['14', '16'])
    expect(apart.detail).toContain('14 mesial, 14 distal, 16 mesial, 16 distal')
    expect(apart.needs.map((n) => n.what)).not.toContain('floss threader')
  })
  inAnyCase((plan) => {
    const said = stepOf(plan, 'provisional.try-in')?.detail ?? ''
    const [, outer = ''] = /Contacts to floss: ([^.]*)\./.exec(said) ?? []
    const [, joined = ''] = /passes under: ([^.]*)\./.exec(said) ?? []
    for (const pair of joined.split('; ').filter(Boolean))
      for (const one of pair.split(' and '))
        expect([...outer.matchAll(new RegExp(one.slice(0, 2), 'g'))].length).toBeLessThan(2)
  })
})

describe('A26, C128 reads the parts of a margin that exist: text, form and signed evidence say the same', () => {
  inAnyCase((plan) => {
    const family = kindFacts(plan.kind).family
    for (const s of plan.steps)
      for (const a of s.asks) {
        if (a.reading !== 'inspection' && a.reading !== 'provisional') continue
        if (s.id.includes('@')) continue
        const parts = a.parts ?? []
        const eight = [s.title, plan.holds.find((h) => h.stepId === s.id)?.evidence ?? ''].join(' ').includes('eight')
        if (eight) expect(parts, s.id).toHaveLength(8)
        if (family === 'veneer') {
          expect(parts, s.id).toEqual(expect.arrayContaining(['mesial', 'buccal', 'distal']))
          const wrapped = plan.request.teeth.some((t) => plan.request.ofTooth[t]?.coveredEdge)
          expect(parts.includes('lingual'), s.id).toBe(wrapped)
        }
        if (family === 'bonded bridge') {
          expect(parts, s.id).not.toContain('buccal')
          // Round the side of the gap only, whoever else is missing.
          for (const side of ['mesial', 'distal'] as const)
            expect(parts.includes(side), `${s.id} ${side}`).toBe(
              plan.request.teeth.some((t) => {
                const next = neighbours(t)[side].tooth
                return next !== null && plan.request.pontics.includes(next)
              }),
            )
        }
        if (family === 'crown') expect(parts, s.id).toHaveLength(8)
      }
  })
  it('A26 C128 a crown, a veneer with its edge wrapped, a retainer beside a gap, an MO inlay', () => {
    const partsOf = (more: object) =>
      planUnderGum(more)
        .steps.flatMap((s) => s.asks)
        .flatMap((a) => (a.reading === 'inspection' ? [a.parts?.length] : []))[0]
    expect(partsOf({ kind: 'crown.prepare', teeth: ['46'] })).toBe(8)
    expect(partsOf({ kind: 'laminate.prepare', teeth: ['11'], ofTooth: { '11': { coveredEdge: true } } })).toBe(6)
    expect(partsOf({ kind: 'laminate.prepare', teeth: ['11'] })).toBe(5)
    expect(partsOf({ kind: 'inlay.prepare', teeth: ['16'], ofTooth: { '16': { surfaces: 'MO' } } })).toBe(3)
  })
})

describe('A33, A38 builds a wall only where one is missing and once, and takes the sticky layer of fresh resin off before silicone or bis-acryl meets it', () => {
  inAnyCase((plan) => {
    const walls = plan.steps.filter((s) => s.id.startsWith('records.wall'))
    expect(walls.length).toBeLessThanOrEqual(1)
    if (!plan.request.missingWall) expect(walls).toEqual([])
    for (const s of plan.steps) expect(s.detail ?? '', s.id).not.toContain('missing wall is built')
    let sticky = false
    for (const s of plan.steps) {
      if (/of the sticky layer|wiped? with alcohol|gauze with alcohol/i.test(s.title)) sticky = false
      if (s.cut && s.tooth) sticky = false
      if (/^records\.(preliminary|putty-index)|^provisional\.(mix|separate)|^impression\.load/.test(s.id))
        expect(sticky, s.id).toBe(false)
      if (s.id.startsWith('records.wall') || s.needs.some((n) => n.what === 'core.dual-cure')) sticky = true
    }
  })
  it.each([
    ['crown.prepare', '46', {}],
    ['endo.core.crown', '36', {}],
    ['crown.prepare', '25', { visitChoices: { provisional: 'bis-acryl in putty index' } }],
  ])('A38 %s %s', (kind, tooth, more) => {
    const ids = (missingWall: boolean) =>
      planUnderGum({ kind, teeth: [tooth], missingWall, ...more }).steps.map((s) => s.id)
    const built = ids(true)
    expect(built.indexOf('records.wall')).toBeGreaterThan(0)
    expect(built[built.indexOf('records.wall') + 1]).toBe('clean.films')
    expect(built[built.indexOf('clean.films') + 1]).toMatch(/^records\.(preliminary|putty-index)$/)
    expect(ids(false)).not.toContain('records.wall')
  })
})

describe('A39 gives dentine that shows in enamel its acid for the last 15 s only, a primer, and no text that claims enamel', () => {
  inAnyCase(
    (plan) => {
      if (plan.request.inEnamel) return
      for (const s of plan.steps)
        expect(`${s.title} ${s.told ?? ''}`, s.id).not.toMatch(/all in enamel|in enamel$|wholly in enamel|no dentine/)
      for (const h of plan.holds) expect(`${h.title} ${h.evidence}`, h.id).not.toMatch(/in enamel$|no dentine/)
    },
    ['bridge.ceramic.prepare', 'bridge.ceramic.deliver', 'veneer.prepare', 'laminate.prepare', 'laminate.deliver'],
  )
  it.each([
    ['bridge.ceramic.deliver', { teeth: ['31', '42'], pontics: ['41'], framework: 'lithium disilicate' }],
    ['bridge.ceramic.deliver', { teeth: ['11'], pontics: ['12'], framework: 'zirconia' }],
    ['laminate.deliver', { teeth: ['21'] }],
  ])('A39 %s', (kind, more) => {
    const of = (inEnamel: boolean, etch: string) =>
      planFor({
        kind,
        ...more,
        inEnamel,
        visitChoices: { etch, adhesive: etch === 'total' ? 'etch-and-rinse, three steps' : 'self-etch, two bottles' },
      })
    const etches = (inEnamel: boolean, etch: string) =>
      of(inEnamel, etch).steps.filter((s) => /^Etch .* s, /.test(s.title) && s.fn === 'etching')
    const shows = etches(false, 'total')
    expect(shows.length).toBeGreaterThan(0)
    for (const s of shows) {
      expect(s.title).toContain('the dentine that shows for the last 15 s only')
      expect(s.mistakes.join()).toContain('over 15 s')
    }
    for (const s of [...etches(true, 'total'), ...etches(false, 'enamel edge')])
      expect(s.title).toContain('Etch the enamel 60 s')
    const primed = (plan: Plan): boolean =>
      plan.steps.some((s) => /primer|activator/i.test(s.title) && s.fn === 'bonding')
    expect([primed(of(false, 'total')), primed(of(false, 'enamel edge'))]).toEqual([true, true])
  })
})
