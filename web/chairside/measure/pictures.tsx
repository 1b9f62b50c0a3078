/** Readings drawn as they are entered: against their limit, or to scale. */
import { firstOf, sure } from '../../../core/sure'
import { dimensions } from '../../../core/teeth/dimensions'
import { tableWords } from '../../../core/measure/anaesthetic'
import { bulkIncrements, postSpace } from '../../../core/measure/restoring'
import type { ReadingKind } from '../../../core/readings'
import type { Judged } from '../../../core/readings/reading'
import { ferruleMm } from '../../../core/readings/root'
import type { Tooth } from '../../../core/teeth/notation'

interface Row {
  label: string
  /** Of the limit; 1 is all of it. */
  share: number
}

/** Bars against one limit: a solid line at all of it, and whether more or less of it is wanted is said in words. */
function Bars({
  rows,
  limit,
  under,
}: {
  rows: readonly Row[]
  limit: string
  /** Staying under it is what is wanted. */ under: boolean
}) {
  const [full, height] = [200, 34]
  const most = Math.max(1.25, ...rows.map((r) => r.share))
  const x = (share: number): number => (Math.min(share, most) / most) * full
  return (
    <svg
      width={390}
      height={rows.length * height + 28}
      viewBox={`-165 0 390 ${rows.length * height + 28}`}
      role="img"
      aria-label={rows.map((r) => `${r.label}: ${Math.round(r.share * 100)} % of ${limit}`).join('; ')}
    >
      {rows.map((r, i) => {
        const bad = under ? r.share > 1 : r.share < 1
        return (
          <g key={r.label} transform={`translate(0 ${i * height})`}>
            <text x={-8} y={height / 2} textAnchor="end" dominantBaseline="central" fontSize={16} className="fill-ink">
              {bad ? '◆ ' : ''}
              {r.label}
            </text>
            <rect
              y={6}
              width={x(r.share)}
              height={height - 12}
              className={bad ? 'fill-brass-wash stroke-brass' : 'fill-jade-wash stroke-jade'}
              strokeWidth={2}
            />
          </g>
        )
      })}
      <path d={`M ${x(1)} 0 V ${rows.length * height + 4}`} className="stroke-ink" strokeWidth={3} />
      <text
        x={x(1)}
        y={rows.length * height + 18}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={16}
        className="fill-ink"
      >
        {limit}
      </text>
    </svg>
  )
}

/** A root to scale: the filling that stays at its end, the room for the post, how far it was drilled. */
function Root({ canalMm, sealMm, drilledMm }: { canalMm: number; sealMm: number; drilledMm?: number | undefined }) {
  const scale = 220 / canalMm
  const { leastMm, mostMm } = postSpace(canalMm, sealMm)
  const y = (mm: number): number => mm * scale
  return (
    <svg
      width={320}
      height={250}
      viewBox="-90 -14 320 250"
      role="img"
      aria-label={`Canal ${canalMm} mm, post between ${leastMm} and ${mostMm} mm, ${sealMm} mm of root filling`}
    >
      <path
        d={`M -46 0 C -44 90 -30 180 0 ${y(canalMm)} C 30 180 44 90 46 0 Z`}
        className="fill-sunk stroke-ink"
        strokeWidth={2}
      />
      <rect
        x={-9}
        y={y(canalMm - sealMm)}
        width={18}
        height={y(sealMm)}
        className="fill-brass-wash stroke-brass"
        strokeWidth={2}
      />
      <rect
        x={-9}
        y={0}
        width={18}
        height={y(drilledMm ?? mostMm)}
        className="fill-jade-wash stroke-jade"
        strokeWidth={2}
      />
      {[
        { mm: leastMm, word: 'least' },
        { mm: mostMm, word: 'most' },
      ].map(({ mm, word }) => (
        <g key={word}>
          <path d={`M -60 ${y(mm)} H 60`} className="stroke-ink" strokeWidth={1.5} strokeDasharray="5 4" />
          <text x={68} y={y(mm) + (word === 'least' ? -6 : 10)} fontSize={16} className="fill-ink">
            {word} {mm} mm
          </text>
        </g>
      ))}
      <text x={68} y={y(canalMm) - 6} fontSize={16} className="fill-ink">
        filling {sealMm} mm
      </text>
    </svg>
  )
}

