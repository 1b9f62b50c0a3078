/** The pulp of a milk tooth: a part taken, or all of it. */
import { lay } from '../lay'
import { nothing, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'

/** What is done about a tooth's pulp: as its facts say, else as the work says of all. */
const pulpOf = (c: Case, u: Unit): 'none' | 'pulpotomy' | 'pulpectomy' =>
  u.says('pulp') ?? (c.asks('pulpTreatment') ? 'pulpotomy' : 'none')
/** Whether any pulp of the work is treated. */
export const treatsPulp = (c: Case): boolean => c.units.some((u) => pulpOf(c, u) !== 'none')

const access = (u: Unit) =>
  ({ id: `pulp.${u.tooth}`, form: 'access', depthMm: 1.4, surface: 'pulp chamber', widestMm: 1.4 }) as const
const pellets = (u: Unit, planned: number) => ({
  id: `pulp-pellets.${u.tooth}`,
  what: `pulp {pellets}, ${u.said}`,
  planned,
  outStep: `pulp-dry.${u.tooth}`,
})

/** The pulp of the crown off, the rest kept alive: medicament, base, dry. */
const pulpotomy = (c: Case, u: Unit): Block =>
  sequence(lay(c, 'pulp.$tooth', { u, access: access(u), pellets: pellets(u, 4) }), lay(c, 'pulp-dry.$tooth', { u }))

/** All of the pulp out, the root filled with what goes away with it. Common practice. */
const pulpectomy = (c: Case, u: Unit): Block =>
  sequence(
    lay(c, 'pulp.$tooth:pulpectomy', { u, access: access(u) }),
    lay(c, 'pulp-points.$tooth', { u }),
    lay(c, 'pulp-fill.$tooth', { u, pellets: pellets(u, 2) }),
    lay(c, 'pulp-dry.$tooth:pulpectomy', { u }),
  )

/** Pulp treatment, tooth by tooth, where it was decided. */
export function pulp(c: Case): Block {
  const of = { none: () => nothing, pulpotomy, pulpectomy }
  return sequence(...c.units.map((u) => of[pulpOf(c, u)](c, u)))
}
