/** Reads a calendar off the main thread: the file of a year has thousands of entries. */
import { readCalendar } from '../../core/formats/ical'

self.addEventListener('message', (e: MessageEvent<{ text: string; day: string; zone: string }>) => {
  self.postMessage(readCalendar(e.data.text, e.data.day, e.data.zone))
})
