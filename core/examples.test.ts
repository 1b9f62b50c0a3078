/** What the comments of core give as examples is true: each `@example call // answer` is run and compared. */
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { runInNewContext } from 'node:vm'
import { describe, expect, it } from 'vitest'
import { assistant } from '../demo/test/people'
import { compile } from './plan/compile'
import { starterPractice } from './practice/starter'
import { initialState } from './run/state'
import { exampleRequest } from './library/kinds/example'
import { layOut } from './schedule/timeline'
import { rulesOf } from './rules'
import { toTooth } from './teeth/notation'

const practice = starterPractice()
/** What the examples may speak of beside their own file: a crown's first visit, planned and not begun. */
const request = exampleRequest('crown.prepare', '2026-11-26', { dentist: 'dentist', assistants: ['assistant'] })
const plan = compile(request, practice)
const common = {
  practice,
  request,
  plan,
  state: initialState(plan),
  score: layOut(plan),
  who: assistant,
  now: Date.UTC(2026, 10, 26, 9),
  toTooth,
  rulesOf,
}
const example = /@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm

const files = readdirSync('core', { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && !f.includes('tmp-'))
  .map((f) => `core/${f}`)
  .filter((f) => readFileSync(f, 'utf8').match(example))

describe.each(files)('%s', (file) => {
  const found = [...readFileSync(file, 'utf8').matchAll(example)]
  it.each(found.map(([, call, answer]) => [call, answer]))('%s', async (call, answer) => {
    const own: object = await import(resolve(file))
    const run = (text: string | undefined): unknown => runInNewContext(`(${text})`, { ...common, ...own })
    // Of another realm: compared by what they hold.
    expect(JSON.parse(JSON.stringify({ is: run(call) }))).toEqual(JSON.parse(JSON.stringify({ is: run(answer) })))
  })
})
