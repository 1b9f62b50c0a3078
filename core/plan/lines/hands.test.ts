/** Eyes, films, and whose hands do it. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { inAnyCase, planFor } from '../../../demo/test/lines'
import { files, planOf, practice } from '../../../demo/test/plans'
import { withPatient, type Step } from '../../model/step'
import { presetTable } from '../../practice/functions'
import { standardRules } from '../../rules'
import { layOut } from '../../schedule/timeline'
import { parts } from '../../teeth/notation'
import { compile } from '../compile'
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

describe('A46, B6 and C110 name the dentist as second pair of hands where they are there, and say “alone” only where they are away', () => {
  const awayS = standardRules('dentist.away').value
  inAnyCase((plan) => {
    const dentist = plan.people.find((p) => p.dentist)!.id
    const withDentist = (s: Step): boolean => [s.performer.personId, ...s.helpers].includes(dentist)
    const bars = layOut(plan).bars
    for (const s of plan.steps) {
      if (s.help !== undefined) expect(s.helpers.length, s.id).toBeGreaterThan(0)
      if (!s.alone || s.place === 'bench') continue
      const at = plan.steps.indexOf(s)
      const before = plan.steps.findLastIndex((x, i) => i < at && withDentist(x))
      const after = plan.steps.findIndex((x, i) => i > at && withDentist(x))
      const stretch = plan.steps.slice(before + 1, after < 0 ? undefined : after).filter(withPatient)
      expect(
        stretch.reduce((sum, x) => sum + x.spread.likelyS, 0),
        s.id,
      ).toBeGreaterThanOrEqual(awayS)
    }
    // The dentist is in one place at a time, what they lend a hand at included.
    const own = bars.filter((b) => b.people.includes(dentist)).toSorted((a, b) => a.startS - b.startS)
    for (const [i, b] of own.entries()) if (i > 0) expect(b.startS).toBeGreaterThanOrEqual(own[i - 1]!.endS - 0.5)
  })
  it('A46 B6 C110 costs no chair time: sheet on, rinse after acid, separator; a practice may leave its dentists be', () => {
    for (const name of ['J11-post-and-core', 'J12-inlays', 'J05-crown-first-visit']) {
      const plan = planOf(name)
      const left = compile(plan.request, {
        ...practice,
        rules: { 'dentist.away': { value: 0, by: 'Dr A', on: '2026-12-01' } },
      })
      expect(left.steps.filter((s) => s.alone).length, name).toBeGreaterThan(plan.steps.filter((s) => s.alone).length)
      expect(layOut(plan).chairS, name).toBe(layOut(left).chairS)
    }
  })
})

describe('A45, B7 and C111 leave the look that decides to the dentist, whatever the table gives away; the assistant dries and holds', () => {
  const judged =
    /reduction|ferrule|coat shines|depth and draw|draw, isthmus|look at every margin|pencilled on|retainer tested/i
  inAnyCase((plan) => {
    for (const s of plan.steps) {
      if (!judged.test(s.title) || s.place !== 'mouth' || s.fn === 'cutting' || s.phase === 'records') continue
      expect(s.performer.personId, `${s.id} ${s.title}`).toBe('dentist')
      expect([s.helpers.length, s.help === undefined], s.id).toEqual([1, false])
    }
  })
  it('A45 B7 C111 no preset gives it away; asleep the plan is confirmed by the dentist under expanded functions', () => {
    for (const preset of ['cautious', 'expanded'] as const)
      expect(presetTable(preset, 'Dr Demo', '2026-11-01').find((l) => l.function === 'look')).toMatchObject({
        assistant: 'no',
        expanded: 'no',
      })
    for (const name of files.filter((f) => f.startsWith('J14'))) {
      const { request } = planOf(name)
      const plan = compile({ ...request, visitChoices: { ...request.visitChoices, functions: 'expanded' } }, practice)
      for (const hold of plan.holds.filter((h) => h.title === 'Plan confirmed asleep'))
        expect(plan.steps.find((s) => s.id === hold.stepId)?.performer.personId).toBe('dentist')
    }
  })
})

describe('C113 holds the lip away at front teeth, tongue and cheek behind', () => {
  inAnyCase((plan) => {
    for (const s of plan.steps) {
      if (!s.tooth || s.help === undefined) continue
      if (/holds the lip away/.test(s.help)) expect(parts(s.tooth).position, s.id).toBeLessThanOrEqual(3)
      if (/keeps tongue and cheek away/.test(s.help)) expect(parts(s.tooth).position, s.id).toBeGreaterThan(3)
    }
  })
})
