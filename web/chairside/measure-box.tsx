/** Readings at a step: taken by touch or keys, judged as they are entered, drawn on the tooth, stored with the run. */
import { useState } from 'react'
import { fieldFaults, marginParts, partFaults, type FieldFault, type MarginPart, type PartFault } from '../../core/measure/inspection'
import { targetAt, writeRange, type ReductionSite } from '../../core/measure/reduction'
import type { Plan, Step } from '../../core/plan/types'
import { judge, measureNames, measuresAt, sitesFor, type Judged, type MeasureKind } from '../../core/run/measured'
import type { Tooth } from '../../core/teeth/notation'
import type { Run } from '../app/run'
import { Button, Check, Mark, Modal, Pick } from '../parts/ui'

const verdictMark = { good: ['good', 'good'], over: ['mind', 'enough, more than wanted somewhere'], tell: ['mind', 'to be known'], short: ['ask', 'short: the dentist answers before it goes on'], again: ['ask', 'to be taken again'] } as const

function Answer({ judged }: { judged: Judged | { wrong: string } }) {
  if ('wrong' in judged) return <p className="text-soft">No reading yet.</p>
  const [kind, words] = verdictMark[judged.verdict]
  return (
    <div role="status" data-verdict={judged.verdict} className="space-y-1">
      <Mark kind={kind}>
        <strong>{words}</strong>
      </Mark>
      <ul className="list-inside list-disc">
        {judged.says.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
    </div>
  )
}

const step = 0.1
/** What tabs come in; one touch each. */
const tabsMm = [1, 1.5, 2]

function ReductionPart({ plan, tooth, given, onGive }: { plan: Plan; tooth: Tooth; given: Partial<Record<ReductionSite, number>>; onGive: (r: Partial<Record<ReductionSite, number>>) => void }) {
  const r = plan.request.restoration!
  const put = (site: ReductionSite, mm: number | undefined): void => {
    const next = { ...given }
    if (mm === undefined) delete next[site]
    else next[site] = Math.min(6, Math.max(0, Math.round(mm * 10) / 10))
    onGive(next)
  }
  return (
    <ul className="divide-y-2 divide-line">
      {sitesFor(plan, tooth).map((site) => {
        const mm = given[site]
        const target = targetAt(r, site)!
        return (
          <li key={site} className="flex flex-wrap items-center gap-2 py-1.5">
            <span className="w-52">
              <strong>{site}</strong> <span className="num block text-base text-soft">{writeRange(target)}</span>
            </span>
            <Button tone="quiet" aria-label={`${site}: a tenth less`} onClick={() => put(site, (mm ?? target.leastMm) - step)}>
              −
            </Button>
            <input aria-label={`${site}, mm`} inputMode="decimal" className="num h-12 w-20 rounded-md border-2 border-ink bg-sheet text-center text-xl" value={mm ?? ''} onChange={(e) => { const n = Number(e.target.value.replace(',', '.')); put(site, e.target.value.trim() === '' || !Number.isFinite(n) ? undefined : n) }} />
            <Button tone="quiet" aria-label={`${site}: a tenth more`} onClick={() => put(site, (mm ?? target.leastMm) + step)}>
              +
            </Button>
            {tabsMm.map((t) => (
              <Button key={t} tone="quiet" aria-label={`${site}: ${t} mm`} onClick={() => put(site, t)}>
                <span className="num">{t.toFixed(1)}</span>
              </Button>
            ))}
          </li>
        )
      })}
    </ul>
  )
}

type Widths = { cervicalMm?: number; occlusalMm?: number; heightMm?: number }
const widthWords: Record<keyof Widths, string> = { cervicalMm: 'width at the margin, mm', occlusalMm: 'width at the top, mm', heightMm: 'height, mm' }

/** The two walls to scale, as wide and high as they were read. */
function Walls({ cervicalMm = 8, occlusalMm = 7, heightMm = 4 }: Widths) {
  const scale = 18
  const [c, o, h] = [cervicalMm * scale, occlusalMm * scale, heightMm * scale]
  return (
    <svg width={280} height={150} viewBox={`-140 ${-140} 280 150`} role="img" aria-label="The two walls to scale">
      <path d={`M ${-c / 2} 0 L ${-o / 2} ${-h} L ${o / 2} ${-h} L ${c / 2} 0 Z`} className="fill-jade-wash stroke-ink" strokeWidth={3} />
      <line x1={-130} x2={130} y1={0} y2={0} className="stroke-line" strokeWidth={2} />
    </svg>
  )
}

function ConvergencePart({ given, onGive }: { given: Widths; onGive: (w: Widths) => void }) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Walls {...given} />
      {(Object.keys(widthWords) as (keyof Widths)[]).map((k) => (
        <label key={k} className="block">
          {widthWords[k]}
          <input inputMode="decimal" className="num mt-1 block h-12 w-28 rounded-md border-2 border-ink bg-sheet px-2 text-xl" value={given[k] ?? ''} onChange={(e) => { const n = Number(e.target.value.replace(',', '.')); const next = { ...given }; if (e.target.value.trim() === '' || !Number.isFinite(n)) delete next[k]; else next[k] = n; onGive(next) }} />
        </label>
      ))}
    </div>
  )
}

