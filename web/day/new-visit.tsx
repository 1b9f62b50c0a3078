import { useNavigate } from 'react-router'
import { kindFacts } from '../../core/kinds'
import type { Practice } from '../../core/practice/practice'
import { firstOf } from '../../core/sure'
import { notationNames, toothName, writeBoth, type Notation } from '../../core/teeth/notation'
import type { DayVisit } from '../../wire/day'
import { api } from '../app/api'
import { usePractice, useRefresh } from '../app/queries'
import { Form, SelectField, TextField, useSchemaForm } from '../parts/form'
import { KindSelect } from '../parts/kind-select'
import { Modal } from '../parts/modal'
import { Button, Loading, Pick } from '../parts/ui'
import type { Prefill } from './calendar-box'
import { freeFrom, newVisitForm, readTeeth, teethWith, type Follows } from './new-visit-form'

interface DayOfVisit {
  day: string
  chairs: Practice['chairs']
  notation: Notation
  visits?: DayVisit[]
  zone?: string
}
interface Props {
  view: DayOfVisit
  follows?: Follows
  prefill?: Prefill
  onClose: () => void
}

/** How each tooth was read, while it is typed; a number of another notation is asked, and a touch says that it is meant. */
function Readings({ text, notation, onText }: { text: string; notation: Notation; onText: (text: string) => void }) {
  return (
    <span className="block min-h-6 text-base" role="status">
      {readTeeth(text, notation).map((r, i) => (
        <span key={i} className="mr-2">
          {r.kind === 'ok' &&
            `${writeBoth(r.tooth, notation)}, ${toothName(r.tooth)}${r.also ? `; not ${writeBoth(r.also.tooth, notation)}, ${r.word} in ${notationNames[r.also.notation]}` : ''}`}
          {r.kind === 'ask' && (
            <>
              {r.word} is no tooth in {notationNames[notation]}. Meant as{' '}
              {r.readings.map((x) => (
                <Button key={x.notation} onClick={() => onText(teethWith(text, i, x.tooth, notation))}>
                  {`${notationNames[x.notation]}: ${writeBoth(x.tooth, notation)}, ${toothName(x.tooth)}`}
                </Button>
              ))}
            </>
          )}
          {r.kind === 'error' && r.message}
        </span>
      ))}
    </span>
  )
}

function useNewVisit({ view, follows, prefill }: Props, practice: Practice) {
  const namesOf = (may: (roles: Practice['people'][number]['roles']) => boolean) =>
    practice.people.filter((p) => !p.left && may(p.roles)).map((p) => [p.id, p.name] as const)
  const dentists = namesOf((roles) => roles.includes('dentist'))
  const assistants = namesOf((roles) => roles.some((r) => r === 'assistant' || r === 'expanded assistant'))
  const chairId = prefill?.chairId ?? firstOf(view.chairs).id
  const form = useSchemaForm(newVisitForm(view.notation, follows), {
    patientName: prefill?.patientName ?? '',
    kind: follows?.kind ?? 'crown.prepare',
    day: view.day,
    time: prefill?.time ?? freeFrom(view, chairId),
    chairId,
    dentist: follows?.team.dentist ?? dentists[0]?.[0] ?? '',
    assistant: follows?.team.assistants[0] ?? assistants[0]?.[0] ?? '',
    teethText: '',
    ponticText: '',
  })
  return { form, dentists, assistants }
}
type NewVisitForm = ReturnType<typeof useNewVisit>['form']

/** What is asked of a patient who is new here: who, what, and which teeth. */
function OfNewPatient({ form, notation }: { form: NewVisitForm; notation: Notation }) {
  const [kind, teethText, ponticText, restoration] = form.watch(['kind', 'teethText', 'ponticText', 'restoration'])
  const facts = kindFacts(kind)
  return (
    <>
      <TextField form={form} name="patientName" label="Patient" autoFocus />
      <div>
        <span className="block">Kind of visit</span>
        <div className="mt-1 grid grid-cols-[minmax(0,1fr)]">
          <KindSelect label="Kind of visit" value={kind} onKind={(k) => form.setValue('kind', k)} />
        </div>
      </div>
      <p className="text-soft md:col-span-2">{facts.says}</p>
      <TextField
        form={form}
        name="teethText"
        label={`${facts.most === 1 ? 'Tooth' : 'Teeth'}, in any notation`}
        className="num"
      >
        <Readings text={teethText} notation={notation} onText={(to) => form.setValue('teethText', to)} />
      </TextField>
      {facts.pontics ? (
        <TextField
          form={form}
          name="ponticText"
          label={`Replaces${facts.pontics === 'needed' ? '' : ', if anything'}`}
          className="num"
        >
          <Readings text={ponticText} notation={notation} onText={(to) => form.setValue('ponticText', to)} />
        </TextField>
      ) : (
        <span className="hidden md:block" />
      )}
      {facts.restorations.length > 1 && (
        <div className="md:col-span-2">
          <Pick
            label="Restoration"
            value={restoration && facts.restorations.includes(restoration) ? restoration : firstOf(facts.restorations)}
            onPick={(r) => form.setValue('restoration', r)}
            options={facts.restorations.map((r) => ({ value: r, label: r }))}
          />
        </div>
      )}
    </>
  )
}

function Opened({ practice, ...props }: Props & { practice: Practice }) {
  const { view, follows, onClose } = props
  const { form, dentists, assistants } = useNewVisit(props, practice)
  const refresh = useRefresh()
  const navigate = useNavigate()
  return (
    <Form
      form={form}
      className="grid gap-3 md:grid-cols-2"
      submit="Add, and decide what will be done"
      onSend={async (body) => {
        const { id } = await api<{ id: string }>('/visits', { method: 'POST', body })
        refresh.day()
        void refresh.client.invalidateQueries({ queryKey: ['visit'] })
        onClose()
        void navigate(`/visits/${id}/case`)
      }}
    >
      {!follows && <OfNewPatient form={form} notation={view.notation} />}
      <div className="grid grid-cols-2 gap-2">
        <TextField form={form} name="day" label="Day" className="num" type="date" />
        <TextField form={form} name="time" label="Starts at" className="num" type="time" step={300} />
      </div>
      <SelectField
        form={form}
        name="chairId"
        label="Chair"
        options={view.chairs.map((c) => [c.id, c.name])}
        onPicked={(id) => form.setValue('time', freeFrom(view, id))}
      />
      <SelectField form={form} name="dentist" label="Dentist" options={dentists} />
      <SelectField form={form} name="assistant" label="Assistant" options={assistants} />
    </Form>
  )
}

/** Puts a visit into the day; everything else about it is decided on its Case screen. */
export default function NewVisit(props: Props) {
  const { follows, onClose } = props
  const practice = usePractice()
  return (
    <Modal open onClose={onClose} title={follows ? `${follows.title}: ${follows.patient}` : 'Add a visit'} wide>
      {practice.data ? <Opened {...props} practice={practice.data} /> : <Loading what="Looking who works here" />}
    </Modal>
  )
}
