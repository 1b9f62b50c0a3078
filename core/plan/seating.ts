/** The places a visit is cut from, each once, in the order they are first needed. */
import { standingWords } from '../figure'
import { seatsInWords, sightInWords, zones, type Seats } from '../measure/seats'
import type { Plan } from '../model/plan'
import type { Tooth } from '../teeth/notation'
import { labelled } from '../model/said'

export interface Seating {
  tooth: Tooth
  seats: Seats
  /** The titles of the steps cut from there. */
  steps: string[]
  /** A few words to pick it by. */
  short: string
  words: string
  because: string
}

const wordsOf = (seats: Seats): string => {
  const { transfer } = zones(seats.hand)
  return `Dentist ${sightInWords(seats)}. Patient: head ${seats.head}, chin ${seats.chin}. Assistant at ${seats.assistant}, eyes 10 to 15 cm above the dentist’s: tip on the ${seats.tip} side in the ${seats.tipHand} hand, a little behind the tooth and laid before the handpiece comes. Things change hands between ${transfer[0]} and ${transfer[1]} o’clock, low, never over the eyes.`
}

/** Read by whoever lays the room: one entry for each tooth and place, in the order of the visit. */
export function seatingOf(plan: Plan): Seating[] {
  const found = new Map<string, Seating>()
  for (const { tooth, seats, title } of plan.steps) {
    if (!tooth || !seats) continue
    const key = `${tooth} ${seatsInWords(seats)}`
    const before = found.get(key)
    if (before) before.steps.push(title)
    else
      found.set(key, {
        tooth,
        seats,
        steps: [title],
        short: `${labelled(plan, tooth)} at ${seats.dentist}${seats.sight === 'mirror' ? ', mirror' : ''}, tip ${seats.tip}`,
        words: wordsOf(seats),
        because: `${seats.because.text} (${standingWords[seats.because.standing]}).`,
      })
  }
  return [...found.values()]
}
