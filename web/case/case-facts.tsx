/** What will be done and what is known: only what this plan asked for is shown. */
import { Fragment, type ReactNode } from 'react'
import { kindFacts, type KindFacts } from '../../core/kinds'
import type { AlsoWork, VisitRequest } from '../../core/model/request'
import { firstOf } from '../../core/sure'
import type { Framework, Restoration } from '../../core/vocabulary'
import type { VisitAndPlan } from '../app/plan'
import { Fold } from '../parts/fold'
import { whyAsked } from '../../core/library/facts/decides'
import { Check, Panel, Pick } from '../parts/ui'
import { ByTooth } from './by-tooth'
import { changeOf, workAt, type Change } from './change'
import { Choose, NumberField } from './fact-fields'

/** One work of the visit as it is told about: what its plan asked for, and where an answer goes. */
interface Told {
  request: VisitRequest
  work: AlsoWork
  kind: KindFacts
  asked: (fact: string) => boolean
  set: (c: Partial<AlsoWork>) => void
  change: (c: Change) => void
  disabled: boolean
}

const Row = ({ children }: { children: ReactNode }) => <div className="flex flex-wrap gap-2.5">{children}</div>

/** What is yes or no of the work as a whole, and how it is asked. */
const flags: [fact: 'deepSpot' | 'missingWall' | 'partErupted' | 'inEnamel' | 'pulpTreatment', label: string][] = [
  ['deepSpot', 'Margin deep in one spot'],
  ['missingWall', 'A wall is missing'],
  ['partErupted', 'Part-erupted'],
  ['inEnamel', 'Wholly in enamel'],
  ['pulpTreatment', 'Pulp treatment'],
]

/** What it is made of. */
function Made({ work, kind, asked, set, disabled }: Told) {
  return (
    <>
      {kind.restorations.length > 1 && (
        <Pick<Restoration>
          disabled={disabled}
          label="Restoration"
          value={work.restoration ?? firstOf(kind.restorations)}
          onPick={(restoration) => set({ restoration })}
          options={kind.restorations.map((value) => ({ value, label: value.replace(' crown', '') }))}
        />
      )}
      {asked('innerSide') && (
        <Choose
          disabled={disabled}
          label="Inner side"
          value={work.innerSide}
          onPick={(innerSide) => set({ innerSide })}
          words={{ metal: 'Metal alone inside', ceramic: 'ceramic all round' }}
        />
      )}
      {asked('framework') && kind.frameworks && kind.frameworks.length > 1 && (
        <Pick<Framework>
          disabled={disabled}
          label="Framework"
          value={work.framework}
          onPick={(framework) => set({ framework })}
          options={kind.frameworks.map((value) => ({ value, label: value }))}
        />
      )}
    </>
  )
}

function PulpAndMargin({ work, asked, set, disabled }: Told) {
  return (
    <Row>
      {asked('vital') && (
        <Choose
          disabled={disabled}
          label="Pulp"
          value={work.vital ? 'vital' : 'root-filled'}
          onPick={(v) => set({ vital: v === 'vital' })}
          words={{ vital: 'Vital', 'root-filled': 'Root-filled' }}
        />
      )}
      {asked('margin') && (
        <Choose
          disabled={disabled}
          label="Margin"
          value={work.margin}
          onPick={(margin) => set({ margin })}
          words={{ supragingival: 'Margin above', equigingival: 'at', subgingival: 'under the tissue' }}
        />
      )}
      {asked('lesion') && (
        <Choose
          disabled={disabled}
          label="Lesion"
          value={work.lesion}
          onPick={(lesion) => set({ lesion })}
          words={{ cavitated: 'Cavitated', 'non-cavitated': 'not cavitated' }}
        />
      )}
      {asked('lesionSite') && (
        <Choose
          disabled={disabled}
          label="Where the lesion is"
          value={work.lesionSite}
          onPick={(lesionSite) => set({ lesionSite })}
          words={{ pit: 'In a pit', between: 'between the teeth' }}
        />
      )}
      {asked('managesFilling') && (
        <Choose
          disabled={disabled}
          label="The child"
          value={work.managesFilling ? 'can' : 'cannot'}
          onPick={(v) => set({ managesFilling: v === 'can' })}
          words={{ can: 'Can take a filling', cannot: 'cannot' }}
        />
      )}
    </Row>
  )
}

function Tissue({ work: { tissue }, asked, set, disabled }: Told) {
  if (!asked('tissue') || !asked('margin')) return null
  return (
    <Row>
      <Choose
        disabled={disabled}
        label="Tissue"
        value={tissue.biotype}
        onPick={(biotype) => set({ tissue: { ...tissue, biotype } })}
        words={{ thick: 'Thick tissue', thin: 'thin' }}
      />
      <Choose
        disabled={disabled}
        label="Crevice"
        value={tissue.crevice}
        onPick={(crevice) => set({ tissue: { ...tissue, crevice } })}
        words={{ narrow: 'Narrow', normal: 'normal', wide: 'wide crevice' }}
      />
      <NumberField
        label="Probing depth"
        unit="mm"
        disabled={disabled}
        value={tissue.probingDepthMm}
        onValue={(n) => n !== undefined && set({ tissue: { ...tissue, probingDepthMm: n } })}
      />
    </Row>
  )
}

