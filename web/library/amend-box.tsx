/** Amending a step: what, then why. What it would do to the plan is tried before it is kept. */
import { useMemo } from 'react'
import type { KindId } from '../../core/kinds'
import type { Plan } from '../../core/model/plan'
import { allPlaces, type Step } from '../../core/model/step'
import { change, changeWords, mouthEffects, type Change, type MouthEffect } from '../../core/practice/amendment'
import { functionNames } from '../../core/practice/functions'
import type { Practice } from '../../core/practice/practice'
import { onEveryTooth } from '../../core/step-id'
import { entriesOf, sure } from '../../core/sure'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { usePractice } from '../app/queries'
import { Form, SelectField, TextField, useSchemaForm, wrongOf } from '../parts/form'
import { Modal } from '../parts/modal'
import { Check, Mark, Pick } from '../parts/ui'
import { amendForm, changeOf, ops } from './amend-form'
import { planFor } from './library-plan'

/** To a tenth. */
const inMinutes = (s: number): string => String(Math.round(s / 6) / 10)

const useAmendForm = (step: Step) =>
  useSchemaForm(amendForm(onEveryTooth(step)), {
    op: 'add step',
    why: '',
    title: '',
    fn: 'chairside',
    place: 'mouth',
    minutes: [inMinutes(step.spread.shortS), inMinutes(step.spread.likelyS), inMinutes(step.spread.longS)],
    after: '',
    what: '',
    does: null,
    field: step.tooth ? 'detail' : 'title',
    says: step.tooth ? (step.detail ?? '') : step.title,
  })
type AmendForm = ReturnType<typeof useAmendForm>

function Minutes({ form }: { form: AmendForm }) {
  const wrong = wrongOf({ form, name: 'minutes' })
  return (
    <fieldset className="flex flex-wrap gap-3 [&_input]:!w-24 [&_label]:flex [&_label]:items-center [&_label]:gap-2">
      {(['short', 'likely', 'long'] as const).map((w, i) => (
        <TextField
          key={w}
          form={form}
          name={([`minutes.0`, `minutes.1`, `minutes.2`] as const)[i] ?? 'minutes.0'}
          label={`${w}, min`}
          inputMode="decimal"
          className="num"
        />
      ))}
      {wrong !== undefined && (
        <p role="alert" className="w-full text-base text-alarm">
          {wrong}
        </p>
      )}
    </fieldset>
  )
}

/** Asked once, when the step is added: the plan then keeps it from the mouth that is not numb, and cleans and asks where it has to. */
function Effects({ form }: { form: AmendForm }) {
  const does = form.watch('does')
  const wrong = wrongOf({ form, name: 'does' })
  const set = (to: MouthEffect[]): void => form.setValue('does', to, { shouldValidate: true, shouldDirty: true })
  return (
    <fieldset className="grid gap-1.5 md:grid-cols-2">
      <legend className="mb-1">What it does in the mouth</legend>
      {entriesOf(mouthEffects).map(([effect, words]) => (
        <Check
          key={effect}
          label={words}
          checked={does?.includes(effect) ?? false}
          onChange={(on) => set(on ? [...(does ?? []), effect] : (does ?? []).filter((x) => x !== effect))}
        />
      ))}
      <Check label="nothing of these" checked={does?.length === 0} onChange={() => set([])} />
      {wrong !== undefined && (
        <p role="alert" className="text-base text-alarm md:col-span-2">
          {wrong}
        </p>
      )}
    </fieldset>
  )
}

const fields: [value: 'title' | 'detail', label: string][] = [
  ['title', 'what it is called'],
  ['detail', 'what is said under it'],
]

