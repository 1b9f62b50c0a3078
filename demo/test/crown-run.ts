/** One crown's visit for the tests of runs: its plan, and the run brought to a step. */
import { runThrough, startDrive, type Drive } from '../../core/run/drive'
import { assistant, dentist } from './people'
import { planOf } from './plans'

export const plan = planOf('crown-37')
/** The run until this step is next. */
export const upTo = (id: string): Drive =>
  runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist, id)
