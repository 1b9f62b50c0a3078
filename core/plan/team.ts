/** The people of a visit, and who of them may do what. */
import type { FunctionName, Permission } from '../practice/functions'
import { permissionOf } from '../practice/functions'
import type { Choices } from '../practice/choices'
import type { Practice } from '../practice/practice'
import type { VisitRequest } from '../model/request'

/** Thrown where a request names people the practice does not have; `path` says which field. */
export class RequestError extends Error {
  constructor(
    message: string,
    readonly path: (string | number)[],
  ) {
    super(message)
    this.name = 'RequestError'
  }
}

export interface Team {
  dentist: { id: string; name: string }
  assistants: { id: string; name: string; roles: Practice['people'][number]['roles']; loadS: number }[]
  /** Which table of functions is in force, and who of the team may do a function by it; looked up once for each function. */
  table: Choices['functions']
  may: (fn: FunctionName) => Record<string, Permission>
}

/** @throws RequestError where a request names somebody the practice does not have. */
export function findTeam(request: VisitRequest, practice: Practice): Omit<Team, 'table' | 'may'> {
  const find = (id: string, path: (string | number)[]) => {
    const person = practice.people.find((p) => p.id === id)
    if (!person) throw new RequestError(`"${id}" is nobody of ${practice.name}`, path)
    return person
  }
  const dentist = find(request.team.dentist, ['team', 'dentist'])
  if (!dentist.roles.includes('dentist'))
    throw new RequestError(`${dentist.name} is not a dentist`, ['team', 'dentist'])
  return {
    dentist,
    assistants: request.team.assistants.map((id, i) => ({ ...find(id, ['team', 'assistants', i]), loadS: 0 })),
  }
}

export function withTable(team: Omit<Team, 'table' | 'may'>, table: Team['table'], practice: Practice): Team {
  const known = new Map<FunctionName, Record<string, Permission>>()
  return {
    ...team,
    table,
    may: (fn) => {
      const before = known.get(fn)
      if (before) return before
      const may: Record<string, Permission> = { [team.dentist.id]: 'yes' }
      for (const a of team.assistants) may[a.id] = permissionOf(fn, a.roles, practice.functions[table])
      known.set(fn, may)
      return may
    },
  }
}

/** The hands that are there, the dentist's first. */
export const handsOf = ({ dentist, assistants }: Team) => [
  { id: dentist.id, name: dentist.name, dentist: true },
  ...assistants.map((a) => ({ id: a.id, name: a.name, dentist: false })),
]
