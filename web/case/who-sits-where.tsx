import { useState } from 'react'
import { seatingOf } from '../../core/plan/seating'
import { usePractice } from '../app/queries'
import type { Plan } from '../../core/model/plan'
import { Panel, Pick } from '../parts/ui'
import { SeatsView } from '../parts/seats-view'

/** Every place that this visit is cut from, in its order, one of them drawn. */
export function WhoSitsWhere({ plan }: { plan: Plan }) {
  const notation = usePractice().data?.notation ?? 'iso'
  const seatings = seatingOf(plan)
  const [at, setAt] = useState(0)
  const shown = seatings[at] ?? seatings[0]
  if (!shown) return null
  const { seats, tooth, steps } = shown
  return (
    <Panel title="Who sits where" className="space-y-2">
      {seatings.length > 1 && (
        <Pick
          label="Places of this visit"
          value={String(seatings.indexOf(shown))}
          onPick={(value) => setAt(Number(value))}
          options={seatings.map((s, i) => ({ value: String(i), label: s.short }))}
        />
      )}
      <SeatsView tooth={tooth} seats={seats} notation={notation} />
      <p>{shown.words}</p>
      <p className="text-base text-soft">
        For: {steps.join(' · ')}. {shown.because}
      </p>
    </Panel>
  )
}
