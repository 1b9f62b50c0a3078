/** Redundant or overgrown gum. */
import { lay } from '../lay'
import { reason } from '../../figure'
import { soreGum } from '../../measure/numbing'
import { absent, nothing, type Block } from '../build'
import { type Case, type Unit } from '../case'

/** The teeth whose gum has to go. */
export const overgrownTeeth = (c: Case): Unit[] => c.units.filter((u) => u.says('overgrown'))

/** Redundant or overgrown tissue: by the dentist, with what it asks of everybody in the room. */
export function overgrownTissue(c: Case): Block {
  const teeth = overgrownTeeth(c)
  if (teeth.length === 0) return nothing
  const school =
    c.school('redundantTissue') === 'electrosurgery' && c.has('pacemaker') ? 'laser' : c.school('redundantTissue')
  if (school === 'wait')
    return absent(
      'tissue removal',
      reason('overgrown tissue is left: shape the provisional and look again', 'practice'),
    )
  c.gumCut = true
  const laser = school === 'laser'
  const tool = laser ? 'the {laser}' : '{electrosurgery}'
  return lay(c, 'tissue.trim', {
    tool,
    all: teeth.map((u) => u.label).join(', '),
    soreGum: soreGum(teeth.map((u) => u.tooth)),
    laser,
  })
}
