/** How the figures, clocks and people of the step in front were worked out. */
import { spanWords } from '../../core/clock'
import { isClock, type Clock, type Link } from '../../core/model/link'
import type { Step } from '../../core/model/step'
import { Modal } from '../parts/modal'

import { Why } from '../parts/worked'

const spans = (l: Clock): string =>
  [
    l.atLeastS !== undefined && l.atLeastS > 0 ? `not before ${l.atLeastS} s` : '',
    l.atMostS !== undefined ? `closes at ${l.atMostS} s` : l.warnS !== undefined ? `warns at ${l.warnS} s` : '',
  ]
    .filter(Boolean)
    .join(', ')

export function WorkedBox({ step, links, onClose }: { step: Step; links: readonly Link[]; onClose: () => void }) {
  const clocks = links.filter(isClock).filter((l) => l.to === step.id)
  return (
    <Modal open onClose={onClose} title="How is this worked out?" wide>
      <div className="space-y-3" data-worked-step={step.id}>
        <p className="text-xl font-bold">{step.title}</p>
        <dl className="space-y-2">
          {step.figures.map((f) => (
            <div key={f.name}>
              <dt className="font-bold">
                {f.name}: <span className="num">{f.value}</span> {f.unit}
              </dt>
              <dd>
                <Why reason={f} />
              </dd>
            </div>
          ))}
          {clocks.map((l) => (
            <div key={l.id}>
              <dt className="font-bold">
                {l.title}: {spans(l)}
              </dt>
              <dd>
                <Why reason={l.because} />
              </dd>
            </div>
          ))}
          {step.lanes && (
            <div>
              <dt className="font-bold">
                {step.lanes.title}: {step.lanes.endS} s
                {step.lanes.withinS === undefined ? '' : ` of ${step.lanes.withinS} s`}
              </dt>
              <dd>
                <Why reason={step.lanes.because} />
              </dd>
            </div>
          )}
          {(step.cues ?? []).map((c) => (
            <div key={c.say}>
              <dt className="font-bold">
                called at {c.atS} s{c.everyS ? `, then every ${c.everyS} s` : ''}: {c.say}
              </dt>
              <dd>
                <Why reason={c.because} />
              </dd>
            </div>
          ))}
          <div>
            <dt className="font-bold">{step.performer.name} does it</dt>
            <dd>
              <Why reason={step.performer.because} />
            </dd>
          </div>
          <div>
            <dt className="font-bold">Takes {spanWords(step.spread.likelyS)}</dt>
            <dd>
              {spanWords(step.spread.shortS)} where it goes well, {spanWords(step.spread.longS)} where it does not (
              {step.learned ? `from ${step.learned.n} of the practice’s own runs` : 'starting estimate'})
            </dd>
          </div>
          {step.reason && (
            <div>
              <dt className="font-bold">Why so</dt>
              <dd>
                <Why reason={step.reason} />
              </dd>
            </div>
          )}
        </dl>
      </div>
    </Modal>
  )
}
