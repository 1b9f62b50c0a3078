import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { starterPractice } from '../core/practice/starter'
import { describe, expect, it } from 'vitest'
import { plan, run, schedule } from './verbs'

const crown = 'demo/cases/crown-37.json'

describe('from a shell', () => {
  const jade = (args: string[], input = '') =>
    spawnSync(process.execPath, ['--liftoff-only', '.cache/jade.js', ...args], { input, encoding: 'utf8' })
  it('a plan is made from a file and from standard input, the same, as JSON', () => {
    const request = JSON.stringify({
      kind: 'crown.prepare',
      date: '2026-11-24',
      teeth: ['37'],
      restoration: 'monolithic zirconia crown',
      missing: ['38'],
      margin: 'subgingival',
      choices: { cord: 'double', impression: 'polyether, custom tray' },
      team: { dentist: 'dentist', assistants: ['assistant'] },
    })
    const { status, stdout, stderr } = jade(['plan', '-'], request)
    expect([status, stderr]).toEqual([0, ''])
    expect(JSON.parse(stdout)).toEqual(JSON.parse(JSON.stringify(run(['plan', crown]))))
    expect(run(['plan', crown])).toMatchObject({ title: 'Crown, first visit: monolithic zirconia crown' })
  })
  it('what is wrong goes to standard error with the field, exit code 2', () => {
    const wrong = jade(
      ['plan', '-'],
      '{"kind":"crown.prepare","date":"2026-11-24","teeth":["37"],"restoration":"paper crown","team":{"dentist":"x","assistants":["assistant"]}}',
    )
    expect(wrong).toMatchObject({ status: 2, stdout: '' })
    expect(wrong.stderr).toContain('-: restoration:')
    expect(jade(['plan', '-'], '{').stderr).toContain('not JSON')
  })
})

describe('a verb', () => {
  it('lays the visit out in time: from seating on, nothing before what it waits for, within what 8 in 10 take', () => {
    const out = schedule(plan([crown]))
    expect(out.steps[0]).toMatchObject({ step: 'arrival.seat', fromMin: 0 })
    const at = new Map(out.steps.map((s) => [s.step, s]))
    expect(at.get('anaesthesia.test')!.fromMin).toBeGreaterThan(at.get('anaesthesia.inject')!.untilMin)
    expect(out.eightInTenWithinMin).toBeGreaterThan(out.chairMin)
    expect(out.cannotAllBeKept).toEqual([])
  })
  it('refuses what there is not, with what there is', () => {
    expect(() => run(['plan', 'no-such-file.json'])).toThrow('no-such-file.json: no such file')
    expect(() => run(['measure', 'cord', '--tooth', '14', '--notation', 'quadrant'])).toThrow(
      '14 is no tooth in quadrants. Is UR4 (ISO 14) meant, which is 14 in ISO? Or UL6 (ISO 26) meant',
    )
    expect(() => run(['dance'])).toThrow('usage: jade plan')
  })
  it('tells the JSON Schema of a visit, and measures a cord', () => {
    expect(run(['schema', 'visit'])).toMatchObject({
      type: 'object',
      required: expect.arrayContaining(['kind', 'teeth', 'team']),
    })
    // C: about 25 mm for a veneer cord on an upper central incisor.
    expect(run(['measure', 'cord', '--tooth', '11', '--coverage', 'labial and proximal'])).toMatchObject({
      length: { value: expect.closeTo(25, 0) },
    })
    // A practice that leaves longer tails cuts longer pieces.
    const folder = mkdtempSync(join(tmpdir(), 'jade-own-'))
    const own = join(folder, 'practice.json')
    const tails = { value: 9, by: 'Dr A', on: '2026-11-26' }
    writeFileSync(own, JSON.stringify({ ...starterPractice(), rules: { 'cord.tails.front': tails } }))
    const lengthIn = (...practice: string[]): unknown =>
      run(['measure', 'cord', '--tooth', '11', '--coverage', 'labial and proximal', ...practice])
    expect(lengthIn('--practice', own)).not.toEqual(lengthIn())
  })
  it('judges readings as at the chair, and says what is asked where', () => {
    const post = 'demo/cases/J11-post-and-core.json'
    // C: one point under 1.5 mm is short of the ferrule.
    expect(run(['measure', 'ferrule', post, '--readings', '{"facial":2,"lingual":1.2}'])).toMatchObject({
      step: 'core.ferrule',
      verdict: 'short',
    })
    expect(() => run(['measure', 'ferrule', crown, '--readings', '{}'])).toThrow('this visit never asks for ferrule')
    expect(() => run(['measure', 'ferrule', post, '--readings', '{"facial":2}'])).toThrow('still to be read: lingual')
  })
})
