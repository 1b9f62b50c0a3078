/** Who can be at a visit: one dentist, and assistants who are others and of the chairside. */
import type { Person } from './practice'

export interface TeamMisfit {
  path: (string | number)[]
  message: string
}

const chairside = ['assistant', 'expanded assistant', 'dentist'] as const

/**
 * What does not fit in a team: somebody twice, the dentist as the own assistant, the front desk at the chair.
 * @example teamMisfits({ dentist: 'dentist', assistants: ['assistant'] }, practice.people) // []
 */
export function teamMisfits(
  team: { dentist: string; assistants: readonly string[] },
  people: readonly Person[],
): TeamMisfit[] {
  return team.assistants.flatMap((id, i): TeamMisfit[] => {
    const person = people.find((p) => p.id === id)
    const name = person?.name ?? id
    const say = (message: string): TeamMisfit[] => [{ path: ['team', 'assistants', i], message }]
    if (id === team.dentist) return say(`${name} treats, and cannot assist at the same visit`)
    if (team.assistants.indexOf(id) !== i) return say(`${name} stands twice`)
    if (person && !chairside.some((r) => person.roles.includes(r))) return say(`${name} is not of the chairside team`)
    return []
  })
}
