/** Every kind of failure, and what is then in the log: what failed and where, and nothing that a person typed. */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import { copiesView } from '../wire/backups'
import type { Db } from './db/open'
import { everyHouse } from './test/store'
import { wordsOf } from './log'
import { Caller, day, openHouse, type TestHouse } from './test/house'

const lines: string[] = []
let house: TestHouse
let orrell: Caller
/** Where copies cannot be put. */
const file = join(mkdtempSync(join(tmpdir(), 'jade-log-')), 'in-the-way')
beforeAll(async () => {
  writeFileSync(file, '')
  const copies = { folder: join(file, 'copies') }
  house = await openHouse(everyHouse, { log: { write: (line) => void lines.push(line) }, copies })
  orrell = await new Caller(house.app).signIn('orrell', '471108')
})
afterAll(() => house.close())
beforeEach(() => {
  lines.length = 0
})

/** Whatever is written to these tables fails as the database says it does, with the whole row in its words. */
async function failing(db: Db, code: string, words: string): Promise<void> {
  await db.execute(
    sql.raw(
      `create or replace function fails() returns trigger language plpgsql as $$ begin
         raise exception '${words} "%"', row_to_json(new) using errcode = '${code}', detail = row_to_json(new)::text, hint = row_to_json(new)::text;
       end $$`,
    ),
  )
  for (const table of ['patients', 'people', 'run_events', 'lots', 'audit'])
    await db.execute(
      sql.raw(
        `create or replace trigger a_fails before insert or update on ${table} for each row execute function fails()`,
      ),
    )
}
const mend = async (db: Db): Promise<void> => void (await db.execute(sql`drop function if exists fails cascade`))

const visit = {
  patientName: 'Odile Marsh',
  kind: 'crown.prepare',
  chairId: 'chair-1',
  day,
  time: '07:15',
  team: { dentist: 'orrell', assistants: ['juno'] },
  teeth: ['46'],
}
/** Doors whose rows hold what somebody typed, or a code. */
const writes = [
  ['POST', '/visits', visit],
  ['POST', '/people', { name: 'Odile Marsh', roles: ['assistant'], code: '4826', signer: { code: '471108' } }],
  ['PUT', '/session/code', { code: '482617', signer: { code: '471108' } }],
  ['POST', '/lots', { itemId: 'cord-000', number: 'Odile Marsh', expires: '2031-01-01', left: 3 }],
] as const

/** Names, and hashes with their salts: 32 and 64 hexadecimal digits. */
const personal = /Odile|Marsh|[0-9a-f]{32}/

it('names nobody, whatever the database refuses: a constraint, a full disk, a time-out, a value it cannot read', async () => {
  const { db } = house.database
  const kinds = [
    ['23505', 'duplicate key value'],
    ['53100', 'could not extend file: No space left on device'],
    ['57014', 'canceling statement due to statement timeout'],
    ['22P02', 'invalid input syntax for type integer:'],
    ['XX000', 'unexpected'],
  ] as const
  for (const [code, words] of kinds) {
    await failing(db, code, words)
    for (const [method, url, body] of writes) {
      lines.length = 0
      const { status, body: said } = await orrell.call(method, url, body)
      expect([code, url, status]).toEqual([code, url, 500])
      const all = lines.join('\n')
      expect(all, `${url} ${code}`).not.toMatch(personal)
      expect(JSON.stringify(said)).not.toMatch(personal)
      // What is needed to mend it is there: which statement, what the database calls it, and where in the program.
      expect(all).toContain(code)
      expect(all).toMatch(/Failed query: (insert into|update) \\"/)
      expect(all).toMatch(/ at .*:\d+/)
    }
    await mend(db)
  }
})

it('names nobody where the link is lost, nor where the program itself goes wrong', async () => {
  const { db } = house.database
  await failing(db, '08006', 'connection terminated while it wrote')
  for (const [method, url, body] of writes) expect((await orrell.call(method, url, body)).status).toBe(503)
  expect(lines.join('\n')).not.toMatch(personal)
  await mend(db)
  // Texts that a program quotes when it cannot read them.
  expect(wordsOf(new SyntaxError('Unexpected token O, "Odile Marsh" is not valid JSON'))).not.toMatch(personal)
  expect(wordsOf(new Error("there is no 'Odile\nMarsh'"))).not.toMatch(personal)
  expect(wordsOf(new Error('cut off: "Odile'))).not.toMatch(personal)
  // A copy that cannot be made: on the list of Settings, and to whoever asked for it.
  const made = await orrell.call('POST', '/backups', { signer: { code: '471108' } })
  expect(made.status).toBeGreaterThanOrEqual(500)
  expect((await orrell.read(copiesView, '/backups')).fault?.why).toMatch(/part of its path is a file/)
  expect(lines.join('\n')).not.toMatch(personal)
})
