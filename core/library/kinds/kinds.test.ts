/** Properties that hold for every kind of visit, over random cases, schools and alerts. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../../demo/test/people'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import { kindFacts, kindIds } from '../../kinds'
import { layTrays } from '../../picture/tray'
import { compileHeld as compile } from '../../plan/compile'
import { runThrough, startDrive } from '../../run/drive'
import { layOut } from '../../schedule/timeline'
import { visitKinds } from '.'
import { anyWork, frame, parse, teethFor } from '../../../demo/test/any-case'
import { tooMany, whole } from '../../../demo/test/whole'

describe.each(kindIds)('%s', (kind) => {
  it('any case of it compiles whole, the same each time, lays out without a missed window, fits its trays', () => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const request = parse({ ...work, ...more })
        const p = compile(request, practice)
        expect(JSON.stringify(compile(request, practice))).toBe(JSON.stringify(p))
        whole(p)
        // The starter answers every need and every cut of every kind.
        expect(p.lacks).toEqual(p.lacks.filter((l) => l.includes('alert') || l.includes('in stock')))
        const score = layOut(p)
        const missed = score.brackets.filter((b) => b.missed).map((b) => b.title)
        expect(tooMany(p) ? missed.filter((t) => t !== 'Working time' && t !== 'Gum closes in') : missed).toEqual([])
        expect(layTrays(p.setup).flatMap((b) => b.bands.flatMap((x) => x.places))).toHaveLength(
          p.setup.filter((l) => l.readiness === 'open').length,
        )
      }),
      { numRuns: often(12) },
    )
  })
  it('runs from the first step to closed, every step reachable, every clock and signature kept', () => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const p = compile(parse({ ...work, ...more, visitChoices: {} }), practice)
        // More boxes than any material waits for: the plan says so itself, and the dentist decides otherwise.
        fc.pre(!tooMany(p))
        const d = runThrough(startDrive(p, 0), assistant, dentist)
        expect(d.state.core.status, JSON.stringify(d.refusals.at(-1))).toBe('closed')
        expect(p.steps.filter((s) => d.state.core.steps[s.id]!.status !== 'done')).toEqual([])
      }),
      { numRuns: often(3) },
    )
  })
  it('says what it is, and what follows it is a kind there is', () => {
    expect(visitKinds[kind].id).toBe(kind)
    const jaw = teethFor(kind, 'lower').length > 0 ? 'lower' : 'upper'
    const k = kindFacts(kind)
    const teeth = teethFor(kind, jaw).slice(0, 1)
    const p = compile(
      parse({ kind, teeth, pontics: k.pontics === 'needed' ? [teeth[0] === '31' ? '32' : '31'] : [] }),
      practice,
    )
    for (const f of p.followUps) expect(f.kind === undefined || kindIds.includes(f.kind)).toBe(true)
    expect(p.title).toContain(k.title)
  })
})
