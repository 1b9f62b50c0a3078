/** Words on a drawing: wrapped into lines, at the one size letters have there. */

/** 16 px at the drawing’s own scale: nothing is written smaller. */
export const pxPerMm = 1.5
export const letterMm = 16 / pxPerMm
/** A letter’s mean width as a share of its height, in the font that is shipped. */
const letterShare = 0.5

/** Where a word too long for its line is parted: before a consonant and its vowel, as print does, never leaving two letters. */
function partAt(word: string, most: number): number {
  const letters = word.replace(/[^\p{L}]+$/u, '').length
  for (let at = Math.min(most - 1, letters - 3); at >= 3; at--) if (/^[^aeiouy][aeiouy]/.test(word.slice(at))) return at
  return most - 1
}

/**
 * A name in lines that fit a width; a word longer than a line is parted.
 * @example wrapped('Gingival margin trimmer', 56) // [ 'Gingival', 'margin', 'trimmer' ]
 */
export function wrapped(text: string, widthMm: number): string[] {
  const most = Math.max(4, Math.floor(widthMm / (letterMm * letterShare)))
  const lines: string[] = []
  // A hyphen is a place to part, a space is one that falls away.
  for (const word of text.split(/ |(?<=-)/)) {
    const last = lines.at(-1)
    const joined = last?.endsWith('-') ? `${last}${word}` : `${last} ${word}`
    if (last !== undefined && joined.length <= most) lines[lines.length - 1] = joined
    else if (word.length <= most) lines.push(word)
    else lines.push(`${word.slice(0, partAt(word, most))}-`.replace('--', '-'), word.slice(partAt(word, most)))
  }
  return lines
}
