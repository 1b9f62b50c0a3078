/** What is typed to put a visit into the day, and what is made of it. */
import * as z from 'zod'
import { kindFacts, kindIds, type KindId } from '../../core/kinds'
import { readTooth, write, type Notation, type Tooth, type ToothReading } from '../../core/teeth/notation'
import { firstOf } from '../../core/sure'
import { restorations } from '../../core/vocabulary'
import type { DayVisit } from '../../wire/day'
import { clockTime } from '../parts/words'

/** A further visit of a case that is there: its patient, teeth and team are known. */
export interface Follows {
  caseId: string
  patient: string
  kind: KindId
  teeth: readonly Tooth[]
  title: string
  team: { dentist: string; assistants: string[] }
}

/** Teeth typed one after the other, parted by spaces or commas, each in any notation. */
const wordsOf = (text: string): string[] => text.split(/[\s,;]+/).filter(Boolean)
export const readTeeth = (text: string, notation: Notation): (ToothReading & { word: string })[] =>
  wordsOf(text).map((word) => ({ word, ...readTooth(word, notation) }))
/** The text with the word at a place written so that it is this tooth. */
export const teethWith = (text: string, at: number, tooth: Tooth, notation: Notation): string =>
  wordsOf(text)
    .map((word, i) => (i === at ? write(tooth, notation) : word))
    .join(' ')

/** The teeth, where each was read; else a word on the one that was not. */
function teethOf(text: string, notation: Notation): Tooth[] | string {
  const readings = readTeeth(text, notation)
  const teeth = readings.flatMap((r) => (r.kind === 'ok' ? [r.tooth] : []))
  if (teeth.length === readings.length) return teeth
  return readings.some((r) => r.kind === 'ask') ? 'Say which tooth is meant.' : 'Not every one is a tooth.'
}

const typed = z.object({
  patientName: z.string(),
  kind: z.enum(kindIds),
  day: z.string().min(1, 'Which day?'),
  time: z.string().min(1, 'At what time?'),
  chairId: z.string().min(1),
  dentist: z.string().min(1, 'Who treats?'),
  assistant: z.string().min(1, 'Who assists?'),
  teethText: z.string(),
  ponticText: z.string(),
  restoration: z.enum(restorations).optional(),
})

/** The form's schema: its answer is what the server is sent. */
export const newVisitForm = (notation: Notation, follows: Follows | undefined) =>
  typed.transform(({ patientName, kind, day, time, chairId, dentist, assistant, ...of }, ctx) => {
    const when = { kind, day, time, chairId, team: { dentist, assistants: [assistant] } }
    if (follows) return { ...when, caseId: follows.caseId }
    const facts = kindFacts(kind)
    const wrong = (path: keyof z.input<typeof typed>, message: string): void =>
      ctx.addIssue({ code: 'custom', path: [path], message })
    if (!patientName.trim()) wrong('patientName', 'Whose visit is it? A name, or a mark of your own.')
    const teeth = teethOf(of.teethText, notation)
    if (typeof teeth === 'string') wrong('teethText', teeth)
    else if (teeth.length === 0) wrong('teethText', facts.most === 1 ? 'Which tooth?' : 'Which teeth?')
    const pontics = facts.pontics ? teethOf(of.ponticText, notation) : []
    if (typeof pontics === 'string') wrong('ponticText', pontics)
    else if (pontics.length === 0 && facts.pontics === 'needed') wrong('ponticText', 'What does it replace?')
    const restoration = of.restoration && facts.restorations.includes(of.restoration) ? of.restoration : undefined
    return {
      ...when,
      patientName,
      teeth,
      ...(pontics.length > 0 ? { pontics } : {}),
      ...(facts.restorations.length > 1 ? { restoration: restoration ?? firstOf(facts.restorations) } : {}),
    }
  })

/** When a chair is free again after the visits it has, to the next five minutes; nine o'clock where it has none. */
export function freeFrom(view: { visits?: DayVisit[]; zone?: string }, chairId: string): string {
  const own = view.visits?.filter((v) => v.chairId === chairId) ?? []
  if (own.length === 0 || !view.zone) return '09:00'
  const fiveMinutes = 300_000
  return clockTime(
    Math.ceil(Math.max(...own.map((v) => v.startsAt + v.score.totalS * 1000)) / fiveMinutes) * fiveMinutes,
    view.zone,
  )
}
