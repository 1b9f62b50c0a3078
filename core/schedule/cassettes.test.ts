import { describe, expect, it } from 'vitest'
import { readSteriliserLog, writeSteriliserLog } from '../formats/steriliser-log'
import { judgeLoad, type LogReading } from '../measure/load'
import { cycleNames, cycleTable, type Cassette } from '../practice/instruments'
import {
  cassetteStates,
  followedSince,
  offerCassettes,
  doubtedBySpore,
  sporeDueAt,
  traceLoads,
  type CassetteUse,
  type LoadRecord,
} from './cassettes'
import { decideRelease, type LoadToRelease } from './release'

const hour = 3_600_000
const cassettes: Cassette[] = ['crown-1', 'crown-2', 'basic-1'].map((id) => ({
  id,
  type: id.startsWith('crown') ? 'crown' : 'basic',
  name: id,
}))
const load = (number: number, over: Partial<LoadRecord> = {}): LoadRecord => ({
  id: `l${number}`,
  number,
  steriliserId: 'a',
  cassetteIds: ['crown-1', 'basic-1'],
  spore: false,
  startedAt: number * hour,
  endedAt: number * hour + hour / 2,
  releasedAt: number * hour + hour / 2,
  failedAt: null,
  failedWhy: null,
  sporeResult: null,
  ...over,
})
const use = (
  visitId: string,
  cassetteId: string,
  loadId: string | null,
  at: number,
  usedAt: number | null,
): CassetteUse => ({ visitId, cassetteId, loadId, at, usedAt })
const status = (loads: LoadRecord[], uses: CassetteUse[] = []): string[] =>
  cassetteStates(cassettes, loads, uses).map((s) => s.status)

describe('where a cassette is', () => {
  it('follows its newest record, from the load to the visit and back', () => {
    const running = load(1, { endedAt: null, releasedAt: null })
    expect(status([])).toEqual(['not on record', 'not on record', 'not on record'])
    expect(status([running])).toEqual(['in the steriliser', 'not on record', 'in the steriliser'])
    expect(status([load(1, { releasedAt: null })])[0]).toBe('to be released')
    expect(status([load(1)])[0]).toBe('sterile')
    expect(status([load(1)], [use('v', 'crown-1', 'l1', 2 * hour, null)])[0]).toBe('laid up')
    expect(status([load(1)], [use('v', 'crown-1', 'l1', 2 * hour, 3 * hour)])[0]).toBe('soiled')
    expect(status([load(1), load(4)], [use('v', 'crown-1', 'l1', 2 * hour, 3 * hour)])[0]).toBe('sterile')
    expect(
      status(
        [load(1), load(4, { failedAt: 5 * hour, releasedAt: null })],
        [use('v', 'crown-1', 'l1', 2 * hour, 3 * hour)],
      )[0],
    ).toBe('pulled back')
  })
  it('lays up what has been sterile longest, says what is missing, and asks for no type the practice keeps no record of', () => {
    const states = cassetteStates(cassettes, [load(3), load(1, { cassetteIds: ['crown-2'] })], [])
    expect(offerCassettes(['basic', 'crown', 'gold'], states)).toMatchObject({
      offered: [[{ cassette: { id: 'basic-1' } }], [{ cassette: { id: 'crown-2' } }, { cassette: { id: 'crown-1' } }]],
      missing: [],
    })
    expect(
      offerCassettes(['basic', 'crown'], cassetteStates(cassettes, [load(1, { failedAt: 2 * hour })], [])).missing,
    ).toEqual(['basic', 'crown'])
  })
})

describe('a reading taken back', () => {
  it('is refused once a cassette of it ran again, was used or changed, or the steriliser is back', () => {
    const loads = [load(1, { cassetteIds: ['crown-1'], failedAt: 9 * hour })]
    const since = (more: Parameters<typeof followedSince>[2], uses: CassetteUse[] = [], at: number[] = []) =>
      followedSince(
        9 * hour,
        ['l1'],
        [...loads, ...more],
        uses,
        at.map((x) => ({ steriliserId: 'a', at: x })),
      )
    expect(since([])).toBeUndefined()
    expect(since([], [use('v', 'crown-1', 'l1', 3 * hour, 4 * hour)], [8 * hour])).toBeUndefined()
    expect(since([load(10, { cassetteIds: ['crown-1'] })])).toContain('another load')
    expect(since([], [use('v', 'crown-1', 'l1', 3 * hour, 10 * hour)])).toContain('used or changed')
    expect(since([], [], [10 * hour])).toContain('let back')
  })
})

