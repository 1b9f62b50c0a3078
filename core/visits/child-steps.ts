/** What visits of children share. */
import { soreTooth } from '../measure/numbing'
import { acts, open, sequence, type Block } from '../phases/build'
import { type Case, type Unit } from '../phases/case'

export const child = acts({ phase: 'restoring', fn: 'crown fitting', place: 'mouth', helped: true })
export const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))

/** Pulp treatment, where it was decided: medicament, base, dry. */
export function pulp(c: Case): Block {
  return each(c, (u) =>
    sequence(
      child(
        `pulp.${u.tooth}`,
        `Pulp treatment of ${u.label}: roof off, bleeding stopped, medicament, base`,
        [4, 7, 12],
        {
          tooth: u.tooth,
          fn: 'root canal',
          hurts: soreTooth(u.tooth),
          told: `treated the pulp of ${u.label}`,
          cut: { id: `pulp.${u.tooth}`, form: 'access', depthMm: 1.4, surface: 'pulp chamber', widestMm: 1.4 },
          passes: ['pellet, pressed', 'medicament', 'base'],
          needs: [
            open('cotton pellet', 4),
            open('pulp medicament', 1),
            open('base cement', 1),
            open('slow handpiece'),
            open('spoon excavator'),
          ],
          countsIn: [
            {
              id: `pulp-pellets.${u.tooth}`,
              what: `pulp pellets, ${u.tooth}`,
              planned: 4,
              outStep: `pulp-dry.${u.tooth}`,
            },
          ],
          mistakes: ['bleeding that does not stop: the pulp is ill further down, tell the dentist'],
        },
      ),
      child(`pulp-dry.${u.tooth}`, 'Pellets out, dry', [0.2, 0.3, 0.5], {
        tooth: u.tooth,
        fn: 'chairside',
        countsOut: [`pulp-pellets.${u.tooth}`],
      }),
    ),
  )
}
