/** Telling screens that something changed. */
import type { House } from '../house'
import { dayTopic, visitTopic } from '../live/topics'

/** The screens of a visit, and those of the day. */
export function tellOf(house: House, visitId: string): void {
  house.hub.send(visitTopic(visitId), { event: 'visit', data: { visitId } })
  house.hub.send(dayTopic, { event: 'day', data: { visitId } })
}

/** Everybody: plans are made of the practice. */
export const tellPractice = (house: House): void => house.hub.broadcast({ event: 'practice', data: {} })

/** Everybody who looks at instruments, and the day, whose trays stand on them. */
export function tellInstruments(house: House): void {
  house.hub.broadcast({ event: 'instruments', data: {} })
  house.hub.send(dayTopic, { event: 'day', data: {} })
}
