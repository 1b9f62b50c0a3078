import { useState } from 'react'
import { toast } from 'sonner'
import { neighbours } from '../../core/teeth/arch'
import { isPrimary, jawOf, readTooth, toothName, writeBoth, type Notation, type Tooth } from '../../core/teeth/notation'
import { kindFacts } from '../../core/visits/table'
import type { VisitAndPlan } from '../app/plan'
import { Arch } from '../parts/arch'
import { Panel, Pick } from '../parts/ui'
import { changeOf, workAt, type Change } from './change'

/** A tooth typed in any notation; where two readings are possible it says which was taken, or asks. */
function ToothField({ notation, onTooth }: { notation: Notation; onTooth: (tooth: Tooth) => void }) {
  const [text, setText] = useState('')
  const take = (): void => {
    if (!text.trim()) return
    const reading = readTooth(text, notation)
    if (reading.kind === 'error') return void toast.error(reading.message)
    if (reading.kind === 'ambiguous') return void toast(`Which tooth? ISO ${reading.readings.map((r) => r.tooth).join(' or ISO ')}: write quadrant and number`)
    if (reading.also) toast(`Read as ${writeBoth(reading.tooth, notation)}; in the ${reading.also.notation} notation it would be ISO ${reading.also.tooth}`)
    onTooth(reading.tooth)
    setText('')
  }
  return <input aria-label="Tooth, in any notation" placeholder="tooth" value={text} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.key === 'Enter' && take()} onBlur={take} className="num h-12 w-20 rounded-md border-2 border-line bg-sheet px-2" />
}

type Marking = 'prepare' | 'pontic' | 'missing'
const without = (teeth: readonly Tooth[], t: Tooth): Tooth[] => teeth.filter((x) => x !== t)

/** The teeth of one piece of work: picked, replaced, missing. */
export function Teeth({ data, at, change, locked }: { data: VisitAndPlan; at: number; change: (c: Change) => void; locked: boolean }) {
  const { request } = data.visit
  const work = workAt(request, at)
  const kind = kindFacts(work.kind)
  const [marking, setMarking] = useState<Marking>('prepare')
  const { notation } = data.practice
  const gone = [...request.missing, ...work.pontics]
  const beside = work.teeth.flatMap((t) => Object.values(neighbours(t, gone)).flatMap((n) => (n.tooth && !work.teeth.includes(n.tooth) ? [n.tooth] : [])))
  const prepare = (t: Tooth): void => {
    if (request.missing.includes(t)) return void toast(`${t} is recorded missing`)
    const same = work.teeth.filter((x) => jawOf(x) === jawOf(t))
    if (kind.most === 1 || same.length === 0) return change(changeOf(request, at, { teeth: [t], pontics: work.pontics.filter((p) => p !== t && jawOf(p) === jawOf(t)) }))
    if (work.teeth.includes(t)) return work.teeth.length > 1 ? change(changeOf(request, at, { teeth: without(work.teeth, t) })) : undefined
    change(changeOf(request, at, { teeth: [...same, t], pontics: without(work.pontics, t) }))
  }
  const pick = (t: Tooth): void => {
    if (isPrimary(t) !== (kind.dentition === 'primary')) return void toast.error(`${kind.title} is for ${kind.dentition} teeth; ${t} is ${isPrimary(t) ? 'a primary' : 'a permanent'} tooth`)
    if (marking === 'prepare') return prepare(t)
    if (work.teeth.includes(t)) return void toast(`${t} is to be prepared`)
    if (marking === 'pontic') return change(changeOf(request, at, { pontics: work.pontics.includes(t) ? without(work.pontics, t) : [...work.pontics, t] }))
    change({ missing: request.missing.includes(t) ? without(request.missing, t) : [...request.missing, t] })
  }
  const options = [{ value: 'prepare' as const, label: kind.most > 1 ? 'Teeth' : 'Tooth' }, ...(kind.pontics ? [{ value: 'pontic' as const, label: 'Pontic' }] : []), { value: 'missing' as const, label: 'Missing' }]
  return (
    <Panel labelled="Teeth" className="flex flex-col">
      <p className={`num leading-none font-bold ${work.teeth.length > 2 ? 'text-xl' : 'text-3xl'}`}>{work.teeth.map((t) => writeBoth(t, notation)).join(', ')}</p>
      <p>{work.teeth.length > 2 ? `${work.teeth.length} teeth` : work.teeth.map(toothName).join(', ')}</p>
      {work.pontics.length > 0 && <p>replaces <strong className="num">{work.pontics.map((t) => writeBoth(t, notation)).join(', ')}</strong></p>}
      {!locked && (
        <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
          <ToothField notation={notation} onTooth={pick} />
          <Pick<Marking> label="A touch on a tooth" value={marking} onPick={setMarking} options={options} />
        </div>
      )}
      <div className="mx-auto w-full max-w-[26rem]">
        <Arch label="Both arches: pick the teeth" dentition={kind.dentition} notation={notation} teeth={work.teeth} pontics={work.pontics} missing={request.missing} neighbours={beside} {...(locked ? {} : { onTooth: pick })} />
      </div>
    </Panel>
  )
}
