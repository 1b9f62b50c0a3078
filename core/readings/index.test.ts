import { toTooth } from '../teeth/notation'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { planOf } from '../../demo/test/plans'
import { extraGrooves, judgeConvergence, limitingTaper, totalConvergence } from '../measure/convergence'
import { judgeInspection, marginParts } from '../measure/inspection'
import { judgeReduction, sitesOf } from '../measure/reduction'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'
import { composeNote, noteText } from '../record/note'
import { decide } from '../run/decide'
import { give, runThrough, startDrive, type Drive } from '../run/drive'
import { judge, readingsAt, spokenOf } from '.'

const plan = planOf('crown-37')
const at = (stepId: string): Drive => {
  const d = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist, stepId)
  give(d, { kind: 'advance', start: stepId }, assistant)
  return d
}

describe('convergence and resistance', () => {
  it('are geometry: walls 5.0 and 5.42 mm apart over 4 mm are 6.0°; the taper where resistance ends for 4 and 3 mm over a base of 10', () => {
    expect(totalConvergence(5.42, 5, 4).value).toBe(6)
    expect(limitingTaper(4, 10)).toBeCloseTo(26.6, 1)
    expect(limitingTaper(3, 10)).toBeCloseTo(18.4, 1)
    expect(limitingTaper(6, 10)).toBe(45)
  })
  it('the limiting taper is where the wall’s top, tipping about the opposite margin, just touches: checked by turning it', () => {
    for (const [h, b] of [
      [3, 10],
      [4, 10],
      [2.5, 7],
    ] as const) {
      // A wall of length along its slope, top at height h: distances from the far margin to a point on the wall grow towards the margin only up to the limit.
      const letsGo = (deg: number): boolean => {
        const t = Math.tan((deg * Math.PI) / 180)
        const distance = (y: number): number => Math.hypot(b - y * t, y)
        return distance(h) <= distance(h - 1e-6)
      }
      const limit = limitingTaper(h, b)
      // Past the limit the top lies nearer to the axis of turning than what is under it: nothing holds it back.
      expect(letsGo(limit + 1)).toBe(true)
      expect(letsGo(limit - 1)).toBe(false)
    }
  })
  // Common practice: two, opposite each other, where form alone does not hold.
  it('advises two more grooves on what no longer resists, is tipped, or carries a long span, and none else', () => {
    const sound = { resists: true, convergenceDeg: 14 }
    expect([extraGrooves(sound), extraGrooves({ ...sound, units: 3 })]).toEqual([null, null])
    for (const worse of [{ resists: false }, { convergenceDeg: 24 }, { tipped: true }, { units: 4 }])
      expect(extraGrooves({ ...sound, ...worse })).toMatchObject({ n: 2 })
    expect(extraGrooves({ ...sound, tipped: true, units: 5 })?.because.text).toBe(
      'the tooth is tipped, 5 units pull on it: two grooves, opposite each other on the proximal sides',
    )
  })
  it('are told against the published aims (Goodacre, Campagni, Aquilino, J Prosthet Dent 2001;85:363), never as an order', () => {
    expect(judgeConvergence({ cervicalMm: 8, occlusalMm: 6.6, heightMm: 4, molar: true }).says).toEqual([])
    const { says, resists } = judgeConvergence({ cervicalMm: 10, occlusalMm: 6, heightMm: 2.5, molar: true })
    expect(resists).toBe(false)
    expect(says.map((s) => s.text).join(' ')).toMatch(
      /a groove or a box is for the dentist to judge.*10 to 20°.*at least 4 mm.*at least 0.4/,
    )
  })
})

describe('reduction by site', () => {
  it('a full metal crown on a molar: 1.5 under the working cusp is enough, 1.1 is 0.4 short, 2.0 is told as 0.5 over', () => {
    const says = (mm: number) => judgeReduction('full metal crown', { 'functional cusp': mm })[0]!
    expect(says(1.5)).toMatchObject({ verdict: 'enough' })
    expect(says(1.1)).toMatchObject({ verdict: 'short', byMm: 0.4 })
    expect(says(2)).toMatchObject({ verdict: 'over', byMm: 0.5 })
    expect(sitesOf('full metal crown', true)).not.toContain('incisal')
    expect(sitesOf('lithium disilicate crown', false)).toContain('incisal')
    expect(sitesOf('lithium disilicate crown', false)).not.toContain('functional cusp')
  })
})

