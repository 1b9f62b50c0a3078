/** What a backup holds, in the order it is put back, and how each table changes: that is how it can be read while the practice goes on. */

export interface KeptTable {
  name: string
  key: readonly string[]
  /**
   * `changing`: any row may change, at any time, but for `items` none is taken away.
   * `added`: rows are only ever put in.
   * `begun`: rows may change and go as long as their visit has not begun, and never after.
   * `used`: rows may change and go until they say when they were used.
   */
  how: 'changing' | 'added' | 'begun' | 'used'
  /** Rows that are read at once: about a quarter of a megabyte, some ten milliseconds of the embedded database. */
  page: number
}

export const keptTables: readonly KeptTable[] = [
  { name: 'practices', key: ['id'], how: 'changing', page: 10 },
  { name: 'people', key: ['id'], how: 'changing', page: 500 },
  { name: 'patients', key: ['id'], how: 'changing', page: 500 },
  { name: 'cases', key: ['id'], how: 'changing', page: 300 },
  { name: 'visits', key: ['id'], how: 'changing', page: 300 },
  { name: 'items', key: ['id'], how: 'changing', page: 500 },
  { name: 'burs', key: ['id'], how: 'changing', page: 500 },
  { name: 'lots', key: ['id'], how: 'changing', page: 500 },
  { name: 'loads', key: ['id'], how: 'changing', page: 50 },
  { name: 'steriliser_returns', key: ['id'], how: 'added', page: 250 },
  { name: 'cassette_uses', key: ['visit_id', 'cassette_id'], how: 'used', page: 500 },
  { name: 'drill_memories', key: ['person_id', 'key'], how: 'changing', page: 500 },
  { name: 'drill_rounds', key: ['id'], how: 'added', page: 250 },
  { name: 'plans', key: ['visit_id'], how: 'begun', page: 4 },
  { name: 'tray_marks', key: ['visit_id', 'line_id'], how: 'begun', page: 250 },
  { name: 'run_events', key: ['visit_id', 'seq'], how: 'added', page: 250 },
  { name: 'records', key: ['visit_id'], how: 'added', page: 50 },
  { name: 'lot_uses', key: ['visit_id', 'lot_id'], how: 'added', page: 250 },
  { name: 'step_times', key: ['visit_id', 'step_id'], how: 'added', page: 250 },
  { name: 'audit', key: ['id'], how: 'added', page: 250 },
]
/** Every table that a copy names at its end, each with its sum, whether it has rows or not. One that is added later is from its migration on. */
export const keptNames: ReadonlySet<string> = new Set(keptTables.map((k) => k.name))

/** What stays behind, and why. */
export const leftTables: Readonly<Record<string, string>> = {
  sessions: 'a sign-in belongs to the server it was made at',
  known_devices: 'so do the devices it knows',
  backups: 'a list of this machine’s own copies',
}

/** Tables whose numbers are given by the database; they go on from where the backup ended. */
export const numbered = ['audit', 'drill_rounds', 'steriliser_returns']
