/** Every paper of every kind, read for what no paper may say: an unfilled slot, a number that is none, an id of the program. */
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { files, planOf, practice } from '../../demo/test/plans'
import { kindIds } from '../../core/kinds'
import type { Plan } from '../../core/model/plan'
import { compile } from '../../core/plan/compile'
import { readPlan } from '../../core/plan/text'
import { composeNote, noteText } from '../../core/record/note'
import { runThrough, startDrive } from '../../core/run/drive'
import { exampleRequest } from '../../core/library/kinds/example'
import { damTemplateSheet } from './dam-template'
import { withoutFace } from './faces'
import { picturesSheet } from './pictures'
import { setupSheet } from './setup-sheet'

const team = { dentist: 'dentist', assistants: ['assistant'] }
const plans: [string, Plan][] = [
  ...files.map((f): [string, Plan] => [f, planOf(f)]),
  ...kindIds.map((k): [string, Plan] => [k, compile(exampleRequest(k, '2026-11-24', team), practice)]),
]

/** The words of a document, whatever it nests them in. */
function wordsOf(node: unknown): string[] {
  if (typeof node === 'string') return [node]
  if (Array.isArray(node)) return node.flatMap(wordsOf)
  if (typeof node !== 'object' || node === null) return []
  return Object.entries(node).flatMap(([key, value]) =>
    key === 'text'
      ? [wordsOf(value).join('')]
      : key === 'svg'
        ? [String(value)]
        : ['stack', 'columns', 'content', 'table', 'body', 'ul', 'ol'].includes(key)
          ? wordsOf(value)
          : [],
  )
}

const slot = /undefined|NaN|\bnull\b|\[object|: *$|\(\)|, ,/m

describe.each(plans)('%s', (_, plan) => {
  const ids = [...plan.steps.map((s) => s.id), ...plan.holds.map((h) => h.id), plan.kind].filter((id) =>
    id.includes('.'),
  )
  const sound = (paper: string, text: string): void => {
    expect(text.length, paper).toBeGreaterThan(20)
    expect(text.match(slot)?.[0], paper).toBeUndefined()
    const words = new Set(text.split(/[\s,;:()“”"]+/))
    expect(
      ids.filter((id) => words.has(id)),
      `${paper}: ids of the program`,
    ).toEqual([])
  }
  /** A document's words, each letter of which has a face. */
  const printed = (paper: string, content: unknown): void => {
    const text = wordsOf(content).join('\n')
    sound(paper, text)
    expect(withoutFace([...new Set(text)].join(' ')), paper).toEqual([])
  }
  it('says only what a person would say: setup sheet, plan as text, record, patient’s words, hole template, pictures', () => {
    const facts = { patient: 'A Patient', time: '09:00', chair: 'Chair 1', practice: practice.name, alerts: [] }
    printed('setup sheet', setupSheet(plan, facts, 'A4').content)
    sound('plan', readPlan(plan))
    const run = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist)
    const note = composeNote(plan, run.events, { name: 'A Patient' }, 'Etc/UTC')
    sound('record', noteText(note))
    printed('pictures', picturesSheet(plan, { ...facts, notation: 'iso' }, 'A4').content)
    const template = damTemplateSheet(plan, { patient: 'A Patient', practice: practice.name, notation: 'iso' }, 'A4')
    if (template) printed('hole template', template.content)
  })
})
