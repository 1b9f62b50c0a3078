/** The demo's cassettes and sterilisers, and the loads that stand behind them. Invented. */
import { firstOf, keysOf, lastOf, sure } from '../core/sure'
import type { CassetteType, Instruments } from '../core/practice/instruments'
import { instruments } from '../core/practice/instruments'
import { wallTime } from '../core/clock'
import { Temporal } from 'temporal-polyfill'
import type { Db } from '../server/db/open'
import * as t from '../server/db/schema'
import { simulatedReadings } from '../server/standins/steriliser'

const owned: Partial<Record<CassetteType, number>> = {
  basic: 9,
  crown: 5,
  dam: 6,
  restorative: 3,
  endodontic: 2,
  child: 2,
}
const names: Record<CassetteType, string> = {
  basic: 'Basic',
  crown: 'Crown',
  restorative: 'Filling',
  dam: 'Dam',
  endodontic: 'Canal',
  bonding: 'Bonding',
  child: 'Child',
  gold: 'Gold',
}

export const demoInstruments: Instruments = instruments.parse({
  cassettes: keysOf(owned).flatMap((type) =>
    Array.from({ length: sure(owned[type]) }, (_, i) => ({
      id: `${type}-${i + 1}`,
      type,
      name: `${names[type]} ${i + 1}`,
    })),
  ),
  sterilisers: [
    { id: 'steriliser-a', name: 'Steriliser A', capacity: 8, cycle: 'pre-vacuum 132' },
    { id: 'steriliser-b', name: 'Steriliser B', capacity: 6, cycle: 'gravity 132' },
  ],
})

/** Yesterday's evening loads: every cassette sterile this morning; A had its spore test six days ago, B eight. */
export async function seedLoads(db: Db, day: string, zone: string): Promise<void> {
  const at = (daysAgo: number, time: string): number =>
    wallTime(Temporal.PlainDate.from(day).subtract({ days: daysAgo }).toString(), time, zone)
  const minute = 60_000
  const load = (
    number: number,
    steriliserId: 'steriliser-a' | 'steriliser-b',
    startedAt: number,
    cassetteIds: string[],
    spore = false,
  ): typeof t.loads.$inferInsert => {
    const cycle = steriliserId === 'steriliser-a' ? 'pre-vacuum 132' : 'gravity 132'
    const log = simulatedReadings(cycle)
    const endedAt = startedAt + lastOf(log).atS * 1000
    return {
      id: `load-${number}`,
      number,
      steriliserId,
      cycle,
      cassetteIds,
      spore,
      startedAt,
      startedBy: 'wim',
      endedAt,
      log,
      indicator: 'changed',
      releasedAt: endedAt + 4 * minute,
      releasedBy: 'wim',
      ...(spore
        ? { sporeResult: 'no growth' as const, sporeReadAt: startedAt + 48 * 60 * minute, sporeReadBy: 'wim' }
        : {}),
    }
  }
  const ids = demoInstruments.cassettes.map((c) => c.id)
  // Of each type some in every load, as they came back.
  const dealt = ids.toSorted((a, b) => lastOf(a.split('-')).localeCompare(lastOf(b.split('-'))) || a.localeCompare(b))
  const parts = [dealt.slice(0, 8), dealt.slice(8, 14), dealt.slice(14, 22), dealt.slice(22)]
  await db
    .insert(t.loads)
    .values([
      load(211, 'steriliser-b', at(8, '12:31'), dealt.slice(0, 5), true),
      load(214, 'steriliser-a', at(6, '12:30'), dealt.slice(5, 12), true),
      load(231, 'steriliser-a', at(1, '15:10'), firstOf(parts)),
      load(232, 'steriliser-b', at(1, '15:25'), sure(parts[1])),
      load(233, 'steriliser-a', at(1, '17:02'), sure(parts[2])),
      load(234, 'steriliser-b', at(1, '17:05'), sure(parts[3])),
    ])
    .onConflictDoNothing()
}
