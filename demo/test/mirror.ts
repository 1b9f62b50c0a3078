/** What lies on the patient's other side: teeth, the words of side, the clock and the hand, in whatever is plain JSON. */
import { allTeeth, isTooth, toQuadrant, write, type Notation, type Tooth } from '../../core/teeth/notation'

const otherQuadrant = ['', '2', '1', '4', '3', '6', '5', '8', '7']
const otherSide: Record<string, string> = { left: 'right', right: 'left', Left: 'Right', Right: 'Left' }

const tooth = (code: string): string => (isTooth(code) ? `${otherQuadrant[Number(code[0])]}${code[1]}` : code)
/** A side is a side behind such a word, or before a hand; what is left over is no side. */
const sides = (text: string): string =>
  text.replace(
    /(?<=\b(?:upper|lower|his|her|your|patient’s)[ -])(?:left|right)\b|\b(?:left|right)(?=[- ]hand)|^(?:left|right)$/gi,
    (word) => otherSide[word] ?? word,
  )

/** Ids and codes name teeth in ISO, on the wire as in the database; sentences as the practice writes them: here in quadrants. */
function mirrored(text: string): string {
  if (/^\D[\w.@>~-]+$|^\d\d$/.test(text) && !/^[UL][LR][1-8A-E]$/.test(text))
    return sides(text.replace(/(?<=^|[.@>~])[1-8][1-8](?=$|[.@>~-])/g, tooth))
  return sides(text)
    .replace(/\b([UL])([LR])(?=[1-8A-E]\b)/g, (_, jaw: string, side: string) => `${jaw}${side === 'L' ? 'R' : 'L'}`)
    .replace(/(?<=\(ISO )\d\d(?=\))/g, tooth)
    .replace(/\b(\d+)(?= o’clock)/g, (at) => String(hour(Number(at))))
}

const everywhere = (of: unknown, text: (t: string) => string): unknown => {
  if (typeof of === 'string') return text(of)
  if (Array.isArray(of)) return of.map((x) => everywhere(x, text))
  return typeof of === 'object' && of !== null
    ? Object.fromEntries(Object.entries(of).map(([key, value]) => [text(key), everywhere(value, text)]))
    : of
}

const hour = (of: number): number => 12 - (of % 12)
/** What is no text: the hours people sit at. */
const seated = (key: string, value: unknown): unknown =>
  key === 'seats' && typeof value === 'object' && value !== null && 'dentist' in value && 'assistant' in value
    ? { ...value, dentist: hour(Number(value.dentist)), assistant: hour(Number(value.assistant)) }
    : value
export function acrossTheMiddle(of: object): object {
  const other: object = JSON.parse(JSON.stringify(everywhere(of, mirrored)), seated)
  return other
}

const byQuadrant = new Map<string, Tooth>(allTeeth.map((t) => [toQuadrant(t), t]))
/** What was written in quadrants, written in another notation. */
export const inNotation = (of: object, notation: Notation): unknown =>
  everywhere(of, (text) => text.replace(/\b[UL][LR][1-8A-E]\b/g, (t) => write(byQuadrant.get(t)!, notation)))