describe('the eight margin parts', () => {
  it('any open part or a bubble or tear on the margin is taken again; what lies clear of it is accepted and told', () => {
    expect(judgeInspection({ parts: {}, field: [] })).toMatchObject({
      verdict: 'accept',
      says: ['all eight parts clear'],
    })
    for (const part of marginParts)
      for (const fault of ['short', 'bubble', 'tear'] as const)
        expect(judgeInspection({ parts: { [part]: fault }, field: [] }).verdict).toBe('again')
    expect(
      judgeInspection({ parts: {}, field: ['bubble clear of margin and contact', 'cord caught, clear of the margin'] })
        .verdict,
    ).toBe('tell')
    expect(judgeInspection({ parts: {}, field: ['tray shows beside a preparation'] }).verdict).toBe('again')
    // Of a scan: a hole at the margin is scanned again, one clear of it is told.
    expect(judgeInspection({ parts: { distal: 'hole' }, field: [] }).verdict).toBe('again')
    expect(judgeInspection({ parts: {}, field: ['hole clear of margin and contact'] }).verdict).toBe('tell')
    expect(
      judgeInspection({ parts: {}, field: ['stitched out of step'] }, ['stitched out of step']).causes,
    ).toHaveLength(1)
  })
  it('a second fault of a kind brings its likely cause, the first does not', () => {
    expect(judgeInspection({ parts: { distal: 'bubble' }, field: [] }).causes).toEqual([])
    expect(judgeInspection({ parts: { mesial: 'bubble' }, field: [] }, ['bubble']).causes).toEqual([
      'bubbles twice: the tip left the material, or the crevice was wet',
    ])
    expect(judgeInspection({ parts: { mesial: 'tear' }, field: [] }, ['bubble']).causes).toEqual([])
  })
})

