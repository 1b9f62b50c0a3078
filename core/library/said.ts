/**
 * A sentence with the things it names: so that what is laid out can be held against what is said, and an exchanged thing be
 * called by its own name, without anybody reading prose.
 */
import { thingsIn } from '../catalog/spoken'
import { burWordsIn } from '../catalog/spoken-burs'
import { piecesOf, type ThingSaid } from './pieces'
import { stored } from './stored'

/** A sentence in its parts: words, and things. */
export type Said = readonly (string | ThingSaid)[]

/**
 * The sentence as it is written.
 * @example plain(['Hand the ', { words: 'probe', needs: ['periodontal probe'] }]) // 'Hand the probe'
 */
export const plain = (said: Said): string =>
  said.length === 1 && typeof said[0] === 'string'
    ? said[0]
    : said.map((part) => (typeof part === 'string' ? part : part.words)).join('')

/** The things a sentence names. */
export const thingsOf = (said: Said): ThingSaid[] =>
  said.flatMap((part) => (typeof part === 'string' || part.bur !== undefined ? [] : [part]))
/** The burs a sentence names: its words, and what is meant by them. */
export const bursOf = (said: Said): { words: string; bur: string }[] =>
  said.flatMap((part) =>
    typeof part === 'string' || part.bur === undefined ? [] : [{ words: part.words, bur: part.bur }],
  )

/**
 * A sentence of ours in which nothing is left to be said: its words and things.
 * @throws Error where it names a value, or a thing nobody knows: a fault of the library
 */
export const saidOf = stored((sentence): Said => {
  if (!sentence.includes('{')) return [sentence]
  return piecesOf(sentence).map((piece) => {
    if (typeof piece === 'string' || 'words' in piece) return piece
    throw new Error(`a value is named where there is none: ${sentence}`)
  })
})

/** A practice’s own sentence, in which nothing is marked, by the trade’s words. */
export const readSaid = stored((sentence): Said => {
  const parts: (string | ThingSaid)[] = []
  let from = 0
  const burs = burWordsIn(sentence).map((b) => ({ ...b, needs: [] }))
  const named = [...thingsIn(sentence), ...burs].toSorted((a, b) => a.at - b.at)
  for (const { at, ...thing } of named) {
    // “Flame” of a lamp is no bur, and what is a thing already is not read again.
    if (at < from) continue
    if (at > from) parts.push(sentence.slice(from, at))
    parts.push(thing)
    from = at + thing.words.length
  }
  if (from < sentence.length || parts.length === 0) parts.push(sentence.slice(from))
  return parts
})
