/** A crown seen from above, as it stands in its arch. */
import type { ArchPlace } from '../teeth/arch'

/** Its rounded outline round its own middle, as the data of a path: wider behind, rounder in front. `scale`: units for a millimetre. */
export function crownFromAbove(place: ArchPlace, scale: number): string {
  const w = (place.widthMm * scale) / 2
  const d = (place.depthMm * scale) / 2
  const r = Math.min(w, d) * 0.62
  return `M ${-w + r} ${-d} H ${w - r} Q ${w} ${-d} ${w} ${-d + r} V ${d - r} Q ${w} ${d} ${w - r} ${d} H ${-w + r} Q ${-w} ${d} ${-w} ${d - r} V ${-d + r} Q ${-w} ${-d} ${-w + r} ${-d} Z`
}
