/** The table of docs/coverage.md: each J-number by what its plans hold, where it is written and what proves it. */
import { firstOf, sure } from '../core/sure'
import { readdirSync, readFileSync } from 'node:fs'
import { injectionWords } from '../core/measure/numbing'
import { compile } from '../core/plan/compile'
import { visitRequest } from '../core/model/request'
import type { Lanes } from '../core/model/lanes'
import type { Plan } from '../core/model/plan'
import { readingOfKind, readingsAt } from '../core/readings'
import { starterPractice } from '../core/practice/starter'
import { kindIds, kindTable, type KindId } from '../core/kinds'

/** Where each phase's steps are written. */
const phaseFiles: Record<string, string> = {
  arrival: 'arrival',
  anaesthesia: 'anaesthesia',
  records: 'records',
  isolation: 'isolation',
  cutting: 'cutting',
  canal: 'canal',
  core: 'bonding',
  restoring: 'filling',
  tissue: 'tissue',
  impression: 'impression',
  provisional: 'provisional',
  delivery: 'delivery',
  finishing: 'filling',
  closing: 'closing',
}

const unique = (xs: readonly string[]): string[] => [...new Set(xs)]
const clocksOf = (p: Plan): string[] =>
  unique(
    p.links.flatMap((l) =>
      l.kind === 'order'
        ? []
        : [
            `${l.title} ${l.kind === 'window' ? `≤ ${l.atMostS}` : l.atLeastS === 0 ? `called at ${l.warnS}` : `≥ ${l.atLeastS}`} s`,
          ],
    ),
  )

/** The adhesives a plan bonds with, as its record names them. */
const adhesivesOf = (p: Plan): string[] =>
  unique(
    p.steps.flatMap((s) =>
      s.fn === 'bonding' && s.told?.startsWith('bonded ') && s.needs.some((n) => /^(adhesive|bond)\./.test(n.what))
        ? [s.told.replace(/^bonded .* with /, '')]
        : [],
    ),
  )
const laneWords = (l: Lanes): string =>
  `${l.title}: ${l.endS}${l.withinS === undefined ? '' : ` of ${l.withinS}`} s by ${l.rows.length}`

const order = (kind: KindId): string => (kindTable[kind].j === '–' ? 'Z' : kindTable[kind].j)

/** What is held in words of a J-number: the sentence of each test that names it, and the file it stands in. */
function heldInWords(): Map<string, string[]> {
  const held = new Map<string, string[]>()
  const folder = 'core/library/kinds'
  for (const file of readdirSync(folder).filter((f) => /^golden-.*\.test\.ts$/.test(f))) {
    let group: string[] = []
    for (const [, call, text = ''] of readFileSync(`${folder}/${file}`, 'utf8').matchAll(
      /^ *(describe|it)\('((?:[^'\\]|\\.)*)'/gm,
    )) {
      const named = text.match(/J\d\d/g) ?? []
      if (call === 'describe') group = named
      else
        for (const j of named.length > 0 ? named : group) held.set(j, [...(held.get(j) ?? []), `${text} (\`${file}\`)`])
    }
  }
  return held
}

