/** The words between chair and bench: one touch to say it, one to have seen it; both stand in the record. */
import { keysOf } from '../sure'
/** Common practice: what assistants and dentists call to each other over a visit. */
export const handoffs = {
  ready: { from: 'assistant', words: 'Ready for you' },
  provisional: { from: 'assistant', words: 'Provisional done' },
  cord: { from: 'assistant', words: 'The cord has had its time' },
  materials: { from: 'assistant', words: 'Impression materials ready' },
  numb: { from: 'dentist', words: 'Numb now' },
  'make provisional': { from: 'dentist', words: 'Go and make the provisional' },
  leaving: { from: 'dentist', words: 'Leaving the room' },
} as const
export type Handoff = keyof typeof handoffs
export const handoffNames = keysOf(handoffs)

export interface Call {
  by: string
  at: number
  /** Back in about so many minutes. */
  minutes?: number
  seenBy?: string
  seenAt?: number
}

export const handoffWords = (h: Handoff, minutes?: number): string =>
  minutes === undefined ? handoffs[h].words : `${handoffs[h].words}, back in about ${minutes} min`
