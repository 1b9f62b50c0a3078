/** A thing as its silhouette, at its own size in millimetres. */
import { thing, type Part } from '../../core/picture/things'
import type { ShapeName } from '../../core/catalog/shape-names'

export function Outlines({ parts, strokeMm }: { parts: readonly Part[]; strokeMm: number }) {
  return parts.map((p, i) => (
    <path
      key={i}
      d={p.d}
      className={`tone-${p.tone} stroke-ink`}
      strokeWidth={strokeMm}
      strokeLinejoin="round"
      strokeLinecap="round"
    />
  ))
}

/** The silhouette by itself, as large as its frame. */
export function ThingPicture({ shape, lengthMm, widthMm }: { shape: ShapeName; lengthMm: number; widthMm: number }) {
  return (
    <svg viewBox={`-1 -1 ${widthMm + 2} ${lengthMm + 2}`} className="h-full w-full" aria-hidden="true">
      <Outlines parts={thing(shape, lengthMm, widthMm)} strokeMm={Math.max(lengthMm, widthMm) / 120} />
    </svg>
  )
}
