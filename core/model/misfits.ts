/** What a request contradicts itself in, field by field, with what would be right. */
import { kindFacts, type KindFacts, type KindId } from '../kinds'
import { archOrder } from '../teeth/arch'
import { allTeeth, isPrimary, jawOf, parts, toothInFull, type Tooth } from '../teeth/notation'
import type { Framework, Restoration } from '../vocabulary'
import { capital, listed } from '../words'

/** What the checks look at of a piece of work. */
interface Work {
  kind: KindId
  teeth: readonly Tooth[]
  pontics: readonly Tooth[]
  restoration?: Restoration | null | undefined
  framework?: Framework | null | undefined
  ofTooth: Partial<Record<Tooth, { surfaces?: string | undefined; canals?: readonly { name: string }[] | undefined }>>
}
export interface Misfit {
  path: (string | number)[]
  message: string
}
type Say = (path: Misfit['path'], message: string) => void

function teethMisfits(w: Work, k: KindFacts, missing: readonly Tooth[], say: Say): void {
  if (w.teeth.length > k.most)
    say(['teeth'], `${k.title}: ${k.most === 1 ? 'one tooth' : `at most ${k.most} teeth`} in one visit`)
  w.teeth.forEach((t, i) => {
    const primary = isPrimary(t)
    if (primary !== (k.dentition === 'primary'))
      say(
        ['teeth', i],
        `${capital(toothInFull(t))} is a ${primary ? 'primary' : 'permanent'} tooth; this kind of visit is for ${k.dentition} teeth`,
      )
    else if (k.positions && (parts(t).position < k.positions[0] || parts(t).position > k.positions[1]))
      say(['teeth', i], `${k.title} is not for ${toothInFull(t)}`)
    else if (k.jaw && jawOf(t) !== k.jaw)
      say(['teeth', i], `${k.title} is for the ${k.jaw} jaw, not for ${toothInFull(t)}`)
    if (missing.includes(t))
      say(['missing'], `${capital(toothInFull(t))} is to be prepared and is also recorded missing`)
    if (w.teeth.indexOf(t) !== i) say(['teeth', i], `${capital(toothInFull(t))} stands twice`)
  })
  if (new Set(w.teeth.map(jawOf)).size > 1)
    say(['teeth'], 'one piece of work stays in one jaw; add the other jaw as further work of the visit')
}

/** Whether a pontic hangs beside an end retainer, with nothing but other pontics between. */
function besideRetainer(at: number, arch: readonly Tooth[], w: Work): boolean {
  return [1, -1].some((step) => {
    let i = at + step
    while (arch[i] !== undefined && w.pontics.some((p) => p === arch[i])) i += step
    return w.teeth.some((t) => t === arch[i])
  })
}

/** The arch of a work and where its retainers stand in it. */
function spanOf(w: Pick<Work, 'teeth'>): { arch: Tooth[]; from: number; to: number } | null {
  const [first] = w.teeth
  if (first === undefined) return null
  const arch = archOrder(jawOf(first), isPrimary(first) ? 'primary' : 'permanent')
  const retainers = w.teeth.map((t) => arch.indexOf(t))
  return { arch, from: Math.min(...retainers), to: Math.max(...retainers) }
}

/** Whether a bridge can hold this pontic: between its abutments, or hanging beside one where it may. */
function held(t: Tooth, w: Work, k: KindFacts): boolean {
  const span = spanOf(w)
  if (!span) return false
  const at = span.arch.indexOf(t)
  if (at > span.from && at < span.to) return true
  // A cantilever hangs on its neighbour; two bonded retainers hold what lies between them.
  return at >= 0 && mayHang(w, k) && besideRetainer(at, span.arch, w)
}
const mayHang = (w: Pick<Work, 'teeth'>, k: KindFacts): boolean => k.pontics === 'may' || w.teeth.length === 1

function ponticMisfits(w: Work, k: KindFacts, say: Say): void {
  const [first] = w.teeth
  if (first === undefined) return
  if (k.pontics === 'needed' && w.pontics.length === 0) say(['pontics'], `${k.title}: say which tooth it replaces`)
  w.pontics.forEach((t, i) => {
    const path = ['pontics', i]
    if (w.teeth.includes(t)) return say(path, `${capital(toothInFull(t))} cannot be an abutment and be replaced`)
    if (!k.pontics) return say(path, `${k.title} replaces no tooth`)
    if (w.pontics.indexOf(t) !== i) return say(path, `${capital(toothInFull(t))} stands twice`)
    if (isPrimary(t) !== isPrimary(first))
      return say(
        path,
        `${capital(toothInFull(t))} is a ${isPrimary(t) ? 'primary' : 'permanent'} tooth, the abutments are not`,
      )
    if (jawOf(t) !== jawOf(first)) return say(path, `${capital(toothInFull(t))} is not in the jaw of the abutments`)
    if (!held(t, w, k))
      say(
        path,
        `${capital(toothInFull(t))} does not lie between the abutments ${listed(w.teeth.map(toothInFull))}${mayHang(w, k) ? ' nor beside one of them' : ''}: name its abutments, or another gap`,
      )
  })
}

