/**
 * A sentence with the things it names: so that what is laid out can be held against what is said, and an exchanged thing be
 * called by its own name, without anybody reading prose.
 */
import { thingCalled, thingsIn, type Naming } from '../catalog/spoken'
import { burWordsIn, isBurWord } from '../catalog/spoken-burs'
import { sure } from '../sure'

/** A thing as a sentence names it: its words, and the needs any of which it may mean; or a bur, by what burs are called. */
export type ThingSaid = Omit<Naming, 'at'> & { readonly bur?: string }
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

/** What a mark names: a thing or a bur; `words|what is meant`. @throws Error where nobody knows it: a fault of the library */
export function markOf(mark: string): ThingSaid {
  const [words, meant = words] = mark.split('|')
  return isBurWord(sure(meant))
    ? { words: sure(words), needs: [], bur: sure(meant).toLowerCase() }
    : { ...thingCalled(sure(meant)), words: sure(words) }
}

const read = new Map<string, Said>()
/** Sentences are few and come again; practices write their own, so the store is kept from growing for ever. */
const mostRead = 20_000

const marked = /\{([^{}]+)\}/g
const kept = new Map<string, Said>()
/** A sentence of ours as it is written: `{cord packer}` is a thing, `{brush|micro brush}` one that is called otherwise here. */
export function saidOf(sentence: string): Said {
  if (!sentence.includes('{')) return [sentence]
  const before = kept.get(sentence)
  if (before) return before
  const parts: (string | ThingSaid)[] = []
  let from = 0
  for (const { 0: all, 1: thing, index } of sentence.matchAll(marked)) {
    if (index > from) parts.push(sentence.slice(from, index))
    from = index + all.length
    parts.push(markOf(sure(thing)))
  }
  if (from < sentence.length) parts.push(sentence.slice(from))
  if (kept.size >= mostRead) kept.clear()
  kept.set(sentence, parts)
  return parts
}

/** A practice’s own sentence, in which nothing is marked, by the trade’s words. */
export function readSaid(sentence: string): Said {
  const before = read.get(sentence)
  if (before) return before
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
  if (read.size >= mostRead) read.clear()
  read.set(sentence, parts)
  return parts
}
