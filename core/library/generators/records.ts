import { lay } from '../lay'
import { firstOf } from '../../sure'
import { reason } from '../../figure'
import { alginate, trayMaterial } from '../../measure/amounts'
import { absent, nothing, only, open, practice, sequence, type Block } from '../build'
import { isPainted, roundsOf, trayNeed } from './impression-material'
import { type Case } from '../case'

export const otherJaw = (c: Case): 'upper' | 'lower' => (c.jaw === 'upper' ? 'lower' : 'upper')

/** The mould the provisional is made in, taken before cutting: a preliminary impression, or a putty index. */
export function provisionalMould(c: Case): Block {
  if (c.school('provisional') === 'bis-acryl in wax-up matrix') {
    return lay(c, 'records.try-matrix')
  }
  // Built before the mould is taken, and only where it is gone.
  const wall = only(c.asks('missingWall'), () => lay(c, 'records.wall', { u: firstOf(c.units) }))
  if (c.school('provisional') === 'bis-acryl in putty index') return sequence(wall, lay(c, 'records.putty-index'))
  if (c.before.mould)
    return absent(
      'a second preliminary impression',
      practice('the first takes in this side of the jaw: both provisionals are made in it'),
    )
  return sequence(
    wall,
    lay(c, 'records.preliminary', {
      value: trayMaterial('sectional', c.rule).value,
      trayMaterial: trayMaterial('sectional', c.rule),
    }),
  )
}

/** The opposing arch, where neither a dual-arch tray nor the scan gives it. */
export function opposingArch(c: Case): Block {
  if (c.school('impression') === 'addition silicone, dual-arch')
    return absent('opposing impression', reason('the dual-arch tray takes both jaws at once', 'C'))
  if (c.school('impression') === 'optical scan') {
    return lay(c, 'records.scan-opposing')
  }
  const amount = alginate(otherJaw(c))
  return sequence(
    lay(c, 'records.opposing', {
      powderValue: amount.powder.value,
      waterValue: amount.water.value,
      powder: amount.powder,
      water: amount.water,
    }),
    lay(c, 'records.keep-damp'),
  )
}

/**
 * Each tray tried before anything is cut; adhesive on it early, because it wants its minutes to dry. The baths are switched on as
 * early, and their trays are tried there.
 */
export function paintTray(c: Case): Block {
  const [first] = roundsOf(c).filter((r) => r.tray !== 'water-cooled')
  return sequence(
    only(c.school('impression') === 'reversible hydrocolloid', () => lay(c, 'impression.baths')),
    first ? lay(c, 'impression.try-tray', { tray: trayNeed(c, first), dual: first.tray === 'dual-arch' }) : nothing,
    first && isPainted(first)
      ? lay(c, 'impression.paint-tray', {
          tray: trayNeed(c, first),
          adhesive: open(`tray adhesive.${first.family === 'silicone' ? 'silicone' : 'polyether'}`, 1),
        })
      : nothing,
  )
}