describe('measured in the run', () => {
  const reduction = (mm: number) => ({
    kind: 'measure' as const,
    stepId: 'cutting.reduction-check',
    measure: 'reduction' as const,
    tooth: '37',
    readings: { 'functional cusp': mm, mesial: 0.9 },
  })
  it('short keeps the hold from being signed as good; read again and enough, it is signed; the record tells the last reading', () => {
    const d = at('cutting.reduction-check')
    expect(give(d, reduction(0.6), assistant)).toBeNull()
    expect(give(d, { kind: 'sign', holdId: 'reduction' }, dentist)).toMatchObject({
      code: 'measured',
      message: expect.stringContaining('37 functional cusp: short by 0.4 mm'),
    })
    // The dentist may go on all the same, with a reason, and it stays visible.
    expect(
      decide(
        plan,
        d.state,
        { kind: 'wave', holdId: 'reduction', reason: 'opposing cusp will be adjusted' },
        dentist,
        d.now,
      ),
    ).toHaveProperty('events')
    give(d, reduction(1.2), assistant)
    expect(give(d, { kind: 'sign', holdId: 'reduction' }, dentist)).toBeNull()
    expect(noteText(composeNote(plan, d.events, { name: 'A' }, 'Etc/UTC'))).toMatch(
      /37 reduction: functional cusp: enough, 1\.2 mm of 1\.0–1\.5 mm; mesial: enough/,
    )
  })
  it('an impression read as faulty is done over, is read anew, and the same fault again names its cause', () => {
    const d = at('impression.inspect')
    const inspect = {
      kind: 'measure' as const,
      stepId: 'impression.inspect',
      measure: 'inspection' as const,
      tooth: '37',
      readings: { parts: { distal: 'bubble' }, field: [] },
    }
    give(d, inspect, assistant)
    expect(give(d, { kind: 'sign', holdId: 'impression' }, dentist)).toMatchObject({ code: 'measured' })
    give(d, { kind: 'again', holdId: 'impression', reason: 'bubble on the distal margin' }, assistant)
    expect(d.state.core.measured.filter((m) => m.stepId === 'impression.inspect')).toEqual([])
    const again = runThrough(d, assistant, dentist, 'impression.inspect')
    give(again, { kind: 'advance', start: 'impression.inspect' }, assistant)
    give(again, inspect, assistant)
    expect(again.state.core.measured.find((m) => m.measure === 'inspection')!.says).toContain(
      'bubbles twice: the tip left the material, or the crevice was wet',
    )
  })
  it('what was injected stays in the ledger when more is given: one share of the ceiling over the whole visit', () => {
    const d = at('anaesthesia.inject')
    // Topical takes its minute.
    const begin = (stepId: string): unknown => {
      d.now += 600_000
      return give(d, { kind: 'advance', start: stepId }, dentist)
    }
    expect(begin('anaesthesia.inject')).toBeNull()
    const read = (cartridges: number) =>
      give(
        d,
        {
          kind: 'measure',
          stepId: 'anaesthesia.inject',
          measure: 'anaesthetic',
          tooth: '37',
          readings: { lidocaine: cartridges, weightKg: 70 },
        },
        assistant,
      )
    const says = () => d.state.core.measured.find((m) => m.measure === 'anaesthetic')!.says.join('; ')
    expect(read(2)).toBeNull()
    // 36 mg a cartridge of 2 % and 1.8 mL; the label has 7 mg/kg, 490 mg at 70 kg.
    expect(says()).toContain('2 × 36 mg = 72 mg')
    give(d, { kind: 'advance', finish: 'anaesthesia.inject' }, dentist)
    runThrough(d, assistant, dentist, 'anaesthesia.test')
    begin('anaesthesia.test')
    expect(give(d, { kind: 'again', holdId: 'numb', reason: 'the tongue side is felt' }, dentist)).toBeNull()
    expect(d.state.core.measured.some((m) => m.measure === 'anaesthetic')).toBe(false)
    expect(begin('anaesthesia.inject')).toBeNull()
    expect(read(1)).toBeNull()
    expect(says()).toMatch(/3 × 36 mg = 108 mg, with what was given before; .*: 22 % of the ceiling/)
  })
  it('what a hold rests on is read before it is signed: no shade without a shade, by thirds in front, named as on a tab', () => {
    const d = at('records.shade')
    const sign = (): unknown => give(d, { kind: 'sign', holdId: 'shade' }, dentist)
    expect(sign()).toMatchObject({ code: 'measured', missing: ['37 shade'] })
    const read = { kind: 'measure', stepId: 'records.shade', measure: 'shade', tooth: '37' } as const
    const by = { light: 'daylight', wet: true }
    expect(give(d, { ...read, readings: { middle: 'nice', ...by } }, assistant)).toMatchObject({
      message: expect.stringContaining('“nice” names no shade'),
    })
    expect(give(d, { ...read, readings: { middle: 'B2', ...by } }, assistant)).toBeNull()
    expect(sign()).toBeNull()
    const front = compile(
      visitRequest.parse({
        ...plan.request,
        teeth: ['11'],
        restoration: 'lithium disilicate crown',
        also: [],
        earlier: [],
      }),
      starterPractice(),
    )
    const step = front.steps.find((s) => s.id === 'records.shade')!
    const of = { plan: front, step, tooth: toTooth('11'), before: [], round: 0 }
    expect(judge('shade', { middle: 'B2', ...by }, of)).toEqual({ wrong: expect.stringContaining('thirds') })
    expect(judge('shade', { neck: 'B3', middle: 'B2', edge: 'B1', ...by }, of)).toMatchObject({ verdict: 'good' })
    // The dentist may still go on unsigned, with a reason: it stands in the record.
    const e = at('records.shade')
    expect(give(e, { kind: 'wave', holdId: 'shade', reason: 'as the other side, by the slip' }, dentist)).toBeNull()
  })
  it('names the tooth it was read of, and none where it was read once for the visit', () => {
    expect(spokenOf(plan, { measure: 'reduction', tooth: toTooth('37') }, 'reduction')).toBe('37 reduction')
    const universal = { notation: 'universal' } as const
    expect(spokenOf(universal, { measure: 'reduction', tooth: toTooth('37') }, 'reduction')).toBe('18 reduction')
    expect(spokenOf(plan, { measure: 'sheet', tooth: toTooth('37') }, 'sheet and clamp')).toBe('sheet and clamp')
  })
  it('asks at its own steps only, of the visit’s own teeth, in readings that can be; a forged verdict does not get in', () => {
    expect(plan.steps.flatMap((s) => readingsAt(s).map((m) => `${s.id} ${m}`))).toEqual([
      'anaesthesia.inject anaesthetic',
      'records.shade shade',
      'records.opposing alginate',
      'cutting.reduction-check reduction',
      'cutting.reduction-check convergence',
      'tissue.base-cord.37 cord',
      'tissue.top-cord.37 cord',
      'tissue.draw-cord.37 cord out',
      'impression.inspect inspection',
      'tissue.base-out.37 cord out',
      'provisional.try-in provisional',
    ])
    const d = at('cutting.reduction-check')
    const refused = (change: object): unknown => decide(plan, d.state, { ...reduction(1), ...change }, assistant, d.now)
    expect(refused({ tooth: '11' })).toMatchObject({ refused: { message: expect.stringContaining('"11"') } })
    expect(refused({ stepId: 'arrival.seat' })).toHaveProperty('refused')
    expect(refused({ readings: { 'functional cusp': 60 } })).toHaveProperty('refused')
    expect(refused({ readings: {} })).toHaveProperty('refused')
    expect(
      judge(
        'inspection',
        { parts: { nowhere: 'bubble' }, field: [] },
        { plan, step: plan.steps[0]!, tooth: plan.teeth[0]!.tooth, before: [], round: 0 },
      ),
    ).toHaveProperty('wrong')
  })
})
