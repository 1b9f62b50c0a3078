/** How long pictures take to compute: what a tray and a tooth cost before anything is painted. */
import { readFileSync } from 'node:fs'
import { visitRequest } from '../core/model/request'
import { sectionOf } from '../core/picture/section'
import { thing } from '../core/picture/things'
import { layTrays } from '../core/picture/tray'
import { compile } from '../core/plan/compile'
import { starterPractice } from '../core/practice/starter'

/**
 * The widest tray of a crown with every outline on it, and the slowest section of its steps.
 * @param timed median ms of an act
 * @param note keeps a figure: its name, value, unit and aim
 */
export function pictures(
  timed: (times: number, act: () => unknown) => number,
  note: (name: string, value: number, unit: string, aim: number) => void,
): void {
  const request = visitRequest.parse(JSON.parse(readFileSync('demo/cases/J03-full-metal-crown.json', 'utf8')))
  const plan = compile(request, starterPractice())
  const trays = (): unknown =>
    layTrays(plan.setup).map((board) =>
      board.bands.map((b) => b.places.map(({ drawing: d }) => thing(d.shape, d.lengthMm, d.widthMm))),
    )
  note('all trays of a crown, laid and outlined', timed(60, trays), 'ms', 16)
  const each = plan.steps.map((s) => timed(20, () => sectionOf(plan, s)))
  note('a section of the tooth, the slowest of a crown’s steps', Math.max(...each), 'ms', 8)
}
