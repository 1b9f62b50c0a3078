/**
 * A small generator with a seed: the same seed gives the same draws everywhere (mulberry32, public domain).
 * @example random(7)() === random(7)() // true
 */
export function random(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = a
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

/**
 * Inverse of the triangular distribution: what a draw `u` from 0 to 1 comes to, in the unit given.
 * @example triangular(10, 20, 40, 1) // 40
 */
export function triangular(short: number, likely: number, long: number, u: number): number {
  if (long <= short) return likely
  const cut = (likely - short) / (long - short)
  return u < cut
    ? short + Math.sqrt(u * (long - short) * (likely - short))
    : long - Math.sqrt((1 - u) * (long - short) * (long - likely))
}
