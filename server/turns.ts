/** Work that waits for its turn: of one name one after the other, whatever became of the one before. */
export class Turns {
  private readonly last = new Map<string, Promise<unknown>>()

  /** @returns what the task answers, once those before it under this name have ended */
  take<T>(name: string, task: () => Promise<T>): Promise<T> {
    const turn = (this.last.get(name) ?? Promise.resolve()).then(task, task)
    const settled = turn
      .catch(() => undefined)
      .then(() => {
        if (this.last.get(name) === settled) this.last.delete(name)
      })
    this.last.set(name, settled)
    return turn
  }
}
