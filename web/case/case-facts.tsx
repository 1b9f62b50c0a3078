/** What will be done and what is known: only what this plan asked for is shown. */
import { firstOf, keysOf } from '../../core/sure'
import type { ReactNode } from 'react'
import { alertWords, type Alert, type Framework, type Restoration } from '../../core/vocabulary'
import { factsOf, surfaces, type AlsoWork, type ToothFacts } from '../../core/model/request'
import { toothName, type Tooth } from '../../core/teeth/notation'
import { kindFacts } from '../../core/kinds'
import type { VisitAndPlan } from '../app/plan'
import { Check, Panel, Pick } from '../parts/ui'
import { changeOf, toothChange, workAt, type Change } from './change'

const box = 'num h-12 rounded-md border-2 border-line bg-sheet px-2'

/** A figure one types; kept on leaving the field, refused where it is none. */
function NumberField({
  label,
  value,
  unit,
  width = 'w-20',
  disabled,
  onValue,
}: {
  label: string
  value: number | undefined
  unit: string
  width?: string
  disabled: boolean
  onValue: (n: number | undefined) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      {label}
      <input
        key={value}
        inputMode="decimal"
        disabled={disabled}
        defaultValue={value ?? ''}
        className={`${box} ${width}`}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim().replace(',', '.')
          const n = text === '' ? undefined : Number(text)
          if (n !== value && (n === undefined || Number.isFinite(n))) onValue(n)
          else e.target.value = String(value ?? '')
        }}
      />
      {unit}
    </label>
  )
}

/** What is yes or no of a tooth, and how it is asked. */
const toothFlags = [
  ['dark', 'Dark'],
  ['overgrown', 'Gum overgrown'],
  ['coveredEdge', 'Edge covered'],
] as const

/** Surfaces as MO or MOD; kept on leaving the field, put back where they are none. */
function SurfacesField({
  value,
  disabled,
  onValue,
}: {
  value: string | undefined
  disabled: boolean
  onValue: (surfaces: string | undefined) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      surfaces
      <input
        key={value}
        disabled={disabled}
        defaultValue={value ?? ''}
        placeholder="MO"
        className={`${box} w-24 uppercase`}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const text = e.target.value.trim().toUpperCase()
          if (text === (value ?? '')) return
          if (text === '') onValue(undefined)
          else if (surfaces.safeParse(text).success) onValue(text)
          else e.target.value = value ?? ''
        }}
      />
    </label>
  )
}

/** What is known of each tooth by itself. */
function ByTooth({
  data,
  at,
  asked,
  change,
  locked,
}: {
  data: VisitAndPlan
  at: number
  asked: (fact: string) => boolean
  change: (c: Change) => void
  locked: boolean
}) {
  const { request } = data.visit
  const work = workAt(request, at)
  const flags = toothFlags.filter(([fact]) => asked(fact))
  if (!['surfaces', 'depthMm', 'canals', 'made'].some(asked) && flags.length === 0) return null
  return (
    <ul className="space-y-1.5" aria-label="Tooth by tooth">
      {work.teeth.map((t: Tooth) => {
        const facts = factsOf(work, t)
        const say = (f: Partial<Record<keyof ToothFacts, unknown>>): void =>
          change(changeOf(request, at, toothChange(work, t, f)))
        const [canal, ...canals] = facts.canals ?? []
        return (
          <li key={t} className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <strong className="num" title={toothName(t)}>
              {t}
            </strong>
            {asked('made') && (
              <Pick
                disabled={locked}
                label={`What ${t} gets`}
                value={facts.made ?? ((facts.surfaces?.length ?? 1) > 1 ? 'inlay' : 'foil')}
                onPick={(made) => say({ made })}
                options={[
                  { value: 'foil', label: 'Foil' },
                  { value: 'inlay', label: 'inlay' },
                ]}
              />
            )}
            {asked('surfaces') && (
              <SurfacesField value={facts.surfaces} disabled={locked} onValue={(v) => say({ surfaces: v })} />
            )}
            {asked('depthMm') && (
              <NumberField
                label="depth"
                unit="mm"
                disabled={locked}
                value={facts.depthMm}
                onValue={(depthMm) => say({ depthMm })}
              />
            )}
            {asked('canals') && (
              <NumberField
                label="canal"
                unit="mm"
                disabled={locked}
                value={canal?.lengthMm}
                onValue={(lengthMm) =>
                  say({
                    canals:
                      lengthMm === undefined ? undefined : [{ name: canal?.name ?? 'single', lengthMm }, ...canals],
                  })
                }
              />
            )}
            {flags.map(([fact, label]) => (
              <Check
                key={fact}
                disabled={locked}
                label={label}
                checked={facts[fact] ?? false}
                onChange={(on) => say({ [fact]: on })}
              />
            ))}
          </li>
        )
      })}
    </ul>
  )
}

