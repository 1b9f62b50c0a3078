/** Amending a step: what, then why. What it would do to the plan is tried before it is kept. */
import { onEveryTooth } from '../../core/step-id'
import { sure, among, keysOf } from '../../core/sure'
import { useMemo, useState } from 'react'
import { change as changeSchema, changeWords, type Change } from '../../core/practice/amendment'
import { functionNames, type FunctionName } from '../../core/practice/functions'
import type { Plan } from '../../core/model/plan'
import { allPlaces, type Place, type Step } from '../../core/model/step'
import type { KindId } from '../../core/kinds'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { usePractice } from '../app/queries'
import { Button, Mark, Modal, Pick, wideField } from '../parts/ui'
import { planFor } from './library-plan'

type Op = Change['op']
const ops: { value: Op; label: string }[] = [
  { value: 'add step', label: 'Add a step after it' },
  { value: 're-time step', label: 'Its minutes' },
  { value: 'move step', label: 'Move it' },
  { value: 'remove step', label: 'Leave it out' },
  { value: 'add item', label: 'Add an item' },
  { value: 'remove item', label: 'Take an item out' },
]

export function AmendBox({ kind, plan, step, onClose }: { kind: KindId; plan: Plan; step: Step; onClose: () => void }) {
  const { data: practice } = usePractice()
  const [op, setOp] = useState<Op>('add step')
  const [why, setWhy] = useState('')
  const [title, setTitle] = useState('')
  const [fn, setFn] = useState<FunctionName>('chairside')
  const [place, setPlace] = useState<Place>('mouth')
  const [minutes, setMinutes] = useState(
    [step.spread.shortS, step.spread.likelyS, step.spread.longS].map((s) => String(Math.round(s / 6) / 10)),
  )
  const [after, setAfter] = useState('')
  const [what, setWhat] = useState('')
  const target = onEveryTooth(step)
  const serves = useMemo(() => [...new Set(practice?.items.flatMap((i) => i.serves) ?? [])].toSorted(), [practice])
  const raw = ((): object => {
    const three = minutes.map((m) => Number(m.replace(',', '.')))
    switch (op) {
      case 'add step':
        return {
          op,
          after: target,
          id: `own.${title
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^-|-$/g, '')
            .slice(0, 40)}`,
          title,
          fn,
          place,
          minutes: three,
          needs: what ? [{ what, quantity: 1, readiness: 'open' }] : [],
        }
      case 're-time step':
        return { op, step: target, minutes: three }
      case 'move step':
        return { op, step: target, after }
      case 'remove step':
        return { op, step: target }
      case 'add item':
        return { op, step: target, need: { what, quantity: 1, readiness: 'open' } }
      case 'remove item':
        return { op, step: target, what }
    }
  })()
  const parsed = changeSchema.safeParse(raw)
  const tried = useMemo(() => {
    if (!parsed.success || !practice) return undefined
    const dentist = sure(plan.people.find((p) => p.dentist))
    const one = { id: 'tried', kind, change: parsed.data, by: 'you', on: '2026-01-01', why: 'tried' }
    return planFor(kind, { ...practice, amendments: [...practice.amendments, one] }, dentist.id).amendments.at(-1)
    // oxlint-disable-next-line react/exhaustive-deps
  }, [JSON.stringify(raw), practice, kind])
  const save = useChange(
    () => api('/practice/amendments', { method: 'POST', body: { kind, why, change: parsed.data } }),
    ['practice'],
    { stored: onClose },
  )
  const needsMinutes = op === 'add step' || op === 're-time step'
  return (
    <Modal open onClose={onClose} title={`Amend “${step.title}”`} wide>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault()
          save.mutate()
        }}
      >
        <Pick<Op> label="What to change" value={op} onPick={setOp} options={ops} />
        {op === 'add step' && (
          <div className="grid gap-3 md:grid-cols-[2fr_1fr_1fr]">
            <label>
              The new step, in a few words
              <input className={wideField} value={title} onChange={(e) => setTitle(e.target.value)} />
            </label>
            <label>
              Function
              <select
                className={wideField}
                value={fn}
                onChange={(e) => setFn(among(keysOf(functionNames), e.target.value) ?? fn)}
              >
                {Object.entries(functionNames).map(([id, words]) => (
                  <option key={id} value={id}>
                    {words}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Where
              <select
                className={wideField}
                value={place}
                onChange={(e) => setPlace(among(allPlaces, e.target.value) ?? place)}
              >
                {allPlaces.map((p) => (
                  <option key={p}>{p}</option>
                ))}
              </select>
            </label>
          </div>
        )}
        {needsMinutes && (
          <fieldset className="flex flex-wrap gap-3">
            {['short', 'likely', 'long'].map((w, i) => (
              <label key={w} className="flex items-center gap-2">
                {w}, min
                <input
                  inputMode="decimal"
                  className={`${wideField} num !w-24`}
                  value={minutes[i]}
                  onChange={(e) => setMinutes(minutes.map((m, n) => (n === i ? e.target.value : m)))}
                />
              </label>
            ))}
          </fieldset>
        )}
        {op === 'move step' && (
          <label className="block">
            To after
            <select className={wideField} value={after} onChange={(e) => setAfter(e.target.value)}>
              <option value="">choose a step</option>
              {plan.steps
                .filter((s) => s.id !== step.id)
                .map((s) => (
                  <option key={s.id} value={onEveryTooth(s)}>
                    {s.title}
                  </option>
                ))}
            </select>
          </label>
        )}
        {(op === 'add item' || op === 'add step') && (
          <label className="block">
            {op === 'add step' ? 'It needs (may stay empty)' : 'Item, by what it serves for'}
            <input className={wideField} list="serves" value={what} onChange={(e) => setWhat(e.target.value)} />
            <datalist id="serves">
              {serves.map((s) => (
                <option key={s} value={s} />
              ))}
            </datalist>
          </label>
        )}
        {op === 'remove item' && (
          <label className="block">
            Which
            <select className={wideField} value={what} onChange={(e) => setWhat(e.target.value)}>
              <option value="">choose an item</option>
              {[...new Set(step.needs.map((n) => n.what))].map((n) => (
                <option key={n} value={n}>
                  {n.replaceAll('.', ', ')}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="block">
          Why
          <input className={wideField} value={why} onChange={(e) => setWhy(e.target.value)} />
        </label>
        <div role="status">
          {tried?.applied && parsed.success && (
            <Mark kind="good">It {changeWords(parsed.data)}, on every plan of this kind that is not signed yet.</Mark>
          )}
          {tried && !tried.applied && <Mark kind="stop">Not possible: {tried.misfit}</Mark>}
        </div>
        <Button
          big
          tone="jade"
          type="submit"
          className="w-full"
          disabled={!tried?.applied || why.trim().length < 3 || save.isPending}
        >
          Amend
        </Button>
      </form>
    </Modal>
  )
}
