/** Who has which visit open: one entry a person, however many devices. */
import type { Present } from '../../wire/people'

export class Presence {
  private readonly open = new Map<string, { person: Present }[]>()

  /** @returns what takes this device away again */
  enter(visitId: string, { id, name }: Present): () => void {
    const entry = { person: { id, name } }
    this.open.set(visitId, [...(this.open.get(visitId) ?? []), entry])
    return () => {
      const left = (this.open.get(visitId) ?? []).filter((e) => e !== entry)
      if (left.length === 0) this.open.delete(visitId)
      else this.open.set(visitId, left)
    }
  }
  of(visitId: string): Present[] {
    return [...new Map((this.open.get(visitId) ?? []).map((e) => [e.person.id, e.person])).values()].toSorted((a, b) =>
      a.name.localeCompare(b.name),
    )
  }
}
