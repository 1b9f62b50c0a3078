/** What the shell asks of the core: files and words in, an answer out. */
import { firstOf, messageOf, codeOf } from '../core/sure'
import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import * as z from 'zod'
import { cordLength, cordSize } from '../core/measure/cord'
import { compile } from '../core/plan/compile'
import { RequestError } from '../core/plan/team'
import { visitRequest } from '../core/model/request'
import { readPlan } from '../core/plan/text'
import type { Plan } from '../core/model/plan'
import { practice, type Practice } from '../core/practice/practice'
import { starterPractice } from '../core/practice/starter'
import { judge, readingKinds, readingsAt, teethAt } from '../core/readings'
import { delegationOf, personTimes } from '../core/schedule/delegate'
import { forecast } from '../core/schedule/simulate'
import { layOut } from '../core/schedule/timeline'
import { backupUsage } from './backup'
import { Misuse } from './misuse'
import { dimensions } from '../core/teeth/dimensions'
import { askWhich, readTooth, toothName, toQuadrant, toUniversal } from '../core/teeth/notation'
import { teamMisfits } from '../core/practice/team'
import { ruleMisfits, rulesOf } from '../core/rules'

const usage = [
  'usage: jade plan FILE [--practice FILE]',
  '       jade read FILE [--practice FILE]',
  '       jade schedule FILE [--practice FILE]',
  '       jade measure cord --tooth T [--layer base|top|single] [--coverage "full crown"|"labial and proximal"] [--perimeter MM] [--practice FILE] [--notation iso|universal|quadrant]',
  '       jade measure KIND FILE --readings JSON [--step ID] [--tooth T] [--practice FILE]',
  `       KIND is one of: ${readingKinds.join(', ')}`,
  '       jade schema visit|practice',
  ...backupUsage,
  'FILE may be - for standard input.',
]

function readJson(file: string): unknown {
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    throw new Misuse([`${file}: ${codeOf(error) === 'ENOENT' ? 'no such file' : messageOf(error)}`])
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new Misuse([`${file === '-' ? 'standard input' : file}: not JSON: ${messageOf(error)}`])
  }
}

function parseOrSay<T>(schema: z.ZodType<T>, value: unknown, file: string): T {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  throw new Misuse(
    parsed.error.issues.map((i) => `${file}: ${i.path.length > 0 ? i.path.join('.') : '(whole file)'}: ${i.message}`),
  )
}

/** A practice of a file, else the one a new practice begins with. @throws Misuse where its own values do not fit together */
function practiceOf(file: string | undefined): Practice {
  if (!file) return starterPractice()
  const own = parseOrSay(practice, readJson(file), file)
  const wrong = ruleMisfits(own.rules).map((m) => `${file}: rules: ${m}`)
  if (wrong.length > 0) throw new Misuse(wrong)
  return own
}

export function plan(args: string[]): Plan {
  const { values, positionals } = parseArgs({ args, allowPositionals: true, options: { practice: { type: 'string' } } })
  const [file, ...more] = positionals
  if (!file || more.length > 0) throw new Misuse(usage)
  const request = parseOrSay(visitRequest, readJson(file), file)
  const own = practiceOf(values.practice)
  const wrong = teamMisfits(request.team, own.people).map((m) => `${file}: ${m.path.join('.')}: ${m.message}`)
  if (wrong.length > 0) throw new Misuse(wrong)
  try {
    return compile(request, own)
  } catch (error) {
    if (error instanceof RequestError) throw new Misuse([`${file}: ${error.path.join('.')}: ${error.message}`])
    throw error
  }
}

/** The visit in time, minutes. */
export function schedule(p: Plan) {
  const score = layOut(p)
  const { likelyS, eightInTenS } = forecast(p)
  const min = (s: number): number => Math.round(s / 6) / 10
  return {
    chairMin: min(score.chairS),
    halfWithinMin: min(likelyS),
    eightInTenWithinMin: min(eightInTenS),
    people: personTimes(p).map((t) => ({
      person: t.personId,
      busyMin: min(t.busyS),
      waits: t.waits,
      waitMin: min(t.waitS),
    })),
    delegation: delegationOf(p),
    cannotAllBeKept: score.conflict,
    steps: score.bars
      .toSorted((a, b) => a.startS - b.startS)
      .map((b) => ({
        step: b.stepId,
        fromMin: min(b.startS),
        untilMin: min(b.endS),
        people: b.people,
        spareMin: min(b.slackS),
      })),
  }
}

