import { keysOf } from '../sure'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kindIds } from '../kinds'
import { questions, resolveChoices } from './choices'
import type { ChoiceFacts } from './school-form'
import { toTooth } from '../teeth/notation'
import { functionNames, permission, permissionOf, presetTable, roles, type Role } from './functions'
import { practice } from './practice'
import { starterPractice } from './starter'
import { ruleIds, ruleMisfit, ruleMisfits, ruleRow } from '../rules'
import { teamMisfits } from './team'

const names = keysOf(functionNames)
const width = (p: string): number => permission.options.findIndex((o) => o === p)

describe('who may do what', () => {
  const cautious = presetTable('cautious', 'test', '2026-01-01')
  const expanded = presetTable('expanded', 'test', '2026-01-01')

  // C: what cannot be undone in the mouth is the dentist's, under either preset.
  it('neither preset gives cutting, injection or the test of numbness to an assistant', () => {
    for (const table of [cautious, expanded])
      for (const fn of ['cutting', 'injection', 'numb test'] as const) {
        expect(permissionOf(fn, ['assistant'], table)).toBe('no')
        expect(permissionOf(fn, ['expanded assistant'], table)).toBe('no')
      }
  })
  it('an expanded assistant is never narrower than an assistant, nor the expanded preset than the cautious', () => {
    for (const fn of names) {
      for (const table of [cautious, expanded])
        expect(width(permissionOf(fn, ['expanded assistant'], table))).toBeGreaterThanOrEqual(
          width(permissionOf(fn, ['assistant'], table)),
        )
      expect(width(permissionOf(fn, ['assistant'], expanded))).toBeGreaterThanOrEqual(
        width(permissionOf(fn, ['assistant'], cautious)),
      )
    }
  })
  it('each line says who set it and when', () => {
    expect(cautious).toHaveLength(names.length)
    expect(cautious.every((l) => l.setBy === 'test' && l.setOn === '2026-01-01')).toBe(true)
  })
  it('a person with two roles has the wider; a dentist everything; the desk nothing in the mouth; a missing line is a no', () => {
    expect(permissionOf('cord placement', ['assistant', 'expanded assistant'], cautious)).toBe('sight')
    expect(permissionOf('cutting', ['dentist'], [])).toBe('yes')
    expect(permissionOf('dam', ['front desk'], expanded)).toBe('no')
    expect(permissionOf('turnover', ['sterilising'], cautious)).toBe('yes')
    expect(permissionOf('shade preview', ['assistant'], [])).toBe('no')
  })
  it('more roles never narrow a permission', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...names),
        fc.subarray([...roles]),
        fc.constantFrom(...roles),
        (fn, some, extra: Role) =>
          width(permissionOf(fn, [...some, extra], cautious)) >= width(permissionOf(fn, some, cautious)),
      ),
    )
  })
})

const teeth = (...names: string[]) => names.map(toTooth)
const facts: ChoiceFacts = {
  kind: 'crown.prepare',
  teeth: teeth('37'),
  pontics: [],
  missing: [],
  margin: 'equigingival',
  tissue: { weeping: false },
  inEnamel: true,
  lesion: 'cavitated',
  managesFilling: true,
  vital: true,
}

