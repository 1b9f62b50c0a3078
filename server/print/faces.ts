/** Which face of the papers has the letters of a text: a name may be written in any script. */
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { openSync } from 'fontkit'
import { sure } from '../../core/sure'

const shipped = (packaged: string): string =>
  dirname(createRequire(import.meta.url).resolve(`@expo-google-fonts/${packaged}/package.json`))
const folders = { Next: shipped('atkinson-hyperlegible-next'), Wide: shipped('noto-sans') }
/** Only what ships with the program may be read for a paper. */
export const fontFolders = Object.values(folders)

/**
 * The faces as TrueType and whole: out of a WOFF the PDF's maker would inflate a whole table for every letter it looks at.
 * `Next` is what papers are written in, in most Latin scripts; `Wide` has Greek, Cyrillic and the rest of Latin besides, and
 * a box that is seen for whatever neither has.
 */
export const fonts = {
  Next: {
    normal: join(folders.Next, '400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
    bold: join(folders.Next, '700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  },
  Wide: {
    normal: join(folders.Wide, '400Regular/NotoSans_400Regular.ttf'),
    bold: join(folders.Wide, '700Bold/NotoSans_700Bold.ttf'),
  },
}

export interface Run {
  text: string
  font: keyof typeof fonts
}

/** What any face has: nobody need ask it. */
const plain = /^[\n -~]*$/
const letters = new Intl.Segmenter('en', { granularity: 'grapheme' })
const opened = new Map<keyof typeof fonts, (letter: string) => boolean>()
/** Whether a face has a letter with all its marks. */
function has(face: keyof typeof fonts, letter: string): boolean {
  let asked = opened.get(face)
  if (!asked) {
    const font = openSync(fonts[face].normal)
    if (!('hasGlyphForCodePoint' in font)) throw new Error(`${fonts[face].normal} is no single face`)
    asked = (one) => Array.from(one).every((c) => c === '\n' || font.hasGlyphForCodePoint(sure(c.codePointAt(0))))
    opened.set(face, asked)
  }
  return asked(letter)
}

/** A text in pieces, each in the face that has its letters; letters with marks of their own are taken as one sign where there is one. */
export function runsOf(text: string): Run[] {
  const composed = text.normalize('NFC')
  if (plain.test(composed)) return [{ text: composed, font: 'Next' }]
  const runs: Run[] = []
  for (const { segment } of letters.segment(composed)) {
    const font = has('Next', segment) ? 'Next' : 'Wide'
    const last = runs.at(-1)
    if (last?.font === font) last.text += segment
    else runs.push({ text: segment, font })
  }
  return runs
}

/** The letters of a text that no face has; on paper each is a box. */
export const withoutFace = (text: string): string[] =>
  runsOf(text).flatMap((run) =>
    run.font === 'Next' ? [] : [...letters.segment(run.text)].map((s) => s.segment).filter((l) => !has('Wide', l)),
  )

/** As it may stand where a document has text: as it is, or in runs. */
function inRuns(text: string): string | Run[] {
  const runs = runsOf(text)
  return runs.every((r) => r.font === 'Next') ? text : runs
}

const inSvg = (svg: string): string =>
  svg.replace(/(<text[^>]*>)([^<]*)(?=<\/text>)/g, (whole, open: string, text: string) => {
    const runs = inRuns(text)
    return typeof runs === 'string'
      ? whole
      : open + runs.map((r) => `<tspan font-family="${r.font}">${r.text}</tspan>`).join('')
  })

/** Where a document keeps what is written. */
const holds = new Set(['text', 'stack', 'columns', 'table', 'body', 'ul', 'ol'])

/** Has every text of a document written in the faces that have its letters, in place: the document is its renderer's already. */
export function writeInFaces(node: unknown): void {
  if (Array.isArray(node)) {
    for (const [i, of] of node.entries()) {
      const runs = typeof of === 'string' ? inRuns(of) : undefined
      if (runs === undefined) writeInFaces(of)
      else if (typeof runs !== 'string') node[i] = { text: runs }
    }
    return
  }
  if (typeof node !== 'object' || node === null) return
  for (const [key, value] of Object.entries(node)) {
    if (typeof value === 'string' && key === 'text') Object.assign(node, { text: inRuns(value) })
    else if (typeof value === 'string' && key === 'svg') Object.assign(node, { svg: inSvg(value) })
    else if (holds.has(key)) writeInFaces(value)
  }
}
