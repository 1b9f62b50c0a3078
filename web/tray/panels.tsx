/** Below the board: the place touched last, what stands by, and what is read before the tray is signed. */
import { AnswerBox } from './answer-box'
import type { Signature } from './marks'
import { useState } from 'react'
import { standingWords } from '../../core/figure'
import { capital } from '../../core/words'
import type { SetupLine } from '../../core/model/plan'
import { amountWords } from '../../core/plan/amount-words'
import { trayReadiness } from '../../core/plan/ready'
import type { VisitAndPlan } from '../app/plan'
import { Button, Check, Mark, Panel, field } from '../parts/ui'
import type { VisitView } from '../../wire/visit'

/** What the touched place is, why it is there, from which lot, and what could lie there instead. */
export function Detail({
  line,
  swapped,
  onSwap,
  locked,
}: {
  line: SetupLine
  swapped: string | undefined
  onSwap: (from: string, to: string | null) => void
  locked: boolean
}) {
  return (
    <Panel labelled="The place touched last" className="min-w-80 flex-1">
      <p className="text-xl font-bold">
        {line.name} <span className="num font-normal">{amountWords(line)}</span>
      </p>
      {line.lot?.number && (
        <p className="num">
          lot {line.lot.number}, expires {line.lot.expires}
        </p>
      )}
      {(line.lack ?? line.lot?.warning) && <Mark kind="ask">{line.lack ?? line.lot?.warning}</Mark>}
      {line.shade && <p className="mt-1">{line.shade}</p>}
      {line.counted && <p className="mt-1">{line.counted}</p>}
      {line.because && (
        <p>
          {capital(line.because.text)}{' '}
          <span className="text-base text-soft">({standingWords[line.because.standing]})</span>
        </p>
      )}
      {line.when && <p>Opened when {line.when}.</p>}
      {!locked && (
        <div className="mt-2 flex flex-wrap gap-2">
          {line.alternatives.map((a) => (
            <Button
              key={a.itemId}
              className="flex-col !items-start !gap-0 text-left"
              onClick={() => onSwap(swapped ?? line.id, a.itemId === swapped ? null : a.itemId)}
            >
              <span>Instead: {a.name}</span> <span className="text-base font-normal">({a.loss})</span>
            </Button>
          ))}
        </div>
      )}
    </Panel>
  )
}

export function Standby({
  lines,
  checked,
  toggle,
  locked,
}: {
  lines: SetupLine[]
  checked: ReadonlySet<string>
  toggle: (ids: string[], done: boolean) => void
  locked: boolean
}) {
  return (
    <Panel title="Have ready, do not open" className="min-w-80 flex-1">
      <ul className="grid gap-1.5">
        {lines.map((l) => (
          <li key={l.id}>
            <Check
              disabled={locked}
              checked={checked.has(l.id)}
              onChange={(done) => toggle([l.id], done)}
              label={
                <>
                  <strong>{l.name}</strong> <span className="num">{amountWords(l)}</span>{' '}
                  <span className="text-soft">when {l.when}</span>
                  {(l.lack ?? l.lot?.warning) && <span className="block text-brass">◆ {l.lack ?? l.lot?.warning}</span>}
                </>
              }
            />
          </li>
        ))}
      </ul>
    </Panel>
  )
}

/** The cassette that was taken off the shelf, held against what stands here: of its kind the one sterile for longest, or another. */
function CassetteInHand({
  own,
  taken,
  onTake,
}: {
  own: VisitView['toLay'][number]
  taken: string | undefined
  onTake: (id: string | undefined) => void
}) {
  const [picked, setPicked] = useState(own[0]?.id)
  const one = own.find((c) => c.id === picked) ?? own[0]
  if (!one) return null
  return (
    <div className="flex flex-wrap items-center gap-2" data-cassette={one.id}>
      <Check
        label={
          <>
            In hand: <strong>{one.name}</strong>
            {one.load !== null && `, out of load ${one.load}`}; its indicator has changed
          </>
        }
        checked={taken === one.id}
        onChange={(on) => onTake(on ? one.id : undefined)}
      />
      {own.length > 1 && (
        <select
          aria-label={`Another than ${one.name}`}
          className={field}
          value={one.id}
          onChange={(e) => {
            setPicked(e.target.value)
            onTake(undefined)
          }}
        >
          {own.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </select>
      )}
    </div>
  )
}

export function Signing({
  data,
  checked,
  sign,
  signing,
}: {
  data: VisitAndPlan
  checked: ReadonlySet<string>
  sign: (of: Signature) => Promise<unknown>
  signing: boolean
}) {
  const [read, setRead] = useState<ReadonlySet<string>>(new Set())
  const [answering, setAnswering] = useState(false)
  const readiness = trayReadiness(data.plan, checked, read)
  const [inHand, setInHand] = useState<ReadonlySet<string>>(new Set())
  const { toLay } = data.visit
  const cassettes = toLay.flatMap((own) => own.flatMap((c) => (inHand.has(c.id) ? [c.id] : [])))
  const give = (signer?: Signature['signer']) =>
    sign({ acknowledged: [...read], cassettes, ...(signer ? { signer } : {}) })
  return (
    <Panel title="Read, then sign" className="min-w-80 flex-1 space-y-2">
      {readiness.blocked.map((b) => (
        <Mark key={b} kind="stop">
          {b}
        </Mark>
      ))}
      {readiness.toAcknowledge.map((a) => (
        <Check
          key={a.id}
          label={a.text}
          checked={read.has(a.id)}
          onChange={(on) => setRead(new Set(on ? [...read, a.id] : [...read].filter((x) => x !== a.id)))}
        />
      ))}
      {toLay.map((own) => (
        <CassetteInHand
          key={own.map((c) => c.id).join(' ')}
          own={own}
          taken={own.find((c) => inHand.has(c.id))?.id}
          onTake={(id) => setInHand(new Set([...inHand].filter((x) => !own.some((c) => c.id === x)).concat(id ?? [])))}
        />
      ))}
      {readiness.missing.length > 0 && (
        <p>
          Still to lay out: <span className="num">{readiness.missing.length}</span> (
          {readiness.missing
            .slice(0, 4)
            .map((l) => l.name)
            .join(', ')}
          {readiness.missing.length > 4 ? ' …' : ''})
        </p>
      )}
      {readiness.forDentist.length > 0 && (
        <p className="text-soft">What is asked of the dentist is answered by the dentist, with their own code.</p>
      )}
      <Button
        big
        tone="jade"
        className="w-full"
        disabled={!readiness.ready || cassettes.length < toLay.length || signing}
        onClick={() => (readiness.forDentist.length > 0 ? setAnswering(true) : void give().catch(() => undefined))}
      >
        Sign the tray
      </Button>
      {answering && (
        <AnswerBox plan={data.plan} asked={readiness.forDentist} onAnswer={give} onClose={() => setAnswering(false)} />
      )}
    </Panel>
  )
}
