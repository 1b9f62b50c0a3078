/** Templates made ready once: what is the same for every case is made then, the rest for each. */
import { inWords, type RuleId } from '../rules'
import { sure } from '../sure'
import { marked, type Tree } from './fields'
import { say } from './markup'
import { piecesOf } from './pieces'
import { plain, type Said } from './said'
import type { Scope } from './scope'
import { holds, valueIn, type When } from './when'

/** A part of a template: the same for every case, or made for each. */
export type Prepared = { is: unknown } | { of: (scope: Scope) => unknown }
export const made = (part: Prepared, scope: Scope): unknown => ('is' in part ? part.is : part.of(scope))

const bare = /^\$(?:(\w+)|\(([\w. -]+)\))$/
const isText = (mark: Tree): boolean => mark === 'text' || mark === 'beside' || mark === 'told'

/** Words a generator gives, with their things in braces. */
const worded = (value: unknown, scope: Scope): unknown =>
  typeof value === 'string' ? (value.includes('{') ? say(value, scope) : [value]) : value

/** Several for one place of a list. */
class Several {
  constructor(readonly all: readonly unknown[]) {}
}

/** The same where no sentence stands: its words alone. */
const unmarked = (value: unknown, scope: Scope): unknown =>
  typeof value === 'string' && value.includes('{') ? plain(say(value, scope)) : value

function preparedText(text: string, mark: Tree, inList: boolean): Prepared {
  const said = isText(mark)
  const [, word, words] = bare.exec(text) ?? []
  const name = word ?? words
  if (name !== undefined && name.charAt(0) === name.charAt(0).toLowerCase())
    return {
      of: (scope) => {
        const value = valueIn(scope, name)
        const many = inList && Array.isArray(value) ? own<readonly unknown[]>(value) : undefined
        if (said) return many ? new Several(many.map((v) => worded(v, scope))) : worded(value, scope)
        const of = typeof mark === 'string' || value === undefined ? unmarked(value, scope) : marked(value, mark)
        return many ? new Several(own(of)) : of
      },
    }
  const same = piecesOf(text).every((piece) => typeof piece === 'string' || 'words' in piece)
  if (same) {
    const whole = piecesOf(text).map((piece) => (typeof piece === 'string' || 'words' in piece ? piece : ''))
    return { is: said ? whole : plain(whole) }
  }
  return { of: (scope) => (said ? say(text, scope) : plain(say(text, scope))) }
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

// A template is checked where it is written, and what it becomes by the marks of its fields.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion, typescript/no-unnecessary-type-parameters
const own = <T>(value: unknown): T => value as T

/** The mark of one of a list. */
const oneOf = (mark: Tree): Tree => (Array.isArray(mark) ? (own<readonly Tree[]>(mark)[0] ?? 'plain') : 'plain')

function preparedList(list: readonly unknown[], mark: Tree): Prepared {
  const items = list.map((item) => prepared(item, oneOf(mark), true))
  const put = (into: unknown[], value: unknown): void => {
    if (value instanceof Several) into.push(...value.all)
    else if (value !== undefined) into.push(value)
  }
  const flat = (scope?: Scope): unknown[] => {
    const all: unknown[] = []
    for (const item of items) {
      if ('is' in item) all.push(item.is)
      else if (scope) put(all, item.of(scope))
    }
    return all
  }
  return items.every((item) => 'is' in item) ? { is: flat() } : { of: flat }
}

function preparedObject(value: Readonly<Record<string, unknown>>, mark: Tree): Prepared {
  const entries = Object.entries(value).map(([key, v]) => {
    const tree = isObject(mark) ? own<Tree | undefined>(mark[key]) : undefined
    return [key, prepared(v, tree ?? 'plain')] as const
  })
  const same = Object.fromEntries(entries.flatMap(([key, part]) => ('is' in part ? [[key, part.is]] : [])))
  const varies = entries.flatMap(([key, part]) => ('is' in part ? [] : [[key, part] as const]))
  if (varies.length === 0) return { is: same }
  return {
    of: (scope) => {
      const whole: Record<string, unknown> = { ...same }
      for (const [key, part] of varies) {
        const v = part.of(scope)
        if (v !== undefined) whole[key] = v
      }
      return whole
    },
  }
}

/** Both ways of a choice, each prepared; of a list each way may be one or several. */
function preparedChoice(value: Readonly<Record<string, unknown>>, mark: Tree, inList: boolean): Prepared {
  const when = own<When>(value['if'])
  const way = (v: unknown): Prepared => (v === undefined ? { is: undefined } : prepared(v, mark, inList))
  const [use, other] = [way(value['use']), way(value['else'])]
  return { of: (scope) => made(holds(when, scope) ? use : other, scope) }
}

function preparedPick(ways: readonly (readonly unknown[])[], mark: Tree, inList: boolean): Prepared {
  const all = ways.map((way) =>
    way.length === 1
      ? { when: undefined, use: prepared(way[0], mark, inList) }
      : { when: own<When>(way[0]), use: prepared(way[1], mark, inList) },
  )
  return {
    of: (scope) => {
      const found = all.find(({ when }) => when === undefined || holds(when, scope))
      return found && made(found.use, scope)
    },
  }
}

/** A sentence in parts, some of them by the facts. */
function preparedSentence(parts: readonly unknown[], mark: Tree): Prepared {
  const all = parts.map((part) => prepared(part, 'text'))
  return {
    of: (scope) => {
      const said: Said = all.flatMap((part) => own<Said | undefined>(made(part, scope)) ?? [])
      return isText(mark) ? said : plain(said)
    },
  }
}

function preparedInWords(rows: readonly RuleId[], text: string): Prepared {
  return {
    of: (scope) => {
      const [first, ...rest] = rows.map((rule) => scope.c.rule(rule))
      return inWords(plain(say(text, scope)), sure(first), ...rest)
    },
  }
}

const ruleIn = (rule: string, scope: Scope): RuleId =>
  own<RuleId>(rule.startsWith('$') ? valueIn(scope, rule.slice(1)) : rule)

export function prepared(value: unknown, mark: Tree, inList = false): Prepared {
  if (typeof value === 'string') return preparedText(value, mark, inList)
  if (Array.isArray(value)) {
    // Several for one place: each is what the one would have been.
    const list = preparedList(value, inList ? [mark] : mark)
    return inList ? { of: (scope) => new Several(own(made(list, scope))) } : list
  }
  if (!isObject(value)) return { is: value }
  if ('if' in value) return preparedChoice(value, mark, inList)
  if ('say' in value && Array.isArray(value['say'])) return preparedSentence(value['say'], mark)
  if ('pick' in value) return preparedPick(own(value['pick']), mark, inList)
  if ('row' in value) return { of: (scope) => scope.c.rule(ruleIn(own(value['row']), scope)).because }
  if ('amount' in value) return { of: (scope) => scope.c.rule(ruleIn(own(value['amount']), scope)).value }
  if ('rows' in value) return preparedInWords(own(value['rows']), own(value['text']))
  return preparedObject(value, mark)
}

const ready = new WeakMap<object, Prepared>()
/** Plain data of the library for a case, made ready once: no sentence of a step. */
export function madeOnce(value: object, scope: Scope): unknown {
  const part = ready.get(value) ?? prepared(value, 'plain')
  ready.set(value, part)
  return made(part, scope)
}
