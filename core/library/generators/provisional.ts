/** A provisional made from bis-acryl in a mould: separated, mixed, seated, lifted, trimmed, polished. */
import { liftAgain } from '../steps/lanes'
import { lay } from '../lay'
import { type Figure } from '../../figure'
import { bisAcryl } from '../../measure/amounts'
import { innerSideOf } from '../facts/reduction'
import { reductionTargets } from '../../measure/reduction'
import { sequence, type Block } from '../build'
import type { Case } from '../case'

/** What making the provisional over takes, up to the bench. */
export const mouldSteps = ['provisional.separate', 'provisional.mix', 'provisional.seat', 'provisional.lift']

/** Bis-acryl for the visit's units: prepared teeth by their reduction, pontics whole. */
function bisAcrylAmount(c: Case): Figure {
  const t = c.restoration ? reductionTargets(c.restoration, innerSideOf(c)) : undefined
  const own = c.practice.items.find((i) => i.serves.includes('bis-acryl'))?.perUnit
  return bisAcryl(
    [
      ...c.units.map((u) => ({
        size: u.size,
        axialMm: t?.inner.mostMm ?? 1,
        occlusalMm: t?.functionalCusp.mostMm ?? 1.5,
      })),
      ...c.pontics.map((u) => ({ size: u.size, axialMm: u.size.mesiodistalMm / 2, occlusalMm: u.size.crownLengthMm })),
    ],
    own,
    c.rule,
  )
}

/** Seconds from one lift to the next while it is rubbery. Our estimate: several lifts before it is hard. */
const liftEveryS = 20

/** Separator before any resin; where the dentine was sealed with resin the dentist sees that it is on. */
const separate = (c: Case, sealed: boolean): Block => lay(c, 'provisional.separate', { sealed })

/** The first lift, timed from the mix, and every lift after it. */
function firstLift(c: Case): Block {
  const [first, out] = [c.rule('bis-acryl.rubbery').value, c.rule('bis-acryl.out').value]
  const lifts = Array.from({ length: Math.max(0, Math.ceil((out - first) / liftEveryS) - 1) }, (_, i) => ({
    ...liftAgain,
    id: `lift-${i + 2}`,
    notBeforeS: first + (i + 1) * liftEveryS,
  }))
  return lay(c, 'provisional.lift', { mouldSteps, lifts })
}

/** Separator, mix, seat, first lift: the part that happens in the mouth while the cord dwells. */
export function makeProvisional(c: Case, { sealed = false }: { sealed?: boolean } = {}): Block {
  const amount = bisAcrylAmount(c)
  return sequence(
    separate(c, sealed),
    lay(c, 'provisional.mix', { amountValue: amount.value, amount }),
    lay(c, 'provisional.seat', { mouldSteps }),
    firstLift(c),
  )
}

/** The smooth surface, by the school picked. */
export function polishProvisional(c: Case): Block {
  switch (c.school('smooth')) {
    case 'brush and felt':
      return lay(c, 'provisional.polish')
    case 'discs and points':
      return lay(c, 'provisional.polish:composite')
    case 'resin coat':
      return lay(c, 'provisional.polish:bonding resin')
  }
}

/** Trimmed and polished at the bench, beside whatever the mouth is waiting for. */
export function trimProvisional(c: Case): Block {
  return sequence(lay(c, 'provisional.trim'), polishProvisional(c))
}
