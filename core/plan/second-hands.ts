/**
 * Whose second pair of hands it is: whoever of the team is free then, the dentist too. A dentist with nothing in the mouth for a
 * while lends a hand there; a stretch without them that is long enough is theirs to be elsewhere in, and is left to them.
 */
import { withPatient, type Step } from '../model/step'

/** What of a step decides whether somebody has it in hand. */
type Handed = Pick<Step, 'id' | 'performer' | 'helpers' | 'spread' | 'place'>

/** Ids of the steps, in the plan's order, in stretches without the dentist of at least `awayS` seconds, likely. */
function withoutDentist(steps: readonly Handed[], dentist: string, awayS: number): Set<string> {
  const away = new Set<string>()
  let stretch: string[] = []
  let lastsS = 0
  const close = (): void => {
    if (lastsS >= awayS) for (const id of stretch) away.add(id)
    stretch = []
    lastsS = 0
  }
  for (const s of steps) {
    if ([s.performer.personId, ...s.helpers].includes(dentist)) close()
    else {
      stretch.push(s.id)
      // What comes before and after the patient keeps nobody from the chair.
      if (withPatient(s)) lastsS += s.spread.likelyS
    }
  }
  close()
  return away
}

/**
 * The steps with the dentist's hands at those in the mouth that want a second pair and have none, where the dentist is there.
 * @param words what the second pair does at a step, by its place in the list
 * @param awayS from how long on a stretch without the dentist is theirs to be elsewhere in, s
 */
export function lentHands(
  steps: readonly Step[],
  dentist: string,
  words: (i: number) => string,
  awayS: number,
): Step[] {
  const away = steps.some((s) => s.alone) ? withoutDentist(steps, dentist, awayS) : new Set<string>()
  return steps.map((step, i) => {
    if (!step.alone || step.place === 'bench' || away.has(step.id)) return step
    const { alone: _, ...rest } = step
    return { ...rest, helpers: [...step.helpers, dentist], help: words(i) }
  })
}
