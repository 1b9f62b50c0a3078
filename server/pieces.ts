/** Long work in pieces: between two of them whoever else waits has a turn. */

/** So long a piece lasts before it lets go, milliseconds: nobody notices it, and letting go costs little of it. */
const pieceMs = 10

/**
 * @returns what a loop awaits in each round: at once while its piece lasts, else after everybody else has had a turn
 * @example const turn = inPieces(); for (const row of rows) { await turn(); add(row) }
 */
export function inPieces(): () => Promise<void> | void {
  let since = performance.now()
  return () => {
    if (performance.now() - since < pieceMs) return
    return new Promise<void>((resolve) =>
      setImmediate(() => {
        since = performance.now()
        resolve()
      }),
    )
  }
}
