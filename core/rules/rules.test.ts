import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { clocksAt } from '../run/clocks'
import { runThrough, startDrive } from '../run/drive'
import { composeNote, noteText } from '../record/note'
import { readPlan } from '../plan/text'
import { starterPractice } from '../practice/starter'
import { isClock } from '../model/link'
import { amountIn, inWords, readAmount, ruleGroups, ruleIds, ruleRow, ruleTable, rulesOf, standardRules } from '.'

describe('the register', () => {
  it('has for every row a sentence, a standing, and its own value inside what a practice may set; a published one its source', () => {
    for (const rule of ruleIds) {
      const row = ruleRow(rule)
      expect(row.because(row.value), rule).not.toMatch(/undefined|NaN|^\s*$/)
      expect(row.value >= row.from && row.value <= row.to, rule).toBe(true)
      if (row.standing === 'P') expect(row.source, rule).toBeDefined()
      expect(row.title, rule).toMatch(/^[A-Z]/)
    }
    expect(Object.values(ruleGroups).flatMap((g) => Object.keys(g))).toEqual(Object.keys(ruleTable))
    expect(new Set(ruleIds.map((r) => ruleRow(r).title)).size).toBe(ruleIds.length)
  })
  it('says a practice’s own value as such, with who and when and in the same sentence', () => {
    const own = rulesOf({ 'cord.dwell': { value: 360, by: 'Dr A', on: '2026-11-26' } })
    expect(own('cord.dwell')).toEqual({
      value: 360,
      because: {
        text: 'at least 6 min after the last piece; this practice’s own, Dr A, 2026-11-26',
        standing: 'practice',
      },
      own: { value: 360, by: 'Dr A', on: '2026-11-26', usual: 300 },
    })
    expect(inWords('a; b', standardRules('cord.longest'), own('cord.dwell')).standing).toBe('practice')
    expect(standardRules('cord.dwell').because).toEqual({ text: 'at least 5 min after the last piece', standing: 'C' })
  })
  it('reads amounts as people write them, and refuses what it cannot', () => {
    expect(['6 min', '360', '360 s', '6:00', '6 MIN'].map((t) => readAmount(t, 's'))).toEqual([360, 360, 360, 360, 360])
    expect([readAmount('62 %', 'share'), readAmount('0,62', 'share'), readAmount('8 mm', 'mm')]).toEqual([
      0.62, 0.62, 8,
    ])
    expect(['six', '', '5 mm', '-3'].map((t) => readAmount(t, 's'))).toEqual([null, null, null, null])
    for (const rule of ruleIds) {
      const { value, unit } = ruleRow(rule)
      expect(readAmount(amountIn(value, unit), unit), rule).toBeCloseTo(value, 6)
    }
  })
})

describe('“our cords stay six minutes” is a setting', () => {
  const practice = {
    ...starterPractice(),
    rules: {
      'cord.dwell': { value: 360, by: 'Dr A', on: '2026-11-26' },
      'shell.sets': { value: 200, by: 'Dr A', on: '2026-11-26' },
    },
  }
  const request = visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-26',
    teeth: ['37'],
    team: { dentist: 'dentist', assistants: ['assistant'] },
  })
  const plan = compile(request, practice)
  const dwell = plan.links.filter(isClock).find((l) => l.title === 'Cord dwells')!
  it('in the plan, its sentences and its reading, which name the practice’s own and no other', () => {
    expect(dwell).toMatchObject({ atLeastS: 360, own: true })
    expect(Object.keys(plan.rules)).toEqual(['cord.dwell'])
    const text = readPlan(plan)
    expect(text).toContain('not before 6 min after')
    expect(text).toContain('pack again and wait 6 min')
    expect(text).toContain('Cord dwells, at least: 6 min (usually 5 min), set by Dr A on 2026-11-26')
    expect(text).not.toMatch(/five minutes|5 min after the last piece/)
  })
  it('in the clock at the chair, in what is waited for, and in the record', () => {
    const drive = runThrough(startDrive(plan, 0), assistant, dentist, dwell.to)
    const clock = clocksAt(plan, drive.state.core, drive.now).find((c) => c.linkId === dwell.id)
    expect(clock?.notBeforeS).toBe(360)
    const whole = runThrough(startDrive(plan, 0), assistant, dentist)
    const note = noteText(composeNote(plan, whole.events, { name: 'A' }, 'Etc/UTC'))
    expect(note).toContain('Cord dwells, at least: 6 min (usually 5 min), set by Dr A on 2026-11-26.')
    expect(note).toMatch(/Cord dwells: \d+ min/)
  })
})
