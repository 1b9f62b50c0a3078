/** One crown's visit for the tests of runs: its plan, its two people, and the run brought to a step. */
import { compile } from '../../core/plan/compile'
import { visitRequest } from '../../core/model/request'
import { starterPractice } from '../../core/practice/starter'
import type { Who } from '../../core/run/decide'
import { runThrough, startDrive, type Drive } from '../../core/run/drive'

export const plan = compile(
  visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    restoration: 'monolithic zirconia crown',
    choices: { cord: 'double', impression: 'polyether, custom tray' },
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }),
  starterPractice(),
)
export const assistant: Who = { personId: 'assistant', roles: ['assistant'], codeShown: false }
export const dentist: Who = { personId: 'dentist', roles: ['dentist'], codeShown: true }
/** The run until this step is next. */
export const upTo = (id: string): Drive =>
  runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist, id)
