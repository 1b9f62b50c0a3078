/** Every sentence of every reviewed plan, note and instruction, against docs/style.md: articles, doubled words, the list of never. */
import { fleschKincaid } from 'flesch-kincaid'
import { syllable } from 'syllable'
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../../demo/test/people'
import { files, planOf } from '../../../demo/test/plans'
import { trayReadiness } from '../../plan/ready'
import { readPlan } from '../../plan/text'
import { composeNote, noteText } from '../../record/note'
import { patientInstructions } from '../../record/instructions'
import { runThrough, startDrive } from '../../run/drive'

const texts = files.map((f) => {
  const plan = planOf(f)
  const d = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist)
  const { toAcknowledge, forDentist } = trayReadiness(plan, new Set())
  const tray = {
    signedBy: 'assistant',
    signedAt: d.now,
    acknowledged: [...toAcknowledge, ...forDentist].map((a) => a.id),
    answeredBy: 'dentist',
  }
  const note = composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC', [], tray)
  return {
    name: f,
    plan,
    note,
    told: patientInstructions(plan, d.state.core),
    lines: [...readPlan(plan).split('\n'), ...noteText(note).split('\n')],
  }
})

/** Where a line goes against a rule, with the place it stands. */
const against = (rule: RegExp): string[] => [
  ...new Set(texts.flatMap(({ name, lines }) => lines.filter((l) => rule.test(l)).map((l) => `${name}: ${l.trim()}`))),
]

describe('what a plan, its note and its instructions say', () => {
  it.each<[what: string, rule: RegExp]>([
    ['“a” before a vowel', /\ba (?=[aeiou](?!ne?\b|ni|se|uropean)\w)/],
    ['“an” before a consonant', /\ban (?=[b-df-gj-np-tv-z])/i],
    ['a word doubled', /\b(?!that\b)([A-Za-z]{2,}),? \1\b/],
    ['one of many', /\b1 (needles|pieces|pellets|minutes|boxes|teeth|crowns|cartridges)\b/],
    ['a title that begins small', /^[a-z][^:—]* — /],
    ['one tooth of several', /\btooth \d\d \([^)]*\), \d\d/],
    ['the outer side of a back tooth called facial', /\bfacial (side|wall|jaw|line)|on the facial/],
    [
      '“when” before what is no clause',
      /— when (?!.*\b(is|are|has|does|asks|doubts|wants|rocks|springs|stands|bleeds|gapes|weeps|leaks|blanches|runs|fits|finds)\b)/,
    ],
    ['a slot left open', /undefined|null|NaN|\[object/],
  ])('never %s', (_, rule) => {
    expect(against(rule)).toEqual([])
  })
  it('every sentence of a note ends', () => {
    const open = texts.flatMap(({ note }) => note.sections.flatMap((s) => s.sentences.filter((x) => !/[.!?]$/.test(x))))
    expect([...new Set(open)]).toEqual([])
  })
  it('nothing is said twice: no detail and no common error repeats its title', () => {
    const words = (text: string): string[] => text.toLowerCase().match(/[\p{L}]{4,}/gu) ?? []
    const repeats = (title: string, more: string): boolean => {
      const [said, again] = [new Set(words(title)), words(more)]
      return again.length > 2 && again.filter((w) => said.has(w)).length / again.length > 0.7
    }
    const found = texts.flatMap(({ plan }) => [
      ...plan.steps.filter((s) => repeats(s.title, s.detail ?? '')).map((s) => `${s.title} / ${s.detail}`),
      ...plan.steps.flatMap((s) => s.mistakes.filter((m) => repeats(`${s.title} ${s.detail ?? ''}`, m))),
    ])
    expect([...new Set(found)]).toEqual([])
  })
  it.each([
    'counts square',
    'set by the bead',
    'from behind forward',
    'pulls through in a hard bite',
    'wet through again',
    'hard and dry tells',
    'in that order',
    'suck dry',
    'by the anaesthetist’s word',
    'section it off',
    'fires it again',
    'points down until',
    'crevice closes',
    'gum half',
    'piece on hand',
  ])('never “%s”', (words) => {
    expect(against(new RegExp(words, 'i'))).toEqual([])
  })
})

describe('the sheet the patient takes home', () => {
  // Flesch–Kincaid grade of the whole sheet [P: Kincaid, Fishburne, Rogers, Chissom, Naval Technical Training Command 8-75, 1975].
  it.each(texts)('$name reads at grade 7 or below, and names the tooth of what was done to it', ({ told, plan }) => {
    const text = told.join(' ')
    const words = text.match(/[\p{L}’'-]+/gu) ?? []
    const grade = fleschKincaid({
      sentence: text.split(/[.?!](?:\s|$)/).filter(Boolean).length,
      word: words.length,
      syllable: words.reduce((n, w) => n + syllable(w), 0),
    })
    expect(grade).toBeLessThanOrEqual(7)
    for (const s of plan.steps.filter((x) => x.tell && !x.numbed)) {
      const line = told.find((l) => l.includes(s.tell ?? ''))!
      for (const tooth of s.tooth ? [s.tooth] : plan.request.also.length === 0 ? plan.request.teeth : [])
        expect(line).toContain(tooth)
    }
    // Trade words stay in the record.
    expect(text).not.toMatch(/recall|rehydrat|delivery|provisional|margin|occlus|isolation|undefined/i)
    // Nothing is said twice.
    expect(new Set(told).size).toBe(told.length)
  })
  it('a filling and an amalgam in one visit: each tooth has its own advice', () => {
    const { told } = texts.find((t) => t.name.startsWith('two-fillings-one-sheet'))!
    expect(told.find((l) => l.startsWith('Lower left first molar (36)'))).toContain('eat on it today')
    expect(told.find((l) => l.startsWith('Lower left second molar (37)'))).toContain('Chew on the other side')
  })
})
