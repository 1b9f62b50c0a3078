/** J10: gold inlay cemented and gold foil placed under one sheet, finished in the same sitting. */
import { pitLines } from '../cuts/cavities'
import { lay } from '../lay'
import { goldWork } from '../generators/gold-work'
import type { Need } from '../../catalog/match'
import { reason, type Figure } from '../../figure'
import { goldFor } from '../../measure/volumes'
import { only, open, sequence, type Block } from '../build'
import { labels, type Case, type Unit } from '../case'
import { cutSteps } from '../generators/cutting'
import { cementPiece, provisionalOff, tryIn } from '../generators/delivery'
import { biteUntilEven } from '../generators/filling'
import { sheetOff, sheetOn, clamp } from '../generators/isolation'
import type { VisitKind } from './kind'

/** The case with only these teeth. */
const onlyUnits = (c: Case, units: Unit[]): Case => ({ ...c, units })

/** The sheet made tight to the last drop: second clamp, light-cured seal. */
function sealedSheet(c: Case): Block {
  return sequence(
    sheetOn(c, { purpose: 'foil' }),
    only(c.school('bondingIsolation') === 'dam', () =>
      sequence(
        lay(c, 'isolation.second-clamp', {
          clamp: clamp('premolar', {
            words: 'premolar clamp',
            orElse: [{ what: 'clamp.cervical', loss: 'bulky at the front end' }],
          }),
        }),
        lay(c, 'isolation.seal:gold'),
      ),
    ),
    only(!c.has('chlorhexidine'), () => lay(c, 'isolation.scrub')),
    only(c.has('chlorhexidine'), () => lay(c, 'isolation.scrub:with alcohol')),
  )
}

/** What wipes a cavity clean before something is put into it for good. */
const antiseptic = (c: Case): { word: string; need: Need } =>
  c.has('chlorhexidine')
    ? { word: 'alcohol', need: open('alcohol') }
    : { word: 'chlorhexidine', need: open('chlorhexidine', 2) }

function inlay(c: Case, units: Unit[]): Block {
  const clean = antiseptic(c)
  const own = onlyUnits(c, units)
  return sequence(
    provisionalOff(own, 'flick'),
    tryIn(own, 'gold inlay', { as: 'delivery.try-in:gold', labels: labels(own) }),
    lay(c, 'delivery.antiseptic:gold', { word: clean.word, labels: labels(own), need: clean.need }),
    cementPiece(own, 'gold inlay'),
  )
}

/** A pit for foil: 2.5 mm across at its mouth, as deep as the case says, else 2 mm; a block that holds it. Our estimate. */
function pitVolume(u: Unit): Figure {
  const [acrossMm, deepMm] = [2.5, u.says('depthMm') ?? 2]
  const value = Math.round(acrossMm * acrossMm * deepMm * 10) / 10
  return {
    name: 'pit, about',
    value,
    unit: 'mm³',
    text: `${acrossMm} × ${acrossMm} × ${deepMm} mm = ${value} mm³`,
    standing: 'estimate',
  }
}

/** How often a piece is due where so many are placed in so many minutes. */
const pace = (n: number, likelyMin: number) => ({ n, everyS: Math.floor((likelyMin * 60) / n) })

/** Annealed, handed, placed, malleted: powdered gold to two thirds, cohesive foil for the rest. Foil filling 20 · 30 · 40 minutes. */
function foil(c: Case, u: Unit): Block {
  const pit = pitVolume(u)
  const gold = goldFor(pit.value)
  const flame = reason('Open flame: away from oxygen, hair and rubber; the lid at hand to put it out', 'C')
  return sequence(
    cutSteps(onlyUnits(c, [u]), pitLines, [3, 5, 10]),
    lay(c, 'foil.$tooth.dry', { word: antiseptic(c).word, need: antiseptic(c).need, u }),
    lay(c, 'foil.$tooth.light', { powdered: gold.powdered, foil: gold.foil, pit, figure: gold.figure, flame, u }),
    lay(c, 'foil.$tooth.powdered', { u, ...pace(gold.powdered, 5) }),
    lay(c, 'foil.$tooth.cohesive', { u, ...pace(gold.foil, 17) }),
    lay(c, 'foil.$tooth.burnish', { u }),
    lay(c, 'foil.$tooth.trim', { u }),
  )
}

function gloss(c: Case): Block {
  return sequence(
    lay(c, 'finishing.discs'),
    lay(c, 'finishing.pumice'),
    lay(c, 'finishing.fifteen'),
    lay(c, 'finishing.one'),
  )
}

export const goldDeliver: VisitKind = {
  id: 'gold.deliver',
  work: (c) => {
    const { foil: foils, inlays } = goldWork(c)
    return sequence(
      sealedSheet(c),
      only(inlays.length > 0, () => inlay(c, inlays)),
      ...foils.map((u) => foil(c, u)),
      sheetOff(c),
    )
  },
  afterSheet: (c) =>
    sequence(...c.units.map((u) => biteUntilEven(c, u, 'filling', { as: 'filling.$tooth.bite:gold', u })), gloss(c)),
  followUps: () => [],
}
