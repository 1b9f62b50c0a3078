/** A piece that is not found: where it was looked for, what a film shows, and the dentist's word that the count goes on without it. */
import { useState } from 'react'
import type { Count, Plan } from '../../core/model/plan'
import { sure } from '../../core/sure'
import { throatPack } from '../../core/vocabulary'
import { capital } from '../../core/words'
import type { Run } from '../app/run'
import { CodePad } from '../parts/code-pad'
import { halfEntered } from '../parts/half-entered'
import { Modal } from '../parts/modal'
import { Alert, wideField } from '../parts/ui'

interface Told {
  reason: string
  looked: string
  film: string
}
const useTold = halfEntered<Told>()
const labels: Record<keyof Told, string> = {
  reason: 'What happened, and what the dentist has decided',
  looked: 'Where it was looked for: mouth, throat, bib, suction, floor',
  film: 'Film taken, and what it shows',
}

export function LostBox({
  visitId,
  count,
  plan,
  run,
  onClose,
}: {
  visitId: string
  count: Count
  plan: Plan
  run: Run
  onClose: () => void
}) {
  const [told, setTold, forget] = useTold(`${visitId} lost ${count.id}`, { reason: '', looked: '', film: '' })
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const dentist = sure(plan.people.find((p) => p.dentist))
  const { reason, looked, film } = told
  const must = (field: keyof Told): boolean => field === 'reason' || count.id === throatPack
  const give = async (): Promise<void> => {
    setCode('')
    const missing = (['reason', 'looked', 'film'] as const).find((f) => must(f) && told[f].trim().length < 3)
    if (missing) return setWrong(`Still to be said: ${labels[missing]}.`)
    const said = { ...(looked.trim() ? { looked } : {}), ...(film.trim() ? { film } : {}) }
    const sent = await run.send(
      { kind: 'count', countId: count.id, direction: 'in', n: -1, reason, ...said },
      { personId: dentist.id, code },
    )
    if (!sent.ok) return setWrong(sent.message)
    forget()
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={`${capital(count.what)}: a piece is missing`} wide>
      <div className="grid gap-5 md:grid-cols-2">
        <div className="space-y-3">
          <p>
            Nobody goes on or goes home before it is looked for. What cannot be found may be swallowed or breathed in:
            the dentist decides, by local rules.
          </p>
          {(['reason', 'looked', 'film'] as const).map((field) => (
            <label key={field} className="block">
              {labels[field]}
              {!must(field) && <span className="text-soft"> (if any)</span>}
              <input
                autoFocus={field === 'reason'}
                className={wideField}
                value={told[field]}
                onChange={(e) => setTold({ ...told, [field]: e.target.value })}
              />
            </label>
          ))}
          <p className="text-soft">{dentist.name} takes one piece off the count. It stands in the record.</p>
          {wrong && <Alert>{wrong}</Alert>}
        </div>
        <CodePad waits label={`Code of ${dentist.name}`} value={code} onChange={setCode} onEnter={give} />
      </div>
    </Modal>
  )
}
