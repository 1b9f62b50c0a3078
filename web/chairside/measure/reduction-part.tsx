/** The prepared tooth with the sites that are read: touch one, give its reading, and the next unread one comes by itself. */
import { firstOf, sure } from '../../../core/sure'
import { useState } from 'react'
import type { Plan } from '../../../core/model/plan'
import { reductionPicture, type ReductionPicture } from '../../../core/picture/reduction-sites'
import type { Point } from '../../../core/picture/tooth-profile'
import { judgeReduction, targetAt, writeRange, type ReductionSite } from '../../../core/measure/reduction'
import { sitesFor } from '../../../core/readings/preparation'
import type { AskOf } from '../../../core/readings/reading'
import type { Tooth } from '../../../core/teeth/notation'
import { without } from '../../parts/margin-ring'
import { pressing } from '../../parts/press'
import { NumberBox } from './number-box'

type Readings = Partial<Record<ReductionSite, number>>
/** What tabs come in; one touch each. */
const tabsMm = [1, 1.5, 2]

/** Pixels to a millimetre: the circles that are touched keep clear of each other. */
const px = 25
const shapes = { enough: '✓', short: '◆', over: '●' } as const

/** The cut and the top, in their own measures; an upper tooth hangs. */
function Outlines({ of, y }: { of: ReductionPicture; y: (mm: number) => number }) {
  const outline = (points: readonly Point[]): string =>
    points.map(([x, at]) => `${(x * px).toFixed(1)},${y(at).toFixed(1)}`).join(' ')
  const { at, widthMm, depthMm } = of.above
  return (
    <>
      <polygon points={outline(of.crown)} className="tone-glass stroke-soft" strokeWidth={2} strokeDasharray="6 6" />
      {of.left && <polygon points={outline(of.left)} className="fill-jade-wash stroke-ink" strokeWidth={3} />}
      <rect
        x={(at[0] - widthMm / 2) * px}
        y={y(at[1]) - (depthMm * px) / 2}
        width={widthMm * px}
        height={depthMm * px}
        rx={(widthMm * px) / 4}
        className="fill-jade-wash stroke-ink"
        strokeWidth={3}
      />
    </>
  )
}

export function ReductionPart({
  plan,
  ask,
  tooth,
  given,
  onGive,
}: {
  plan: Plan
  ask: AskOf<'reduction'>
  tooth: Tooth
  given: Readings
  onGive: (r: Readings) => void
}) {
  const { restoration, inner } = ask
  const sites = sitesFor(ask, tooth)
  const read = (s: ReductionSite) => judgeReduction(restoration, { [s]: given[s] }, inner)[0]
  // What was short is read again first; then what has not been read.
  const [picked, setPicked] = useState<ReductionSite>(
    () =>
      sites.find((s) => read(s)?.verdict === 'short') ?? sites.find((s) => given[s] === undefined) ?? firstOf(sites),
  )
  const site = sites.includes(picked) ? picked : firstOf(sites)
  /** Enter goes on to what has not been read yet. */
  const at = sites.indexOf(site)
  const after = [...sites.slice(at + 1), ...sites.slice(0, at)].find((x) => given[x] === undefined)
  const picture = reductionPicture(plan, tooth, restoration)
  const y = (mm: number): number => (picture.hangs ? -mm : mm) * px
  const [left, top, width, height] = picture.frame
  const target = sure(targetAt(restoration, site, inner))
  const put = (mm: number | undefined): void =>
    onGive(mm === undefined ? without(given, site) : { ...given, [site]: mm })
  return (
    <div className="space-y-2">
      <div className="grid items-start gap-3 md:grid-cols-[minmax(0,1fr)_17rem]">
        <div className="space-y-2">
          <svg
            viewBox={`${left * px} ${picture.hangs ? y(top + height) : y(top)} ${width * px} ${height * px}`}
            className="block max-h-60 w-full"
            role="group"
            aria-label="The sites that are read; the cut from cheek to tongue at the left, the tooth from above at the right"
          >
            <Outlines of={picture} y={y} />
            {sites.map((s) => {
              const [x, at] = picture.places[s] ?? [0, 0]
              const j = read(s)
              const on = s === site
              return (
                <g
                  key={s}
                  transform={`translate(${x * px} ${y(at)})`}
                  role="button"
                  aria-pressed={on}
                  aria-label={`${s}: ${j ? `${j.readMm} mm, ${j.verdict}` : 'not read'}`}
                  data-site={s}
                  data-read={j?.verdict ?? ''}
                  className="cursor-pointer outline-none focus-visible:[&_circle]:stroke-ink"
                  {...pressing(() => setPicked(s))}
                >
                  <circle
                    r={27}
                    strokeWidth={on ? 6 : 2.5}
                    strokeDasharray={j || on ? undefined : '5 5'}
                    className={`${j?.verdict === 'short' ? 'fill-brass-wash' : 'fill-sheet'} ${on ? 'stroke-ink' : j?.verdict === 'short' ? 'stroke-brass' : j ? 'stroke-jade' : 'stroke-soft'}`}
                  />
                  <text
                    textAnchor="middle"
                    dominantBaseline="central"
                    fontSize={17}
                    fontWeight={700}
                    className={j?.verdict === 'short' ? 'fill-brass' : 'fill-ink'}
                  >
                    {j ? `${shapes[j.verdict]}${j.readMm.toFixed(1)}` : '–'}
                  </text>
                </g>
              )
            })}
          </svg>
          <div className="rounded-md border-2 border-ink p-2">
            <NumberBox
              key={site}
              label={`${site}, ${writeRange(target).replace(/ mm$/, '')}`}
              name={site}
              unit="mm"
              value={given[site]}
              onGive={put}
              least={0}
              most={6}
              from={target.leastMm}
              touches={tabsMm}
              onEnter={() => setPicked(after ?? site)}
            />
            <p className="text-base text-soft">
              <span className="num">{sites.filter((s) => given[s] !== undefined).length}</span> of{' '}
              <span className="num">{sites.length}</span> sites read
            </p>
          </div>
        </div>
        <div className="grid gap-1" role="group" aria-label="Sites">
          {sites.map((s) => (
            <button
              key={s}
              type="button"
              aria-pressed={s === site}
              onClick={() => setPicked(s)}
              className={`min-h-12 cursor-pointer rounded-md border-2 px-2 text-left text-base ${s === site ? 'border-ink font-bold' : 'border-line'}`}
            >
              {read(s) ? `${shapes[sure(read(s)).verdict]} ${sure(given[s]).toFixed(1)}` : '○'} {s}
            </button>
          ))}
        </div>
      </div>
    </div>
  )
}