const flags: [fact: 'deepSpot' | 'missingWall' | 'partErupted' | 'inEnamel' | 'pulpTreatment', label: string][] = [
  ['deepSpot', 'Margin deep in one spot'],
  ['missingWall', 'A wall is missing'],
  ['partErupted', 'Part-erupted'],
  ['inEnamel', 'Wholly in enamel'],
  ['pulpTreatment', 'Pulp treatment'],
]

export function Facts({
  data,
  at,
  change,
  locked,
}: {
  data: VisitAndPlan
  at: number
  change: (c: Change) => void
  locked: boolean
}) {
  const r = data.visit.request
  const work = workAt(r, at)
  const kind = kindFacts(work.kind)
  const facts = new Set(data.plan.asked.facts[at])
  const asked = (fact: string): boolean => facts.has(fact)
  const set = (c: Partial<AlsoWork>): void => change(changeOf(r, at, c))
  const row = (...parts: ReactNode[]): ReactNode => <div className="flex flex-wrap gap-2.5">{parts}</div>
  return (
    <Panel labelled="What will be done" className="space-y-2.5">
      {kind.restorations.length > 1 && (
        <Pick<Restoration>
          disabled={locked}
          label="Restoration"
          value={work.restoration ?? firstOf(kind.restorations)}
          onPick={(restoration) => set({ restoration })}
          options={kind.restorations.map((value) => ({ value, label: value.replace(' crown', '') }))}
        />
      )}
      {asked('framework') && kind.frameworks && kind.frameworks.length > 1 && (
        <Pick<Framework>
          disabled={locked}
          label="Framework"
          value={work.framework ?? firstOf(kind.frameworks)}
          onPick={(framework) => set({ framework })}
          options={kind.frameworks.map((value) => ({ value, label: value }))}
        />
      )}
      {row(
        asked('vital') && (
          <Pick
            key="v"
            disabled={locked}
            label="Pulp"
            value={work.vital ? 'vital' : 'root-filled'}
            onPick={(v) => set({ vital: v === 'vital' })}
            options={[
              { value: 'vital', label: 'Vital' },
              { value: 'root-filled', label: 'Root-filled' },
            ]}
          />
        ),
        asked('margin') && (
          <Pick
            key="m"
            disabled={locked}
            label="Margin"
            value={work.margin}
            onPick={(margin) => set({ margin })}
            options={[
              { value: 'supragingival', label: 'Margin above' },
              { value: 'equigingival', label: 'at' },
              { value: 'subgingival', label: 'under the tissue' },
            ]}
          />
        ),
        asked('lesion') && (
          <Pick
            key="l"
            disabled={locked}
            label="Lesion"
            value={work.lesion}
            onPick={(lesion) => set({ lesion })}
            options={[
              { value: 'cavitated', label: 'Cavitated' },
              { value: 'non-cavitated', label: 'not cavitated' },
            ]}
          />
        ),
      )}
      {asked('tissue') &&
        asked('margin') &&
        row(
          <Pick
            key="t"
            disabled={locked}
            label="Tissue"
            value={work.tissue.biotype}
            onPick={(biotype) => set({ tissue: { ...work.tissue, biotype } })}
            options={[
              { value: 'thick', label: 'Thick tissue' },
              { value: 'thin', label: 'thin' },
            ]}
          />,
          <Pick
            key="c"
            disabled={locked}
            label="Crevice"
            value={work.tissue.crevice}
            onPick={(crevice) => set({ tissue: { ...work.tissue, crevice } })}
            options={[
              { value: 'narrow', label: 'Narrow' },
              { value: 'normal', label: 'normal' },
              { value: 'wide', label: 'wide crevice' },
            ]}
          />,
        )}
      {row(
        asked('tissue') && asked('margin') && (
          <Check
            key="w"
            disabled={locked}
            label="Weeping"
            checked={work.tissue.weeping}
            onChange={(weeping) => set({ tissue: { ...work.tissue, weeping } })}
          />
        ),
        asked('crossbite') && (
          <Check
            key="x"
            disabled={locked}
            label="Crossbite"
            checked={r.crossbite}
            onChange={(crossbite) => change({ crossbite })}
          />
        ),
        ...flags
          .filter(([fact]) => asked(fact))
          .map(([fact, label]) => (
            <Check
              key={fact}
              disabled={locked}
              label={label}
              checked={work[fact]}
              onChange={(on) => set({ [fact]: on })}
            />
          )),
        asked('pieceOnHand') && (
          <Check
            key="p"
            disabled={locked}
            label="The laboratory’s piece is here"
            checked={r.pieceOnHand}
            onChange={(pieceOnHand) => change({ pieceOnHand })}
          />
        ),
      )}
      {asked('deliveryCement') && (
        <Pick
          disabled={locked}
          label="Cement at delivery"
          value={work.deliveryCement}
          onPick={(deliveryCement) => set({ deliveryCement })}
          options={[
            { value: 'resin', label: 'Delivered with resin' },
            { value: 'resin-modified glass ionomer', label: 'glass ionomer' },
            { value: 'conventional', label: 'conventional' },
          ]}
        />
      )}
      <ByTooth data={data} at={at} asked={asked} change={change} locked={locked} />
      {row(
        asked('sealMm') && (
          <NumberField
            key="s"
            label="Root filling that stays"
            unit="mm"
            disabled={locked}
            value={work.sealMm}
            onValue={(n) => n !== undefined && set({ sealMm: n })}
          />
        ),
        asked('tintPercent') && (
          <NumberField
            key="i"
            label="Tint in the cement"
            unit="%"
            disabled={locked}
            value={work.tintPercent}
            onValue={(n) => set({ tintPercent: n ?? 0 })}
          />
        ),
        asked('weightKg') && kind.dentition === 'primary' && (
          <NumberField
            key="g"
            label="Weight"
            unit="kg"
            disabled={locked}
            value={r.weightKg}
            onValue={(weightKg) => change({ weightKg })}
          />
        ),
      )}
    </Panel>
  )
}

/** The patient's alerts: changed at any time; a signed tray is re-opened by it. */
export function Alerts({
  alerts,
  onAlerts,
  signed,
}: {
  alerts: readonly Alert[]
  onAlerts: (alerts: Alert[]) => void
  signed: boolean
}) {
  return (
    <Panel
      title="Alerts"
      aside={signed ? <span className="text-base text-soft">a change re-opens the signed tray</span> : undefined}
    >
      <div className="flex flex-wrap gap-1.5">
        {keysOf(alertWords).map((a) => (
          <Check
            key={a}
            label={a}
            checked={alerts.includes(a)}
            onChange={(on) => onAlerts(on ? [...alerts, a] : alerts.filter((x) => x !== a))}
          />
        ))}
      </div>
    </Panel>
  )
}
