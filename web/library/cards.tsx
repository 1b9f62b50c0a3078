import { sure } from '../../core/sure'
import { useState } from 'react'
import { comparePlans } from '../../core/schedule/compare'
import { questions, type ChoiceName } from '../../core/practice/choices'
import type { Card, Person, Practice } from '../../core/practice/practice'
import type { KindId } from '../../core/kinds'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { usePerson } from '../app/person'
import { inShort } from '../case/change'
import { Panel } from '../parts/ui'
import { planFor } from './library-plan'

const source = { default: 'the usual', card: 'card', case: 'case', visit: 'visit' }

/** Two dentists' cards side by side for one kind: each question this kind asks, and what the difference comes to. */
export function Cards({ kind, practice, first }: { kind: KindId; practice: Practice; first: Person }) {
  const person = usePerson()
  const dentists = practice.people.filter((p) => !p.left && p.roles.includes('dentist'))
  const [secondId, setSecondId] = useState(dentists.find((d) => d.id !== first.id)?.id ?? first.id)
  const second = dentists.find((d) => d.id === secondId && d.id !== first.id) ?? dentists.find((d) => d.id !== first.id)
  const a = planFor(kind, practice, first.id)
  const b = second ? planFor(kind, practice, second.id) : undefined
  const save = useChange(
    (body: Card & { saw: Card | null }) => api('/practice/cards', { method: 'PUT', body }),
    ['practice'],
  )
  const cardOf = (id: string): Card =>
    practice.cards.find((c) => c.dentistId === id) ?? { dentistId: id, choices: {}, extraHolds: [] }
  const set = (id: string, name: ChoiceName, value: string): void => {
    const card = cardOf(id)
    const { [name]: _, ...rest } = card.choices
    const saw = practice.cards.find((c) => c.dentistId === id) ?? null
    save.mutate({ ...card, choices: value === '' ? rest : { ...rest, [name]: value }, saw })
  }
  const shown = questions.filter((q) => a.asked.choices.includes(q.name) || b?.asked.choices.includes(q.name))
  const cell = (d: Person, plan: typeof a, name: ChoiceName) => {
    const chosen = plan.choices[name]
    const q = sure(questions.find((x) => x.name === name))
    if (d.id !== person.id)
      return (
        <>
          {sure(q.schools.find((s) => s.value === chosen.value)).label}{' '}
          <span className="text-base text-soft">({source[chosen.from]})</span>
        </>
      )
    return (
      <select
        aria-label={`${q.title}, card of ${d.name}`}
        className="h-11 w-full rounded-md border-2 border-line bg-sheet px-2"
        value={cardOf(d.id).choices[name] ?? ''}
        onChange={(e) => set(d.id, name, e.target.value)}
      >
        <option value="">the usual</option>
        {q.schools.map((s) => (
          <option key={s.value} value={s.value}>
            {s.label}
          </option>
        ))}
      </select>
    )
  }
  if (!second || !b)
    return <Panel labelled="Two cards">One dentist works here: there is no second card to lay beside the first.</Panel>
  const consequence = comparePlans(a, b)
  return (
    <Panel labelled="Two cards" className="space-y-3">
      <table className="w-full table-fixed border-collapse text-left">
        <thead>
          <tr className="align-bottom">
            <th className="w-1/3 py-1 pr-3">Question</th>
            <th className="py-1 pr-3">{first.name}</th>
            <th className="py-1">
              <select
                aria-label="The other card"
                className="h-11 w-full rounded-md border-2 border-ink bg-sheet px-2"
                value={second.id}
                onChange={(e) => setSecondId(e.target.value)}
              >
                {dentists
                  .filter((d) => d.id !== first.id)
                  .map((d) => (
                    <option key={d.id} value={d.id}>
                      {d.name}
                    </option>
                  ))}
              </select>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((q) => {
            const differs = a.choices[q.name].value !== b.choices[q.name].value
            return (
              <tr
                key={q.name}
                data-question={q.name}
                className={`border-t border-line align-top ${differs ? 'bg-brass-wash' : ''}`}
              >
                <th scope="row" className="py-1.5 pr-3 font-semibold">
                  {differs ? '◆ ' : ''}
                  {q.title}
                </th>
                <td className="py-1.5 pr-3">{cell(first, a, q.name)}</td>
                <td className="py-1.5">{cell(second, b, q.name)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="text-lg">
        From {first.name} to {second.name}: <strong>{inShort(consequence)}</strong>
      </p>
      <div className="grid gap-3 md:grid-cols-2">
        {(
          [
            ['Only the first lays out', consequence.itemsRemoved],
            ['Only the second lays out', consequence.itemsAdded],
            ['Only the first signs', consequence.holdsRemoved],
            ['Only the second signs', consequence.holdsAdded],
          ] as const
        )
          .filter(([, list]) => list.length > 0)
          .map(([head, list]) => (
            <div key={head}>
              <h3 className="font-bold">{head}</h3>
              <p>{list.join(' · ')}</p>
            </div>
          ))}
      </div>
      <p className="text-base text-soft">
        A dentist changes their own card here; a choice of the case or the visit still wins.
      </p>
    </Panel>
  )
}
