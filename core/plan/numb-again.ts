/**
 * Numbness has an end. Where the order of the day reaches a tooth after what its injection is expected to last, or a side a
 * good while after the needle, it is tested again before anything hurts there, with more at hand: as steps of the plan, in
 * whatever order they stand. The minutes are rows of the register, from memory of handbooks of local anaesthesia [M]; people
 * differ, so the test decides and not the clock.
 */
import type { Agent } from '../measure/anaesthetic'
import { numbRule } from '../measure/numb-lasts'
import { sideOf, testWords, type Injection, type Site } from '../measure/numbing'
import { drafted } from '../library/fields'
import { open, standby, type Drafted, type Wired } from '../library/build'
import type { Case } from '../library/case'
import { reason } from '../figure'
import { firstOf } from '../sure'
import { jawOf, type Tooth } from '../teeth/notation'

type Line = Wired['steps'][number]

/** When each step would begin and be done, seconds, one pair of hands in the mouth: near enough for minutes of numbness. */
function course(lines: readonly Line[]): Map<string, { startS: number; endS: number }> {
  const at = new Map<string, { startS: number; endS: number }>()
  let mouthS = 0
  for (const { draft, after } of lines) {
    const ends = after.map((id) => at.get(id)?.endS ?? 0)
    const tied = (draft.ties ?? []).map((t) => {
      const from = at.get(t.from)
      return from && t.toEdge !== 'finish' ? (t.fromEdge === 'start' ? from.startS : from.endS) + (t.atLeastS ?? 0) : 0
    })
    const startS = Math.max(0, ...ends, ...tied, draft.place === 'mouth' ? mouthS : 0)
    const own = (draft.ties ?? []).filter((t) => t.from === 'self' && t.toEdge === 'finish').map((t) => t.atLeastS ?? 0)
    const endS = startS + Math.max(draft.minutes[1] * 60, ...own)
    if (draft.place === 'mouth') mouthS = endS
    at.set(draft.id, { startS, endS })
  }
  return at
}

/** So long before its end it is tested rather than in the middle of the work. Our estimate. */
const aheadS = 600

/** Jaw and side, where work goes over from one to another. */
const quarter = (t: Tooth): string => `${jawOf(t)} ${sideOf(t)}`

function testAgain(
  c: Case,
  before: Drafted,
  sites: readonly Site[],
  injections: readonly Injection[],
  n: number,
  agents: readonly Agent[],
): Drafted {
  const id = n === 1 ? 'anaesthesia.test-again' : `anaesthesia.test-again.${n}`
  const where = testWords(sites, injections, c.say)
  return drafted({
    id,
    phase: before.phase,
    title: 'Test again: still numb where it will hurt',
    told: `tested numbness again: ${where}`,
    detail: `By {explorer}: ${where}. Not good: more is given first.`,
    fn: 'numb test',
    place: 'mouth',
    minutes: [0.3, 0.5, 2],
    passes: ['explorer'],
    needs: [
      open('explorer'),
      ...agents.map((a) =>
        standby(`cartridge.${a}`, 'the test is not good and more is given', 1, { piece: 'reserve' }),
      ),
    ],
    reason: reason('numbness has an end: by the clock it may be over here', 'M'),
    hold: {
      name: 'numb',
      key: `again-${n}`,
      title: 'Still numb, tested again',
      evidence: `the dentist’s own test: ${where}`,
      because: reason('no cutting, clamp or cord where it has worn off', 'C'),
      again: ['anaesthesia.inject', 'anaesthesia.rinse', id],
    },
  })
}

/** Puts a test before each step that would hurt where the numbness may have ended. */
export function keptNumb(lines: readonly Line[], c: Case): Line[] {
  const given = lines.find((l) => l.draft.numbed)?.draft
  const tested = lines.findIndex((l) => l.draft.act === 'numb')
  if (!given?.numbed || tested < 0) return [...lines]
  const { doses } = given.numbed
  const injections = doses.flatMap((d) => d.injections)
  const by = (site: Site) => {
    const covers = (i: Injection): boolean => i.covers.some((s) => s.tooth === site.tooth && s.tissue === site.tissue)
    const dose = doses.find((d) => d.injections.some(covers)) ?? firstOf(doses)
    return { agent: dose.agent, technique: dose.injections.find(covers)?.technique ?? 'infiltration' }
  }
  const at = course(lines)
  const neededS = at.get(given.id)?.endS ?? 0
  // How long what an injection covers is expected to last from the needle on; renewed by a test that was good.
  const until = new Map<Tooth, number>()
  const reached = new Set<string>()
  const lasts = (site: Site): number => {
    const known = until.get(site.tooth)
    if (known !== undefined) return known
    const { agent, technique } = by(site)
    return neededS + c.rule(numbRule(agent, technique)).value
  }
  const againS = c.rule('numb.again').value
  const sideS = c.rule('numb.side').value
  const steps: Line[] = []
  let n = 0
  for (const [i, line] of lines.entries()) {
    const hurts = line.draft.hurts ?? []
    const startS = at.get(line.draft.id)?.startS ?? 0
    if (i > tested && hurts.length > 0) {
      const late = (q: string, atS: number): boolean => !reached.has(q) && atS - neededS > sideS
      const doubtful = (l: Line): Site[] => {
        const { startS: atS = 0, endS = 0 } = at.get(l.draft.id) ?? {}
        return (l.draft.hurts ?? []).filter((s) => endS + aheadS > lasts(s) || late(quarter(s.tooth), atS + aheadS))
      }
      // What is tested is all that will be in doubt before long: one stop for it, not one for each tooth.
      const soon = lines.slice(i).filter((l) => (at.get(l.draft.id)?.startS ?? 0) <= startS + againS)
      const asked = doubtful(line).length > 0 ? soon.flatMap(doubtful) : []
      for (const s of hurts) reached.add(quarter(s.tooth))
      if (asked.length > 0) {
        n += 1
        const test = testAgain(c, line.draft, asked, injections, n, [...new Set(asked.map((s) => by(s).agent))])
        steps.push({ draft: test, after: line.after, ...(line.meanwhile ? { meanwhile: line.meanwhile } : {}) })
        steps.push({ ...line, after: [test.id] })
        for (const s of asked) {
          until.set(s.tooth, startS + againS)
          reached.add(quarter(s.tooth))
        }
        continue
      }
    }
    steps.push(line)
  }
  return steps
}
