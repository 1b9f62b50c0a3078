/** The bur strip: silhouettes from the burs' own dimensions, true proportions, numbered in the order of use. */
import { surfaceWords } from '../../core/plan/text'
import { gritMark, isoNumber, type Bur } from '../../core/catalog/bur'
import { silhouette } from '../../core/catalog/silhouette'
import type { BurPass } from '../../core/model/plan'

const pxPerMm = 9
const shankMm = 1.6

export function BurDrawing({ bur }: { bur: Bur }) {
  const profile = silhouette(bur)
  const length = Math.max(...profile.map((p) => p.atMm))
  const band = gritMark[bur.grit]
  const colours: Record<string, string> = {
    white: '#f4f4f4',
    yellow: '#f0c419',
    red: '#c62f2f',
    blue: '#2f62c6',
    green: '#2f8a46',
    black: '#151515',
  }
  const tallest = 9
  // Tip up, as burs stand in their block, all heads on one line; the shank below is cut off.
  const y = (atMm: number): number => (tallest - length + atMm) * pxPerMm
  const side = (sign: 1 | -1): string[] => profile.map((p) => `${sign * p.radiusMm * pxPerMm} ${y(p.atMm)}`)
  const shank = (shankMm / 2) * pxPerMm
  return (
    <svg width={46} height={112} viewBox="-23 -4 46 116" aria-hidden="true">
      <rect x={-shank} y={tallest * pxPerMm - 1} width={2 * shank} height={30} className="fill-line stroke-soft" />
      {band.colour !== 'none' && (
        <rect
          x={-shank - 1.5}
          y={tallest * pxPerMm + 10}
          width={2 * shank + 3}
          height={9}
          fill={colours[band.colour]}
          className="stroke-ink"
          strokeWidth={1}
        />
      )}
      <path
        d={`M ${side(1).join(' L ')} L ${side(-1).toReversed().join(' L ')} Z`}
        className={bur.material === 'diamond' ? 'fill-soft stroke-ink' : 'fill-sheet stroke-ink'}
        strokeWidth={1.4}
      />
    </svg>
  )
}

/** One cut in its turn; what follows in the same hand has the turn of the cut before it. */
const turnsOf = (passes: readonly BurPass[]) =>
  passes
    .flatMap((p, place) => {
      let turn = place
      return p.cuts.map((c) => ({ place, stepId: c.stepId, turn: (turn = c.turn ?? turn) }))
    })
    .toSorted((a, b) => a.turn - b.turn)

/** Which bur of the strip is in the hand, which comes next, and which was used last; -1 where none. */
function inHand(passes: readonly BurPass[], nowStep: string | undefined, done: ReadonlySet<string> | undefined) {
  const turns = turnsOf(passes)
  const now = turns.find((t) => t.stepId === nowStep)
  const next = now ? turns.find((t) => t.turn > now.turn) : done && turns.find((t) => !done.has(t.stepId))
  const before = turns.findLast((t) => done?.has(t.stepId) && t.turn < (now?.turn ?? Infinity))
  return { at: now?.place ?? -1, upcoming: next?.place ?? -1, last: before?.place ?? -1 }
}

/** With `doneSteps` the strip is live: what is done falls away but for the last, so that now and next are always in sight. */
export function BurStrip({
  passes,
  nowStep,
  doneSteps,
}: {
  passes: readonly BurPass[]
  nowStep?: string
  doneSteps?: ReadonlySet<string>
}) {
  const { at, upcoming, last } = inHand(passes, nowStep, doneSteps)
  return (
    <ol className="flex gap-1.5 overflow-x-auto pb-1" aria-label="Burs in the order of use">
      {passes.map((pass, i) => {
        const bur = pass.bur
        const done = doneSteps !== undefined && pass.cuts.every((c) => doneSteps.has(c.stepId)) && i !== at
        if (done && i !== last) return null
        const word = i === at ? 'now' : i === upcoming ? 'next' : done ? 'done' : ''
        const body = (
          <>
            <span className="flex w-full items-baseline justify-between gap-2">
              <span className="num text-xl font-bold">{pass.order}</span>
              <span className="font-bold">{word}</span>
            </span>
            {bur ? <BurDrawing bur={bur} /> : <span className="flex h-32 items-center text-4xl text-alarm">?</span>}
            <span className="text-base leading-tight whitespace-nowrap">
              {bur ? (
                <>
                  {bur.shape.replace(' taper', '')}{' '}
                  <span className="num">
                    {bur.diameterMm.toFixed(1)} {gritMark[bur.grit].letter}
                  </span>
                </>
              ) : (
                'none owned fits'
              )}
            </span>
          </>
        )
        const look = `flex min-w-28 flex-col items-center rounded-md border-2 px-2 py-1 ${i === at ? 'border-jade bg-jade-wash' : i === upcoming ? 'border-ink bg-sheet' : 'border-line bg-sheet'} ${done ? 'opacity-45' : ''}`
        const label = `${pass.order}: ${bur ? `${bur.name}, ISO ${isoNumber(bur)}` : 'no bur owned fits'}, ${surfaceWords(pass.cuts)}${word ? `, ${word}` : ''}`
        return (
          <li key={pass.order}>
            <div role="img" aria-label={label} className={look}>
              {body}
            </div>
          </li>
        )
      })}
    </ol>
  )
}