/** A cavity to scale with its layers, deepest first. */
function Layers({ depthMm }: { depthMm: number }) {
  const { bulkMm, coverMm } = bulkIncrements(depthMm)
  const scale = 160 / depthMm
  let floor = depthMm
  const layers = [
    ...bulkMm.map((mm, i) => ({ mm, cover: false, says: `${i + 1}: ${mm} mm bulk` })),
    { mm: coverMm, cover: true, says: `cover ${Math.round(coverMm * 10) / 10} mm` },
  ]
  return (
    <svg
      width={320}
      height={190}
      viewBox="-110 -12 320 190"
      role="img"
      aria-label={layers.map((l) => l.says).join(', ')}
    >
      {layers.map((l) => {
        const top = floor - l.mm
        floor = top
        return (
          <g key={l.says}>
            <rect
              x={-90}
              y={top * scale}
              width={150}
              height={l.mm * scale}
              className={l.cover ? 'fill-sheet stroke-ink' : 'fill-jade-wash stroke-jade'}
              strokeWidth={2}
            />
            <text x={70} y={(top + l.mm / 2) * scale} dominantBaseline="central" fontSize={16} className="fill-ink">
              {l.says}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

/** The neck of the tooth and the cord round it, to scale. */
function Neck({ tooth, says }: { tooth: Tooth; says: string }) {
  const size = dimensions(tooth)
  const scale = 9
  const [rx, ry] = [(size.cervicalMesiodistalMm / 2) * scale, (size.cervicalLabiolingualMm / 2) * scale]
  return (
    <svg
      width={260}
      height={150}
      viewBox="-90 -75 260 150"
      role="img"
      aria-label={`Neck ${size.cervicalMesiodistalMm} by ${size.cervicalLabiolingualMm} mm; ${says}`}
    >
      <ellipse rx={rx} ry={ry} className="fill-sunk stroke-ink" strokeWidth={2} />
      <ellipse rx={rx + 5} ry={ry + 5} className="fill-none stroke-jade" strokeWidth={5} />
      <path d={`M ${rx + 5} 0 l 26 -16`} className="stroke-jade" strokeWidth={5} />
      <text x={rx + 36} y={16} fontSize={18} fontWeight={700} className="fill-ink">
        {says}
      </text>
    </svg>
  )
}

/** The front of a tooth in thirds. */
function Thirds({
  neck,
  middle,
  edge,
}: {
  neck?: string | undefined
  middle?: string | undefined
  edge?: string | undefined
}) {
  return (
    <svg
      width={170}
      height={190}
      viewBox="-85 -95 170 190"
      role="img"
      aria-label={`Neck ${neck ?? 'not read'}, middle ${middle ?? 'not read'}, edge ${edge ?? 'not read'}`}
    >
      <path
        d="M -40 -84 Q 0 -96 40 -84 C 52 -30 62 20 64 74 Q 60 88 44 88 H -44 Q -60 88 -64 74 C -62 20 -52 -30 -40 -84 Z"
        className="fill-sheet stroke-ink"
        strokeWidth={2}
      />
      <path d="M -50 -30 H 50 M -59 28 H 59" className="stroke-line" strokeWidth={2} strokeDasharray="6 4" />
      {[
        { y: -58, word: neck },
        { y: 0, word: middle },
        { y: 58, word: edge },
      ].map(({ y, word }) => (
        <text
          key={y}
          y={y}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize={20}
          fontWeight={700}
          className="fill-ink"
        >
          {word ?? '–'}
        </text>
      ))}
    </svg>
  )
}

const textOf = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined)

/** The picture of a kind of reading; nothing where it has none, or where too little has been read to draw. */
export function Picture({
  kind,
  readings,
  judged,
  tooth,
}: {
  kind: ReadingKind
  readings: Record<string, unknown>
  judged: Judged | { wrong: string }
  tooth: Tooth
}) {
  // What is drawn has been judged: the reading's own schema has said what each field is.
  const n = (key: string): number => Number(readings[key])
  if (kind === 'shade')
    return (
      <Thirds neck={textOf(readings['neck'])} middle={textOf(readings['middle'])} edge={textOf(readings['edge'])} />
    )
  if ('wrong' in judged) return null
  const figure = (name: string) => judged.figures.find((f) => f.name === name)?.value
  switch (kind) {
    case 'anaesthetic': {
      const rows = (['adults', 'children'] as const).flatMap((t): Row[] => {
        const share = figure(`share of ${tableWords[t]}`)
        return share === undefined ? [] : [{ label: tableWords[t], share }]
      })
      return rows.length > 0 ? <Bars rows={rows} limit="the ceiling" under /> : null
    }
    case 'tint':
      return <Bars rows={[{ label: 'tint', share: n('tintG') / sure(figure('tint at most')) }]} limit="at most" under />
    case 'light':
      return readings['seconds'] === undefined ? null : (
        <Bars
          rows={[{ label: 'light given', share: n('seconds') / firstOf(judged.figures).value }]}
          limit="the dose"
          under={false}
        />
      )
    case 'ferrule':
      return (
        <Bars
          rows={['mesiofacial', 'facial', 'distofacial', 'mesiolingual', 'lingual', 'distolingual'].flatMap(
            (label): Row[] => (readings[label] === undefined ? [] : [{ label, share: n(label) / ferruleMm.least }]),
          )}
          limit={`${ferruleMm.least} mm`}
          under={false}
        />
      )
    case 'alginate':
      return (
        <Bars rows={[{ label: 'water', share: n('waterMl') / sure(figure('water')) }]} limit="to the scoops" under />
      )
    case 'post space':
      return (
        <Root
          canalMm={n('canalMm')}
          sealMm={n('sealMm')}
          drilledMm={readings['drilledMm'] === undefined ? undefined : n('drilledMm')}
        />
      )
    case 'depth':
      return <Layers depthMm={n('depthMm')} />
    case 'cord':
      return <Neck tooth={tooth} says={judged.figures[0] ? `${judged.figures[0].value} mm` : ''} />
    default:
      return null
  }
}