function measureCord(args: string[]): unknown {
  const { values } = parseArgs({
    args,
    options: {
      tooth: { type: 'string' },
      layer: { type: 'string', default: 'single' },
      coverage: { type: 'string', default: 'full crown' },
      perimeter: { type: 'string' },
      notation: { type: 'string', default: 'iso' },
      practice: { type: 'string' },
    },
  })
  const rules = rulesOf(practiceOf(values.practice).rules)
  const given = parseOrSay(
    z.object({
      layer: z.enum(['base', 'top', 'single']),
      coverage: z.enum(['full crown', 'labial and proximal']),
      notation: z.enum(['iso', 'universal', 'quadrant']),
      perimeter: z.coerce.number().min(5).max(60).optional(),
      tooth: z.string({ error: 'say which tooth' }),
    }),
    values,
    '--',
  )
  const reading = readTooth(given.tooth, given.notation)
  if (reading.kind === 'error') throw new Misuse([`--tooth: ${reading.message}`])
  if (reading.kind === 'ask') throw new Misuse([`--tooth: ${askWhich(given.tooth, reading.readings, given.notation)}`])
  const size = dimensions(reading.tooth)
  const cervix =
    given.perimeter === undefined
      ? { mesiodistalMm: size.cervicalMesiodistalMm, labiolingualMm: size.cervicalLabiolingualMm }
      : { measuredPerimeterMm: given.perimeter }
  const layer = given.layer
  return {
    tooth: {
      iso: reading.tooth,
      universal: toUniversal(reading.tooth),
      quadrant: toQuadrant(reading.tooth),
      name: toothName(reading.tooth),
      ...(reading.also ? { alsoReads: `${reading.also.tooth} in ${reading.also.notation}` } : {}),
    },
    length: cordLength(cervix, given.coverage, layer, rules),
    startingSize: cordSize(layer, { probingDepthMm: 2, biotype: 'thick', crevice: 'normal' }, reading.tooth),
  }
}

/** Readings judged at a step of a visit, as the run would store them. */
function measured(name: string, args: string[]): unknown {
  const kind = readingKinds.find((k) => k === name)
  if (!kind) throw new Misuse([`measure: "${name}" is not one of ${readingKinds.join(', ')}`])
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      readings: { type: 'string' },
      step: { type: 'string' },
      tooth: { type: 'string' },
      practice: { type: 'string' },
    },
  })
  if (values.readings === undefined) throw new Misuse(usage)
  const p = plan([...positionals, ...(values.practice ? ['--practice', values.practice] : [])])
  const asking = p.steps.filter((s) => readingsAt(s).includes(kind))
  const step = asking.find((s) => values.step === undefined || s.id === values.step)
  if (!step)
    throw new Misuse([
      asking.length === 0
        ? `this visit never asks for ${name}`
        : `--step: "${values.step}" does not ask for ${name}; it is asked at ${asking.map((s) => s.id).join(', ')}`,
    ])
  const teeth = teethAt(step, kind)
  const tooth = teeth.find((t) => values.tooth === undefined || t === values.tooth)
  if (!tooth) throw new Misuse([`--tooth: "${values.tooth}" is not one of ${teeth.join(', ')}`])
  let given: unknown
  try {
    given = JSON.parse(values.readings)
  } catch (error) {
    throw new Misuse([`--readings: not JSON: ${messageOf(error)}`])
  }
  const answer = judge(kind, given, { plan: p, step, tooth, before: [], round: 0 })
  if ('wrong' in answer) throw new Misuse([`--readings: ${answer.wrong}`])
  return { step: step.id, tooth, ...answer }
}

const schemas = { visit: visitRequest, practice } as const

function schema(args: string[]): unknown {
  const name = args[0]
  if (name !== 'visit' && name !== 'practice')
    throw new Misuse([`schema: "${name ?? ''}" is not one of ${Object.keys(schemas).join(', ')}`])
  return z.toJSONSchema(schemas[name], { io: 'input', unrepresentable: 'any' })
}

/** What a verb of the core answers; text, or something to be written as JSON. @throws Misuse with a line for each fault */
export function run([verb, ...args]: string[]): unknown {
  if (verb === 'plan') return plan(args)
  if (verb === 'read') return readPlan(plan(args))
  if (verb === 'schedule') return schedule(plan(args))
  if (verb === 'measure' && args[0] === 'cord' && args[1]?.startsWith('--')) return measureCord(args.slice(1))
  if (verb === 'measure' && args.length > 1) return measured(firstOf(args), args.slice(1))
  if (verb === 'schema') return schema(args)
  throw new Misuse(usage)
}
