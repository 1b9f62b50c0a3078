/** Eyes, films, and whose hands do it. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { inAnyCase, planFor } from '../../../demo/test/lines'
import { files, planOf, practice } from '../../../demo/test/plans'
import type { Step } from '../../model/step'
import { presetTable } from '../../practice/functions'
import { turns } from '../shielded'

describe('A42, C106 nobody of the team holds head, film or sensor while a film is exposed', () => {
  inAnyCase((plan) => {
    for (const s of plan.steps) {
      expect(s.help ?? '', s.id).not.toMatch(/(?<!nobody )holds? (the )?(head|film|sensor)/)
      if (s.fn !== 'radiograph' || s.id.startsWith('records.vitality')) continue
      if (s.help !== undefined) expect(s.help, s.id).toContain('behind the shield')
      expect(s.cautions.map((x) => x.text).join(' '), s.id).toMatch(
        /holder.*the patient’s own finger.*behind the shield/,
      )
    }
  })
})

describe('A15, B126 what guards the eyes lies out and is said at the first bur, wheel or cup, whatever its phase, at the bench too', () => {
  const guards = (s: Step): boolean =>
    s.needs.some((n) => n.what === 'face shield') && s.cautions.some((x) => /shield/i.test(x.text))
  inAnyCase((plan) => {
    for (const bench of [false, true]) {
      const [first, ...later] = plan.steps.filter((s) => turns(s) && (s.place === 'bench') === bench)
      if (first) expect(guards(first), first.id).toBe(true)
      for (const s of later)
        expect(
          s.needs.some((n) => n.what === 'face shield'),
          s.id,
        ).toBe(false)
    }
    const bur = plan.steps.find((s) => s.cut)
    expect(plan.setup.some((l) => l.needs.includes('bur block'))).toBe(bur !== undefined)
    if (bur) expect(bur.needs.map((n) => n.what)).toContain('bur block')
  })
  it('A15 B126 the opponent eased before the retainers, a delivery, a recall, an interim crown', () => {
    const seen = (name: string): string[] =>
      planOf(name)
        .steps.filter(guards)
        .map((s) => s.id)
    for (const name of files.filter((f) => /^(J02|J13|J16|crown-deliver|recall)/.test(f))) {
      const first = planOf(name).steps.find((s) => turns(s))
      if (first) expect(seen(name), name).toContain(first.id)
    }
  })
})

describe('B5, C108 what cuts is never polishing: bur and blade are the dentist’s in every preset, cups and discs are a step of their own', () => {
  const tables = (['cautious', 'expanded'] as const).map((preset) => presetTable(preset, 'Dr Demo', '2026-11-01'))
  it('B5 C108 no preset gives a bur or a blade to an assistant; a practice may', () => {
    for (const table of tables)
      expect(table.find((l) => l.function === 'finishing')).toMatchObject({ assistant: 'no', expanded: 'no' })
  })
  inAnyCase((plan) => {
    for (const s of plan.steps) {
      const cuts = s.cut !== undefined || /\b(bur|blade)\b/.test([s.title, ...s.passes].join(' '))
      if (s.fn === 'polishing') expect(cuts, s.id).toBe(false)
      if (s.cut && s.place === 'mouth' && s.phase === 'finishing') expect(s.fn, s.id).toBe('finishing')
      // A title that holds both is two steps.
      if (s.fn === 'finishing') expect(s.title, s.id).not.toMatch(/\b(cups?|discs?|polishers?|wheels?|paste)\b/i)
    }
  })
  it('B5 the dentist shapes and the expanded assistant polishes, whatever is filled or bonded', () => {
    const expanded = { dentist: 'dentist', assistants: ['expanded'] }
    const people = [...practice.people, { id: 'expanded', name: 'Another', roles: ['expanded assistant' as const] }]
    for (const [kind, teeth] of [
      ['filling.bulk', ['26']],
      ['filling.injected', ['45']],
      ['filling.cervical', ['34']],
      ['inlay.deliver', ['16']],
      ['laminate.deliver', ['11', '21']],
    ] as const) {
      const plan = planFor(
        { kind, teeth, team: expanded, visitChoices: { functions: 'expanded' } },
        { ...practice, people },
      )
      for (const s of plan.steps) {
        if (s.fn === 'finishing') expect(s.performer.personId, `${kind} ${s.id}`).toBe('dentist')
        // Where hands work second by second, the lanes give them out.
        if (s.fn === 'polishing' && !s.lanes) expect(s.performer.personId, `${kind} ${s.id}`).toBe('expanded')
      }
    }
  })
})

describe('A43, C109 what is loaded at the bench is the assistant’s, while the dentist keeps the tooth', () => {
  it('A43 C109 a bonded crown, bridge, inlay and laminate: loaded by the assistant', () => {
    for (const more of [
      { kind: 'crown.deliver', teeth: ['36'], deliveryCement: 'resin' },
      { kind: 'bridge.ceramic.deliver', teeth: ['31', '33'], pontics: ['32'], framework: 'zirconia' },
      { kind: 'inlay.deliver', teeth: ['16'] },
      { kind: 'laminate.deliver', teeth: ['11', '21'] },
    ]) {
      const loads = planFor(more).steps.filter((s) => s.place === 'bench' && /^delivery(\.\d\d)?\.load/.test(s.id))
      expect(loads.length, more.kind).toBeGreaterThan(0)
      expect(new Set(loads.map((s) => s.performer.personId))).toEqual(new Set(['assistant']))
    }
  })
  inAnyCase((plan) => {
    for (const s of plan.steps)
      if (/^delivery(\.\d\d)?\.(load|piece-adhesive|pieces-bond|mix)/.test(s.id) && s.place === 'bench')
        expect(s.performer.personId, s.id).not.toBe(plan.request.team.dentist)
  })
})
