/** A sentence of the library said for a case: its values, facts and rows put in. How it is written: pieces.ts. */
import { span } from '../rules'
import { capital } from '../words'
import { piecesOf, type ThingSaid } from './pieces'
import type { Said } from './said'
import type { Scope } from './scope'
import { valueIn } from './when'

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
  return value.includes('{') ? say(value, scope) : [value]
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
