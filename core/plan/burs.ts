/** The burs of a visit in order of use, out of those owned; each is handed when its turn comes. */
import { theBur } from '../library/cuts/cut'
import type { Bur } from '../catalog/bur'
import { chooseBur, type Cut, type CutForm } from '../catalog/cut'
import { itsName } from '../catalog/spoken'
import type { BurPass } from '../model/plan'
import type { Step } from '../model/step'
import type { Case } from '../library/case'

/** Whether a cut leaves a margin, which a finisher then follows. */
const margins: readonly CutForm[] = ['chamfer', 'shoulder', 'rounded shoulder']

/**
 * Chooses a bur for every cut, keeping the one in the handpiece where it serves. One bur has one number over the whole visit, by
 * its first turn, and is called by it again.
 */
export function burOrder(steps: readonly Pick<Step, 'id' | 'cut' | 'tooth'>[], c: Case): BurPass[] {
  const passes = new Map<string, BurPass>()
  /** What cut the margin of a tooth: of each form, where it has two, and the last of all. */
  const cutBy = new Map<string, Bur>()
  const marginOf = ({ tooth, cut }: Pick<Step, 'cut' | 'tooth'>): Bur | undefined =>
    cutBy.get(`${tooth ?? ''} ${cut?.after ?? ''}`) ?? cutBy.get(tooth ?? '')
  let held: string | undefined
  let turn = 0
  for (const step of steps) {
    if (!step.cut) continue
    const twin = step.cut.form === 'finish' ? marginOf(step) : undefined
    const wanted: Cut = twin ? { ...step.cut, twinOf: { shape: twin.shape, diameterMm: twin.diameterMm } } : step.cut
    const answer = chooseBur(wanted, c.practice.burs, held)
    const bur = c.practice.burs.find((b) => b.id === answer.best?.burId)
    const key = bur?.id ?? `none for ${step.id}`
    const cut = {
      stepId: step.id,
      surface: step.cut.surface,
      depthMm: step.cut.depthMm,
      ...(answer.best ? { because: answer.best.because } : {}),
      ...(answer.next ? { next: answer.next } : {}),
      ...(key === held ? {} : { turn: (turn += 1) }),
    }
    const pass = passes.get(key)
    if (pass) {
      pass.cuts.push(cut)
      for (const p of answer.passedOver) if (!pass.passedOver.includes(p)) pass.passedOver.push(p)
    } else
      passes.set(key, {
        order: passes.size + 1,
        ...(bur ? { bur } : {}),
        cuts: [cut],
        passedOver: answer.passedOver,
        ...(answer.lack ? { lack: answer.lack } : {}),
      })
    held = key
    if (bur && margins.includes(step.cut.form))
      cutBy.set(step.tooth ?? '', bur).set(`${step.tooth ?? ''} ${step.cut.form}`, bur)
  }
  return [...passes.values()]
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
  // Frozen plans of before name it only where it is first used.
  const turn = burs.find((b) => b.cuts.some((x, i) => x.stepId === stepId && (x.turn !== undefined || i === 0)))
  const others = passes.filter((p) => p !== theBur)
  if (!turn?.bur) return others
  const at = Math.max(0, passes.indexOf(theBur))
  return [...others.slice(0, at), burInHand({ order: turn.order, bur: turn.bur }), ...others.slice(at)]
}
