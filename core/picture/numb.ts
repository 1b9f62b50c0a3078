/** Where the gum beside a tooth is drawn on the arch: a bar outside and one inside of its crown. */
import type { ArchPlace } from '../teeth/arch'

/** Between the crown and the bar, in the units of the drawing. */
const gap = 6

/**
 * @param scale units of the drawing to a millimetre
 * @returns half the length of a bar, and how far out and in it lies, in the tooth's own frame: the cheek side of an upper
 * tooth is drawn above it, of a lower one below.
 */
export function gumBars(
  place: Pick<ArchPlace, 'widthMm' | 'depthMm'>,
  jaw: 'upper' | 'lower',
  scale: number,
): { halfWidth: number; outer: number; inner: number } {
  const out = (place.depthMm * scale) / 2 + gap
  return {
    halfWidth: (place.widthMm * scale) / 2 - 2,
    outer: jaw === 'upper' ? -out : out,
    inner: jaw === 'upper' ? out : -out,
  }
}
