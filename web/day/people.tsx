/** A stave for each person of the day: at work in which chair, and when in two at once. */
import { among } from '../../core/sure'
import { useState } from 'react'
import { stretchesOf } from '../../core/schedule/day'
import type { Twice } from '../../core/schedule/collide'
import type { DayView } from '../../wire/day'
import { clockTime } from '../parts/words'
import { kept } from '../app/kept'
import { startOf } from './day-facts'

const allStaves = ['dentists', 'everybody', 'none'] as const
export type Staves = (typeof allStaves)[number]
const key = 'jade.day.staves'
/** Whose staves this device shows, remembered. */
export function useStaves(): [Staves, (s: Staves) => void] {
  const [staves, setStaves] = useState<Staves>(() => among(allStaves, kept.get(key)) ?? 'dentists')
  return [
    staves,
    (s) => {
      kept.set(key, s)
      setStaves(s)
    },
  ]
}

export function People({
  view,
  staves,
  now,
  at,
  twice,
}: {
  view: DayView
  staves: Staves
  now: number
  at: (ms: number) => number
  twice: readonly Twice[]
}) {
  const visits = view.visits.map((v) => ({ ...v, startsAt: startOf(v) }))
  const people = [...new Map(visits.flatMap((v) => v.people.map((p) => [p.id, p] as const))).values()]
    .filter((p) => staves === 'everybody' || (staves === 'dentists' && p.dentist))
    .toSorted((a, b) => Number(b.dentist) - Number(a.dentist) || a.name.localeCompare(b.name))
  if (people.length === 0) return null
  const chairNumber = new Map(view.chairs.map((c) => [c.id, c.name.match(/\d+/)?.[0] ?? c.name.slice(0, 2)]))
  return (
    <div className="border-t-2 border-line pt-1">
      {people.map((p) => {
        const works = stretchesOf(p.id, visits)
        return (
          <div
            key={p.id}
            data-stave={p.id}
            className="flex h-6 items-center"
            role="img"
            aria-label={`${p.name}: ${works.map((w) => `${clockTime(w.startAt, view.zone)} to ${clockTime(w.endAt, view.zone)} in ${view.chairs.find((c) => c.id === w.chairId)?.name ?? 'a chair'}`).join(', ')}`}
          >
            <span className="w-20 shrink-0 truncate text-base">{p.name.split(' ').at(-1)}</span>
            <span className="relative h-full flex-1">
              <span className="absolute inset-x-0 top-1/2 h-px bg-line" />
              {works.map((w) => (
                <span
                  key={`${w.visitId}${w.startAt}`}
                  className={`absolute top-0.5 bottom-0.5 overflow-hidden rounded-sm px-0.5 text-center text-base leading-5 font-bold text-jade-ink ${p.dentist ? 'bg-dentist' : 'bg-helper'}`}
                  style={{ left: `${at(w.startAt)}%`, width: `max(2px, calc(${at(w.endAt) - at(w.startAt)}% - 1px))` }}
                >
                  {at(w.endAt) - at(w.startAt) > 1.6 ? chairNumber.get(w.chairId) : ''}
                </span>
              ))}
              {twice
                .filter((c) => c.heldId === p.id)
                .map((c) => (
                  <span
                    key={`${c.startAt}${c.visits.join()}`}
                    className="absolute inset-y-0 rounded-sm border-3 border-brass"
                    style={{ left: `${at(c.startAt)}%`, width: `max(0.5rem, ${at(c.endAt) - at(c.startAt)}%)` }}
                  />
                ))}
              {view.day === view.today && (
                <span
                  className="absolute inset-y-0 w-0.5 bg-alarm"
                  style={{ left: `${Math.min(100, Math.max(0, at(now)))}%` }}
                />
              )}
            </span>
          </div>
        )
      })}
    </div>
  )
}
