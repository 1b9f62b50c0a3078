/** The needs of all steps as one setup. */
import { countedBy } from '../catalog/counting'
import { chooseLot, type Item } from '../catalog/item'
import { shapeOf } from '../catalog/shapes'
import { itsName } from '../catalog/spoken'
import type { Match, Need, Readiness } from '../catalog/match'
import { round } from '../figure'
import type { SetupLine } from '../model/plan'
import type { Case } from '../library/case'
import type { Answers, UsesThings } from './safe'

/** What is carried from chair to chair where there is one of it. */
const large = new Set<Item['family']>(['equipment', 'handpiece'])
const rank: Record<Readiness, number> = { open: 0, standby: 1, drawer: 2 }

/** One step's need of a thing. */
interface Use {
  step: UsesThings
  need: Need
}

/** Which piece a use means: uses of the same piece are one, of different ones they add up. */
function pieceOf({ step, need }: Use, item: Item | undefined): string {
  if (need.piece !== undefined) return need.piece === 'one a tooth' ? (step.tooth ?? '') : need.piece
  const counted = countedBy(need, item)
  return counted === 'patient' ? 'the patient’s' : counted === 'tooth' ? (step.tooth ?? '') : step.id
}

/** Of each piece the use that asks the most of it: a thing used again by a later step is one thing. */
function piecesOf(uses: readonly Use[], item: Item | undefined): Use[] {
  const pieces = new Map<string, Use>()
  for (const use of uses) {
    const piece = pieceOf(use, item)
    const most = pieces.get(piece)
    if (!most || use.need.quantity > most.need.quantity) pieces.set(piece, use)
  }
  return [...pieces.values()]
}

/** How much is laid out: the pieces added up. */
const quantityOf = (pieces: readonly Use[]): number =>
  round(
    pieces.reduce((sum, p) => sum + p.need.quantity, 0),
    1,
  )

const mostActs = 4

