import type { Plan } from '../../core/model/plan'

/** What this visit does without, each with its reason: nobody need wonder whether it was forgotten. */
export function LeftOut({ plan, tone = '' }: { plan: Plan; tone?: string }) {
  if (plan.absent.length === 0) return null
  return (
    <section aria-label="Left out">
      <h3 className={`font-bold ${tone}`}>Left out, and why</h3>
      <ul>
        {plan.absent.map((a) => (
          <li key={a.what}>
            {a.what}: {a.because.text}
          </li>
        ))}
      </ul>
    </section>
  )
}