/** The document as text. */
export function coverage(): string {
  const practice = starterPractice()
  const held = heldInWords()
  const told = new Set<string>()
  const plans = readdirSync('demo/cases')
    .filter((f) => f.endsWith('.json'))
    .map((f) => ({
      name: f.replace('.json', ''),
      plan: compile(visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${f}`, 'utf8'))), practice),
    }))
  const rows = kindIds
    .toSorted((a, b) => order(a).localeCompare(order(b)) || kindIds.indexOf(a) - kindIds.indexOf(b))
    .map((kind) => {
      const own = plans.filter((p) => p.plan.kind === kind)
      const { plan } = firstOf(own)
      const { j, title, file } = kindTable[kind]
      const count = (readiness: string): number => plan.setup.filter((l) => l.readiness === readiness).length
      const isFirst = !told.has(j)
      told.add(j)
      const cell = (xs: readonly string[]): string => (xs.length > 0 ? xs.join('; ') : '–')
      return [
        `### ${j} ${title} (\`${kind}\`)`,
        '',
        `Written in \`core/library/kinds/${file}.ts\`, with ${unique(plan.steps.map((s) => `\`${phaseFiles[s.phase]}\``)).join(' ')} of \`core/library/generators\`. Proved by \`core/library/kinds/golden*.test.ts\` (in words, and to the letter: ${own.map((p) => `[${p.name}](../demo/cases/readings/${p.name}.txt)`).join(', ')}) and \`core/library/kinds/kinds.test.ts\` (properties over random cases).`,
        '',
        '| | |',
        '| --- | --- |',
        `| steps | ${plan.steps.length}, ${plan.steps.filter((s) => s.passes.length > 0).length} with passes, ${plan.steps.reduce((n, s) => n + s.mistakes.length, 0)} common errors, ${plan.steps.reduce((n, s) => n + s.cautions.length, 0)} cautions |`,
        `| setup | ${count('open')} laid out, ${count('standby')} standby, ${count('drawer')} in the drawer |`,
        `| burs | ${cell(unique(plan.burs.map((b) => b.bur?.name ?? sure(b.lack))))} |`,
        `| clocks | ${cell(clocksOf(plan))} |`,
        `| numb | ${cell(
          plan.steps.flatMap((s) =>
            s.numbed
              ? [
                  injectionWords(
                    s.numbed.doses.flatMap((d) => d.injections),
                    (t) => t,
                  ),
                ]
              : [],
          ),
        )} |`,
        `| adhesive | ${cell(adhesivesOf(plan))} |`,
        `| counts | ${cell(unique(plan.counts.map((c) => `${c.what}${c.stays ? ', what stays marked' : ''}`)))} |`,
        `| holds | ${cell(unique(plan.holds.map((h) => `${h.title}${h.mandatory ? ' (no card removes it)' : ''}`)))} |`,
        `| lanes | ${cell(unique(plan.steps.flatMap((s) => (s.lanes ? [laneWords(s.lanes)] : []))))} |`,
        `| cues | ${cell(unique(plan.steps.flatMap((s) => (s.cues ?? []).map((c) => c.say))))} |`,
        `| figures | ${cell(unique(plan.steps.flatMap((s) => s.figures.map((f) => f.name.replace(/\b\d\d\b,? ?/, '')))))} |`,
        `| readings | ${cell(unique(plan.steps.flatMap((s) => readingsAt(s).map((k) => readingOfKind(k).name))))} |`,
        `| follow-ups | ${cell(plan.followUps.map((f) => `${f.title}, ${f.afterWorkingDays} working days`))} |`,
        '',
        // Once for a number, whatever kinds it has.
        ...(isFirst && held.has(j)
          ? [`Held in words for ${j}:`, '', ...sure(held.get(j)).map((line) => `- ${line}`), '']
          : []),
      ].join('\n')
    })
  return [
    '# What each kind of visit covers',
    '',
    'Made by `npm run readings` from the plans of `demo/cases` and held to the letter by `core/library/kinds/golden.test.ts`, in words by its neighbours. J-numbers are the coverage table; “–” are kinds that only complete a chain. Burs are proved in `core/catalog/catalog.test.ts`, clocks in `core/run/run.test.ts`, figures in `core/measure/*.test.ts`, readings in `core/readings/measures.test.ts`, cues in `core/run/cues.test.ts`, what is numb by what in `core/measure/numbing.test.ts`, adhesives by their system in `core/library/generators/adhesive.test.ts`, the train of an impression and a scan that is one in `core/library/kinds/kinds.test.ts`, choreographies by person in `core/plan/lanes.test.ts`, clashes in `core/plan/clashes.test.ts`.',
    '',
    ...rows,
  ].join('\n')
}
