/** What came up beside the visit while it runs: large, above everything, until the dentist has answered with the own code. */
import { useState } from 'react'
import type { Plan } from '../../core/model/plan'
import { openMatters, type Matter } from '../../core/run/matters'
import { sure } from '../../core/sure'
import type { Run } from '../app/run'
import { CodePad } from '../parts/code-pad'
import { halfEntered } from '../parts/half-entered'
import { Modal } from '../parts/modal'
import { Alert, Button } from '../parts/ui'
import { clockTime } from '../parts/words'

const titles = { alert: 'Alert entered', cassette: 'Cassette pulled back', mark: 'Product marked' } as const

export function Matters({
  matters,
  nameOf,
  zone,
  onAnswer,
}: {
  matters: readonly Matter[]
  nameOf: (personId: string) => string
  zone: string
  onAnswer: (matter: Matter) => void
}) {
  return openMatters(matters).map((m) => (
    <Alert key={m.id} data-matter={m.id} className="p-3 text-2xl">
      <p className="font-bold">
        ■ {titles[m.kind]}: {m.says}{' '}
        <span className="num text-xl font-normal">
          {clockTime(m.at, zone)}, {nameOf(m.by)}
        </span>
      </p>
      {m.touches.length > 0 && (
        <ul className="list-inside list-disc text-xl">
          {m.touches.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <Button big tone="alarm" className="mt-2" onClick={() => onAnswer(m)}>
        The dentist answers
      </Button>
    </Alert>
  ))
}

/** Beginning on a cassette that was pulled back is asked in the same way. */
export type ToAnswer = Matter | { begin: string }

const useReason = halfEntered<string>()

export function MatterBox({
  visitId,
  matter,
  plan,
  run,
  onClose,
}: {
  visitId: string
  matter: ToAnswer
  plan: Plan
  run: Run
  onClose: () => void
}) {
  const id = 'begin' in matter ? 'begin' : matter.id
  const [reason, setReason, forget] = useReason(`${visitId} ${id}`, '')
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const dentist = sure(plan.people.find((p) => p.dentist))
  const give = async (): Promise<void> => {
    if (reason.trim().length < 3) {
      setCode('')
      return setWrong('Say in words how it goes on: it stands in the record.')
    }
    const signer = { personId: dentist.id, code }
    const sent =
      'begin' in matter
        ? await run.send({ kind: 'begin', despite: reason }, signer)
        : await run.send({ kind: 'settle', matterId: matter.id, reason }, signer)
    setCode('')
    if (!sent.ok) return setWrong(sent.message)
    forget()
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={`${dentist.name} answers`} wide>
      <div className="grid gap-5 md:grid-cols-2">
        <div className="space-y-3">
          <p className="text-xl font-bold">{'begin' in matter ? matter.begin : matter.says}</p>
          {'touches' in matter && matter.touches.map((line) => <p key={line}>{line}</p>)}
          <label className="block">
            How it goes on, and why
            <textarea
              autoFocus
              rows={3}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              className="mt-1 w-full rounded-md border-2 border-ink bg-sheet p-2 text-xl"
            />
          </label>
          <p className="text-soft">It stands in the record with name and time.</p>
          {wrong && <Alert>{wrong}</Alert>}
        </div>
        <CodePad waits label={`Code of ${dentist.name}`} value={code} onChange={setCode} onEnter={give} />
      </div>
    </Modal>
  )
}
