import { useState } from 'react'
import type { Plan } from '../../core/model/plan'
import { sure } from '../../core/sure'
import { whyNot } from '../app/change'
import { CodePad } from '../parts/code-pad'
import { Modal } from '../parts/modal'
import { Alert } from '../parts/ui'
import type { Signature } from './marks'

/** What a clash leaves to the dentist, answered with the dentist’s own code before the tray is signed. */
export function AnswerBox({
  plan,
  asked,
  onAnswer,
  onClose,
}: {
  plan: Plan
  asked: readonly { id: string; text: string }[]
  onAnswer: (signer: NonNullable<Signature['signer']>) => Promise<unknown>
  onClose: () => void
}) {
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string>()
  const dentist = sure(plan.people.find((p) => p.dentist))
  const give = (): Promise<void> => {
    setWrong(undefined)
    return onAnswer({ personId: dentist.id, code }).then(onClose, (error: unknown) => {
      setCode('')
      setWrong(whyNot(error))
    })
  }
  return (
    <Modal open onClose={onClose} title="The dentist answers" wide>
      <div className="grid gap-5 md:grid-cols-2">
        <div className="space-y-3">
          <ul className="space-y-2 text-lg">
            {asked.map((a) => (
              <li key={a.id}>◆ {a.text}</li>
            ))}
          </ul>
          <p className="text-soft">
            {dentist.name} goes on with it by their own code; who answered is kept with the signed tray.
          </p>
          {wrong && <Alert>{wrong}</Alert>}
        </div>
        <CodePad label={`Code of ${dentist.name}`} value={code} onChange={setCode} onEnter={give} />
      </div>
    </Modal>
  )
}
