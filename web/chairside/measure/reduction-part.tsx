/** The prepared tooth with the sites that are read: touch one, give its reading, and the next unread one comes by itself. */
import { firstOf, sure } from '../../../core/sure'
import { useState } from 'react'
import { judgeReduction, targetAt, writeRange, type ReductionSite } from '../../../core/measure/reduction'
import { sitesFor } from '../../../core/readings/preparation'
import type { AskOf } from '../../../core/readings/reading'
import type { Tooth } from '../../../core/teeth/notation'
import { without } from '../../parts/margin-ring'
import { NumberBox } from './number-box'

type Readings = Partial<Record<ReductionSite, number>>
/** What tabs come in; one touch each. */
const tabsMm = [1, 1.5, 2]

/** Where a site lies: on the cut from cheek to tongue, or, for the sides that touch neighbours, on the tooth from above. */
const cusped: Partial<Record<ReductionSite, [number, number]>> = {
  'functional cusp': [-62, -128],
  'other cusp': [62, -128],
  'central groove': [0, -96],
  'facial, occlusal third': [-104, -84],
  'facial, middle third': [-118, -24],
  'facial, cervical third': [-112, 38],
  'inner side': [116, -18],
  mesial: [226, -40],
  distal: [346, -40],
}
const edged: typeof cusped = {
  ...cusped,
  incisal: [0, -138],
  'facial, occlusal third': [-62, -84],
  'facial, middle third': [-82, -20],
  'facial, cervical third': [-90, 42],
  'inner side': [78, -10],
}
const outlines = {
  cusped:
    'M -92 70 C -112 20 -104 -60 -84 -104 Q -62 -132 -34 -108 Q 0 -84 34 -108 Q 62 -132 84 -104 C 104 -60 112 20 92 70 Z',
  edged: 'M -70 70 C -80 10 -58 -70 -14 -128 Q 0 -142 12 -126 C 26 -60 36 -20 62 26 Q 72 50 70 70 Z',
} as const
const prepared = {
  cusped: 'M -66 62 C -70 20 -64 -40 -54 -74 Q -46 -86 -30 -74 Q 0 -56 30 -74 Q 46 -86 54 -74 C 64 -40 70 20 66 62 Z',
  edged: 'M -46 62 C -50 10 -34 -50 -6 -92 Q 2 -98 8 -90 C 16 -50 24 -10 40 30 Q 46 48 46 62 Z',
} as const
const shapes = { enough: '✓', short: '◆', over: '●' } as const

export function ReductionPart({
  ask,
  tooth,
  given,
  onGive,
}: {
  ask: AskOf<'reduction'>
  tooth: Tooth
  given: Readings
  onGive: (r: Readings) => void
}) {
  const { restoration } = ask
  const sites = sitesFor(ask, tooth)
  const read = (s: ReductionSite) => judgeReduction(restoration, { [s]: given[s] })[0]
  // What was short is read again first; then what has not been read.
  const [picked, setPicked] = useState<ReductionSite>(
    () =>
      sites.find((s) => read(s)?.verdict === 'short') ?? sites.find((s) => given[s] === undefined) ?? firstOf(sites),
  )
  const site = sites.includes(picked) ? picked : firstOf(sites)
  const form = sites.includes('functional cusp') ? 'cusped' : 'edged'
  const places = form === 'cusped' ? cusped : edged
  const target = sure(targetAt(restoration, site))
  const put = (mm: number | undefined): void =>
    onGive(mm === undefined ? without(given, site) : { ...given, [site]: mm })
  return (
    <div className="space-y-2">
      <div className="grid items-center gap-3 md:grid-cols-[minmax(0,1fr)_17rem]">
        <svg
          viewBox="-150 -170 530 262"
          className="block max-h-72 w-full"
          role="group"
          aria-label="The sites that are read; the cut from cheek to tongue at the left, the tooth from above at the right"
        >
          <path d={outlines[form]} className="fill-none stroke-soft" strokeWidth={2} strokeDasharray="6 6" />
          <path d={prepared[form]} className="fill-jade-wash stroke-ink" strokeWidth={3} />
          <path
            d="M 250 -96 H 322 Q 346 -96 346 -72 V -8 Q 346 16 322 16 H 250 Q 226 16 226 -8 V -72 Q 226 -96 250 -96 Z"
            className="fill-none stroke-soft"
            strokeWidth={2}
            strokeDasharray="6 6"
          />
          <path
            d="M 262 -80 H 310 Q 326 -80 326 -64 V -16 Q 326 0 310 0 H 262 Q 246 0 246 -16 V -64 Q 246 -80 262 -80 Z"
            className="fill-jade-wash stroke-ink"
            strokeWidth={3}
          />
          <text x={0} y={86} textAnchor="middle" fontSize={16} className="fill-soft">
            facial at the left
          </text>
          <text x={286} y={44} textAnchor="middle" fontSize={16} className="fill-soft">
            from above
          </text>
          {sites.map((s) => {
            const [x, y] = places[s] ?? [0, 0]
            const j = read(s)
            const on = s === site
            return (
              <g
                key={s}
                transform={`translate(${x} ${y})`}
                role="button"
                tabIndex={0}
                aria-pressed={on}
                aria-label={`${s}: ${j ? `${j.readMm} mm, ${j.verdict}` : 'not read'}`}
                data-site={s}
                data-read={j?.verdict ?? ''}
                className="cursor-pointer outline-none focus-visible:[&_circle]:stroke-ink"
                onClick={() => setPicked(s)}
                onKeyDown={(e) => {
                  if (e.key === 'Enter' || e.key === ' ') {
                    e.preventDefault()
                    e.stopPropagation()
                    setPicked(s)
                  }
                }}
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
      <div className="rounded-md border-2 border-ink p-2">
        <NumberBox
          key={site}
          label={`${site}, ${writeRange(target)}`}
          name={site}
          unit="mm"
          value={given[site]}
          onGive={put}
          least={0}
          most={6}
          from={target.leastMm}
          touches={tabsMm}
        />
        <p className="text-base text-soft">
          <span className="num">{sites.filter((s) => given[s] !== undefined).length}</span> of{' '}
          <span className="num">{sites.length}</span> sites read
        </p>
      </div>
    </div>
  )
}
