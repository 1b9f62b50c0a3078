/** The burs of a visit in order of use, out of those owned; each is handed when its turn comes. */
import { theBur } from '../library/cuts/cut'
import { chooseBur } from '../catalog/cut'
import { itsName } from '../catalog/spoken'
import type { BurPass } from '../model/plan'
import type { Step } from '../model/step'
import type { Case } from '../library/case'

/** Chooses a bur for every cut, keeping the one in the handpiece where it serves. */
export function burOrder(steps: readonly Pick<Step, 'id' | 'cut'>[], c: Case): BurPass[] {
  const passes: BurPass[] = []
  for (const step of steps) {
    if (!step.cut) continue
    const current = passes.at(-1)
    const answer = chooseBur(step.cut, c.practice.burs, current?.bur?.id)
    const cut = {
      stepId: step.id,
      surface: step.cut.surface,
      depthMm: step.cut.depthMm,
      ...(answer.best ? { because: answer.best.because } : {}),
      ...(answer.next ? { next: answer.next } : {}),
    }
    const bur = c.practice.burs.find((b) => b.id === answer.best?.burId)
    if (bur && current?.bur?.id === bur.id) {
      current.cuts.push(cut)
      for (const p of answer.passedOver) if (!current.passedOver.includes(p)) current.passedOver.push(p)
    } else {
      passes.push({
        order: passes.length + 1,
        ...(bur ? { bur } : {}),
        cuts: [cut],
        passedOver: answer.passedOver,
        ...(answer.lack ? { lack: answer.lack } : {}),
      })
    }
  }
  return passes
}

/**
 * A bur as it is handed: its place in the strip, then its name; a “needle” alone could be another thing.
 * @example burInHand({ order: 5, bur: { name: 'Needle 0.9, medium' } }) // 'bur 5: needle 0.9, medium'
 */
export const burInHand = ({ order, bur }: { order: number; bur: { name: string } }): string =>
  `bur ${order}: ${itsName(bur.name)}`

/** A step that cuts with its bur, and what is handed at it. */
export function withBur(step: Step, burs: readonly BurPass[]): Step {
  if (!step.cut) return step
  const bur = burs.find((b) => b.cuts.some((c) => c.stepId === step.id))?.bur
  return { ...step, passes: burHanded(step.passes, step.id, burs), ...(bur ? { burId: bur.id } : {}) }
}

/** What is passed at a step that cuts: its bur where that is changed, by its place in the strip and its name, and what else the phase names. */
function burHanded(passes: readonly string[], stepId: string, burs: readonly BurPass[]): string[] {
  const turn = burs.find((b) => b.cuts[0]?.stepId === stepId)
  const others = passes.filter((p) => p !== theBur)
  if (!turn?.bur) return others
  const at = Math.max(0, passes.indexOf(theBur))
  return [...others.slice(0, at), burInHand({ order: turn.order, bur: turn.bur }), ...others.slice(at)]
}
