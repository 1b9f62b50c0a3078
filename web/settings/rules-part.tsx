/** The register of times and amounts: what the library says, what this practice has set in its place. */
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import { standingWords } from '../../core/figure'
import type { Practice } from '../../core/practice/practice'
import { amountIn, readAmount, ruleGroups, ruleIds, ruleRow, type RuleId } from '../../core/rules'
import { Fold } from '../parts/fold'
import { Button, Mark, Panel, field } from '../parts/ui'
import type { Save } from './save'

const figure = `num w-28 ${field}`

/** One row: its value in force, why, and a field that takes another. */
function RuleLine({ rule, practice, save, may }: { rule: RuleId; practice: Practice; save: Save; may: boolean }) {
  const row = ruleRow(rule)
  const own = practice.rules[rule]
  const value = own?.value ?? row.value
  const [wrong, setWrong] = useState(false)
  const put = (to: number | null): void =>
    save.mutate({ method: 'PUT', path: '/practice/rules', body: { rule, value: to, saw: own?.value ?? null } })
  return (
    <li data-rule={rule} className={`border-l-4 py-1.5 pl-3 ${own ? 'border-brass' : 'border-line'}`}>
      <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3">
        <span className="min-w-0">
          <strong>{row.title}</strong>
          <span className="block text-base text-soft">
            {row.because(value)}{' '}
            {own ? (
              <>
                — <span className="text-brass">◆ own</span>, {own.by}, <span className="num">{own.on}</span>; usually{' '}
                <span className="num">{amountIn(row.value, row.unit)}</span>
              </>
            ) : (
              `(${standingWords[row.standing]})`
            )}
          </span>
        </span>
        <span className="flex items-center gap-1.5">
          <input
            key={value}
            aria-label={row.title}
            aria-invalid={wrong}
            disabled={!may}
            className={`${figure} ${wrong ? '!border-alarm' : ''}`}
            defaultValue={amountIn(value, row.unit)}
            onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
            onBlur={(e) => {
              const to = readAmount(e.target.value, row.unit)
              setWrong(to === null)
              if (to !== null && to !== value) put(to)
            }}
          />
          {own && may && (
            <Button tone="quiet" aria-label={`Back to the usual: ${row.title}`} onClick={() => put(null)}>
              <Undo2 aria-hidden="true" size={20} />
            </Button>
          )}
        </span>
      </div>
      {wrong && (
        <p role="alert" className="text-alarm">
          Write it as <span className="num">{amountIn(row.value, row.unit)}</span>, from {amountIn(row.from, row.unit)}{' '}
          to {amountIn(row.to, row.unit)}.
        </p>
      )}
    </li>
  )
}

export function RulesPart({ practice, save, may }: { practice: Practice; save: Save; may: boolean }) {
  const [wanted, setWanted] = useState('')
  const words = wanted.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const found = (rule: RuleId): boolean => words.every((w) => ruleRow(rule).title.toLowerCase().includes(w))
  const own = ruleIds.filter((rule) => practice.rules[rule] !== undefined)
  const lines = (rules: readonly RuleId[]) => (
    <ul className="space-y-1.5">
      {rules.map((rule) => (
        <RuleLine key={rule} rule={rule} practice={practice} save={save} may={may} />
      ))}
    </ul>
  )
  return (
    <Panel title="Times and amounts" className="space-y-2">
      <p>
        <Mark kind="mind">
          The trade’s usual values. What your products say of themselves stands with the material, below; it comes
          first.
        </Mark>
      </p>
      <input
        aria-label="Find a time or an amount"
        placeholder="find: cord, etch, tray …"
        className="h-12 w-full rounded-md border-2 border-ink bg-sheet px-3"
        value={wanted}
        onChange={(e) => setWanted(e.target.value)}
      />
      {words.length > 0 ? (
        ruleIds.some(found) ? (
          lines(ruleIds.filter(found))
        ) : (
          <p className="text-soft">Nothing of that name.</p>
        )
      ) : (
        <>
          {own.length > 0 && (
            <>
              <h3 className="font-bold">Set by this practice</h3>
              {lines(own)}
            </>
          )}
          {Object.entries(ruleGroups).map(([group, rows]) => (
            <Fold
              key={group}
              title={
                <>
                  {group} <span className="num ml-1 font-normal text-soft">{Object.keys(rows).length}</span>
                </>
              }
            >
              {lines(ruleIds.filter((rule) => rule in rows))}
            </Fold>
          ))}
        </>
      )}
    </Panel>
  )
}