interface Seen {
  parts: Partial<Record<MarginPart, PartFault>>
  field: FieldFault[]
}
const faultShape: Record<PartFault, string> = { short: '◌', bubble: '●', tear: '⚡', drag: '≈', thin: '▒' }

/** The margin from above in eight parts; a touch goes from clear through the faults and back. */
function InspectionPart({ given, onGive }: { given: Seen; onGive: (s: Seen) => void }) {
  const turn = (part: MarginPart): void => {
    const at = given.parts[part] === undefined ? 0 : partFaults.indexOf(given.parts[part]) + 1
    const parts = { ...given.parts }
    if (at >= partFaults.length) delete parts[part]
    else parts[part] = partFaults[at]!
    onGive({ ...given, parts })
  }
  const [outer, inner] = [150, 88]
  // Mesial at the left, buccal at the top, as one looks down on a lower left tooth; the words say which is which.
  const angle: Record<MarginPart, number> = { mesial: 180, mesiobuccal: 225, buccal: 270, distobuccal: 315, distal: 0, distolingual: 45, lingual: 90, mesiolingual: 135 }
  const at = (deg: number, r: number): string => `${r * Math.cos((deg * Math.PI) / 180)} ${r * Math.sin((deg * Math.PI) / 180)}`
  return (
    <div className="flex flex-wrap gap-5">
      <svg width={320} height={320} viewBox="-160 -160 320 320" role="group" aria-label="Eight parts of the margin">
        {marginParts.map((part) => {
          const a = angle[part]
          const fault = given.parts[part]
          return (
            <g key={part} role="button" tabIndex={0} aria-label={`${part}: ${fault ?? 'clear'}`} data-part={part} data-fault={fault ?? ''} className="cursor-pointer outline-none focus-visible:[&_path]:stroke-ink" onClick={() => turn(part)} onKeyDown={(e) => { if (e.key === 'Enter' || e.key === ' ') { e.preventDefault(); e.stopPropagation(); turn(part) } }}>
              <path d={`M ${at(a - 22, outer)} A ${outer} ${outer} 0 0 1 ${at(a + 22, outer)} L ${at(a + 22, inner)} A ${inner} ${inner} 0 0 0 ${at(a - 22, inner)} Z`} className={fault ? 'fill-brass-wash stroke-brass' : 'fill-jade-wash stroke-jade'} strokeWidth={3} />
              <text x={118 * Math.cos((a * Math.PI) / 180)} y={118 * Math.sin((a * Math.PI) / 180)} textAnchor="middle" dominantBaseline="central" fontSize={22} className={fault ? 'fill-brass' : 'fill-ink'}>
                {fault ? faultShape[fault] : '✓'}
              </text>
            </g>
          )
        })}
        {(['mesial', 'buccal', 'distal', 'lingual'] as const).map((p) => (
          <text key={p} x={62 * Math.cos((angle[p] * Math.PI) / 180)} y={68 * Math.sin((angle[p] * Math.PI) / 180)} textAnchor="middle" dominantBaseline="central" fontSize={16} className="fill-soft" aria-hidden="true">
            {p}
          </text>
        ))}
      </svg>
      <div className="grid content-start gap-1.5">
        {fieldFaults.map((f) => (
          <Check key={f} label={f} checked={given.field.includes(f)} onChange={(on) => onGive({ ...given, field: on ? [...given.field, f] : given.field.filter((x) => x !== f) })} />
        ))}
      </div>
    </div>
  )
}

