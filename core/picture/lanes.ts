/** A choreography as bars on one time axis, one row for each person; shares of its width. */
import type { Lanes } from '../model/lanes'
import { spanOf } from '../plan/lanes'

export interface LaneBar {
  id: string
  say: string
  fromS: number
  toS: number
  /** Shares of the width, 0 to 1. */
  x: number
  width: number
}
export interface LanePicture {
  /** Seconds the whole width stands for. */
  spanS: number
  rows: { name: string; bars: LaneBar[] }[]
  /** Where all of it has to be done, as a share. */
  limit?: number
}

/** How much of the width a bar has at least, so that it can be seen and named. */
const leastShare = 0.02

export function drawLanes(lanes: Lanes): LanePicture {
  const limitS = lanes.withinS ?? lanes.everyS
  const spanS = spanOf(lanes)
  return {
    spanS,
    rows: lanes.rows.map((row) => ({
      name: row.name,
      bars: row.acts.map((a) => ({
        ...a,
        x: a.fromS / spanS,
        width: Math.max(leastShare, (a.toS - a.fromS) / spanS),
      })),
    })),
    ...(limitS === undefined ? {} : { limit: limitS / spanS }),
  }
}
