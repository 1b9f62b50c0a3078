import { spawnSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'

describe('the shell', () => {
  const jade = (args: string[], input = '') =>
    spawnSync(process.execPath, ['--liftoff-only', '.cache/jade.js', ...args], { input, encoding: 'utf8' })
  it('plans from a file and from standard input, the same', () => {
    const fromFile = jade(['plan', 'demo/cases/crown-37.json'])
    expect(fromFile.status).toBe(0)
    const plan: { title: string; steps: unknown[] } = JSON.parse(fromFile.stdout)
    expect(plan.title).toBe('Crown, first visit: monolithic zirconia crown')
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
    expect(jade(['plan', '-'], request).stdout).toBe(fromFile.stdout)
  })
  it('lays the visit out in time: from seating on, nothing before what it waits for, within what 8 in 10 take', () => {
    const out: {
      chairMin: number
      eightInTenWithinMin: number
      steps: { step: string; fromMin: number; untilMin: number }[]
      cannotAllBeKept: string[]
    } = JSON.parse(jade(['schedule', 'demo/cases/crown-37.json']).stdout)
    expect(out.steps[0]).toMatchObject({ step: 'arrival.seat', fromMin: 0 })
    const at = new Map(out.steps.map((s) => [s.step, s]))
    expect(at.get('anaesthesia.test')!.fromMin).toBeGreaterThan(at.get('anaesthesia.inject')!.untilMin)
    expect(out.eightInTenWithinMin).toBeGreaterThan(out.chairMin)
    expect(out.cannotAllBeKept).toEqual([])
  })
  it('sends errors to standard error with the field, exit code 2', () => {
    const wrong = jade(
      ['plan', '-'],
      '{"kind":"crown.prepare","date":"2026-11-24","teeth":["37"],"restoration":"paper crown","team":{"dentist":"x","assistants":["assistant"]}}',
    )
    expect(wrong).toMatchObject({ status: 2, stdout: '' })
    expect(wrong.stderr).toContain('-: restoration:')
    expect(jade(['plan', '-'], '{').stderr).toContain('not JSON')
    expect(jade(['plan', 'no-such-file.json'])).toMatchObject({ status: 2 })
    expect(jade(['measure', 'cord', '--tooth', '14', '--notation', 'quadrant']).stderr).toContain(
      '14 in iso or 26 in universal',
    )
    expect(jade(['dance'])).toMatchObject({ status: 2 })
  })
  it('prints the JSON Schema of a visit, and measures a cord', () => {
    expect(JSON.parse(jade(['schema', 'visit']).stdout)).toMatchObject({
      type: 'object',
      required: expect.arrayContaining(['kind', 'teeth', 'team']),
    })
    // C: about 25 mm for a veneer cord on an upper central incisor.
    const { length }: { length: { value: number } } = JSON.parse(
      jade(['measure', 'cord', '--tooth', '11', '--coverage', 'labial and proximal']).stdout,
    )
    expect(Math.round(length.value)).toBe(25)
  })
  it('judges readings as at the chair, and says what is asked where', () => {
    // C: one point under 1.5 mm is short of the ferrule.
    const ferrule: unknown = JSON.parse(
      jade(['measure', 'ferrule', 'demo/cases/J11-post-and-core.json', '--readings', '{"facial":2,"lingual":1.2}'])
        .stdout,
    )
    expect(ferrule).toMatchObject({ step: 'core.ferrule', verdict: 'short' })
    expect(jade(['measure', 'ferrule', 'demo/cases/crown-37.json', '--readings', '{}']).stderr).toContain(
      'this visit never asks for ferrule',
    )
    expect(
      jade(['measure', 'ferrule', 'demo/cases/J11-post-and-core.json', '--readings', '{"facial":2}']),
    ).toMatchObject({ status: 2, stderr: expect.stringContaining('still to be read: lingual') })
  })
})
