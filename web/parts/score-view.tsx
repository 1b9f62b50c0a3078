/** The score of one visit to look into: wider by steps, moved along by hand or by keys, names standing still. */
import { lastOf, sure } from '../../core/sure'
import { Minus, Plus } from 'lucide-react'
import { useState } from 'react'
import { Score, type ScoreProps } from './score'
import { staves } from './score-lay'
import { Button } from './ui'

const steps = [1, 2, 4, 8] as const

export function ScoreView({
  height = 284,
  ...props
}: Omit<ScoreProps, 'zoom' | 'names' | 'full'> & Required<Pick<ScoreProps, 'holds'>>) {
  const [at, setAt] = useState(0)
  const zoom = sure(steps[at])
  const top = staves.top + staves.bands + staves.flags.above
  const rowHeight = (height - top - staves.bottom - staves.flags.below) / (props.people.length + 1)
  const wider = (by: number): void => setAt(Math.min(steps.length - 1, Math.max(0, at + by)))
  return (
    <div>
      <div className="flex">
        <div aria-hidden="true" className="shrink-0 text-base" style={{ width: staves.left, paddingTop: top }}>
          {[...props.people.map((p) => (p.name.length > 15 ? lastOf(p.name.split(' ')) : p.name)), 'mouth'].map(
            (name, i) => (
              <div
                key={name}
                className={`flex items-center truncate ${i === props.people.length ? 'text-soft' : ''}`}
                style={{ height: rowHeight }}
              >
                {name}
              </div>
            ),
          )}
        </div>
        <div
          className="min-w-0 flex-1 overflow-x-auto"
          tabIndex={0}
          role="group"
          aria-label="The score; plus and minus make it wider or narrower, arrows move along it"
          data-zoom={zoom}
          onKeyDown={(e) => {
            if (e.key === '+' || e.key === '=') wider(1)
            else if (e.key === '-') wider(-1)
          }}
        >
          <Score {...props} height={height} names={false} bands zoom={zoom} />
        </div>
      </div>
      <div className="mt-1 flex items-center justify-end gap-1">
        <span className="mr-2 text-base text-soft">
          thick foot: decides the length
          {props.score.bars.some((b) => b.alone) && '; dashed: wants a second pair of hands, and nobody is there'}
        </span>
        <Button tone="quiet" aria-label="Narrower" disabled={at === 0} onClick={() => wider(-1)}>
          <Minus aria-hidden="true" />
        </Button>
        <span className="num w-10 text-center">{zoom} ×</span>
        <Button tone="quiet" aria-label="Wider" disabled={at === steps.length - 1} onClick={() => wider(1)}>
          <Plus aria-hidden="true" />
        </Button>
      </div>
    </div>
  )
}