/** What is asked beside what is changed and why. */
function Particulars({
  form,
  op,
  plan,
  step,
  practice,
}: {
  form: AmendForm
  op: Change['op']
  plan: Plan
  step: Step
  practice: Practice
}) {
  const serves = useMemo(() => [...new Set(practice.items.flatMap((i) => i.serves))].toSorted(), [practice])
  return (
    <>
      {op === 'add step' && (
        <div className="grid gap-3 md:grid-cols-[2fr_1fr_1fr]">
          <TextField form={form} name="title" label="The new step, in a few words" />
          <SelectField form={form} name="fn" label="Function" options={entriesOf(functionNames)} />
          <SelectField form={form} name="place" label="Where" options={allPlaces.map((p) => [p, p])} />
        </div>
      )}
      {op === 'add step' && form.watch('place') === 'mouth' && <Effects form={form} />}
      {(op === 'add step' || op === 're-time step') && <Minutes form={form} />}
      {op === 'reword step' && (
        <div className="grid gap-3 md:grid-cols-[1fr_3fr]">
          <SelectField
            form={form}
            name="field"
            label="Which words"
            // What names its tooth keeps its name.
            options={step.tooth ? [['detail', 'what is said under it']] : fields}
          />
          <TextField form={form} name="says" label="As you say it" />
        </div>
      )}
      {op === 'move step' && (
        <SelectField
          form={form}
          name="after"
          label="To after"
          empty="choose a step"
          options={plan.steps.filter((s) => s.id !== step.id).map((s) => [onEveryTooth(s), s.title])}
        />
      )}
      {(op === 'add item' || op === 'add step') && (
        <TextField
          form={form}
          name="what"
          label={op === 'add step' ? 'It needs (may stay empty)' : 'Item, by what it serves for'}
          list="serves"
        >
          <datalist id="serves">
            {serves.map((s) => (
              <option key={s} value={s} />
            ))}
          </datalist>
        </TextField>
      )}
      {op === 'remove item' && (
        <SelectField
          form={form}
          name="what"
          label="Which"
          empty="choose an item"
          options={[...new Set(step.needs.map((n) => n.what))].map((n) => [n, n.replaceAll('.', ', ')])}
        />
      )}
    </>
  )
}

/** What the plan would make of a change; nothing while it is not whole yet. */
function useTried(raw: unknown, kind: KindId, plan: Plan, practice: Practice) {
  const key = JSON.stringify(raw)
  return useMemo(() => {
    const parsed = change.safeParse(JSON.parse(key))
    if (!parsed.success) return undefined
    const dentist = sure(plan.people.find((p) => p.dentist))
    const one = { id: 'tried', kind, change: parsed.data, by: 'you', on: '2026-01-01', why: 'tried' }
    const use = planFor(kind, { ...practice, amendments: [...practice.amendments, one] }, dentist.id).amendments.at(-1)
    return use && { ...use, words: changeWords(parsed.data) }
  }, [key, kind, plan, practice])
}

interface Props {
  kind: KindId
  plan: Plan
  step: Step
  onClose: () => void
}

function Opened({ kind, plan, step, onClose, practice }: Props & { practice: Practice }) {
  const form = useAmendForm(step)
  const op = form.watch('op')
  const tried = useTried(changeOf(onEveryTooth(step), form.watch()), kind, plan, practice)
  const save = useChange(
    (body: { why: string; change: Change }) => api('/practice/amendments', { method: 'POST', body: { kind, ...body } }),
    ['practice'],
    { stored: onClose },
  )
  return (
    <Form form={form} submit="Amend" disabled={tried?.applied === false} onSend={(body) => save.mutateAsync(body)}>
      <Pick
        label="What to change"
        value={op}
        onPick={(v) => form.setValue('op', v)}
        options={entriesOf(ops).map(([value, label]) => ({ value, label }))}
      />
      <Particulars form={form} op={op} plan={plan} step={step} practice={practice} />
      <TextField form={form} name="why" label="Why" />
      <div role="status">
        {tried?.applied === true && (
          <Mark kind="good">It {tried.words}, on every plan of this kind that is not signed yet.</Mark>
        )}
        {tried?.applied === false && <Mark kind="stop">Not possible: {tried.misfit}</Mark>}
      </div>
    </Form>
  )
}

export default function AmendBox(props: Props) {
  const { data: practice } = usePractice()
  return (
    <Modal open onClose={props.onClose} title={`Amend “${props.step.title}”`} wide>
      {practice && <Opened {...props} practice={practice} />}
    </Modal>
  )
}
