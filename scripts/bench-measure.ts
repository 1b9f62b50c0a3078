/** How the bench measures: medians, and a list of figures beside what they aim at. */
import { sure } from '../core/sure'

export const median = (xs: number[]): number => sure(xs.toSorted((a, b) => a - b)[Math.floor(xs.length / 2)])
export const p95 = (xs: number[]): number => sure(xs.toSorted((a, b) => a - b)[Math.floor(xs.length * 0.95)])
/** Median ms of a task, after it has been done often enough to be warm. */
export const timed = (times: number, task: () => unknown): number => {
  for (let i = 0; i < Math.min(20, times); i++) task()
  return median(
    Array.from({ length: times }, () => {
      const started = performance.now()
      task()
      return performance.now() - started
    }),
  )
}

export interface Row {
  what: string
  value: number
  unit: string
  aim?: number
}
export const rows: Row[] = []
/** Keeps a figure, and says it. */
export const note = (what: string, value: number, unit = 'ms', aim?: number): void => {
  rows.push({ what, value, unit, ...(aim === undefined ? {} : { aim }) })
  console.log(
    `${what.padEnd(58)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit}${aim === undefined ? '' : `   (aim under ${aim} ${unit})${value < aim ? '' : '   MISSED'}`}`,
  )
}
