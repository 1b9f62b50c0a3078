import { firstOf, lastOf, sure } from '../sure'
import { anaesthesia, numbingOf, numbTest, type Felt, type Numbing } from './generators/anaesthesia'
import { goingUnder, packOut } from './generators/asleep'
import { arrival } from './generators/arrival'
import { draftsOf, marked, meanwhile, nothing, sequence, type Block, type Drafted } from './build'
import type { Case } from './case'
import { closing } from './generators/closing'
import type { Kind } from './kind'
import { blockOf } from './part'
import { holds } from './when'

/** One piece of a visit's work: its kind and the case as that kind sees it. */
export interface Work {
  kind: Kind
  c: Case
}

/** The sheet is on all through this work. */
const underSheet = ({ kind, c }: Work): boolean => kind.sheet !== undefined && holds(kind.sheet, { c, own: {} })

/** Two works in a row under one sheet: it goes on once, over the teeth of both, and comes off at the end. */
function shareSheets(works: readonly Work[], marks: readonly string[]): void {
  for (let i = works.length - 2; i >= 0; i--) {
    const [before, next] = [sure(works[i]), sure(works[i + 1])]
    if (before.c.jaw !== next.c.jaw || !underSheet(before) || !underSheet(next)) continue
    before.c.sheet = {
      alreadyOn: false,
      staysOn: true,
      teeth: [...before.c.sheet.teeth, ...next.c.sheet.teeth],
      under: [next.c, ...next.c.sheet.under],
      offStep: next.c.sheet.staysOn ? next.c.sheet.offStep : `isolation.dam-off${marks[i + 1]}`,
    }
    next.c.sheet = { ...next.c.sheet, alreadyOn: true }
  }
}

/** What waits for the sheet to be off: nothing while it stays on for the next work, then of all the works that shared it. */
function whenOff(works: readonly Work[], own: readonly { afterSheet: Block }[], i: number): Block[] {
  if (sure(works[i]).c.sheet.staysOn) return []
  let first = i
  while (first > 0 && sure(works[first - 1]).c.sheet.staysOn) first -= 1
  return own.slice(first, i + 1).map((o) => o.afterSheet)
}

/** What a work is in the frame of the day. */
interface Laid {
  deciding: Block[]
  beforehand: Block[]
  work: Block
  afterSheet: Block
}

/** A work as it was built, before its ids are marked. */
interface Done {
  c: Case
  drafts: Drafted[]
}

/** What a living tooth feels of it where nothing is numbed; nothing where nothing is alive or bare. */
function feltOf(works: readonly Work[], drafts: readonly Drafted[]): Felt | undefined {
  const alive = (of: 'prepares' | 'bares'): boolean => works.some((w) => w.c.kind[of] === true && w.c.asks('vital'))
  const cuts = drafts.some((d) => d.cut !== undefined && d.tooth !== undefined && d.place === 'mouth')
  return cuts && alive('prepares') ? 'enamel' : alive('bares') ? 'bare' : undefined
}

/** Rolls serve the jaw they lie in; a preliminary impression the side of the jaw it takes in. */
function doneFor(c: Case, done: readonly Done[]): Case['before'] {
  const side = (of: Case): string | undefined => firstOf(of.units).tooth[0]
  return {
    rolls: done.some((d) => d.c.jaw === c.jaw && d.drafts.some((x) => x.countsIn?.some((n) => n.id === 'rolls'))),
    mould: done.some(
      (d) =>
        c.units.every((u) => u.tooth[0] === side(d.c)) &&
        d.drafts.some((x) => x.fn === 'preliminary impression' && x.needs?.some((n) => n.what === 'sectional tray')),
    ),
  }
}

/**
 * The frame of a visit: arrival, what is decided before the needle, anaesthesia, what fills its wait, the works one after the other, closing. A second work
 * of the same visit has its ids marked, so that nothing of the two is confused.
 */
export function dayOf(works: readonly Work[]): Block {
  const marks = works.map((w, i) =>
    i === 0 ? '' : works.slice(0, i).some((x) => x.kind.id === w.kind.id) ? `@${w.kind.id}-${i + 1}` : `@${w.kind.id}`,
  )
  shareSheets(works, marks)
  const asleep = works.some((w) => w.kind.asleep)
  for (const { c } of works) c.asleep = asleep
  const done: Done[] = []
  const own = works.map(({ kind, c }, i) => {
    c.before = doneFor(c, done)
    const scope = { c, own: {} }
    const laid: Laid = {
      deciding: kind.deciding ? [blockOf(kind.deciding, scope)] : [],
      beforehand: (kind.beforehand ?? []).map((branch) => blockOf(branch, scope)),
      work: blockOf(kind.work, scope),
      afterSheet: kind.afterSheet ? blockOf(kind.afterSheet, scope) : nothing,
    }
    done.push({ c, drafts: [...laid.beforehand.flatMap(draftsOf), ...draftsOf(laid.work)] })
    if (i === 0) return laid
    // Marked together: ties reach from the work back to what was done beforehand.
    const together = marked([...laid.deciding, ...laid.beforehand, laid.work, laid.afterSheet], sure(marks[i]))
    const n = laid.deciding.length
    return {
      deciding: together.slice(0, n),
      beforehand: together.slice(n, -2),
      work: sure(together.at(-2)),
      afterSheet: lastOf(together),
    }
  })
  const numbing: Numbing = asleep
    ? { by: 'sleep' }
    : numbingOf(own.flatMap((o) => [...draftsOf(o.work), ...draftsOf(o.afterSheet)]))
  // What stays in until the end: rolls, of whichever work.
  const drafts = own.flatMap((o) => [...draftsOf(o.work), ...draftsOf(o.afterSheet)])
  const out = drafts.flatMap((d) => (d.countsIn ?? []).filter((n) => n.outStep === 'closing.rinse').map((n) => n.id))
  const [first] = works
  const waiting = own.flatMap((o) => o.beforehand)
  const deciding = own.flatMap((o) => o.deciding)
  if (numbing.by === 'sleep') {
    // Quick back teeth first: further work comes before the front teeth the child is asleep for.
    const order = [
      ...own.filter((_, i) => !sure(works[i]).kind.asleep),
      ...own.filter((_, i) => sure(works[i]).kind.asleep),
    ]
    const cases = works.map((w) => w.c)
    return sequence(
      arrival(cases),
      ...deciding,
      anaesthesia(sure(first).c, numbing),
      goingUnder(cases),
      ...waiting,
      ...order.flatMap((o) => [o.work, o.afterSheet]),
      packOut(sure(first).c),
      closing(cases, { asleep: true, out: [...out, 'gauze'] }),
    )
  }
  return sequence(
    arrival(works.map((w) => w.c)),
    ...deciding,
    anaesthesia(sure(first).c, numbing, feltOf(works, drafts)),
    meanwhile('the anaesthetic takes', ...waiting, numbTest(sure(first).c, numbing)),
    ...own.flatMap((o, i) => [o.work, ...whenOff(works, own, i)]),
    closing(
      works.map((w) => w.c),
      { asleep: false, out },
    ),
  )
}
