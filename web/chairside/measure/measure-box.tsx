/** Readings at a step: taken by touch or keys, judged as they are entered, drawn, stored with the run. */
import { firstOf } from '../../../core/sure'
import { useState } from 'react'
import { sheetOf } from '../../../core/picture/sheet'
import type { Plan } from '../../../core/model/plan'
import type { Step } from '../../../core/model/step'
import { judge, readingOfKind, readingsAt, startsOf, teethAt, type ReadingKind } from '../../../core/readings'
import type { Measured } from '../../../core/readings'
import type { Tooth } from '../../../core/teeth/notation'
import type { Run } from '../../app/run'
import { usePractice } from '../../app/queries'
import { DamDrawing } from '../../parts/dam-drawing'
import { halfEntered } from '../../parts/half-entered'
import { Modal } from '../../parts/modal'
import { Button, Pick, Alert } from '../../parts/ui'
import { Why } from '../../parts/worked'
import { Answer } from './answer'
import { Fields } from './fields'
import { ImpressionPart } from './impression-part'
import { Picture } from './pictures'
import { ProvisionalPart, emptyProvisional } from './provisional-part'
import { ReductionPart } from './reduction-part'
import { Walls } from './walls'
import { labelled } from '../../../core/model/said'

type Given = Record<string, unknown>
const empty: Partial<Record<ReadingKind, object>> = {
  inspection: { parts: {}, field: [] },
  provisional: emptyProvisional,
}

// What stands in the box began as that kind's own empty reading and was changed by that kind's own part alone.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const own = (given: Given): never => given as never
const storedOf = (before: Measured | undefined): Given | undefined =>
  typeof before?.readings === 'object' && before.readings !== null ? { ...before.readings } : undefined

/** What is drawn and asked for each kind; plain fields need nothing of their own. */
function Part({
  kind,
  plan,
  step,
  tooth,
  given,
  judged,
  onGive,
}: {
  kind: ReadingKind
  plan: Plan
  step: Step
  tooth: Tooth
  given: Given
  judged: ReturnType<typeof judge>
  onGive: (g: object) => void
}) {
  const practice = usePractice()
  const { fields } = readingOfKind(kind)
  const ask = step.asks.find((a) => a.reading === kind && a.teeth.includes(tooth))
  if (ask?.reading === 'reduction')
    return <ReductionPart key={tooth} plan={plan} ask={ask} tooth={tooth} given={given} onGive={onGive} />
  if (ask?.reading === 'inspection')
    return <ImpressionPart ask={ask} tooth={tooth} given={own(given)} onGive={onGive} />
  if (ask?.reading === 'provisional')
    return <ProvisionalPart plan={plan} ask={ask} tooth={tooth} given={own(given)} onGive={onGive} />
  const asked = fields ? <Fields key={`${kind} ${tooth}`} fields={fields} given={given} onGive={onGive} /> : null
  if (kind === 'convergence')
    return (
      <div className="flex flex-wrap items-end gap-4">
        <Walls {...given} />
        {asked}
      </div>
    )
  const template = kind === 'sheet' ? sheetOf(step) : undefined
  if (template)
    return (
      <div className="flex flex-wrap items-start gap-4">
        <DamDrawing template={template} notation={practice.data?.notation ?? 'iso'} width={360} />
        <div className="min-w-0 flex-1 space-y-2">
          {asked}
          {step.needs
            .filter((n) => n.is === 'clamp')
            .map((n) => (
              <p key={n.what} className="text-base">
                <strong>{n.readiness === 'open' ? 'Clamp' : 'Have ready'}:</strong>{' '}
                {n.words ?? n.what.replaceAll('.', ', ')}
                {n.because && (
                  <>
                    ; <Why reason={n.because} />
                  </>
                )}
                {n.when && `, when ${n.when}`}
              </p>
            ))}
        </div>
      </div>
    )
  return (
    <div className="flex flex-wrap items-start gap-4">
      <div className="min-w-0 flex-1">{asked}</div>
      <Picture kind={kind} readings={given} judged={judged} tooth={tooth} />
    </div>
  )
}

const useEntered = halfEntered<Record<string, Given>>()

export function MeasureBox({
  visitId,
  plan,
  at,
  run,
  onClose,
}: {
  visitId: string
  plan: Plan
  at: Step
  run: Run
  onClose: () => void
}) {
  const kinds = readingsAt(at)
  const [kind, setKind] = useState<ReadingKind>(firstOf(kinds))
  const teeth = teethAt(at, kind)
  const [picked, setTooth] = useState<Tooth>(firstOf(teeth))
  const tooth = teeth.includes(picked) ? picked : firstOf(teeth)
  const core = run.state.core
  const stored = (k: ReadingKind, t: Tooth) =>
    core.measured.find((m) => m.stepId === at.id && m.measure === k && m.tooth === t)
  // A step that is done over is read anew.
  const [entered, setEntered] = useEntered(`${visitId} ${at.id} ${core.steps[at.id]?.rounds ?? 0}`, {})
  const [wrong, setWrong] = useState<string | null>(null)
  const key = `${kind} ${tooth}`
  const before = stored(kind, tooth)
  const where = { plan, step: at, tooth, before: core.faults, round: before?.round ?? 0, spent: core.spent }
  const given = entered[key] ?? storedOf(before) ?? { ...empty[kind], ...startsOf(kind, where) }
  const judged = judge(kind, given, where)
  const keep = async (): Promise<void> => {
    const sent = await run.send({ kind: 'measure', stepId: at.id, measure: kind, tooth, readings: given })
    if (!sent.ok) return setWrong(sent.message)
    const { [key]: _kept, ...others } = entered
    setEntered(others)
    const next = kinds
      .flatMap((k) => teethAt(at, k).map((t) => ({ k, t })))
      .find(({ k, t }) => `${k} ${t}` !== key && !stored(k, t) && entered[`${k} ${t}`] === undefined)
    // On to the next tooth or measure that has no reading; with all read the box is done.
    if (!next) return onClose()
    setKind(next.k)
    setTooth(next.t)
    setWrong(null)
  }
  const label = (t: Tooth): string => labelled(plan, t)
  return (
    <Modal
      open
      onClose={onClose}
      title={at.title}
      wide="very"
      foot={
        <Button big tone="jade" className="w-full" disabled={'wrong' in judged} onClick={() => void keep()}>
          Keep these readings
        </Button>
      }
    >
      <div className="space-y-3" data-measure={kind}>
        <div className="flex flex-wrap gap-3">
          {kinds.length > 1 && (
            <Pick
              label="What is read"
              value={kind}
              onPick={setKind}
              options={kinds.map((value) => ({ value, label: readingOfKind(value).name }))}
            />
          )}
          {teeth.length > 1 && (
            <Pick
              label="Tooth"
              value={tooth}
              onPick={setTooth}
              options={teeth.map((value) => ({ value, label: label(value) }))}
            />
          )}
          {teeth.length === 1 && !readingOfKind(kind).once && (
            <span className="num self-center text-xl font-bold">{label(tooth)}</span>
          )}
          {before && (
            <span className="self-center text-soft">
              read {before.round} time{before.round === 1 ? '' : 's'} so far
            </span>
          )}
        </div>
        <Part
          kind={kind}
          plan={plan}
          step={at}
          tooth={tooth}
          given={given}
          judged={judged}
          onGive={(readings) => setEntered({ ...entered, [key]: { ...readings } })}
        />
        <Answer judged={judged} />
        {wrong && <Alert>{wrong}</Alert>}
        <p className="text-base text-soft">The dentist decides; readings stand in the record with what they came to.</p>
      </div>
    </Modal>
  )
}
