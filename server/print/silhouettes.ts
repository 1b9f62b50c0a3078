/** Things beside their names on paper: the same outlines as on the tray, lying on their side. */
import type { Content } from 'pdfmake/interfaces'
import { shapeOf } from '../../core/catalog/shapes'
import type { SetupLine } from '../../core/model/plan'
import { endMm, thing, type Tone } from '../../core/picture/things'

/** Greys that a copier keeps apart. */
const greys: Readonly<Record<Tone, string>> = {
  steel: '#d9d9d9',
  pale: '#ffffff',
  soft: '#ededed',
  dark: '#8c8c8c',
  glass: '#f6f6f6',
  line: 'none',
}
/** The room a silhouette has, points. */
export const silhouettePt = { wide: 27, high: 10 } as const

/** An instrument is told by its working end, so only that is drawn; anything else whole. */
export function silhouetteOf(line: Pick<SetupLine, 'shape' | 'needs' | 'family' | 'lengthMm' | 'widthMm'>): Content {
  const shape = shapeOf({ shape: line.shape, needs: line.needs, family: line.family })
  const long = endMm(shape) || line.lengthMm
  const wide = line.widthMm
  const lying = long > wide
  const scale = lying
    ? Math.min(silhouettePt.wide / long, silhouettePt.high / wide)
    : Math.min(silhouettePt.wide / wide, silhouettePt.high / long)
  const [w, h] = lying ? [long, wide] : [wide, long]
  const strokeMm = 0.4 / scale
  const paths = thing(shape, line.lengthMm, wide)
    .map((p) => `<path d="${p.d}" fill="${greys[p.tone]}"/>`)
    .join('')
  // On its side, the working end to the right; what lies beyond it is cut off. In the middle of its line.
  const turned = lying ? `translate(${long} 0) rotate(90)` : ''
  const { wide: across, high } = silhouettePt
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${across} ${high}" width="${across}" height="${high}"><g transform="translate(0 ${(high - h * scale) / 2}) scale(${scale})"><clipPath id="c"><rect x="0" y="0" width="${w}" height="${h}"/></clipPath><g clip-path="url(#c)"><g transform="${turned}" stroke="#000" stroke-width="${strokeMm}" stroke-linejoin="round">${paths}</g></g></g></svg>`,
    width: across,
  }
}
