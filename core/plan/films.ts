/**
 * Films on the teeth: separator, unset provisional resin, what is left of a cement. None of them may lie under a wash, a
 * scan or a bond: where one would, in whatever order the steps stand, the teeth are cleaned before. Standing C.
 *
 * A film is of the mouth and not of a tooth: separator is spread on neighbours and gum, resin and cement are rinsed past them.
 * Of two pieces of work in one mouth the second is so cleaned once too often rather than never.
 */
import { drafted } from '../library/fields'
import { filmWords, open, practice, type Drafted, type Film, type Wired } from '../library/build'

type Line = Wired['steps'][number]

const without = (films: ReadonlySet<Film>, one: Film): Set<Film> => new Set([...films].filter((f) => f !== one))

/** What the teeth carry after a step, given what they carried before it. */
const after = (carried: ReadonlySet<Film>, d: Drafted): ReadonlySet<Film> => {
  // A bur takes the sticky layer with it.
  const cut = d.cut && d.tooth && carried.has('sticky')
  const left = d.cleans ? new Set<Film>() : cut ? without(carried, 'sticky') : carried
  return d.leaves ? new Set([...left, d.leaves]) : left
}

/** The step that takes them off: cement with pumice, the rest with alcohol; rinsed, and not touched again. */
function cleaning(films: ReadonlySet<Film>, before: Drafted, id: string, corded: boolean): Drafted {
  const pumice = films.has('cement')
  const what = [...films].map((f) => filmWords[f]).join(' and ')
  return drafted({
    id,
    phase: before.phase,
    title: `Clean the teeth of ${what}: ${pumice ? '{pumice} and water' : '{gauze} with {alcohol}'}, rinse`,
    told: `cleaned the teeth of ${what}`,
    fn: 'chairside',
    place: 'mouth',
    helped: true,
    minutes: [0.5, 0.8, 1.5],
    passes: [pumice ? '{cup} with {pumice}' : '{gauze} with {alcohol}', 'water and {suction}'],
    needs: pumice ? [open('pumice'), open('prophy cup'), open('slow handpiece')] : [open('alcohol'), open('gauze', 2)],
    cleans: true,
    reason: practice(
      before.wantsClean
        ? `what lies under ${before.wantsClean} is a fault at the margin`
        : `${before.wantsSet} does not set on it`,
    ),
    ...(corded ? { mistakes: ['rubbed over the {cords}: they lift'] } : {}),
  })
}

const none: ReadonlySet<Film> = new Set()

/** Puts a cleaning before each step that wants the teeth clean and would find a film on them. */
export function keptClean(lines: readonly Line[]): Line[] {
  let carried: ReadonlySet<Film> = new Set()
  let n = 0
  let cords = 0
  const steps: Line[] = []
  for (const line of lines) {
    const { draft } = line
    const off = draft.wantsClean ? carried : draft.wantsSet && carried.has('sticky') ? new Set<Film>(['sticky']) : none
    if (off.size > 0) {
      n += 1
      const clean = cleaning(off, draft, n === 1 ? 'clean.films' : `clean.films.${n}`, cords > 0)
      steps.push({ draft: clean, after: line.after }, { ...line, after: [clean.id] })
      for (const f of off) carried = without(carried, f)
    } else steps.push(line)
    carried = after(carried, draft)
    if (draft.act === 'cord in') cords += 1
    if (draft.act === 'cord drawn' || draft.act === 'base cord out') cords -= 1
  }
  return steps
}
