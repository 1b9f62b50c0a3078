/** Writes the readings of demo/cases, docs/coverage.md, docs/facts.md and docs/things.svg anew. Run after a meant change, and read what changed before it is kept. */
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
