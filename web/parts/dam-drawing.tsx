/** A sheet with its holes, to scale; the numbers of the teeth beside them. */
import type { DamTemplate } from '../../core/measure/dam-template'
import { write, type Notation } from '../../core/teeth/notation'

export function DamDrawing({
  template,
  notation,
  width = 320,
  caption = true,
}: {
  template: DamTemplate
  notation: Notation
  width?: number
  caption?: boolean
}) {
  const { sheetMm, holes, jaw } = template
  // The part of the sheet the holes lie in, so that they can be told apart; the paper has the whole of it at true size.
  const [xs, ys] = [holes.map((h) => h.xMm), holes.map((h) => h.yMm)]
  const shownMm = Math.max(60, Math.max(...xs) - Math.min(...xs) + 30, Math.max(...ys) - Math.min(...ys) + 30)
  const [left, top] = [
    (Math.min(...xs) + Math.max(...xs) - shownMm) / 2,
    (Math.min(...ys) + Math.max(...ys) - shownMm) / 2,
  ]
  const words = (18 * shownMm) / width
  /** The number beside its hole, away from the middle of the arch; front teeth stand close, so every other one further off. */
  const beside = (xMm: number, yMm: number, i: number): [number, number] => {
    const fromMiddle = (xMm - sheetMm / 2) / 24
    const out = Math.min(1, Math.abs(fromMiddle))
    const reach = words * (1.2 + (out < 0.75 && i % 2 === 1 ? 0.8 : 0))
    return [
      xMm + Math.sign(fromMiddle) * out * reach * 1.15,
      yMm + (jaw === 'upper' ? -1 : 1) * Math.sqrt(1 - out * out) * reach,
    ]
  }
  return (
    <figure style={{ maxWidth: width }}>
      <svg
        width={width}
        height={width}
        viewBox={`${left} ${top} ${shownMm} ${shownMm}`}
        role="img"
        aria-label={`Sheet of ${sheetMm} mm with ${holes.length} holes: ${holes.map((h) => `${h.tooth} ${h.diameterMm} mm`).join(', ')}`}
      >
        <rect width={sheetMm} height={sheetMm} rx={2} className="fill-jade-wash stroke-ink" strokeWidth={0.8} />
        <path d={`M ${sheetMm / 2} 0 V ${sheetMm}`} className="stroke-line" strokeWidth={0.5} strokeDasharray="3 3" />
        {holes.map((h, i) => (
          <g key={h.tooth} data-hole={h.tooth}>
            <circle cx={h.xMm} cy={h.yMm} r={h.diameterMm / 2} className="fill-ink" />
            {h.clamp && (
              <circle
                cx={h.xMm}
                cy={h.yMm}
                r={2.6}
                className="fill-none stroke-ink"
                strokeWidth={0.5}
                strokeDasharray="1.2 0.8"
              />
            )}
            <text
              x={beside(h.xMm, h.yMm, i)[0]}
              y={beside(h.xMm, h.yMm, i)[1]}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={words}
              fontWeight={700}
              className="fill-ink"
            >
              {write(h.tooth, notation)}
            </text>
          </g>
        ))}
        <text x={left + 2} y={top + shownMm - 2} fontSize={words} className="fill-soft">
          right
        </text>
        <text x={left + shownMm - 2} y={top + shownMm - 2} fontSize={words} textAnchor="end" className="fill-soft">
          left
        </text>
      </svg>
      {caption && (
        <figcaption className="text-base text-soft">
          As it hangs before the patient; the tray’s “Holes” prints it at true size.
        </figcaption>
      )}
    </figure>
  )
}
