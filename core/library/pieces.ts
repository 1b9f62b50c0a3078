/**
 * How sentences of ours are written, read into their parts: `{cord packer}` is a thing, `{brush|micro brush}` one that is called
 * otherwise here, `$tooth` a value of where it is said (`$Tooth` begins large), `$(cord.dwell)` a row of the register as it is
 * spoken, `$(silane:n)` its bare number.
 */
import { thingCalled, type Naming } from '../catalog/spoken'
import { isBurWord } from '../catalog/spoken-burs'
import { ruleTable, type RuleId } from '../rules'
import { sure } from '../sure'
import { stored } from './stored'

/** A thing as a sentence names it: its words, and the needs any of which it may mean; or a bur, by what burs are called. */
export type ThingSaid = Omit<Naming, 'at'> & { readonly bur?: string }
export type Piece = string | ThingSaid | { value: string; large: boolean } | { rule: RuleId; bare: boolean }
const pattern = /\{([^{}]+)\}|\$\(([\w. -]+?)(:n)?\)|\$([A-Za-z]\w*)/g
const isRule = (id: string): id is RuleId => Object.hasOwn(ruleTable, id)

/** What a mark names: a thing or a bur; `words|what is meant`. */
function markOf(mark: string): ThingSaid {
  const [words, meant = words] = mark.split('|')
  return isBurWord(sure(meant))
    ? { words: sure(words), needs: [], bur: sure(meant).toLowerCase() }
    : { ...thingCalled(sure(meant)), words: sure(words) }
}

/** A value by its name; where that begins large, so does what is said. */
function valueCalled(name: string): { value: string; large: boolean } {
  const small = name.charAt(0).toLowerCase() + name.slice(1)
  return { value: small, large: small !== name }
}

/** @throws Error where it names a thing nobody knows: a fault of the library */
export const piecesOf = stored((text: string): readonly Piece[] => {
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
})
