/**
 * Wherever the first bur, wheel or cup of a visit runs, whatever its phase: shields for the team, suction and the caution for
 * eyes belong to that step; the bur block lies out from the first bur on. At the bench, where dust and pieces fly, those
 * who stand there wear them, too. Standing C.
 */
import { open, type Drafted, type Wired } from '../library/build'
import { saidOf } from '../library/said'

type Line = Wired['steps'][number]

const rotates = /handpiece|prophy cup|polisher|(finishing|trimming) disc|rubber (cup|point)|wheel|laboratory cutter/
/** Something turns: a bur, a wheel, a disc, a cup. */
export const turns = ({ cut, needs = [] }: Pick<Drafted, 'cut' | 'needs'>): boolean =>
  cut !== undefined || needs.some((n) => n.readiness === 'open' && rotates.test(n.what))

const caution = {
  cut: '{Eye shields} and {masks} on all three; {high-volume suction} at the bur; water on',
  mouth: '{Eye shields} and {masks} on all three; {high-volume suction} close by',
  bench: '{Face shields} and {masks} on whoever is at the bench: dust flies, and a piece may jump',
} as const

function withShields(draft: Drafted, where: keyof typeof caution): Drafted {
  const { needs = [], cautions = [] } = draft
  return {
    ...draft,
    // Those put on at the beginning, whatever a practice has taken off there.
    needs: [...needs, open('face shield', 2), open('mask', 2, { piece: 'masks' })],
    cautions: [...cautions, { text: saidOf(caution[where]), standing: 'C' }],
  }
}

/** Puts what guards eyes and lungs to the first step that wants it: in the mouth, at the bench. */
export function shielded(lines: readonly Line[]): Line[] {
  const seen = new Set<string>()
  const first = (what: string): boolean => {
    const isNew = !seen.has(what)
    seen.add(what)
    return isNew
  }
  return lines.map((line) => {
    let { draft } = line
    if (!turns(draft)) return line
    const where = draft.place === 'bench' ? 'bench' : 'mouth'
    if (first(where)) draft = withShields(draft, where === 'mouth' && draft.cut ? 'cut' : where)
    if (draft.cut && first('bur block')) draft = { ...draft, needs: [...(draft.needs ?? []), open('bur block')] }
    return draft === line.draft ? line : { ...line, draft }
  })
}
