import { questions } from '../../core/practice/choices'
import type { VisitAndPlan } from '../app/plan'
import { Panel, Pick } from '../parts/ui'
import type { Change } from './change'

const source = { default: 'the usual', card: 'dentist’s card', case: 'this case', visit: 'this visit' }

/** The questions this plan asked, each school with what it would change before it is taken. */
export function Schools({
  data,
  consequences,
  change,
  locked,
}: {
  data: VisitAndPlan
  consequences: ReadonlyMap<string, string>
  change: (c: Change) => void
  locked: boolean
}) {
  const { request } = data.visit
  const shown = questions.filter((q) => data.plan.asked.choices.includes(q.name))
  return (
    <Panel
      title="The way it is done"
      aside={<span className="text-base text-soft">card, then case, then visit decides</span>}
      className="space-y-3"
    >
      {shown.map((q) => {
        const chosen = data.plan.choices[q.name]
        return (
          <div key={q.name} data-question={q.name}>
            <p className="mb-1 flex items-baseline gap-2">
              <strong>{q.title}</strong>
              <span className="text-base text-soft">
                from {source[chosen.from]}
                {chosen.why ? `: ${chosen.why}` : ''}
              </span>
              {chosen.from === 'visit' && !locked && (
                <button
                  type="button"
                  className="min-h-8 cursor-pointer text-base font-semibold text-jade underline"
                  onClick={() => {
                    const { [q.name]: _, ...rest } = request.visitChoices
                    change({ visitChoices: rest })
                  }}
                >
                  as before
                </button>
              )}
            </p>
            <Pick<string>
              even
              disabled={locked}
              label={q.title}
              value={chosen.value}
              onPick={(value) =>
                change({
                  visitChoices: {
                    ...request.visitChoices,
                    [q.name]: value,
                  },
                })
              }
              options={q.schools.map((s) => ({
                value: s.value,
                label: s.label,
                note: s.value === chosen.value ? s.note : (consequences.get(`${q.name}:${s.value}`) ?? s.note),
              }))}
            />
          </div>
        )
      })}
    </Panel>
  )
}
