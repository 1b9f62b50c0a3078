import { readdirSync } from 'node:fs'
import { expect, it } from 'vitest'
import { kindIds, kindTable } from './kinds'
import { compile } from './plan/compile'
import { starterPractice } from './practice/starter'
import { kindOfStep, onEveryTooth } from './step-id'
import { exampleRequest } from './library/kinds/example'

const practice = starterPractice()
const team = { dentist: 'dentist', assistants: ['assistant'] }

it('every step of every kind is named by its act, and tooth, piece and ordinal can be taken off', () => {
  for (const kind of kindIds) {
    const plan = compile(exampleRequest(kind, '2026-11-26', team), practice)
    for (const step of plan.steps) {
      expect(step.id).toMatch(/^[a-z][a-z-]*(\.[a-z0-9@][\w@-]*)+$/)
      expect(kindOfStep(step.id), step.id).toMatch(/^[a-z]/)
      expect(step.id.startsWith(onEveryTooth(step)), step.id).toBe(true)
      // What two teeth have in common is named alike.
      if (step.tooth) expect(kindOfStep(step.id).split('.'), step.id).not.toContain(step.tooth)
    }
    expect(readdirSync('core/library/kinds'), kind).toContain(`${kindTable[kind].file}.ts`)
  }
})
