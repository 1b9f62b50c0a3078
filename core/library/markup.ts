/**
 * How sentences of the library are written: `{cord packer}` is a thing, `{brush|micro brush}` one that
 * is called otherwise here, `$tooth` a value of where it is said (`$Tooth` begins
 * large), `$(cord.dwell)` a row of the register as it is spoken, `$(silane:n)` its bare number. Read once, when first said.
 */
import { span, ruleTable, type RuleId } from '../rules'
import { sure } from '../sure'
import { capital } from '../words'
import { markOf, saidOf, type Said, type ThingSaid } from './said'
import type { Scope } from './scope'
import { valueIn } from './when'

type Piece = string | ThingSaid | { value: string; large: boolean } | { rule: RuleId; bare: boolean }
const pattern = /\{([^{}]+)\}|\$\(([\w. -]+?)(:n)?\)|\$([A-Za-z]\w*)/g
const isRule = (id: string): id is RuleId => Object.hasOwn(ruleTable, id)

/** A value by its name; where that begins large, so does what is said. */
function valueCalled(name: string): { value: string; large: boolean } {
  const small = name.charAt(0).toLowerCase() + name.slice(1)
  return { value: small, large: small !== name }
}

function read(text: string): readonly Piece[] {
  const pieces: Piece[] = []
  let from = 0
  for (const { 0: all, 1: thing, 2: rule, 3: bare, 4: value, index } of text.matchAll(pattern)) {
    if (index > from) pieces.push(text.slice(from, index))
    from = index + all.length
    if (thing !== undefined) pieces.push(markOf(thing))
    else if (rule !== undefined) pieces.push(isRule(rule) ? { rule, bare: bare !== undefined } : valueCalled(rule))
    else pieces.push(valueCalled(sure(value)))
  }
  if (from < text.length || pieces.length === 0) pieces.push(text.slice(from))
  return pieces
}

const known = new Map<string, readonly Piece[]>()
/** @throws Error where it names a thing nobody knows: a fault of the library. */
export function piecesOf(text: string): readonly Piece[] {
  const before = known.get(text)
  if (before) return before
  const pieces = read(text)
  known.set(text, pieces)
  return pieces
}

function begunLarge(said: Said): Said {
  const [first, ...rest] = said
  if (first === undefined) return said
  return [typeof first === 'string' ? capital(first) : { ...first, words: capital(first.words) }, ...rest]
}

export const isSaid = (value: unknown): value is Said =>
  Array.isArray(value) &&
  value.every((part) => typeof part === 'string' || (typeof part === 'object' && 'needs' in part))

/** A value in a sentence: words of the library may have things in them, too. */
function spokenValue(value: unknown, name: string, scope: Scope): Said {
  if (isSaid(value)) return value
  if (typeof value === 'number') return [String(value)]
  if (typeof value !== 'string') throw new Error(`$${name} is said, and is ${String(value)}`)
  return value.includes('{') ? say(value, scope) : saidOf(value)
}

/**
 * A sentence as it is said in one place.
 * @throws Error where it names a value that is not there: a fault of the library
 */
export function say(text: string, scope: Scope): Said {
  const said: (string | ThingSaid)[] = []
  let words = ''
  const put = (part: string | ThingSaid): void => {
    if (typeof part === 'string') words += part
    else {
      if (words !== '') said.push(words)
      words = ''
      said.push(part)
    }
  }
  for (const piece of piecesOf(text)) {
    if (typeof piece === 'string' || 'words' in piece) put(piece)
    else if ('rule' in piece) {
      const { value } = scope.c.rule(piece.rule)
      put(piece.bare ? String(value) : span(value))
    } else {
      const spoken = spokenValue(valueIn(scope, piece.value), piece.value, scope)
      for (const part of piece.large ? begunLarge(spoken) : spoken) put(part)
    }
  }
  if (words !== '' || said.length === 0) said.push(words)
  return said
}
