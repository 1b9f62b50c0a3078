/** A sheet with its holes, to scale; the numbers of the teeth beside them. */
import type { DamTemplate } from '../../core/measure/dam-template'
import { write, type Notation } from '../../core/teeth/notation'

export function DamDrawing({ template, notation, width = 320 }: { template: DamTemplate; notation: Notation; width?: number }) {
  const { sheetMm, holes, jaw } = template
  return (
    <figure>
      <svg width={width} height={width} viewBox={`-2 -2 ${sheetMm + 4} ${sheetMm + 4}`} role="img" aria-label={`Sheet of ${sheetMm} mm with ${holes.length} holes: ${holes.map((h) => `${h.tooth} ${h.diameterMm} mm`).join(', ')}`}>
        <rect width={sheetMm} height={sheetMm} rx={2} className="fill-jade-wash stroke-ink" strokeWidth={0.8} />
        <path d={`M ${sheetMm / 2} 0 V ${sheetMm}`} className="stroke-line" strokeWidth={0.5} strokeDasharray="3 3" />
        {holes.map((h) => (
          <g key={h.tooth} data-hole={h.tooth}>
            <circle cx={h.xMm} cy={h.yMm} r={h.diameterMm / 2} className="fill-ink" />
            {h.clamp && <circle cx={h.xMm} cy={h.yMm} r={2.6} className="fill-none stroke-ink" strokeWidth={0.5} strokeDasharray="1.2 0.8" />}
            <text x={h.xMm + (h.xMm < sheetMm / 2 - 1 ? -4 : h.xMm > sheetMm / 2 + 1 ? 4 : 0)} y={h.yMm + (jaw === 'upper' ? -3.5 : 5.5)} textAnchor="middle" fontSize={5.4} fontWeight={700} className="fill-ink">
              {write(h.tooth, notation)}
            </text>
          </g>
        ))}
        <text x={4} y={sheetMm / 2} fontSize={5.4} className="fill-soft">right</text>
        <text x={sheetMm - 4} y={sheetMm / 2} fontSize={5.4} textAnchor="end" className="fill-soft">left</text>
      </svg>
    </figure>
  )
}
