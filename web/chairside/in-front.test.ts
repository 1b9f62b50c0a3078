import { expect, it } from 'vitest'
import { visitRequest } from '../../core/model/request'
import { compile } from '../../core/plan/compile'
import { starterPractice } from '../../core/practice/starter'
import { outlook } from '../../core/run/next'
import { runThrough, startDrive, give } from '../../core/run/drive'
import { exampleRequest } from '../../core/library/kinds/example'
import { inFront } from './in-front'

it('is the step that runs or comes by its title alone; where a time is waited for, that, and why beside it', () => {
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const plan = compile(visitRequest.parse(exampleRequest('crown.prepare', '2026-11-24', team)), starterPractice())
  const who = (personId: string, dentist: boolean) =>
    ({ personId, roles: [dentist ? 'dentist' : 'assistant'], codeShown: dentist }) as const
  const [assistant, dentist] = [who('assistant', false), who('dentist', true)]
  const begun = startDrive(plan, Date.UTC(2026, 10, 24, 9))
  const seen = (d: typeof begun) => inFront(d.state.core, outlook(plan, d.state.core, d.now), false)
  expect(seen(begun)).toEqual({ title: 'Ready to begin' })
  // Topical has been put on, and the needle has to wait for it.
  const drive = runThrough(begun, assistant, dentist, 'anaesthesia.topical')
  const topical = plan.steps.find((s) => s.id === 'anaesthesia.topical')?.title
  give(drive, { kind: 'advance', start: 'anaesthesia.topical' }, assistant)
  expect(seen(drive)).toEqual({ title: topical })
  give(drive, { kind: 'advance', finish: 'anaesthesia.topical' }, assistant)
  const waits = seen(drive)
  expect(waits.title).toBe('Waiting')
  expect(waits.why).toMatch(/too early: topical/)
  drive.now += 120_000
  expect(seen(drive).title).toMatch(/^Next: /)
  expect(seen(drive).why).toBeUndefined()
})
