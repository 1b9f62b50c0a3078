/**
 * Writes the readings of demo/cases, docs/coverage.md, docs/facts.md, docs/trade.md and docs/things.svg anew. Run after a meant change,
 * and read what changed before it is kept. With `--any 40 --kind J07 --seed 3` it prints variants nobody reviewed instead.
 */
import { parseArgs } from 'node:util'
import fc from 'fast-check'
import { anyWork, frame, safeParse } from '../demo/test/any-case'
import { kindIds, kindTable } from '../core/kinds'
import { tradePage } from './trade'
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { compileHeld as compile } from '../core/plan/compile'
import { readPlan } from '../core/plan/text'
import { visitRequest } from '../core/model/request'
import { starterPractice } from '../core/practice/starter'
import { coverage } from './coverage'
import type { Plan } from '../core/model/plan'
import { factsPage } from './facts'
import { thingsSheet } from './things-sheet'

const practice = starterPractice()
const { values: asked } = parseArgs({
  options: { any: { type: 'string' }, kind: { type: 'string' }, seed: { type: 'string' } },
})

/** Cases drawn at random, each as it reads: by the number of its kind, or by the kind. */
function printAny(n: number, of: string | undefined, seed: number): void {
  const kinds = kindIds.filter((k) => of === undefined || k === of || kindTable[k].j === of)
  if (kinds.length === 0) throw new Error(`no kind is called ${of}: ${kindIds.join(', ')}`)
  for (const kind of kinds) {
    for (const [work, more] of fc.sample(fc.tuple(anyWork(kind), frame), { numRuns: n, seed })) {
      const read = safeParse({ ...work, ...more })
      if (!read.success) continue
      const { teeth, ofTooth, margin, vital, tissue, alerts } = read.data
      console.log(`\n═══ ${JSON.stringify({ kind, teeth, ofTooth, margin, vital, tissue, alerts })}\n`)
      console.log(readPlan(compile(read.data, practice)))
    }
  }
}

function writeAll(): void {
  const plans: Plan[] = []
  mkdirSync('demo/cases/readings', { recursive: true })
  for (const file of readdirSync('demo/cases').filter((f) => f.endsWith('.json'))) {
    const request = visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${file}`, 'utf8')))
    const plan = compile(request, practice)
    plans.push(plan)
    writeFileSync(`demo/cases/readings/${file.replace('.json', '.txt')}`, readPlan(plan))
  }
  writeFileSync('docs/coverage.md', coverage())
  writeFileSync('docs/facts.md', factsPage(plans))
  writeFileSync('docs/things.svg', thingsSheet())
  writeFileSync('docs/trade.md', tradePage())
}

if (asked.any !== undefined) printAny(Number(asked.any), asked.kind, Number(asked.seed ?? 1))
else writeAll()
