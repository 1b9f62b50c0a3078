import { factsOf, type ToothFacts } from '../../core/model/request'
import { toothName, write, type Tooth } from '../../core/teeth/notation'
import type { VisitAndPlan } from '../app/plan'
import { Check } from '../parts/ui'
import { changeOf, toothChange, workAt, type Change } from './change'
import { Choose, NumberField, ShadeField, SurfacesField } from './fact-fields'

/** What is yes or no of a tooth, and how it is asked. */
const toothFlags = [
  ['dark', 'Dark'],
  ['overgrown', 'Gum overgrown'],
  ['coveredEdge', 'Edge covered'],
  ['worn', 'Worn, not decayed'],
] as const

/** What is known of each tooth by itself. */
export function ByTooth({
  data,
  at,
  asked,
  change,
  locked,
}: {
  data: VisitAndPlan
  at: number
  asked: (fact: string) => boolean
  change: (c: Change) => void
  locked: boolean
}) {
  const { request } = data.visit
  const work = workAt(request, at)
  const flags = toothFlags.filter(([fact]) => asked(fact))
  if (
    !['surfaces', 'depthMm', 'widthMm', 'perimeterMm', 'canals', 'made', 'pulp', 'shade'].some(asked) &&
    flags.length === 0
  )
    return null
  return (
    <ul className="space-y-1.5" aria-label="Tooth by tooth">
      {work.teeth.map((t: Tooth) => {
        const facts = factsOf(work, t)
        const said = write(t, data.practice.notation)
        const say = (f: Partial<Record<keyof ToothFacts, unknown>>): void =>
          change(changeOf(request, at, toothChange(work, t, f)))
        const [canal, ...canals] = facts.canals ?? []
        return (
          <li key={t} className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <strong className="num" title={toothName(t)}>
              {said}
            </strong>
            {asked('made') && (
              <Choose
                disabled={locked}
                label={`What ${said} gets`}
                value={facts.made ?? ((facts.surfaces?.length ?? 1) > 1 ? 'inlay' : 'foil')}
                onPick={(made) => say({ made })}
                words={{ foil: 'Foil', inlay: 'inlay' }}
              />
            )}
            {asked('pulp') && (
              <Choose
                disabled={locked}
                label={`Pulp of ${said}`}
                value={facts.pulp ?? (work.pulpTreatment ? 'pulpotomy' : 'none')}
                onPick={(pulp) => say({ pulp })}
                words={{ none: 'pulp left', pulpotomy: 'pulpotomy', pulpectomy: 'pulpectomy' }}
              />
            )}
            {asked('surfaces') && (
              <SurfacesField value={facts.surfaces} disabled={locked} onValue={(v) => say({ surfaces: v })} />
            )}
            {asked('depthMm') && (
              <NumberField
                label="depth"
                unit="mm"
                disabled={locked}
                value={facts.depthMm}
                onValue={(depthMm) => say({ depthMm })}
              />
            )}
            {asked('widthMm') && (
              <NumberField
                label="width"
                unit="mm"
                disabled={locked}
                value={facts.widthMm}
                onValue={(widthMm) => say({ widthMm })}
              />
            )}
            {asked('perimeterMm') && (
              <NumberField
                label="perimeter"
                unit="mm"
                disabled={locked}
                value={facts.perimeterMm}
                onValue={(perimeterMm) => say({ perimeterMm })}
              />
            )}
            {asked('shade') && <ShadeField disabled={locked} value={facts.shade} onValue={(shade) => say({ shade })} />}
            {asked('canals') && (
              <NumberField
                label="canal"
                unit="mm"
                disabled={locked}
                value={canal?.lengthMm}
                onValue={(lengthMm) =>
                  say({
                    canals:
                      lengthMm === undefined ? undefined : [{ name: canal?.name ?? 'single', lengthMm }, ...canals],
                  })
                }
              />
            )}
            {flags.map(([fact, label]) => (
              <Check
                key={fact}
                disabled={locked}
                label={label}
                checked={facts[fact] ?? false}
                onChange={(on) => say({ [fact]: on })}
              />
            ))}
          </li>
        )
      })}
    </ul>
  )
}
