/** Sentences come again; those of a case and of a practice are without end, so that the store is emptied before it is large. */
const most = 20_000

/** The same answer for the same text, made once. */
export function stored<T>(of: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>()
  return (text) => {
    const before = known.get(text)
    if (before !== undefined) return before
    const made = of(text)
    if (known.size >= most) known.clear()
    known.set(text, made)
    return made
  }
}
