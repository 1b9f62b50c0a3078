import { useState } from 'react'
import { toast } from 'sonner'
import { fittingPontics } from '../../core/model/misfits'
import { neighbours } from '../../core/teeth/arch'
import { injectionWords, numbSites } from '../../core/measure/numbing'
import {
  allTeeth,
  isPrimary,
  jawOf,
  askWhich,
  readTooth,
  toothName,
  write,
  writeBoth,
  type Notation,
  type Tooth,
} from '../../core/teeth/notation'
import { kindFacts } from '../../core/kinds'
import type { VisitAndPlan } from '../app/plan'
import { Arch } from '../parts/arch'
import { Panel, Pick } from '../parts/ui'
import { changeOf, workAt, type Change } from './change'

/** Teeth typed in any notation, parted by spaces; where two readings are possible it says which was taken, or asks. */
function ToothField({ notation, onTeeth }: { notation: Notation; onTeeth: (teeth: Tooth[]) => void }) {
  const [text, setText] = useState('')
  const take = (): void => {
    const teeth: Tooth[] = []
    for (const word of text.split(/[\s,;]+/).filter(Boolean)) {
      const reading = readTooth(word, notation)
      if (reading.kind === 'error') return void toast.error(reading.message)
      if (reading.kind === 'ask') return void toast(askWhich(word, reading.readings, notation))
      if (reading.also)
        toast(
          `Read as ${writeBoth(reading.tooth, notation)}; in the ${reading.also.notation} notation it would be ${writeBoth(reading.also.tooth, notation)}`,
        )
      teeth.push(reading.tooth)
    }
    if (teeth.length === 0) return
    onTeeth(teeth)
    setText('')
  }
  return (
    <input
      aria-label="Tooth, in any notation"
      placeholder="tooth"
      value={text}
      onChange={(e) => setText(e.target.value)}
      onKeyDown={(e) => e.key === 'Enter' && take()}
      onBlur={take}
      className="num h-12 w-20 rounded-md border-2 border-line bg-sheet px-2"
    />
  )
}

type Marking = 'prepare' | 'pontic' | 'missing'
const without = (teeth: readonly Tooth[], t: Tooth): Tooth[] => teeth.filter((x) => x !== t)

/** The teeth of one piece of work: picked, replaced, missing. */
export function Teeth({
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
  const kind = kindFacts(work.kind)
  const [marking, setMarking] = useState<Marking>('prepare')
  const { notation } = data.practice
  const gone = [...request.missing, ...work.pontics]
  const beside = work.teeth.flatMap((t) =>
    Object.values(neighbours(t, gone)).flatMap((n) => (n.tooth && !work.teeth.includes(n.tooth) ? [n.tooth] : [])),
  )
  const workOn = (teeth: Tooth[]): void =>
    change(changeOf(request, at, { teeth, pontics: fittingPontics(work.kind, teeth, work.pontics) }))
  const prepare = (t: Tooth): void => {
    if (request.missing.includes(t)) return void toast(`${t} is recorded missing`)
    const same = work.teeth.filter((x) => jawOf(x) === jawOf(t))
    if (kind.most === 1 || same.length === 0) return workOn([t])
    if (work.teeth.includes(t)) return work.teeth.length > 1 ? workOn(without(work.teeth, t)) : undefined
    workOn([...same, t])
  }
  const foreign = (t: Tooth): boolean => {
    const wrong = isPrimary(t) !== (kind.dentition === 'primary')
    if (wrong)
      toast.error(
        `${writeBoth(t, notation)} is ${isPrimary(t) ? 'a primary' : 'a permanent'} tooth; ${kind.title} is for ${kind.dentition} teeth`,
      )
    return wrong
  }
  /** What is typed is what is meant: it stands in place of the teeth picked before. */
  const typed = (teeth: Tooth[]): void => {
    if (teeth.some(foreign)) return
    if (marking === 'prepare') workOn([...new Set(teeth)])
    else teeth.forEach(pick)
  }
  const pick = (t: Tooth): void => {
    if (foreign(t)) return
    if (marking === 'prepare') return prepare(t)
    if (work.teeth.includes(t)) return void toast(`${writeBoth(t, notation)} is to be prepared`)
    if (marking === 'pontic')
      return change(
        changeOf(request, at, { pontics: work.pontics.includes(t) ? without(work.pontics, t) : [...work.pontics, t] }),
      )
    change({ missing: request.missing.includes(t) ? without(request.missing, t) : [...request.missing, t] })
  }
  const options = [
    { value: 'prepare' as const, label: kind.most > 1 ? 'Teeth' : 'Tooth' },
    ...(kind.pontics ? [{ value: 'pontic' as const, label: 'Pontic' }] : []),
    { value: 'missing' as const, label: 'Missing' },
  ]
  const injections = data.plan.steps.flatMap((s) => s.numbed?.doses.flatMap((d) => d.injections) ?? [])
  const numb = numbSites(
    injections,
    allTeeth.filter((t) => isPrimary(t) === (kind.dentition === 'primary')),
  )
  return (
    <Panel labelled="Teeth" className="flex flex-col">
      <p className={`num leading-none font-bold ${work.teeth.length > 2 ? 'text-xl' : 'text-3xl'}`}>
        {work.teeth.map((t) => writeBoth(t, notation)).join(', ')}
      </p>
      <p>{work.teeth.length > 2 ? `${work.teeth.length} teeth` : work.teeth.map(toothName).join(', ')}</p>
      {work.pontics.length > 0 && (
        <p>
          replaces <strong className="num">{work.pontics.map((t) => writeBoth(t, notation)).join(', ')}</strong>
        </p>
      )}
      {!locked && (
        <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
          <ToothField notation={notation} onTeeth={typed} />
          <Pick<Marking> label="A touch on a tooth" value={marking} onPick={setMarking} options={options} />
        </div>
      )}
      <div className="mx-auto w-full max-w-[26rem]">
        <Arch
          label="Both arches: pick the teeth"
          dentition={kind.dentition}
          notation={notation}
          teeth={work.teeth}
          pontics={work.pontics}
          missing={request.missing}
          neighbours={beside}
          numb={numb}
          {...(locked ? {} : { onTooth: pick })}
        />
        {injections.length > 0 && (
          <p className="text-base text-soft" data-numb-words="">
            <span className="font-bold text-brass">▬</span> numb:{' '}
            {injectionWords(injections, (t) => write(t, notation))}
          </p>
        )}
      </div>
    </Panel>
  )
}
