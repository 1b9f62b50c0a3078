/** What burs are called in a sentence, and which of them a word fits. The trade’s own terms, common practice. */
import type { Bur, BurShape } from './bur'

type Fits = (b: Bur) => boolean
const shaped =
  (...shapes: BurShape[]): Fits =>
  (b) =>
    shapes.includes(b.shape)
const tapered = shaped('round-end taper', 'flat-end taper', 'rounded taper', 'non-end-cutting taper')
const fine: Fits = (b) => ['fine', 'extra-fine', 'ultra-fine'].includes(b.grit)

const words: Readonly<Record<string, Fits>> = {
  'fine diamond': (b) => b.material === 'diamond' && fine(b),
  'coarse diamond': (b) => b.material === 'diamond' && b.grit === 'coarse',
  'round-ended diamond': (b) => b.material === 'diamond' && shaped('round-end taper', 'torpedo')(b),
  diamond: (b) => b.material === 'diamond',
  carbide: (b) => b.material === 'carbide',
  '12-flute': (b) => b.grit === '12-flute',
  'slow round': (b) => b.shape === 'round' && b.shank === '204',
  'round bur': shaped('round'),
  'quarter round': (b) => b.shape === 'round' && b.diameterMm <= 0.6,
  '¼ round': (b) => b.shape === 'round' && b.diameterMm <= 0.6,
  'pear bur': shaped('pear'),
  'tapered bur': tapered,
  'straight bur': shaped('cylinder'),
  'thin coarse taper': (b) => tapered(b) && b.grit === 'coarse' && b.diameterMm <= 1.2,
  'thin needle': (b) => b.shape === 'needle' && b.diameterMm <= 1,
  'thin bur': (b) => b.diameterMm <= 1.2,
  'inverted cone': shaped('inverted cone'),
  football: shaped('football'),
  'fine flame': (b) => b.shape === 'flame' && (fine(b) || b.grit === '12-flute'),
  flame: shaped('flame'),
  torpedo: shaped('torpedo'),
  'depth cutter': shaped('depth cutter'),
  teardrop: shaped('teardrop'),
}
/** Words in which a bur’s name means none. */
const notBurs = ['in the flame', 'flame them', 'diamond paste', 'diamond file', 'diamond strip']

const pattern = new RegExp(
  String.raw`(?<![\w-])(?:${[...Object.keys(words), ...notBurs]
    .toSorted((a, b) => b.length - a.length)
    .join('|')})s?(?![\w-])`,
  'gi',
)

export interface BurWord {
  /** As it is said, and what is meant by it. */
  words: string
  bur: string
  at: number
}

/** Whether a word is one for burs. */
export const isBurWord = (word: string): boolean => Object.hasOwn(words, word.toLowerCase())
/** Whether a bur is one that is called so. */
export const burFits = (word: string, bur: Bur): boolean => words[word]?.(bur) ?? false
const read = new Map<string, readonly BurWord[]>()
/** As in core/catalog/spoken.ts: sentences come again, and the store does not grow for ever. */
const mostRead = 20_000

/**
 * The burs a sentence names.
 * @example burWordsIn('Finish with carbide').map((w) => w.words) // ['carbide']
 */
export function burWordsIn(sentence: string): readonly BurWord[] {
  const known = read.get(sentence)
  if (known) return known
  const found = [...sentence.matchAll(pattern)].flatMap(({ 0: said, index: at }) => {
    const bur = [said.toLowerCase(), said.toLowerCase().replace(/s$/, '')].find(isBurWord)
    return bur === undefined ? [] : [{ words: said, bur, at }]
  })
  if (read.size >= mostRead) read.clear()
  read.set(sentence, found)
  return found
}
