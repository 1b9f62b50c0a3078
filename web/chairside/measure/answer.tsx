/** What readings came to: the verdict in word and shape, what to do, and how it was worked out. */
import type { Judged, Verdict } from '../../../core/readings/reading'
import { Mark } from '../../parts/ui'
import { Worked } from '../../parts/worked'

const words: Record<Verdict, ['good' | 'mind' | 'ask' | 'stop', string]> = {
  good: ['good', 'good'],
  over: ['mind', 'enough, more than wanted somewhere'],
  tell: ['mind', 'to be known'],
  review: ['stop', 'for the dentist to review'],
  short: ['ask', 'short: the dentist answers before it goes on'],
  correct: ['ask', 'to be corrected, then read again'],
  again: ['ask', 'to be made or taken again'],
}

export function Answer({ judged }: { judged: Judged | { wrong: string } }) {
  if ('wrong' in judged) return <p className="text-soft">{judged.wrong}.</p>
  const [kind, said] = words[judged.verdict]
  return (
    <div role="status" data-verdict={judged.verdict} className="space-y-1">
      <Mark kind={kind}>
        <strong>{said}</strong>
      </Mark>
      <ul className="list-inside list-disc">
        {judged.says.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
      <Worked figures={judged.figures} />
    </div>
  )
}
