/** The library: every kind of visit as a practitioner reads it, amended by the practice, compared between two cards. */
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { Practice } from '../../core/practice/practice'
import { groups, kindIds, kindTable, type KindId } from '../../core/kinds'
import { usePractice } from '../app/queries'
import { usePerson } from '../app/person'
import { BurStrip } from '../parts/bur-strip'
import { Failed, Loading, Mark, Panel, Pick } from '../parts/ui'
import { SetupList } from './setup-list'
import { Steps } from './steps'
import { Cards } from './cards'
import { Amendments } from './amendments'
import { planFor } from './library-plan'
import { teethSaid } from '../../core/model/said'

type View = 'steps' | 'setup' | 'cards' | 'amendments'

function KindList({ kind, practice }: { kind: KindId; practice: Practice }) {
  const navigate = useNavigate()
  return (
    <nav aria-label="Kinds of visit" className="space-y-3">
      {groups.map((g) => (
        <div key={g}>
          <h2 className="text-base font-bold text-soft">{g}</h2>
          <ul>
            {kindIds
              .filter((id) => kindTable[id].group === g)
              .map((id) => {
                const own = practice.amendments.filter((a) => a.kind === id).length
                return (
                  <li key={id}>
                    <button
                      type="button"
                      data-kind={id}
                      aria-current={id === kind ? 'page' : undefined}
                      className={`min-h-11 w-full cursor-pointer rounded-md px-2 text-left leading-tight ${id === kind ? 'bg-jade font-bold text-jade-ink' : ''}`}
                      onClick={() => void navigate(`/library/${id}`)}
                    >
                      {kindTable[id].title}
                      {own > 0 && (
                        <span
                          className="num ml-2 rounded-full border border-current px-2 text-base"
                          title="amended by this practice"
                        >
                          {own}
                        </span>
                      )}
                    </button>
                  </li>
                )
              })}
          </ul>
        </div>
      ))}
    </nav>
  )
}

export default function LibraryScreen() {
  const asked = useParams()['kind']
  const kind: KindId = kindIds.find((k) => k === asked) ?? 'crown.prepare'
  const { data: practice, error, refetch } = usePractice()
  const person = usePerson()
  const [view, setView] = useState<View>('steps')
  const [dentistId, setDentistId] = useState('')
  const dentists = practice?.people.filter((p) => !p.left && p.roles.includes('dentist')) ?? []
  const dentist = dentists.find((d) => d.id === dentistId) ?? dentists.find((d) => d.id === person.id) ?? dentists[0]
  const plan = practice && dentist ? planFor(kind, practice, dentist.id) : undefined
  if (error && !practice) return <Failed error={error} again={() => void refetch()} />
  if (!practice || !plan || !dentist) return <Loading what="Opening the library" />
  const facts = kindTable[kind]
  return (
    <div className="mx-auto grid max-w-[1400px] gap-3 md:grid-cols-[17rem_minmax(0,1fr)]">
      <Panel
        labelled="Kinds of visit"
        className="self-start md:sticky md:top-3 md:max-h-[calc(100vh-5.5rem)] md:overflow-auto"
      >
        <KindList kind={kind} practice={practice} />
      </Panel>
      <div className="min-w-0 space-y-3">
        <Panel labelled={facts.title} className="space-y-2">
          <div className="flex flex-wrap items-start md:flex-nowrap justify-between gap-3">
            <div className="max-w-2xl">
              <h1 className="text-2xl leading-tight font-extrabold">{facts.title}</h1>
              <p>{facts.says}</p>
            </div>
            <label className="flex shrink-0 items-center gap-2">
              as the card of
              <select
                className="h-12 rounded-md border-2 border-ink bg-sheet px-2"
                value={dentist.id}
                onChange={(e) => setDentistId(e.target.value)}
              >
                {dentists.map((d) => (
                  <option key={d.id} value={d.id}>
                    {d.name}
                  </option>
                ))}
              </select>
            </label>
          </div>
          <Pick<View>
            label="What to read"
            value={view}
            onPick={setView}
            options={[
              { value: 'steps', label: `Steps, ${plan.steps.length}` },
              { value: 'setup', label: `Setup and burs, ${plan.setup.length}` },
              { value: 'cards', label: 'Two cards' },
              { value: 'amendments', label: `Amendments, ${plan.amendments.length}` },
            ]}
          />
          {plan.amendments
            .filter((a) => !a.applied)
            .map((a) => (
              <Mark key={a.id} kind="ask">
                An amendment no longer fits: {a.says} ({a.misfit})
              </Mark>
            ))}
          <p className="text-base text-soft">
            Read for <span className="num">{teethSaid(plan)}</span>; decision support, library {plan.library}. The
            treating dentist decides; licensed practice, local rules and each product’s instructions come first.
          </p>
        </Panel>
        {view === 'steps' && <Steps plan={plan} kind={kind} />}
        {view === 'setup' && (
          <>
            {plan.burs.length > 0 && (
              <Panel title="Burs in order of use" className="overflow-x-auto">
                <BurStrip passes={plan.burs} />
              </Panel>
            )}
            <SetupList plan={plan} />
          </>
        )}
        {view === 'cards' && <Cards kind={kind} practice={practice} first={dentist} />}
        {view === 'amendments' && <Amendments kind={kind} practice={practice} plan={plan} />}
      </div>
    </div>
  )
}
