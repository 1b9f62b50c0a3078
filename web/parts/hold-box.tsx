/** A hold to be answered: the dentist's own code signs it; it may be waved on with a reason, or what it looked at done over. */
import { sure } from '../../core/sure'
import { useState } from 'react'
import type { Hold, Plan } from '../../core/model/plan'
import { stillToRead } from '../../core/run/unread'
import type { Run } from '../app/run'
import { CodePad } from './code-pad'
import { halfEntered } from './half-entered'
import { Readings } from './readings'
import { Modal } from './modal'
import { Button, Mark, Alert } from './ui'
import { withFreshCords } from '../../core/run/cords'
import { useNow } from '../app/live'

const useReason = halfEntered<string>()

export function HoldBox({
  visitId,
  hold,
  plan,
  run,
  onClose,
}: {
  visitId: string
  hold: Hold
  plan: Plan
  run: Run
  onClose: () => void
}) {
  const [code, setCode] = useState('')
  const [mode, setMode] = useState<'sign' | 'wave' | 'again'>('sign')
  const [reason, setReason, forget] = useReason(`${visitId} ${hold.id}`, '')
  const [wrong, setWrong] = useState<string | null>(null)
  const dentist = sure(plan.people.find((p) => p.dentist))
  const give = async (): Promise<void> => {
    setWrong(null)
    const signer = { personId: dentist.id, code }
    const sent =
      mode === 'sign'
        ? await run.send({ kind: 'sign', holdId: hold.id }, signer)
        : mode === 'wave'
          ? await run.send({ kind: 'wave', holdId: hold.id, reason }, signer)
          : await run.send({ kind: 'again', holdId: hold.id, reason })
    if (sent.ok) {
      forget()
      return onClose()
    }
    setCode('')
    setWrong(sent.message)
  }
  const now = useNow(1000)
  const unread = stillToRead(plan, run.state.core, hold)
  const step = plan.steps.find((s) => s.id === hold.stepId)
  return (
    <Modal open onClose={onClose} title={`${hold.title}?`} wide>
      <div className="grid gap-5 md:grid-cols-2">
        <div className="space-y-3">
          <p className="text-xl">
            {dentist.name} answers on: <strong>{hold.evidence}</strong>.
          </p>
          <p className="text-soft">{hold.because.text}.</p>
          <Readings plan={plan} core={run.state.core} stepId={hold.stepId} />
          {unread.length > 0 && <Mark kind="ask">to be read first: {unread.map((r) => r.words).join(', ')}</Mark>}
          {step?.detail && <p>{step.detail}</p>}
          {hold.mandatory && <Mark kind="mind">no card takes this hold off</Mark>}
          <div className="flex flex-wrap gap-2" role="group" aria-label="Answer">
            <Button
              tone={mode === 'sign' ? 'jade' : 'quiet'}
              aria-pressed={mode === 'sign'}
              onClick={() => setMode('sign')}
            >
              Good: sign
            </Button>
            <Button
              tone={mode === 'again' ? 'alarm' : 'quiet'}
              aria-pressed={mode === 'again'}
              onClick={() => setMode('again')}
            >
              Not good: again
            </Button>
            <Button
              tone={mode === 'wave' ? 'alarm' : 'quiet'}
              aria-pressed={mode === 'wave'}
              onClick={() => setMode('wave')}
            >
              Go on unsigned
            </Button>
          </div>
          {mode !== 'sign' && (
            <label className="block">
              Because
              <textarea
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                rows={2}
                className="mt-1 w-full rounded-md border-2 border-ink bg-sheet p-2"
              />
            </label>
          )}
          {mode === 'again' && (
            <>
              <p>
                Done over:{' '}
                {withFreshCords(plan, run.state.core, hold.again, now)
                  .map((id) => plan.steps.find((s) => s.id === id)?.title ?? id)
                  .join('; ')}
                .
              </p>
              <Button big tone="alarm" disabled={reason.trim().length < 3} onClick={() => void give()}>
                Do it over
              </Button>
            </>
          )}
          {wrong && <Alert>{wrong}</Alert>}
        </div>
        {mode !== 'again' && (
          <CodePad label={`Code of ${dentist.name}`} value={code} onChange={setCode} onEnter={give} />
        )}
      </div>
    </Modal>
  )
}