function YesOrNo({ request, work, asked, set, change, disabled }: Told) {
  return (
    <Row>
      {asked('tissue') && asked('margin') && (
        <Check
          disabled={disabled}
          label="Weeping"
          checked={work.tissue.weeping}
          onChange={(weeping) => set({ tissue: { ...work.tissue, weeping } })}
        />
      )}
      {asked('crossbite') && (
        <Check
          disabled={disabled}
          label="Crossbite"
          checked={request.crossbite}
          onChange={(crossbite) => change({ crossbite })}
        />
      )}
      {flags
        .filter(([fact]) => asked(fact))
        .map(([fact, label]) => (
          <Check
            key={fact}
            disabled={disabled}
            label={label}
            checked={work[fact]}
            onChange={(on) => set({ [fact]: on })}
          />
        ))}
      {asked('pieceOnHand') && (
        <Check
          disabled={disabled}
          label="The laboratory’s piece is here"
          checked={request.pieceOnHand}
          onChange={(pieceOnHand) => change({ pieceOnHand })}
        />
      )}
    </Row>
  )
}

function Amounts({ work, asked, set, disabled }: Told) {
  return (
    <Row>
      {asked('sealMm') && (
        <NumberField
          label="Root filling that stays"
          unit="mm"
          disabled={disabled}
          value={work.sealMm}
          onValue={(n) => n !== undefined && set({ sealMm: n })}
        />
      )}
      {asked('tintPercent') && (
        <NumberField
          label="Tint in the cement"
          unit="%"
          disabled={disabled}
          value={work.tintPercent}
          onValue={(n) => set({ tintPercent: n ?? 0 })}
        />
      )}
    </Row>
  )
}

/** What the doses go by, where something is injected. */
function Doses({ request, asked, change, disabled }: Told) {
  if (!asked('anaesthetic')) return null
  return (
    <>
      <Choose
        disabled={disabled}
        label="Anaesthetic"
        value={request.anaesthetic}
        onPick={(anaesthetic) => change({ anaesthetic })}
        words={{
          'by technique': 'Anaesthetic by technique',
          'articaine with adrenaline': 'articaine 4 %',
          'lidocaine with adrenaline': 'lidocaine 2 %',
          'mepivacaine plain': 'mepivacaine 3 % plain',
        }}
      />
      <Row>
        <NumberField
          label="Age"
          unit="years"
          disabled={disabled}
          value={request.ageYears}
          onValue={(ageYears) => change({ ageYears })}
        />
        <NumberField
          label="Weight"
          unit="kg"
          disabled={disabled}
          value={request.weightKg}
          onValue={(weightKg) => change({ weightKg })}
        />
      </Row>
    </>
  )
}

/** Why each of these is asked: what hangs on the answer. */
function WhyAsked({ facts }: { facts: readonly string[] }) {
  const rows = whyAsked(facts.filter((fact) => !known.has(fact)))
  if (rows.length === 0) return null
  return (
    <Fold title="What each answer decides">
      <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-[max-content_1fr]">
        {rows.map(({ fact, title, decides }) => (
          <Fragment key={fact}>
            <dt className="font-semibold">{title}</dt>
            <dd>{decides}</dd>
          </Fragment>
        ))}
      </dl>
    </Fold>
  )
}
/** Told elsewhere on the Case, not asked here. */
const known: ReadonlySet<string> = new Set(['teeth', 'pontics', 'missing', 'earlier'])

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
  const { request } = data.visit
  const work = workAt(request, at)
  const facts = new Set(data.plan.asked.facts[at])
  const told: Told = {
    request,
    work,
    kind: kindFacts(work.kind),
    asked: (fact) => facts.has(fact),
    set: (c) => change(changeOf(request, at, c)),
    change,
    disabled: locked,
  }
  return (
    <Panel labelled="What will be done" className="space-y-2.5">
      <Made {...told} />
      <PulpAndMargin {...told} />
      <Tissue {...told} />
      <YesOrNo {...told} />
      {told.asked('deliveryCement') && (
        <Choose
          disabled={locked}
          label="Cement at delivery"
          value={work.deliveryCement}
          onPick={(deliveryCement) => told.set({ deliveryCement })}
          words={{
            resin: 'Delivered with resin',
            'resin-modified glass ionomer': 'glass ionomer',
            conventional: 'conventional',
          }}
        />
      )}
      <ByTooth data={data} at={at} asked={told.asked} change={change} locked={locked} />
      <Amounts {...told} />
      {at === 0 && <Doses {...told} />}
      <WhyAsked facts={data.plan.asked.facts[at] ?? []} />
    </Panel>
  )
}
