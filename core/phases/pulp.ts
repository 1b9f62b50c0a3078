/** The pulp of a milk tooth: a part taken, or all of it. */
import { reason } from '../figure'
import { soreTooth } from '../measure/numbing'
import { acts, nothing, open, practice, sequence, type Block } from '../library/build'
import { type Case, type Unit } from '../library/case'

const act = acts({ phase: 'restoring', fn: 'root canal', place: 'mouth', helped: true })

/** What is done about a tooth's pulp: as its facts say, else as the work says of all. */
const pulpOf = (c: Case, u: Unit): 'none' | 'pulpotomy' | 'pulpectomy' =>
  u.facts.pulp ?? (c.request.pulpTreatment ? 'pulpotomy' : 'none')
/** Whether any pulp of the work is treated. */
export const treatsPulp = (c: Case): boolean => c.units.some((u) => pulpOf(c, u) !== 'none')

const access = (u: Unit) =>
  ({ id: `pulp.${u.tooth}`, form: 'access', depthMm: 1.4, surface: 'pulp chamber', widestMm: 1.4 }) as const
const pellets = (u: Unit, planned: number) => ({
  id: `pulp-pellets.${u.tooth}`,
  what: `pulp pellets, ${u.said}`,
  planned,
  outStep: `pulp-dry.${u.tooth}`,
})

/** The pulp of the crown off, the rest kept alive: medicament, base, dry. */
const pulpotomy = (u: Unit): Block =>
  sequence(
    act(`pulp.${u.tooth}`, `Pulpotomy of ${u.label}: roof off, bleeding stopped, medicament, base`, [4, 7, 12], {
      tooth: u.tooth,
      hurts: soreTooth(u.tooth),
      told: `did a pulpotomy on ${u.label}`,
      cut: access(u),
      passes: ['pellet, pressed', 'medicament', 'base'],
      needs: [
        open('cotton pellet', 4),
        open('pulp medicament', 1),
        open('base cement', 1),
        open('slow handpiece'),
        open('spoon excavator'),
      ],
      countsIn: [pellets(u, 4)],
      mistakes: ['bleeding that does not stop: the pulp is ill further down, tell the dentist'],
    }),
    act(`pulp-dry.${u.tooth}`, 'Pellets out, dry', [0.2, 0.3, 0.5], {
      tooth: u.tooth,
      fn: 'chairside',
      countsOut: [`pulp-pellets.${u.tooth}`],
    }),
  )

/** All of the pulp out, the root filled with what goes away with it. Common practice. */
const pulpectomy = (u: Unit): Block =>
  sequence(
    act(
      `pulp.${u.tooth}`,
      `Pulpectomy of ${u.label}: roof off, the whole pulp out, walls filed and rinsed`,
      [6, 9, 15],
      {
        tooth: u.tooth,
        hurts: soreTooth(u.tooth),
        told: `took the whole pulp out of ${u.label}`,
        cut: access(u),
        passes: ['small hand file, stop set', 'next file', 'rinse'],
        needs: [
          open('slow handpiece'),
          open('spoon excavator'),
          open('hand file.small', 2),
          open('hand file.set'),
          open('file stops'),
          open('endodontic ruler'),
          open('irrigation syringe'),
          open('side-vented needle'),
        ],
        detail: 'Short of the end by the film: the tooth to come lies under it.',
        cautions: [reason('Rinsed with water only: nothing stronger where no sheet is on; suction at the tooth', 'C')],
        mistakes: ['filed past the end: the tooth to come lies there'],
      },
    ),
    act(`pulp-points.${u.tooth}`, 'Points with medicament into the root, left a moment', [0.5, 1, 2], {
      tooth: u.tooth,
      passes: ['points in tweezers, dipped'],
      needs: [open('paper point', 2), open('pulp medicament', 1)],
      countsIn: [
        {
          id: `pulp-points.${u.tooth}`,
          what: `medicated points, ${u.said}`,
          planned: 2,
          outStep: `pulp-fill.${u.tooth}`,
        },
      ],
    }),
    act(`pulp-fill.${u.tooth}`, 'Points out; resorbable paste packed down with plugger and pellet', [1, 2, 4], {
      tooth: u.tooth,
      told: `filled the root of ${u.label} with a resorbable paste`,
      passes: ['paste on its instrument', 'endodontic plugger', 'pellet, pressed'],
      needs: [
        open('resorbable paste', 1),
        open('endodontic plugger'),
        open('cotton pellet', 2),
        open('plastic instrument'),
      ],
      countsIn: [pellets(u, 2)],
      countsOut: [`pulp-points.${u.tooth}`],
      reason: practice('it has to go away with the root when the next tooth comes'),
    }),
    act(`pulp-dry.${u.tooth}`, 'Pellets out; base over the paste', [0.5, 0.8, 1.5], {
      tooth: u.tooth,
      passes: ['base'],
      needs: [open('base cement', 1)],
      countsOut: [`pulp-pellets.${u.tooth}`],
    }),
  )

/** Pulp treatment, tooth by tooth, where it was decided. */
export function pulp(c: Case): Block {
  const of = { none: () => nothing, pulpotomy, pulpectomy }
  return sequence(...c.units.map((u) => of[pulpOf(c, u)](u)))
}
