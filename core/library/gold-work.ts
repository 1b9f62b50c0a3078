import type { Case, Unit } from './case'

/** Whether the gold of a tooth meets an opponent: an inlay does, foil on a side or at the neck does not. */
export const goldBitten = (c: Case, u: Unit): boolean =>
  goldWork(c).inlays.includes(u) || /[MODI]/.test(u.says('surfaces') ?? 'O')

/** What is said of each tooth; where nothing is, one surface takes foil and two or more an inlay, and the first of all foil. */
export function goldWork(c: Case): { foil: Unit[]; inlays: Unit[] } {
  const foil = c.units.filter((u, i) =>
    u.says('made') === undefined
      ? (u.says('surfaces') ?? (i === 0 ? 'O' : 'MO')).length === 1
      : u.says('made') === 'foil',
  )
  return { foil, inlays: c.units.filter((u) => !foil.includes(u)) }
}
