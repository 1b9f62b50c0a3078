import { timeOfDay } from '../../core/clock'
import { writeBoth, type Notation, type Tooth } from '../../core/teeth/notation'

export const clockTime = (ms: number, zone: string): string => timeOfDay(ms, zone)
export const bothNotations = (teeth: readonly Tooth[], own: Notation): string =>
  teeth.map((t) => writeBoth(t, own)).join(', ')
export const minutes = (seconds: number): string => `${Math.round(seconds / 60)} min`