describe('a load that failed', () => {
  it('says of a cassette laid up out of it that it is to be changed', () => {
    expect(
      cassetteStates(cassettes, [load(1, { failedAt: 9 * hour })], [use('v', 'crown-1', 'l1', 8 * hour, null)])[0],
    ).toMatchObject({ status: 'laid up', change: true })
  })
  it('pulls back what has not gone on, names the tray to change and every visit touched, also where the cassette has been round again since', () => {
    const loads = [
      load(1, { cassetteIds: ['crown-1', 'crown-2', 'basic-1'], failedAt: 9 * hour }),
      load(6, { cassetteIds: ['crown-1'] }),
    ]
    const uses = [use('over', 'crown-1', 'l1', 2 * hour, 3 * hour), use('laid', 'basic-1', 'l1', 8 * hour, null)]
    expect(traceLoads(['l1'], cassettes, loads, uses)).toEqual({
      back: ['crown-2'],
      laidUp: [{ cassetteId: 'basic-1', visitId: 'laid' }],
      visits: ['over'],
    })
  })
  it('by a grown spore test: every load of that steriliser since the last test without growth (CDC MMWR 2003;52(RR-17))', () => {
    const loads = [
      load(1, { spore: true, sporeResult: 'no growth' }),
      load(2),
      load(3, { steriliserId: 'b' }),
      load(4, { spore: true }),
      load(5),
    ]
    expect(doubtedBySpore(loads[3]!, loads).map((l) => l.number)).toEqual([2, 4, 5])
    expect(sporeDueAt('a', loads, 7)).toBe(4 * hour + 7 * 24 * hour)
    expect(sporeDueAt('b', loads, 7)).toBeUndefined()
  })
})

/** Room, up, held, down. */
const cycle = (celsius: number, heldS: number, everyS = 10): LogReading[] => [
  { atS: 0, temperatureC: 22, pressureKPa: 0 },
  ...Array.from({ length: Math.round(heldS / everyS) + 1 }, (_, i) => ({
    atS: 600 + i * everyS,
    temperatureC: celsius,
    pressureKPa: 190,
  })),
  { atS: 600 + heldS + 600, temperatureC: 60, pressureKPa: 0 },
]
const ended = (log: LogReading[] | null, over: Partial<LoadToRelease> = {}): LoadToRelease => ({
  number: 7,
  cycle: 'pre-vacuum 132',
  log,
  logFault: null,
  endedAt: 1,
  releasedAt: null,
  failedAt: null,
  ...over,
})

describe('the readings of a cycle', () => {
  it('are good exactly when the exposure published for the cycle is held: one reading short is too short', () => {
    for (const name of cycleNames) {
      const { temperatureC, exposureMin } = cycleTable[name]
      expect(judgeLoad(name, cycle(temperatureC, exposureMin * 60))).toMatchObject({
        good: true,
        heldS: exposureMin * 60,
      })
      expect(judgeLoad(name, cycle(temperatureC, exposureMin * 60 - 10)).good).toBe(false)
      expect(judgeLoad(name, cycle(temperatureC - 0.1, exposureMin * 60)).because.text).toContain('never hotter')
    }
  })
  it('prove nothing over a gap, and nothing where they break off hot', () => {
    const gap = cycle(133, 300).filter((r) => r.atS < 700 || r.atS > 760)
    expect(judgeLoad('pre-vacuum 132', gap).good).toBe(false)
    expect(judgeLoad('pre-vacuum 132', cycle(133, 600).slice(0, -1)).because.text).toContain('break off')
    expect(judgeLoad('pre-vacuum 132', []).good).toBe(false)
  })
  it('let a load out with a changed indicator only; a bad one never, one without readings by what was read by hand', () => {
    const good = ended(cycle(133, 300))
    expect(decideRelease(good, 'changed')).toEqual({ kind: 'released', logFault: null })
    expect(decideRelease(good, 'not changed').kind).toBe('pulled back')
    expect(decideRelease(ended(cycle(125, 900)), 'changed', 'the strip says 134')).toMatchObject({
      kind: 'refused',
      slug: 'not-good',
    })
    expect(decideRelease(ended(null), 'changed')).toMatchObject({ kind: 'refused', slug: 'no-readings' })
    expect(decideRelease(ended(null, { logFault: 'the log is empty' }), 'changed', 'strip: 134 °C, 5 min')).toEqual({
      kind: 'released',
      logFault: 'the log is empty; read by hand: strip: 134 °C, 5 min',
    })
    expect(decideRelease({ ...good, endedAt: null }, 'changed')).toMatchObject({ kind: 'refused', slug: 'running' })
    expect(decideRelease({ ...good, failedAt: 5 }, 'changed')).toMatchObject({ kind: 'refused', slug: 'done' })
  })
})

describe('the log as a device sends it', () => {
  it('comes back the same, and whatever else is sent is named by its line', () => {
    const readings = cycle(133, 240)
    expect(readSteriliserLog(writeSteriliserLog(readings))).toEqual({ readings })
    const said = (text: string): string => {
      const read = readSteriliserLog(text)
      return 'fault' in read ? read.fault : 'read'
    }
    expect(said('')).toBe('the log is empty')
    expect(said('time,temp\n1,2')).toContain('line 1')
    expect(said('seconds,celsius,kilopascal\n0,22,0\n10,13')).toContain('line 3 cannot be read')
    expect(said('seconds,celsius,kilopascal\n10,22,0\n10,23,0')).toContain('time goes from 10 s to 10 s')
    expect(said('seconds,celsius,kilopascal\n0,2200,0')).toContain('2200 °C')
  })
})
