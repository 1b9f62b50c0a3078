/** The table of doors: who may pass which. The server holds every request against it, Settings shows it, the document of the doors says it. */
import type { Role } from '../core/practice/functions'
import type { Stage } from './visit'

const chairside = ['assistant', 'expanded assistant', 'dentist'] as const satisfies readonly Role[]

/** Who passes, and how a person who does not is told. */
export const groups = {
  /** Nobody has to be signed in. */
  everybody: { roles: null, words: 'everybody' },
  anyone: { roles: [...chairside, 'sterilising', 'front desk'], words: 'whoever is signed in' },
  desk: { roles: [...chairside, 'front desk'], words: 'the chairside team and the front desk' },
  team: { roles: [...chairside, 'sterilising'], words: 'the chairside and sterilising team' },
  chairside: { roles: chairside, words: 'the chairside team' },
  dentist: { roles: ['dentist'], words: 'a dentist of the practice' },
} as const satisfies Record<string, { roles: readonly Role[] | null; words: string }>
export type Group = keyof typeof groups

const planned = ['planned'] as const
const notBegun = ['planned', 'laid up'] as const

/**
 * What is done behind doors, and who does it; the first is what a person reads. Some doors of a visit are open only at
 * some of its stages; without `at` they are at all.
 */
export const doors: readonly (readonly [does: string, who: Group, ways: readonly string[], at?: readonly Stage[]])[] = [
  [
    'signing in and out',
    'everybody',
    ['GET /health', 'GET /people', 'GET /session', 'POST /session', 'DELETE /session'],
  ],
  [
    'reading days, plans, runs and records',
    'anyone',
    [
      'GET /practice',
      'GET /practice/amendments',
      'GET /practice/unread',
      'GET /days/:day',
      'GET /days/:day/calendar.ics',
      'GET /visits/:visitId',
      'GET /visits/:visitId/raw',
      'GET /visits/:visitId/events',
      'GET /visits/:visitId/record',
      'GET /visits/:visitId/setup.pdf',
      'GET /visits/:visitId/sheet.pdf',
      'GET /visits/:visitId/pictures.pdf',
      'GET /needed',
      'GET /live',
      'GET /lookback',
      'GET /instruments',
      'GET /items.csv',
      'GET /stock',
      'GET /stock/order.csv',
    ],
  ],
  ['reading what doors there are', 'anyone', ['GET /openapi.json']],
  ['the drill', 'anyone', ['GET /drill', 'GET /drill/next', 'POST /drill/rounds']],
  ['entering a patient’s alerts', 'anyone', ['PUT /visits/:visitId/alerts']],
  [
    'putting visits into the day',
    'desk',
    ['POST /visits', 'PUT /visits/:visitId/shift', 'GET /standins/appointments/:day'],
  ],
  ['moving visits', 'desk', ['PUT /visits/:visitId/time', 'PUT /days/:day/times'], notBegun],
  ['deciding what a visit is', 'chairside', ['PUT /visits/:visitId/request'], planned],
  [
    'laying up, exchanging and signing a tray',
    'chairside',
    ['PUT /visits/:visitId/tray', 'PUT /visits/:visitId/swaps', 'POST /visits/:visitId/tray/sign'],
    planned,
  ],
  ['re-opening a tray', 'chairside', ['POST /visits/:visitId/tray/reopen'], notBegun],
  // A command that was stored before its visit was closed is answered as it was: the run itself refuses new ones.
  ['whatever is done in a run', 'chairside', ['POST /visits/:visitId/commands'], ['laid up', 'running']],
  [
    'keeping the cupboard',
    'team',
    [
      'POST /items/import',
      'PATCH /items/:itemId',
      'DELETE /items/:itemId',
      'POST /items/starter',
      'POST /lots',
      'PATCH /lots/:lotId',
      'POST /burs/:burId/renew',
    ],
  ],
  [
    'keeping instruments and loads',
    'team',
    [
      'PUT /instruments',
      'POST /loads',
      'POST /loads/:loadId/log',
      'POST /loads/:loadId/release',
      'POST /loads/:loadId/fail',
      'POST /loads/:loadId/spore',
      'DELETE /loads/:loadId/spore',
      'POST /sterilisers/:steriliserId/return',
      'POST /standins/steriliser/:loadId',
    ],
  ],
  [
    'changing a cassette that was pulled back',
    'team',
    ['POST /visits/:visitId/cassettes/change'],
    ['laid up', 'running'],
  ],
  [
    'changing the settings, people and codes',
    'dentist',
    [
      'PATCH /practice',
      'PUT /practice/functions',
      'PUT /practice/cards',
      'PUT /practice/rules',
      'POST /people',
      'PUT /people/:personId',
      'PUT /people/:personId/left',
      'GET /people/locked',
      'POST /people/:personId/unlock',
    ],
  ],
  ['changing one’s own code', 'anyone', ['PUT /session/code']],
  [
    'amending kinds of visit',
    'dentist',
    ['POST /practice/amendments', 'PUT /practice/amendments', 'DELETE /practice/amendments/:id'],
  ],
  ['seeing when the last copy was made', 'anyone', ['GET /backups/last']],
  [
    'making, fetching and checking copies of the practice',
    'dentist',
    ['GET /backups', 'POST /backups', 'GET /backups/:name', 'PUT /backups/nightly', 'GET /backups/verify'],
  ],
  ['reading the trail', 'dentist', ['GET /audit', 'GET /audit.csv']],
  ['letting a demo’s time pass', 'anyone', ['POST /standins/clock']],
]

const byWay = new Map(doors.flatMap(([does, who, ways, at]) => ways.map((way) => [way, { does, who, at }] as const)))

/** The row of a door, as 'GET /days/:day'; none where it was forgotten. */
export const doorOf = (way: string): { does: string; who: Group; at: readonly Stage[] | undefined } | undefined =>
  byWay.get(way)

/** When a door of a visit is open, in words; nothing where it always is. */
export const stageWords = (at: readonly Stage[] | undefined): string =>
  at === undefined ? '' : `, while the visit is ${at.join(' or ')}`

/** Whether somebody with these roles passes. */
export const passes = (who: Group, roles: readonly Role[]): boolean => {
  const { roles: may } = groups[who]
  return may === null || may.some((r) => roles.includes(r))
}
