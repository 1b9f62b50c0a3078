/** The practice's hours, its midday rest, how far visits move, and what counts for how much when times are proposed. */
import { keysOf } from '../../core/sure'
import { weightWords, type DayRules } from '../../core/practice/day-rules'
import type { Practice } from '../../core/practice/practice'
import { Check, Panel, field } from '../parts/ui'
import type { Save } from './save'

const figure = `num mt-1 block ${field}`

export function DayPart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const rules = practice.day
  const patch = (change: Partial<DayRules>): void =>
    save.mutate({ method: 'PATCH', path: '/practice', body: { day: { ...rules, ...change }, saw: { day: rules } } })
  const time = (label: string, value: string, put: (v: string) => void) => (
    <label>
      {label}
      <input
        className={`${figure} w-36`}
        type="time"
        key={value}
        defaultValue={value}
        disabled={!may}
        onBlur={(e) => e.target.value && e.target.value !== value && put(e.target.value)}
      />
    </label>
  )
  const number = (label: string, value: number, put: (v: number) => void, described?: string) => (
    <label>
      {label}
      <input
        className={`${figure} w-24`}
        inputMode="decimal"
        key={value}
        defaultValue={value}
        disabled={!may}
        aria-describedby={described}
        onBlur={(e) => {
          const n = Number(e.target.value.replace(',', '.'))
          if (e.target.value.trim() !== '' && Number.isFinite(n) && n >= 0 && n !== value) put(n)
          else e.target.value = String(value)
        }}
      />
    </label>
  )
  const lunch = rules.lunch
  return (
    <Panel title="The day" className="space-y-3">
      <div className="flex flex-wrap items-end gap-3">
        {time('Opens', rules.opensAt, (opensAt) => patch({ opensAt }))}
        {time('Closes', rules.closesAt, (closesAt) => patch({ closesAt }))}
        {number('A visit may move, min', rules.mostMin, (mostMin) => patch({ mostMin }))}
        {number('Told from so late on, min', rules.warnMin, (warnMin) => patch({ warnMin }))}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <Check
          label="Everyone rests at midday"
          checked={lunch !== null}
          disabled={!may}
          onChange={(on) => patch({ lunch: on ? { from: '11:30', to: '14:30', restMin: 30 } : null })}
        />
        {lunch && (
          <>
            {time('between', lunch.from, (from) => patch({ lunch: { ...lunch, from } }))}
            {time('and', lunch.to, (to) => patch({ lunch: { ...lunch, to } }))}
            {number('for, min', lunch.restMin, (restMin) => patch({ lunch: { ...lunch, restMin } }))}
          </>
        )}
      </div>
      <fieldset>
        <legend className="font-bold">What counts for how much when times are proposed</legend>
        <ul className="divide-y-2 divide-line">
          {keysOf(weightWords).map((w) => (
            <li key={w} data-weight={w} className="grid grid-cols-[9rem_minmax(0,1fr)] items-center gap-3 py-1">
              {number(
                weightWords[w][0],
                rules.weights[w],
                (n) => patch({ weights: { ...rules.weights, [w]: n } }),
                `weight-${w}`,
              )}
              <span id={`weight-${w}`} className="text-base text-soft">
                points {weightWords[w][1]}
              </span>
            </li>
          ))}
        </ul>
      </fieldset>
    </Panel>
  )
}