export function MeasureBox({ plan, at, run, onClose }: { plan: Plan; at: Step; run: Run; onClose: () => void }) {
  const kinds = measuresAt(plan, at)
  const teeth = plan.teeth.map((t) => t.tooth)
  const [kind, setKind] = useState<MeasureKind>(kinds[0]!)
  const [tooth, setTooth] = useState<Tooth>(teeth[0]!)
  const core = run.state.core
  const stored = (k: MeasureKind, t: Tooth): Record<string, unknown> | undefined => core.measured.find((m) => m.stepId === at.id && m.measure === k && m.tooth === t)?.readings as Record<string, unknown> | undefined
  const empty: Record<string, unknown> = kind === 'inspection' ? { parts: {}, field: [] } : {}
  const [entered, setEntered] = useState<Record<string, Record<string, unknown>>>({})
  const [wrong, setWrong] = useState<string | null>(null)
  const key = `${kind} ${tooth}`
  const given = entered[key] ?? stored(kind, tooth) ?? empty
  const give = (readings: object): void => setEntered({ ...entered, [key]: { ...readings } })
  const judged = judge(plan, kind, tooth, given, core.faults)
  const keep = async (): Promise<void> => {
    const sent = await run.send({ kind: 'measure', stepId: at.id, measure: kind, tooth, readings: given })
    if (!sent.ok) return setWrong(sent.message)
    const next = kinds.flatMap((k) => teeth.map((t) => ({ k, t }))).find(({ k, t }) => `${k} ${t}` !== key && !stored(k, t) && entered[`${k} ${t}`] === undefined)
    // On to the next tooth or measure that has no reading; with all read the box is done.
    if (!next) return onClose()
    setKind(next.k)
    setTooth(next.t)
    setWrong(null)
  }
  return (
    <Modal open onClose={onClose} title={at.title} wide>
      <div className="space-y-3">
        <div className="flex flex-wrap gap-3">
          {kinds.length > 1 && <Pick label="What is read" value={kind} onPick={setKind} options={kinds.map((value) => ({ value, label: measureNames[value] }))} />}
          {teeth.length > 1 && <Pick label="Tooth" value={tooth} onPick={setTooth} options={plan.teeth.map((t) => ({ value: t.tooth, label: `${t.tooth} (${t.quadrant})` }))} />}
          {teeth.length === 1 && <span className="num self-center text-xl font-bold">{plan.teeth[0]!.tooth} ({plan.teeth[0]!.quadrant})</span>}
        </div>
        {kind === 'reduction' && <ReductionPart plan={plan} tooth={tooth} given={given as Partial<Record<ReductionSite, number>>} onGive={give} />}
        {kind === 'convergence' && <ConvergencePart given={given as Widths} onGive={give} />}
        {kind === 'inspection' && <InspectionPart given={given as unknown as Seen} onGive={give} />}
        <Answer judged={judged} />
        {wrong && (
          <p role="alert" className="rounded-md border-2 border-alarm bg-alarm-wash p-2 text-alarm">
            {wrong}
          </p>
        )}
        <Button big tone="jade" className="w-full" disabled={'wrong' in judged} onClick={() => void keep()}>
          Keep these readings
        </Button>
        <p className="text-base text-soft">The dentist decides; readings stand in the record with what they came to.</p>
      </div>
    </Modal>
  )
}
