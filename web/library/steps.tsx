import { helperOf } from '../../core/practice/helps'
import { SectionView } from '../parts/section-view'
import { LaneRows, wholeOf } from '../parts/lanes'
import { sure } from '../../core/sure'
import { isClock } from '../../core/model/link'
import { PencilLine, Timer } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { standingWords } from '../../core/figure'
import { type Plan } from '../../core/model/plan'
import { phaseNames, type Step } from '../../core/model/step'
import type { KindId } from '../../core/kinds'
import { usePerson } from '../app/person'
import { LeftOut } from '../parts/left-out'
import { Button, Panel } from '../parts/ui'

const AmendBox = lazy(() => import('./amend-box'))

const minutesWords = (s: Step): string =>
  [s.spread.shortS, s.spread.likelyS, s.spread.longS]
    .map((x) => (x < 60 ? `${x} s` : `${Math.round(x / 6) / 10}`))
    .join(' · ')

/** One step with everything it says; the reasons are open, not behind a hover. */
function StepLine({ plan, s, onAmend }: { plan: Plan; s: Step; onAmend?: (s: Step) => void }) {
  const hold = plan.holds.find((h) => h.id === s.holdId)
  const titleOf = (id: string): string => plan.steps.find((x) => x.id === id)?.title ?? id
  const ties = plan.links.filter(isClock).filter((l) => l.to === s.id)
  return (
    <li data-step={s.id} className={`border-l-4 py-1 pl-3 ${s.amended ? 'border-brass' : 'border-line'}`}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <strong className="text-lg">{s.title}</strong>
        <span className="flex items-center gap-2 text-base text-soft">
          {s.performer.name}
          {s.performer.permission === 'sight'
            ? ' in the dentist’s sight'
            : s.help
              ? `; ${helperOf(plan, s)}: ${s.help}`
              : ''}
          ; {s.place}, <span className="num">{minutesWords(s)}</span>
          {s.spread.likelyS >= 60 ? ' min' : ''}
          {onAmend && (
            <Button
              tone="quiet"
              aria-label={`Amend “${s.title}”`}
              className="!min-h-10 !min-w-10"
              onClick={() => onAmend(s)}
            >
              <PencilLine aria-hidden="true" size={18} />
            </Button>
          )}
        </span>
      </div>
      {s.amended && (
        <p className="text-brass">
          ◆ this practice’s own:{' '}
          {plan.amendments
            .filter((a) => sure(s.amended).includes(a.id))
            .map((a) => `${a.says} (${a.by}, ${a.on}: ${a.why})`)
            .join('; ')}
        </p>
      )}
      {s.detail && <p>{s.detail}</p>}
      <SectionView plan={plan} step={s} />
      {ties.map((l) => (
        <p key={l.id} className="num">
          <Timer aria-label="clock" size={17} className="mr-1 inline align-[-2px]" />
          {l.title}
          {l.atLeastS !== undefined && l.atLeastS > 0 && `: not before ${l.atLeastS} s`}
          {l.warnS !== undefined && l.atMostS === undefined && `, warned at ${l.warnS} s`}
          {l.atMostS !== undefined && `: closes ${l.atMostS} s`}
          {l.from !== l.to && ` after ${l.fromEdge === 'start' ? 'the start of ' : ''}“${titleOf(l.from)}”`}
          {l.whenMissed && <span className="font-sans"> — missed: {l.whenMissed}</span>}{' '}
          <span className="font-sans text-base text-soft">
            ({l.because.text}; {standingWords[l.because.standing]})
          </span>
        </p>
      ))}
      {s.lanes && (
        <div className="my-1 rounded-md border border-line p-2">
          <p className="font-bold">
            {s.lanes.title}, {wholeOf(s.lanes)}
          </p>
          <LaneRows lanes={s.lanes} />
        </div>
      )}
      {(s.cues ?? []).map((c) => (
        <p key={c.say} className="num">
          ▶ {c.atS} s after the {c.fromEdge === 'start' ? 'start' : 'end'} of “{titleOf(c.from)}”
          {c.everyS ? `, every ${c.everyS} s, ${c.times} times` : ''}:{' '}
          <span className="font-sans">
            “{c.say}” ({c.because.text}; {standingWords[c.because.standing]})
          </span>
        </p>
      ))}
      {s.passes.length > 0 && <p>passes: {s.passes.join(' → ')}</p>}
      {s.with.length > 0 && <p>with: {s.with.join('; ')}</p>}
      {s.countsIn.length > 0 && (
        <p>
          counted in:{' '}
          {s.countsIn
            .map((id) => sure(plan.counts.find((c) => c.id === id)))
            .map((c) => `${c.what}: ${c.planned}${c.stays ? `, ${c.stays} to stay` : ''}`)
            .join('; ')}
        </p>
      )}
      {s.countsOut.length > 0 && (
        <p>counted out: {s.countsOut.map((id) => sure(plan.counts.find((c) => c.id === id)).what).join('; ')}</p>
      )}
      {hold && (
        <p className="font-semibold text-dentist">
          ‖ the dentist signs: {hold.title} — {hold.evidence}
          {hold.mandatory ? ' (stays on every card)' : ''}
        </p>
      )}
      {s.cautions.map((c) => (
        <p key={c.text} className="text-alarm">
          ■ {c.text}
        </p>
      ))}
      {s.mistakes.map((m) => (
        <p key={m} className="text-soft">
          common error: {m}
        </p>
      ))}
      {s.figures.map((f) => (
        <p key={f.name} className="text-soft">
          <span className="num">
            {f.name} {f.value} {f.unit}
          </span>
          : {f.text} ({standingWords[f.standing]})
        </p>
      ))}
      {s.reason && (
        <p className="text-soft">
          why: {s.reason.text} ({s.reason.source ?? standingWords[s.reason.standing]})
        </p>
      )}
    </li>
  )
}

/** The day in its order, by phase. A dentist amends a step where it stands. */
export function Steps({ plan, kind }: { plan: Plan; kind: KindId }) {
  const person = usePerson()
  const [amending, setAmending] = useState<Step | null>(null)
  const may = person.roles.includes('dentist')
  const runs: { phase: Step['phase']; steps: Step[] }[] = []
  for (const s of plan.steps) {
    const last = runs.at(-1)
    if (last?.phase === s.phase) last.steps.push(s)
    else runs.push({ phase: s.phase, steps: [s] })
  }
  return (
    <Panel labelled="Steps" className="space-y-3">
      {runs.map((r, i) => (
        <section key={`${r.phase}-${i}`} aria-label={phaseNames[r.phase]}>
          <h2 className="mb-1 text-lg font-bold text-jade">{phaseNames[r.phase]}</h2>
          <ol className="space-y-2">
            {r.steps.map((s) => (
              <StepLine key={s.id} plan={plan} s={s} {...(may ? { onAmend: setAmending } : {})} />
            ))}
          </ol>
        </section>
      ))}
      <LeftOut plan={plan} tone="text-lg text-jade" />
      {plan.followUps.length > 0 && (
        <section aria-label="Next">
          <h2 className="text-lg font-bold text-jade">Next</h2>
          <ul>
            {plan.followUps.map((f) => (
              <li key={f.title}>
                {f.title}, <span className="num">{f.afterWorkingDays}</span> working days: {f.because.text}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Suspense>
        {amending && <AmendBox kind={kind} plan={plan} step={amending} onClose={() => setAmending(null)} />}
      </Suspense>
    </Panel>
  )
}
