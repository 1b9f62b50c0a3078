/**
 * A hundred thousand hostile requests against a server on fresh demo data: npm run bench -- hostile [SEED [HOW MANY]].
 * Prints what came; exits with 1 where an answer was a fault of ours, a refusal in no document, or a change nobody was told of.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { demoCodes, seedDemo } from '../demo/seed'
import { buildApp } from '../server/app'
import { verifyLive } from '../server/backup/verify'
import { rowsOf } from '../server/db/rows'
import { openDatabase } from '../server/db/open'
import { Caller } from '../server/test/house'
import { day, eight } from '../server/test/day'
import { hostile } from '../server/test/hostile'

const [seed = 1, many = 100_000] = process.argv.slice(2).map(Number).filter(Number.isFinite)
const folder = mkdtempSync(join(tmpdir(), 'jade-hostile-'))
const database = await openDatabase(folder)
await seedDemo(database.db, eight, 'Etc/UTC')
// Time goes on, so that budgets fill up again and the codes of the callers are let in.
let asked = 0
const app = await buildApp({ database, now: () => eight + asked * 40, copies: { folder: join(folder, 'copies') } })
await app.ready()
const ids = [`${day}-one`, `${day}-two`, 'juno', 'orrell', 'steriliser-a', 'crown-1', 'no-such']
const trail = async (): Promise<number> =>
  rowsOf(
    z.object({ n: z.number() }),
    await database.db.execute(sql`select count(*)::int as n from audit where what like '% /%'`),
  )[0]?.n ?? 0

const began = Date.now()
const byStatus: Record<number, number> = {}
const wrong: string[] = []
let told = 0
const rounds = Math.ceil(many / 5_000)
for (let round = 0; round < rounds; round++) {
  const cookies = ['']
  for (const who of ['ada', 'juno', 'wim', 'orrell'])
    cookies.push((await new Caller(app).signIn(who, demoCodes[who] ?? '')).cookie)
  const n = Math.min(5_000, many - round * 5_000)
  const came = await hostile(app, cookies, ids, n, seed * 1_000 + round)
  asked += n * 40
  for (const [status, count] of Object.entries(came.byStatus))
    byStatus[Number(status)] = (byStatus[Number(status)] ?? 0) + count
  wrong.push(...came.wrong)
  told += came.done.filter((d) => !/session$|commands$|drill\/rounds$/.test(d)).length
  console.log(`${(round + 1) * 5_000} sent, ${wrong.length} wrong, ${((Date.now() - began) / 1000).toFixed(0)} s`)
}
const seals = await verifyLive(database.db)
const rows = await trail()
console.log(`by status: ${JSON.stringify(byStatus)}`)
console.log(
  `changes done and on the trail: ${told} and ${rows}; seals: ${seals.sealed} right, ${seals.wrong.length} wrong`,
)
for (const w of wrong.slice(0, 20)) console.log(w)
await app.close()
await database.close()
rmSync(folder, { recursive: true, force: true })
process.exit(wrong.length > 0 || told !== rows || seals.wrong.length > 0 ? 1 : 0)
