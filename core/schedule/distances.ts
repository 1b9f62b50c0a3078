import { sure } from '../sure'
/**
 * Least distances in time between the starts of tasks: every tie is `start(to) ≥ start(from) + weight`, windows are
 * ties backwards with a negative weight. The matrix is kept closed under longest paths, so that what a rule implies for
 * any two tasks is read off, and a new rule that cannot hold is seen at once as a cycle longer than nothing.
 */
export const never = -1e9

export class Distances {
  /** @param cells row by row: `cells[a * n + b]` is the least `start(b) − start(a)` in seconds, {@link never} where nothing ties them. */
  private constructor(
    readonly n: number,
    private readonly cells: Float64Array,
  ) {}

  static of(n: number): Distances {
    const cells = new Float64Array(n * n).fill(never)
    for (let i = 0; i < n; i++) cells[i * n + i] = 0
    return new Distances(n, cells)
  }
  /**
   * The closed matrix of ties given all at once (Floyd and Warshall, O(n³)); null where they cannot all hold.
   * @param ties `[from, to, weight]`: `start(to) ≥ start(from) + weight`, seconds
   */
  static from(n: number, ties: readonly (readonly [number, number, number])[]): Distances | null {
    const made = Distances.of(n)
    const { cells } = made
    for (const [a, b, weight] of ties) if (weight > sure(cells[a * n + b])) cells[a * n + b] = weight
    for (let k = 0; k < n; k++) {
      for (let i = 0; i < n; i++) {
        const toK = sure(cells[i * n + k])
        if (toK <= never / 2) continue
        for (let j = 0; j < n; j++) {
          const reach = toK + sure(cells[k * n + j])
          if (reach > sure(cells[i * n + j]) && reach > never / 2) cells[i * n + j] = reach
        }
      }
    }
    for (let i = 0; i < n; i++) if (sure(cells[i * n + i]) > 0) return null
    return made
  }
  copy(): Distances {
    return new Distances(this.n, this.cells.slice())
  }
  at(a: number, b: number): number {
    return sure(this.cells[a * this.n + b])
  }
  /** Adds `start(b) ≥ start(a) + weight` and closes the matrix again, O(n²). Answers false where it cannot hold. */
  tie(a: number, b: number, weight: number): boolean {
    const { n, cells } = this
    if (weight <= sure(cells[a * n + b])) return true
    if (sure(cells[b * n + a]) + weight > 0) return false
    for (let i = 0; i < n; i++) {
      const toA = sure(cells[i * n + a])
      if (toA <= never / 2) continue
      const reach = toA + weight
      for (let j = 0; j < n; j++) {
        const fromB = sure(cells[b * n + j])
        if (fromB > never / 2 && reach + fromB > sure(cells[i * n + j])) cells[i * n + j] = reach + fromB
      }
    }
    return true
  }
}
