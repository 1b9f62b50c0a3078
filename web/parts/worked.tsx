/** “How is this worked out?”: a figure's formula, inputs and standing, one touch away wherever a figure stands. */
import { Fold } from './fold'
import { standingWords, type Figure, type Reason } from '../../core/figure'

export function Why({ reason }: { reason: Reason }) {
  return (
    <>
      {reason.text} <span className="text-base text-soft">({reason.source ?? standingWords[reason.standing]})</span>
    </>
  )
}

export function Worked({ figures, reasons = [] }: { figures: readonly Figure[]; reasons?: readonly Reason[] }) {
  if (figures.length + reasons.length === 0) return null
  return (
    <Fold data-worked="" title="How is this worked out?" className="text-base">
      <dl className="space-y-1.5 border-l-4 border-line pl-3">
        {figures.map((f) => (
          <div key={f.name + f.text}>
            <dt className="inline font-semibold">{f.name}: </dt>
            <dd className="inline">
              <strong className="num">
                {f.value} {f.unit}
              </strong>
              . <Why reason={f} />
            </dd>
          </div>
        ))}
        {reasons.map((r) => (
          <div key={r.text}>
            <Why reason={r} />
          </div>
        ))}
      </dl>
    </Fold>
  )
}
