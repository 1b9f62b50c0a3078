/** Clocks are heard as they are seen: once when they say hurry, once when they have closed. */
import { keysOf } from '../../core/sure'
import { useEffect, useRef } from 'react'
import type { RunningClock } from '../../core/run/clocks'
import { chime, useVolume, type Volume } from '../parts/sound'
import { Pick } from '../parts/ui'

/** Plays a sound when a clock of a running visit enters a phase that matters. What had entered it before this screen opened is not told again. */
export function useClockSounds(clocks: readonly RunningClock[], running: boolean): void {
  const before = useRef<Map<string, string>>(undefined)
  const key = running ? clocks.map((c) => `${c.linkId} ${c.phase}`).join('\n') : ''
  useEffect(() => {
    const now = new Map(
      key === ''
        ? []
        : key.split('\n').map((line) => [line.slice(0, line.lastIndexOf(' ')), line.slice(line.lastIndexOf(' ') + 1)]),
    )
    if (before.current) {
      for (const [id, phase] of now) {
        if (phase === before.current.get(id)) continue
        if (phase === 'warn') chime('hurry')
        if (phase === 'missed') chime('closed')
      }
    }
    before.current = now
  }, [key])
}

const words: Record<Volume, string> = { off: 'shown only', quiet: 'quiet', loud: 'loud' }

export function SoundPick() {
  const [volume, setVolume] = useVolume()
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="text-soft">Sound</span>
      <Pick
        label="Sound of this device"
        value={volume}
        onPick={setVolume}
        options={keysOf(words).map((value) => ({ value, label: words[value] }))}
      />
    </div>
  )
}
