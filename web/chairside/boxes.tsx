/** The small boxes of chairside: leave a step out, note, keys, and a window that closed. */
import { sure } from '../../core/sure'
import { useState } from 'react'
import type { Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import type { RunningClock } from '../../core/run/clocks'
import type { Run } from '../app/run'
import { CodePad } from '../parts/code-pad'
import { halfEntered } from '../parts/half-entered'
import { Modal } from '../parts/modal'
import { Button, Check, Alert } from '../parts/ui'

const area = 'mt-1 w-full rounded-md border-2 border-ink bg-sheet p-2 text-xl'

const useWords = halfEntered<string>()

interface Of {
  visitId: string
  run: Run
  onClose: () => void
}

function Wrong({ text }: { text: string | null }) {
  return text ? <Alert>{text}</Alert> : null
}

export function SkipBox({ visitId, run, steps, onClose }: Of & { steps: Step[] }) {
  const [picked, setPicked] = useState<string[]>(steps[0] ? [steps[0].id] : [])
  const [reason, setReason, forget] = useWords(`${visitId} skip`, '')
  const [wrong, setWrong] = useState<string | null>(null)
  const give = async (): Promise<void> => {
    const sent = await run.send({ kind: 'skip', stepIds: picked, reason })
    if (!sent.ok) return setWrong(sent.message)
    forget()
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="Leave out">
      <div className="space-y-3">
        <div className="grid gap-1.5">
          {steps.map((s) => (
            <Check
              key={s.id}
              label={s.title}
              checked={picked.includes(s.id)}
              onChange={(on) => setPicked(on ? [...picked, s.id] : picked.filter((x) => x !== s.id))}
            />
          ))}
        </div>
        <label className="block">
          Because
          <textarea autoFocus rows={2} value={reason} onChange={(e) => setReason(e.target.value)} className={area} />
        </label>
        <p className="text-soft">It stands in the record with this reason. A hold of a step left out is still asked.</p>
        <Wrong text={wrong} />
        <Button big tone="alarm" disabled={picked.length === 0 || reason.trim().length < 3} onClick={() => void give()}>
          Leave out
        </Button>
      </div>
    </Modal>
  )
}

/** @param closed the record is closed: what is written is added to it, and never changed again */
export function NoteBox({ visitId, run, closed = false, onClose }: Of & { closed?: boolean }) {
  const [text, setText, forget] = useWords(`${visitId} note`, '')
  const [wrong, setWrong] = useState<string | null>(null)
  const give = async (): Promise<void> => {
    const sent = await run.send({ kind: closed ? 'addend' : 'note', text })
    if (!sent.ok) return setWrong(sent.message)
    forget()
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={closed ? 'Add to the closed record' : 'Note for the record'}>
      {closed && <p className="mb-2 text-soft">It is added with your name and the time, and cannot be taken back.</p>}
      <textarea
        autoFocus
        aria-label="Note"
        rows={3}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className={area}
      />
      <Wrong text={wrong} />
      <Button big tone="jade" className="mt-3" disabled={!text.trim()} onClick={() => void give()}>
        Keep
      </Button>
    </Modal>
  )
}

const keys: [string, string][] = [
  ['b', 'begin the visit'],
  ['space, page-down, →, pedal', 'next: finish this step, start the following one'],
  ['h', 'answer the hold that is asked'],
  ['a', 'seen: what the other side of the chair has said'],
  ['1 to 4', 'say that word to the other side of the chair'],
  ['m', 'take the readings this step asks for'],
  ['w', 'how the figures of this step are worked out'],
  ['o', 'the first open count is out, all of it'],
  ['u', 'undo the last act'],
  ['s', 'leave a step out, with a reason'],
  ['n', 'note for the record'],
  ['?', 'this list'],
]

export function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Modal open onClose={onClose} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2 text-xl">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="num font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  )
}

/** A window has closed: do it over, or the dentist accepts with a reason. Asked once; the clock stays on the screen. */
export function WindowBox({ clock, plan, run }: { clock: RunningClock; plan: Plan; run: Run }) {
  const [open, setOpen] = useState(true)
  const [accepting, setAccepting] = useState(false)
  const [reason, setReason] = useState('')
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const dentist = sure(plan.people.find((p) => p.dentist))
  const link = sure(plan.links.find((l) => l.id === clock.linkId))
  const titles = (link.kind === 'window' ? link.again : [link.to]).map(
    (id) => plan.steps.find((s) => s.id === id)?.title ?? id,
  )
  const give = async (kind: 'again' | 'accept'): Promise<void> => {
    const sent = await run.send(
      {
        kind: 'answer',
        linkId: clock.linkId,
        answer: kind,
        reason: kind === 'again' ? `${clock.title}: window missed` : reason,
      },
      kind === 'accept' ? { personId: dentist.id, code } : undefined,
    )
    if (sent.ok) setOpen(false)
    else {
      setCode('')
      setWrong(sent.message)
    }
  }
  return (
    <Modal open={open} onClose={() => setOpen(false)} title={`${clock.title}: closed`} wide unasked>
      <div className="space-y-3">
        <p className="text-2xl">{clock.whenMissed}.</p>
        <p className="text-soft">{clock.because}.</p>
        {!accepting && (
          <>
            <p>Done over: {titles.join('; ')}.</p>
            <div className="flex flex-wrap gap-2">
              <Button big tone="alarm" onClick={() => void give('again')}>
                Do it over
              </Button>
              <Button big tone="quiet" onClick={() => setAccepting(true)}>
                The dentist accepts
              </Button>
            </div>
          </>
        )}
        {accepting && (
          <div className="grid gap-4 md:grid-cols-2">
            <label>
              {dentist.name} accepts, because
              <textarea rows={3} value={reason} onChange={(e) => setReason(e.target.value)} className={area} />
            </label>
            <CodePad label={`Code of ${dentist.name}`} value={code} onChange={setCode} onEnter={() => give('accept')} />
          </div>
        )}
        <Wrong text={wrong} />
      </div>
    </Modal>
  )
}