describe('schools', () => {
  // C, the table of schools: double for deep margins and several units, single for the rest; full arch beyond two units.
  it('a default follows the case: cord by margin and units, tray by units, provisional of a veneer by its enamel', () => {
    const resolved = (more: Partial<ChoiceFacts>) => resolveChoices({}, {}, {}, { ...facts, ...more })
    expect(resolved({}).cord).toMatchObject({ value: 'single', from: 'default' })
    expect(resolved({ margin: 'subgingival' }).cord.value).toBe('double')
    expect(resolved({ teeth: teeth('34', '35') }).cord.value).toBe('double')
    expect(resolved({ teeth: teeth('34', '35') }).impression.value).toBe('addition silicone, dual-arch')
    expect(resolved({ teeth: teeth('34', '36'), pontics: teeth('35') }).impression.value).toBe(
      'addition silicone, full arch',
    )
    // C: the bite in a dual-arch tray wants a stop on both sides.
    expect(resolved({ missing: teeth('38') }).impression.value).toBe('addition silicone, full arch')
    expect(resolved({ teeth: teeth('38') }).impression.value).toBe('addition silicone, full arch')
    expect(
      [true, false].map((inEnamel) => resolved({ kind: 'laminate.prepare', inEnamel }).veneerProvisional.value),
    ).toEqual(['none', 'locked-on shell'])
    expect([resolved({}).cordFirst.value, resolved({ kind: 'veneer.prepare' }).cordFirst.value]).toEqual(['no', 'yes'])
    expect(resolved({ lesion: 'non-cavitated' }).childMolar.value).toBe('sealed in')
    expect(resolved({ managesFilling: false }).childMolar.value).toBe('sealed in')
  })
  it('a default goes with what was said: acid with the adhesive and the other way round, the provisional with paste or scan', () => {
    const said = (choices: Parameters<typeof resolveChoices>[1], more: Partial<ChoiceFacts> = {}) => {
      const { adhesive, etch, provisionalWhen } = resolveChoices({}, choices, {}, { ...facts, ...more })
      return [adhesive.value, etch.value, provisionalWhen.value]
    }
    const cord = 'while the cord dwells'
    expect(said({})).toEqual(['self-etch, two bottles', 'enamel edge', cord])
    expect(said({ etch: 'total' })).toEqual(['universal', 'total', cord])
    expect(said({ adhesive: 'etch-and-rinse, two steps' })).toEqual(['etch-and-rinse, two steps', 'total', cord])
    expect(said({}, { kind: 'filling.cervical' })).toEqual(['universal', 'total', cord])
    expect(said({ adhesive: 'self-etch, one bottle' }, { kind: 'filling.cervical' })[1]).toBe('enamel edge')
    for (const choices of [{ cord: 'paste' }, { impression: 'optical scan' }] as const)
      expect(said(choices)[2]).toBe('after the impression')
  })
  it('each question has at least two, its default among them, and says why', () => {
    for (const q of questions) {
      expect(q.schools.length).toBeGreaterThanOrEqual(2)
      for (const kind of kindIds)
        for (const inEnamel of [true, false])
          for (const lesion of ['cavitated', 'non-cavitated'] as const) {
            const { value, why } = q.standard({ ...facts, kind, inEnamel, lesion })
            expect(q.schools.map((s) => s.value)).toContain(value)
            expect(why.length).toBeGreaterThan(10)
          }
    }
  })
  it('default, card, case, visit: the later wins, question by question', () => {
    const resolved = resolveChoices(
      { cord: 'double', isolation: 'dam throughout', impression: 'optical scan' },
      { cord: 'none', impression: 'polyether, custom tray' },
      { cord: 'single' },
      facts,
    )
    expect(resolved).toMatchObject({
      cord: { value: 'single', from: 'visit' },
      impression: { value: 'polyether, custom tray', from: 'case' },
      isolation: { value: 'dam throughout', from: 'card' },
      provisional: { value: 'bis-acryl in preliminary impression', from: 'default' },
    })
  })
})

describe('the starter practice', () => {
  const p = starterPractice()
  it('is a practice by the schema, and answers every need of the crown visit in every school', () => {
    expect(practice.parse(JSON.parse(JSON.stringify(p)))).toEqual(p)
    expect(new Set(p.items.map((i) => i.id)).size).toBe(p.items.length)
  })
  it('refuses what is no practice, with the field', () => {
    const wrong = practice.safeParse({ ...p, people: [{ id: 'x', name: 'X', roles: ['wizard'] }] })
    expect(wrong.error!.issues[0]!.path).toEqual(['people', 0, 'roles', 0])
    expect(practice.safeParse({ ...p, motto: 'x' }).success).toBe(false)
  })
})

describe('T21 a team', () => {
  const { people } = starterPractice()
  const of = (dentist: string, ...assistants: string[]) =>
    teamMisfits({ dentist, assistants }, [...people, { id: 'desk', name: 'Desk', roles: ['front desk'] }])
  it('is of different people, and of the chairside', () => {
    expect(of('dentist', 'assistant')).toEqual([])
    expect(of('dentist', 'assistant', 'assistant')).toMatchObject([{ path: ['team', 'assistants', 1] }])
    expect(of('dentist', 'dentist')[0]?.message).toContain('treats')
    expect(of('dentist', 'desk')[0]?.message).toContain('not of the chairside team')
  })
})

describe('T23 own values', () => {
  const own = (value: number) => ({ value, by: 'Dr A', on: '2026-11-01' })
  it('beyond what Settings allow, or longer than what has to be longer, are refused in words', () => {
    expect(ruleMisfit({}, 'cord.dwell', 900)).toContain('has to be shorter than cord in the crevice, at most (15 min)')
    expect(ruleMisfit({ 'cord.longest': own(1200) }, 'cord.dwell', 900)).toBeUndefined()
    expect(ruleMisfit({ 'cord.dwell': own(600) }, 'cord.longest', 500)).toContain('has to be shorter')
    expect(ruleMisfit({}, 'cord.dwell', 100_000)).toContain('beyond that it is asked of the dentist')
    expect(ruleMisfits({ 'cord.dwell': own(100_000), 'no.such': own(1) })).toHaveLength(1)
    for (const rule of ruleIds) expect(ruleMisfit({}, rule, ruleRow(rule).value), rule).toBeUndefined()
  })
})
