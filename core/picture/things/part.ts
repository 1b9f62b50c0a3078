/**
 * What a thing is drawn from: closed or open outlines in millimetres, the working end at the top. Only absolute M, L, C, Q
 * and Z are used, so that an outline can be turned over or enlarged point by point.
 */

/** How an outline is filled: polished steel, what is pale, what is soft, what is dark, what one sees through, or not at all. */
export type Tone = 'steel' | 'pale' | 'soft' | 'dark' | 'glass' | 'line'
export interface Part {
  d: string
  tone: Tone
}
/** Draws a thing of this length and width, mm: from (0, 0) to (width, length). */
export type Draw = (lengthMm: number, widthMm: number) => Part[]

const figure = (n: number): string => String(Math.round(n * 100) / 100)

/** An outline written with figures in it, rounded to a hundredth of a millimetre. */
export const path = (strings: TemplateStringsArray, ...figures: number[]): string =>
  strings.reduce((text, s, i) => text + s + (i < figures.length ? figure(figures[i] ?? 0) : ''), '')

export const part = (tone: Tone, d: string): Part => ({ tone, d })

/** Every point of the parts moved. */
export const moved = (parts: readonly Part[], to: (x: number, y: number) => readonly [number, number]): Part[] =>
  parts.map(({ tone, d }) => ({
    tone,
    d: d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => {
      const [a, b] = to(Number(x), Number(y))
      return `${figure(a)} ${figure(b)}`
    }),
  }))

/** A rectangle with its corners rounded by r. */
export function rect(tone: Tone, x: number, y: number, w: number, h: number, r = 0): Part {
  const k = Math.min(r, w / 2, h / 2)
  const [right, low] = [x + w, y + h]
  return part(
    tone,
    k === 0
      ? path`M ${x} ${y} L ${right} ${y} L ${right} ${low} L ${x} ${low} Z`
      : path`M ${x + k} ${y} L ${right - k} ${y} Q ${right} ${y} ${right} ${y + k} L ${right} ${low - k} Q ${right} ${low} ${right - k} ${low} L ${x + k} ${low} Q ${x} ${low} ${x} ${low - k} L ${x} ${y + k} Q ${x} ${y} ${x + k} ${y} Z`,
  )
}

/** An ellipse by four curves. */
export function oval(tone: Tone, cx: number, cy: number, rx: number, ry = rx): Part {
  const [a, b] = [rx * 0.5523, ry * 0.5523]
  return part(
    tone,
    path`M ${cx} ${cy - ry} C ${cx + a} ${cy - ry} ${cx + rx} ${cy - b} ${cx + rx} ${cy} C ${cx + rx} ${cy + b} ${cx + a} ${cy + ry} ${cx} ${cy + ry} C ${cx - a} ${cy + ry} ${cx - rx} ${cy + b} ${cx - rx} ${cy} C ${cx - rx} ${cy - b} ${cx - a} ${cy - ry} ${cx} ${cy - ry} Z`,
  )
}

/** A line through points, closed where it has a filling. */
export const poly = (tone: Tone, ...points: (readonly [number, number])[]): Part =>
  part(
    tone,
    points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${figure(x)} ${figure(y)}`).join(' ') +
      (tone === 'line' ? '' : ' Z'),
  )

/** A body whose edge stands so far from the middle line at each height, mirrored. */
export function turned(tone: Tone, cx: number, ...profile: (readonly [y: number, half: number])[]): Part {
  const right = profile.map(([y, half]) => [cx + half, y] as const)
  const left = profile.toReversed().map(([y, half]) => [cx - half, y] as const)
  return poly(tone, ...right, ...left)
}

/** Rings across a handle. */
export const rings = (cx: number, half: number, from: number, to: number, every: number): Part[] =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / every)) }, (_, i) =>
    poly('line', [cx - half, from + i * every], [cx + half, from + i * every]),
  )

/** Lines of writing. */
export const ruled = (n: number, l: number, w: number): Part[] =>
  Array.from({ length: n }, (_, i) =>
    poly('line', [w * 0.15, l * (0.2 + (i * 0.6) / n)], [w * 0.85, l * (0.2 + (i * 0.6) / n)]),
  )
