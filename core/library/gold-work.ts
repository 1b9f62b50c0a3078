import type { Case, Unit } from './case'

/** What is said of each tooth; where nothing is, one surface takes foil and two or more an inlay, and the first of all foil. */
export function goldWork(c: Case): { foil: Unit[]; inlays: Unit[] } {
  const foil = c.units.filter((u, i) =>
    u.says('made') === undefined
      ? (u.says('surfaces') ?? (i === 0 ? 'O' : 'MO')).length === 1
      : u.says('made') === 'foil',
  )
  return { foil, inlays: c.units.filter((u) => !foil.includes(u)) }
}
