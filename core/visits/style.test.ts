/** Every sentence of every reviewed plan, note and instruction, against docs/style.md: articles, doubled words, the list of never. */
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { compile } from '../plan/compile'
import { readPlan } from '../plan/text'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'
import { composeNote, noteText } from '../record/note'
import { runThrough, startDrive } from '../run/drive'

const practice = starterPractice()
const assistant = { personId: 'assistant', roles: ['assistant' as const], codeShown: false }
const dentist = { personId: 'dentist', roles: ['dentist' as const], codeShown: true }
const texts = readdirSync('demo/cases')
  .filter((f) => f.endsWith('.json'))
  .map((f) => {
    const plan = compile(visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${f}`, 'utf8'))), practice)
    const d = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist)
    return {
      name: f,
      lines: [
        ...readPlan(plan).split('\n'),
        ...noteText(composeNote(plan, d.events, { name: 'A. Demo' }, 'Etc/UTC')).split('\n'),
      ],
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
    ['a slot left open', /undefined|null|NaN|\[object/],
  ])('never %s', (_, rule) => {
    expect(against(rule)).toEqual([])
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
