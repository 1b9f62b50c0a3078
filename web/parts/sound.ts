/** Sounds by the browser's own synthesiser: no files, a volume in reach, and silence where a device shows only. */
import { among, keysOf } from '../../core/sure'
import { useEffect, useRef, useSyncExternalStore } from 'react'
import { kept } from '../app/kept'

export const volumes = { off: 0, quiet: 0.08, loud: 0.35 } as const
export type Volume = keyof typeof volumes
const key = 'jade.sound'

const told = new Set<() => void>()
let volume: Volume = among(keysOf(volumes), kept.get(key)) ?? 'quiet'
function setVolume(next: Volume): void {
  volume = next
  kept.set(key, next)
  for (const tell of told) tell()
  if (next !== 'off') chime('word')
}
/** How loud this device is, and the way to change it. */
export function useVolume(): [Volume, (v: Volume) => void] {
  const now = useSyncExternalStore(
    (tell) => {
      told.add(tell)
      return () => told.delete(tell)
    },
    () => volume,
  )
  return [now, setVolume]
}

/** Notes of each sound, hertz and seconds: a word is two rising, hurry is two equal, closed is three falling. */
const melodies = {
  word: [
    [660, 0.12],
    [880, 0.18],
  ],
  hurry: [
    [740, 0.12],
    [740, 0.12],
  ],
  closed: [
    [700, 0.15],
    [560, 0.15],
    [420, 0.3],
  ],
} as const
export type Sound = keyof typeof melodies

let context: AudioContext | undefined
/** Plays one sound. A browser that has not been touched yet stays silent; what is shown says the same. */
export function chime(sound: Sound): void {
  const gainTo = volumes[volume]
  if (gainTo === 0 || typeof AudioContext === 'undefined') return
  context ??= new AudioContext()
  if (context.state === 'suspended') void context.resume().catch(() => undefined)
  let at = context.currentTime
  for (const [hertz, seconds] of melodies[sound]) {
    const [tone, gain] = [context.createOscillator(), context.createGain()]
    tone.frequency.value = hertz
    gain.gain.setValueAtTime(0, at)
    gain.gain.linearRampToValueAtTime(gainTo, at + 0.02)
    gain.gain.linearRampToValueAtTime(0, at + seconds)
    tone.connect(gain).connect(context.destination)
    tone.start(at)
    tone.stop(at + seconds)
    at += seconds + 0.03
  }
}

/** Sounds once when a line comes to a list that was not on it before; what stood there at first is not told. */
export function useChimeOnNew(lines: string): void {
  const before = useRef<ReadonlySet<string>>(undefined)
  useEffect(() => {
    const now = new Set(lines.split('\n').filter(Boolean))
    if (before.current) {
      for (const line of now) {
        if (before.current.has(line)) continue
        chime('word')
        break
      }
    }
    before.current = now
  }, [lines])
}
