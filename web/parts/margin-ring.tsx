/** The margin from above in eight parts; a touch goes from clear through the faults and back. */
import { firstOf } from '../../core/sure'
import { innerSide, isAnterior } from '../../core/teeth/arch'
import type { Tooth } from '../../core/teeth/notation'
import { capital } from '../../core/words'
import { allClear, marginParts, partCount, type MarginPart } from '../../core/measure/inspection'

// Mesial at the left, buccal at the top, as one looks down on a lower left tooth; the words say which is which.
const angle: Record<MarginPart, number> = {
  mesial: 180,
  mesiobuccal: 225,
  buccal: 270,
  distobuccal: 315,
  distal: 0,
  distolingual: 45,
  lingual: 90,
  mesiolingual: 135,
}
const sides = (parts: readonly MarginPart[]) =>
  (['mesial', 'buccal', 'distal', 'lingual'] as const).filter((p) => parts.includes(p))
const sideWords = (p: MarginPart, tooth: Tooth | undefined): string =>
  !tooth ? p : p === 'lingual' ? innerSide(tooth) : p === 'buccal' && isAnterior(tooth) ? 'labial' : p
const [outer, inner] = [150, 88]
const at = (deg: number, r: number): string =>
  `${r * Math.cos((deg * Math.PI) / 180)} ${r * Math.sin((deg * Math.PI) / 180)}`

export function MarginRing({
  faults,
  parts = marginParts,
  tooth,
  shapes,
  onTurn,
  size = 320,
}: {
  faults: Partial<Record<MarginPart, string>>
  /** Whose margin it is: its sides are called as the trade calls them there. */ tooth?: Tooth | undefined
  /** Those that exist. */ parts?: readonly MarginPart[] | undefined
  shapes: Record<string, string>
  /** Left out where it is only shown. */ onTurn?: (part: MarginPart) => void
  size?: number
}) {
  // No letter smaller than 16 px: a small ring has the first letters only.
  const small = size < 250
  return (
    <svg
      width={size}
      height={size}
      viewBox="-160 -160 320 320"
      role={onTurn ? 'group' : 'img'}
      aria-label={
        onTurn
          ? `${capital(partCount(parts))} parts of the margin`
          : `The margin: ${
              parts
                .filter((p) => faults[p])
                .map((p) => `${p} ${faults[p]}`)
                .join(', ') || allClear(parts)
            }`
      }
    >
      {parts.map((part) => {
        const a = angle[part]
        const fault = faults[part]
        const touch = onTurn
          ? {
              role: 'button',
              tabIndex: 0,
              'aria-label': `${part}: ${fault ?? 'clear'}`,
              onClick: () => onTurn(part),
              onKeyDown: (e: React.KeyboardEvent) => {
                if (e.key === 'Enter' || e.key === ' ') {
                  e.preventDefault()
                  e.stopPropagation()
                  onTurn(part)
                }
              },
            }
          : {}
        return (
          <g
            key={part}
            {...touch}
            data-part={part}
            data-fault={fault ?? ''}
            className={`outline-none focus-visible:[&_path]:stroke-ink ${onTurn ? 'cursor-pointer' : ''}`}
          >
            <path
              d={`M ${at(a - 22, outer)} A ${outer} ${outer} 0 0 1 ${at(a + 22, outer)} L ${at(a + 22, inner)} A ${inner} ${inner} 0 0 0 ${at(a - 22, inner)} Z`}
              className={fault ? 'fill-brass-wash stroke-brass' : 'fill-jade-wash stroke-jade'}
              strokeWidth={3}
            />
            <text
              x={118 * Math.cos((a * Math.PI) / 180)}
              y={118 * Math.sin((a * Math.PI) / 180)}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={small ? 30 : 22}
              className={fault ? 'fill-brass' : 'fill-ink'}
            >
              {fault ? (shapes[fault] ?? '◆') : '✓'}
            </text>
          </g>
        )
      })}
      {sides(parts).map((p) => (
        <text
          key={p}
          x={56 * Math.cos((angle[p] * Math.PI) / 180)}
          y={68 * Math.sin((angle[p] * Math.PI) / 180)}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize={small ? 28 : 17.6}
          className="fill-soft"
          aria-hidden="true"
        >
          {small ? firstOf(p).toUpperCase() : sideWords(p, tooth)}
        </text>
      ))}
    </svg>
  )
}

/** The next of several faults after this one; clear after the last. */
export function turned<F extends string>(faults: readonly F[], now: F | undefined): F | undefined {
  return faults[now === undefined ? 0 : faults.indexOf(now) + 1]
}
export const without = <T extends object>(record: T, key: keyof T): T => {
  const next = { ...record }
  delete next[key]
  return next
}
