/**
 * A sentence with the things it names: so that what is laid out can be held against what is said, and an exchanged thing be
 * called by its own name, without anybody reading prose.
 */
import { thingsIn, type Naming } from '../catalog/spoken'

/** A thing as a sentence names it: its words, and the needs any of which it may mean. */
export type ThingSaid = Omit<Naming, 'at'>
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
export const thingsOf = (said: Said): ThingSaid[] => said.filter((part) => typeof part !== 'string')

const read = new Map<string, Said>()
/** Sentences are few and come again; practices write their own, so the store is kept from growing for ever. */
const mostRead = 20_000

/** A sentence in which nothing is marked, by the trade's words: a practice's own. */
export function readSaid(sentence: string): Said {
  const before = read.get(sentence)
  if (before) return before
  const parts: (string | ThingSaid)[] = []
  let from = 0
  for (const { at, ...thing } of thingsIn(sentence)) {
    if (at > from) parts.push(sentence.slice(from, at))
    parts.push(thing)
    from = at + thing.words.length
  }
  if (from < sentence.length || parts.length === 0) parts.push(sentence.slice(from))
  if (read.size >= mostRead) read.clear()
  read.set(sentence, parts)
  return parts
}