/** An act is called by its title: without the tooth before it, up to the tooth or the detail behind it. */
const actOf = ({ title }: UsesThings): string =>
  itsName(
    title
      .replace(/^[^a-z]+: /, '')
      .split(/[:,(]/, 1)
      .join('')
      .replace(/ \d+ s$/, '')
      .trim() || title,
  )

/**
 * Why so many of a thing that is used up: one a tooth, or one for each of the acts that take one; nothing where it is laid
 * out once. '3: one each for primer, bond and etch'. The parts add up to what lies there.
 */
function countWhy(pieces: readonly Use[], item: Item | undefined, quantity: number): string | undefined {
  if (!item || item.unit !== 'piece' || quantity < 2) return undefined
  const counted = new Set(pieces.map((u) => countedBy(u.need, item)))
  if (counted.has('tooth')) return 'one a tooth'
  if (!counted.has('act') || pieces.length < 2) return undefined
  const acts = new Map<string, number>()
  for (const { step, need } of pieces) acts.set(actOf(step), (acts.get(actOf(step)) ?? 0) + need.quantity)
  if (acts.size === 1) return undefined
  // Of what is shared out between acts nobody counts a part.
  if ([...acts.values()].some((n) => !Number.isInteger(n))) return undefined
  const said = [...acts].map(([act, n]) => `${n} for “${act}”`)
  const more = said.length - mostActs
  return more > 0
    ? `${said.slice(0, mostActs).join(', ')} and ${more} more ${more === 1 ? 'act' : 'acts'}`
    : said.join(', ')
}

/** What a line says of the item behind it; where none is owned, of a thing nobody has measured. */
type OfItem = Pick<SetupLine, 'family' | 'unit' | 'reusable' | 'latex' | 'lengthMm' | 'widthMm'> & Partial<SetupLine>
const nothingOwned: OfItem = {
  family: 'consumable',
  unit: 'piece',
  reusable: true,
  latex: false,
  lengthMm: 40,
  widthMm: 20,
}

function ofItem(item: Item | undefined): OfItem {
  if (!item) return nothingOwned
  const { family, unit, reusable, latex, lengthMm, widthMm, allergens, cassette, stock } = item
  const shape = shapeOf({ shape: item.shape, needs: item.serves, family })
  const said: OfItem = { family, unit, reusable, latex, lengthMm, widthMm, shape }
  if (allergens.length > 0) said.allergens = allergens
  if (cassette) said.cassette = cassette
  if (reusable && stock === 1 && large.has(family)) said.only = true
  return said
}

/** The line of everything that asks for one thing. It lies as open as the readiest of its uses; what stands by is not added to what is surely used. */
function lineOf(id: string, match: Match, uses: readonly [Use, ...Use[]]): SetupLine {
  const { item } = match
  const [first] = uses
  let readiness: Readiness = 'drawer'
  for (const u of uses) if (rank[u.need.readiness] < rank[readiness]) readiness = u.need.readiness
  const counting = uses.filter((u) => u.need.readiness === readiness)
  const when = counting.find((u) => u.need.when !== undefined)?.need.when
  const piecesMm = counting.flatMap((u) => u.need.piecesMm ?? [])
  const pieces = piecesOf(counting, item)
  const quantity = quantityOf(pieces)
  const line: SetupLine = {
    id,
    name: item?.name ?? first.need.words ?? first.need.what.replaceAll('.', ', '),
    ...ofItem(item),
    readiness,
    // Nobody lays out a part of a piece.
    quantity: item?.unit === 'piece' ? Math.ceil(quantity) : quantity,
    phase: first.step.phase,
    steps: [...new Set(uses.map((u) => u.step.id))],
    needs: [...new Set(uses.map((u) => u.need.what))],
    alternatives: match.alternatives,
  }
  if (readiness !== 'open' && when !== undefined) line.when = when
  if (piecesMm.length > 0) line.piecesMm = piecesMm
  const counted = countWhy(pieces, item, line.quantity)
  if (counted !== undefined) line.counted = counted
  const shades = [...new Set(counting.flatMap((u) => u.need.shade ?? []))]
  if (shades.length > 0) line.shade = shades.join(', ')
  if (match.because) line.because = match.because
  if (match.lack) line.lack = match.lack
  if (match.forbidden) line.forbidden = true
  if (match.exchanged) line.exchanged = true
  return line
}

/** Gives the line its lot, or with what is short in the cupboard. */
function withStock(line: SetupLine, item: Item | undefined, c: Case): SetupLine {
  if (!item) return line
  if (item.tracked) line.lot = chooseLot(item.id, line.quantity, c.practice.lots, c.request.date)
  else if (item.stock < (item.reusable ? line.quantity : 1))
    line.lack = `${item.name}: ${item.stock} in stock, ${line.quantity} wanted`
  return line
}

/** A piece that is used up and kept in reserve beside those laid open is a line of its own: which item it is of. */
const counted = new Set<Item['unit']>(['piece', 'cartridge'])
const furtherOf = (id: string): string => `${id}.further`
export const itemIdOf = ({ id }: Pick<SetupLine, 'id'>): string => id.replace(/\.further$/, '')

/** What is laid open and what stands by of the same: one line, unless it is counted by the piece and used up. */
function linesOf(id: string, match: Match, uses: readonly [Use, ...Use[]]): SetupLine[] {
  const { item } = match
  const opened = uses.filter((u) => u.need.readiness === 'open')
  const kept = uses.filter((u) => u.need.readiness === 'standby')
  const [[one, ...others], [reserve, ...more]] = [opened, kept]
  if (!item || item.reusable || !counted.has(item.unit) || !one || !reserve) return [lineOf(id, match, uses)]
  // The reserve follows what is laid open: it is not exchanged by itself.
  return [
    lineOf(id, match, [one, ...others]),
    { ...lineOf(furtherOf(id), match, [reserve, ...more]), alternatives: [] },
  ]
}

/**
 * Merges the needs of all steps into one setup: one mirror for the whole visit, one sleeve for the patient, a brush for
 * each act, cord piece by piece. What nothing owned answers stays as a lack.
 */
export function mergeSetup(steps: readonly UsesThings[], answer: Answers, c: Case): SetupLine[] {
  const things = new Map<string, { match: Match; uses: [Use, ...Use[]] }>()
  for (const step of steps) {
    for (const need of step.needs) {
      const match = answer(need)
      const id = match.item?.id ?? `lack:${need.what}`
      const thing = things.get(id)
      if (thing) thing.uses.push({ step, need })
      else things.set(id, { match, uses: [{ step, need }] })
    }
  }
  const lines = [...things].flatMap(([id, { match, uses }]) =>
    linesOf(id, match, uses).map((line) => withStock(line, match.item, c)),
  )
  // In order of use, a reserve where it may be wanted.
  const turn = new Map(steps.map((s, i) => [s.id, i]))
  const first = ({ steps: [at] }: SetupLine): number => (at === undefined ? 0 : (turn.get(at) ?? 0))
  return lines.toSorted((a, b) => first(a) - first(b))
}
