/** Settings: the practice, its people and codes, who may do what. A dentist changes them; everybody may read them. */
import { FunctionsPart } from './functions-part'
import { UnreadParts } from '../parts/unread'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import type { Practice } from '../../core/practice/practice'
import { toTooth, writeBoth, type Notation } from '../../core/teeth/notation'
import { usePractice } from '../app/queries'
import { usePerson } from '../app/person'
import { LockedPart } from './locked-part'
import { DayPart } from './day-part'
import { MaterialsPart, ToolsPart } from './own-values'
import { DoorsPart } from './doors-part'
import { RulesPart } from './rules-part'
import { useSave, type Save } from './save'
import { Button, Failed, Loading, Mark, Panel, Pick, wideField } from '../parts/ui'

/** Any tooth will do to show how teeth are written. */
const example = toTooth('37')

const AuditPart = lazy(() => import('./audit-part'))
const CopiesPart = lazy(() => import('./copies-part'))
const OwnCode = lazy(() => import('./own-code'))
const PersonBox = lazy(() => import('./person-box'))
const ZoneBox = lazy(() => import('./zone-box'))

function PracticePart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const { name, notation, chairs } = practice
  const patch = (body: object): void =>
    save.mutate({ method: 'PATCH', path: '/practice', body: { ...body, saw: { name, notation, chairs } } })
  const [zone, setZone] = useState(false)
  const rename = (id: string, name: string): void =>
    patch({ chairs: practice.chairs.map((c) => (c.id === id ? { ...c, name } : c)) })
  return (
    <Panel title="The practice" className="space-y-3">
      <label className="block">
        Name
        <input
          className={wideField}
          defaultValue={practice.name}
          disabled={!may}
          onBlur={(e) => e.target.value.trim() && e.target.value !== practice.name && patch({ name: e.target.value })}
        />
      </label>
      <div>
        <p>
          Teeth are written as <strong className="num">{writeBoth(example, practice.notation)}</strong>
        </p>
        <Pick<Notation>
          label="Notation"
          disabled={!may}
          value={practice.notation}
          onPick={(notation) => patch({ notation })}
          options={[
            { value: 'iso', label: 'ISO' },
            { value: 'universal', label: 'Universal' },
            { value: 'quadrant', label: 'Quadrant' },
          ]}
        />
      </div>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span>
          Time zone <strong>{practice.zone}</strong>
        </span>
        {may && <Button onClick={() => setZone(true)}>Another zone</Button>}
      </div>
      {zone && (
        <Suspense>
          <ZoneBox
            zone={practice.zone}
            onSend={(body) => save.mutateAsync({ method: 'PATCH', path: '/practice', body })}
            onClose={() => setZone(false)}
          />
        </Suspense>
      )}
      <fieldset>
        <legend>Chairs</legend>
        <div className="flex flex-wrap gap-2">
          {practice.chairs.map((c) => (
            <input
              key={c.id}
              aria-label={`Name of ${c.name}`}
              className={`${wideField} !w-36`}
              defaultValue={c.name}
              disabled={!may}
              onBlur={(e) => e.target.value.trim() && e.target.value !== c.name && rename(c.id, e.target.value)}
            />
          ))}
          {may && (
            <Button
              onClick={() =>
                patch({
                  chairs: [
                    ...practice.chairs,
                    { id: `chair-${practice.chairs.length + 1}`, name: `Chair ${practice.chairs.length + 1}` },
                  ],
                })
              }
            >
              Add a chair
            </Button>
          )}
        </div>
      </fieldset>
    </Panel>
  )
}

function PeoplePart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const [box, setBox] = useState<string>()
  return (
    <Panel title="People" aside={may && <Button onClick={() => setBox('new')}>Add a person</Button>}>
      <ul className="divide-y-2 divide-line">
        {practice.people.map((p) => (
          <li key={p.id} className="flex min-h-14 items-center justify-between gap-3">
            <span>
              <strong>{p.name}</strong>{' '}
              <span className="text-soft">{p.left ? 'works here no more' : p.roles.join(', ')}</span>
            </span>
            {may && (
              <Button tone="quiet" aria-label={`Change ${p.name}`} onClick={() => setBox(p.id)}>
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {box !== undefined && (
        <Suspense>
          <PersonBox
            key={box}
            person={practice.people.find((p) => p.id === box) ?? null}
            save={save}
            onClose={() => setBox(undefined)}
          />
        </Suspense>
      )}
    </Panel>
  )
}

export default function SettingsScreen() {
  const practice = usePractice()
  const person = usePerson()
  const save = useSave()
  if (practice.isPending) return <Loading what="Opening the settings" />
  if (practice.isError) return <Failed error={practice.error} again={() => void practice.refetch()} />
  const may = person.roles.includes('dentist')
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <h1 className="flex items-baseline justify-between text-2xl font-bold">
        Settings
        <Link to="/" className="flex min-h-12 items-center text-lg text-jade underline">
          Back to the day
        </Link>
      </h1>
      <UnreadParts />
      {!may && <Mark kind="mind">A dentist of the practice changes these; you may read them.</Mark>}
      <div className="grid items-start gap-3 lg:grid-cols-[26rem_minmax(0,1fr)]">
        <div className="space-y-3">
          <PracticePart practice={practice.data} save={save} may={may} />
          <PeoplePart practice={practice.data} save={save} may={may} />
          <Suspense>
            <OwnCode />
          </Suspense>
          {may && <LockedPart practice={practice.data} save={save} />}
          <ToolsPart practice={practice.data} save={save} may={may} />
        </div>
        <div className="space-y-3">
          <FunctionsPart practice={practice.data} may={may} />
          <RulesPart practice={practice.data} save={save} may={may} />
          <DayPart practice={practice.data} save={save} may={may} />
          <DoorsPart />
          <MaterialsPart practice={practice.data} save={save} may={person.roles.some((r) => r !== 'front desk')} />
          {may && (
            <Suspense>
              <CopiesPart practice={practice.data} />
              <AuditPart practice={practice.data} />
            </Suspense>
          )}
        </div>
      </div>
    </div>
  )
}