/**
 * The pontics that still fit when the abutments change; where the kind needs one and none is left, the gap between the
 * abutments, or what stands beside the only one; nothing where two abutments stand side by side.
 * @example fittingPontics('crown.deliver', [toTooth('24'), toTooth('26')], [toTooth('25')]) // [ '25' ]
 */
export function fittingPontics(kind: KindId, teeth: readonly Tooth[], pontics: readonly Tooth[]): Tooth[] {
  const k = kindFacts(kind)
  const w: Work = { kind, teeth, pontics, ofTooth: {} }
  const span = spanOf(w)
  if (!k.pontics || !span) return []
  const kept = pontics.filter((p) => !teeth.includes(p) && held(p, w, k))
  if (kept.length > 0 || k.pontics === 'may') return kept
  const between = span.arch.slice(span.from + 1, span.to)
  const beside = [span.arch[span.from - 1], span.arch[span.to + 1]].flatMap((t) => (t === undefined ? [] : [t]))
  if (between.length > 0) return between
  return mayHang(w, k) ? beside.slice(0, 1) : []
}

function madeMisfits(w: Work, k: KindFacts, say: Say): void {
  if (w.restoration && !k.restorations.includes(w.restoration))
    say(
      ['restoration'],
      k.restorations.length === 0
        ? `${k.title} takes no restoration`
        : `${k.title} is made as: ${k.restorations.join(', ')}`,
    )
  if (w.framework && !k.frameworks?.includes(w.framework))
    say(
      ['framework'],
      k.frameworks ? `${k.title} is carried by: ${k.frameworks.join(', ')}` : `${k.title} asks for no framework`,
    )
}

/** Facts of a tooth that is not worked on, and two canals that nobody could tell apart. */
function ofToothMisfits(w: Work, say: Say): void {
  for (const t of allTeeth) {
    const facts = w.ofTooth[t]
    if (!facts) continue
    const fields = Object.keys(facts)
    if (!w.teeth.some((x) => x === t))
      say(
        ['ofTooth', t, ...fields.slice(0, 1)],
        `${capital(toothInFull(t))} is not worked on: ${listed(w.teeth.map(toothInFull))} ${w.teeth.length === 1 ? 'is' : 'are'}`,
      )
    const names = (facts.canals ?? []).map((c) => c.name.toUpperCase())
    names.forEach((name, i) => {
      if (names.indexOf(name) !== i)
        say(['ofTooth', t, 'canals', i, 'name'], `two canals of ${toothInFull(t)} are called ${name}`)
    })
  }
}

const workMisfits = (w: Work, missing: readonly Tooth[], say: Say): void => {
  const k = kindFacts(w.kind)
  teethMisfits(w, k, missing, say)
  ponticMisfits(w, k, say)
  madeMisfits(w, k, say)
  ofToothMisfits(w, say)
}

/** The surfaces two fillings of one tooth share; where either says none, they may share any. */
function shareSurface(a: Work, b: Work, t: Tooth): boolean {
  const [one, other] = [a.ofTooth[t]?.surfaces, b.ofTooth[t]?.surfaces]
  if (a.kind !== b.kind && [a.kind, b.kind].includes('filling.cervical')) return false
  return one === undefined || other === undefined || one.split('').some((s) => other.includes(s))
}

/** Whether two works can be done on the same tooth in one visit, in this order. Common practice. */
function together(before: Work, after: Work, t: Tooth): boolean {
  const [a, b] = [kindFacts(before.kind), kindFacts(after.kind)]
  if (a.family === 'recall' || b.family === 'recall') return before.kind !== after.kind
  if (a.family === 'filling' && b.family === 'filling') return !shareSurface(before, after, t)
  // What is built up is then covered: a filling or a core first, the crown's preparation after it.
  return (a.family === 'filling' || a.builds === true) && b.prepares === true && b.builds !== true
}

/**
 * Everything that does not fit, in a request of one or several pieces of work.
 * @example misfits(request) // []
 */
export function misfits(request: Work & { also: readonly Work[]; missing: readonly Tooth[] }): Misfit[] {
  const found: Misfit[] = []
  const works = [request, ...request.also]
  works.forEach((w, i) => {
    const under = i === 0 ? [] : ['also', i - 1]
    workMisfits(w, request.missing, (path, message) => void found.push({ path: [...under, ...path], message }))
    for (const before of works.slice(0, i)) {
      w.teeth.forEach((t, n) => {
        if (before.teeth.includes(t) && !together(before, w, t))
          found.push({
            path: [...under, 'teeth', n],
            message: `${kindFacts(before.kind).title} and ${kindFacts(w.kind).title} cannot both be done on ${toothInFull(t)} in one visit`,
          })
        if (before.pontics.includes(t))
          found.push({
            path: [...under, 'teeth', n],
            message: `${capital(toothInFull(t))} is replaced by the bridge of this visit`,
          })
        // In whichever order the two stand.
        w.pontics.forEach((t, n) => {
          if (before.teeth.includes(t))
            found.push({
              path: [...under, 'pontics', n],
              message: `${capital(toothInFull(t))} is worked on by ${kindFacts(before.kind).title} of this visit, and cannot be replaced`,
            })
        })
      })
    }
  })
  return found
}
