/** What a backup holds, in the order it is put back. */

export interface KeptTable {
  name: string
  key: readonly string[]
  /**
   * Rows that never change once their visit has begun, or has been closed, are read after the snapshot, in pages between
   * which the practice goes on; the rest is read within it.
   */
  settled?: 'begun' | 'closed' | 'trail'
}

export const keptTables: readonly KeptTable[] = [
  { name: 'practices', key: ['id'] },
  { name: 'people', key: ['id'] },
  { name: 'patients', key: ['id'] },
  { name: 'cases', key: ['id'] },
  { name: 'visits', key: ['id'] },
  { name: 'items', key: ['id'] },
  { name: 'burs', key: ['id'] },
  { name: 'lots', key: ['id'] },
  { name: 'loads', key: ['id'] },
  { name: 'steriliser_returns', key: ['id'] },
  { name: 'cassette_uses', key: ['visit_id', 'cassette_id'] },
  { name: 'drill_memories', key: ['person_id', 'key'] },
  { name: 'drill_rounds', key: ['id'] },
  { name: 'plans', key: ['visit_id'], settled: 'begun' },
  { name: 'tray_marks', key: ['visit_id', 'line_id'], settled: 'begun' },
  { name: 'run_events', key: ['visit_id', 'seq'], settled: 'begun' },
  { name: 'records', key: ['visit_id'], settled: 'closed' },
  { name: 'lot_uses', key: ['visit_id', 'lot_id'], settled: 'closed' },
  { name: 'step_times', key: ['visit_id', 'step_id'], settled: 'closed' },
  { name: 'audit', key: ['id'], settled: 'trail' },
]

/** What stays behind, and why. */
export const leftTables: Readonly<Record<string, string>> = {
  sessions: 'a sign-in belongs to the server it was made at',
  known_devices: 'so do the devices it knows',
  backups: 'a list of this machine’s own copies',
}

/** Tables whose numbers are given by the database; they go on from where the backup ended. */
export const numbered = ['audit', 'drill_rounds', 'steriliser_returns']
