/** A cord that lies too long asks: out now, or why it stays. Not in the way of the pedal: a hand may be in the mouth. */
import { useState } from 'react'
import type { LyingCord } from '../../core/run/cords'
import { capital } from '../../core/words'
import type { Run } from '../app/run'
import { halfEntered } from '../parts/half-entered'
import { Modal } from '../parts/modal'
import { Alert, Button } from '../parts/ui'

const minutes = (s: number): number => Math.floor(s / 60)

export function CordsOver({
  cords,
  onOut,
  onStays,
}: {
  cords: readonly LyingCord[]
  onOut: (stepId: string) => void
  onStays: (cord: LyingCord) => void
}) {
  return cords.map((c) => (
    <Alert key={c.step.id} data-cord-over={c.step.id} className="p-3 text-2xl">
      <p>
        ■ {capital(c.count.what)} has lain <strong className="num">{minutes(c.liesS)} min</strong>,{' '}
        <span className="num">{minutes(c.mostS)}</span> at most: out, or does it stay?
      </p>
      <span className="mt-2 flex flex-wrap gap-2">
        <Button big tone="alarm" onClick={() => onOut(c.step.id)}>
          It is out
        </Button>
        <Button big tone="quiet" onClick={() => onStays(c)}>
          It stays, because …
        </Button>
      </span>
    </Alert>
  ))
}

const useReason = halfEntered<string>()

export function CordBox({
  visitId,
  cord,
  run,
  onClose,
}: {
  visitId: string
  cord: LyingCord
  run: Run
  onClose: () => void
}) {
  const [reason, setReason, forget] = useReason(`${visitId} ${cord.step.id} ${cord.sinceMs}`, '')
  const [wrong, setWrong] = useState<string | null>(null)
  const give = async (): Promise<void> => {
    const sent = await run.send({ kind: 'keep cord', stepId: cord.step.id, reason })
    if (!sent.ok) return setWrong(sent.message)
    forget()
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={`${capital(cord.count.what)} stays in`}>
      <div className="space-y-3">
        <label className="block">
          On the dentist’s word, because
          <textarea
            autoFocus
            rows={2}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            className="mt-1 w-full rounded-md border-2 border-ink bg-sheet p-2 text-xl"
          />
        </label>
        <p className="text-soft">The minutes it lies stand in the record, and this reason with them.</p>
        {wrong && <Alert>{wrong}</Alert>}
        <Button big tone="jade" disabled={reason.trim().length < 3} onClick={() => void give()}>
          It stays
        </Button>
      </div>
    </Modal>
  )
}
