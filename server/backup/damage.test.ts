/** A copy that is damaged is never put back. */
import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as z from 'zod'
import { random } from '../../core/random'
import { often } from '../../scripts/often'
import { openDatabase } from '../db/open'
import * as t from '../db/schema'
import { Caller, openHouse, type TestHouse } from '../test/house'
import { BadBackup } from './container'
import { rowLine, Sums } from './lines'
import { otherForms, passphraseOf } from './passphrase'
import { restoreBackup } from './restore'
import { keptTables } from './tables'
import { readBackup, verifyBackup } from './verify'
import { writeBackup } from './write'

const wrongIn = z.object({ wrong: z.array(z.string()) })
const folder = mkdtempSync(join(tmpdir(), 'jade-copies-'))
let house: TestHouse
beforeAll(async () => {
  house = await openHouse('')
  // Something for the trail.
  await (await new Caller(house.app).signIn('orrell', '471108')).call('PATCH', '/practice', { name: 'A practice' })
})
afterAll(async () => {
  await house.close()
  rmSync(folder, { recursive: true, force: true })
})

it('finds a letter that is another one, in whichever line, and says so in words', async () => {
  const [file, bad] = [join(folder, 'letters.jade'), join(folder, 'letter.jade')]
  await writeBackup(house.database, file, house.clock.now)
  const text = gunzipSync(readFileSync(file)).toString('latin1')
  // The first line says what the file is; nothing is restored by it. Events and the trail are read, not only summed.
  const [first, ...lines] = text.split('\n').slice(0, -1)
  const next = random(7)
  const oneOf = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  const kinds = [lines, ...['run_events', 'audit'].map((t) => lines.filter((l) => l.startsWith(`{"t":"${t}"`)))]
  for (let i = 0; i < often(60); i++) {
    const line = oneOf(kinds[i % kinds.length]!)
    const at = text.indexOf(line, first!.length) + Math.floor(next() * line.length)
    const letter = String.fromCharCode(text.charCodeAt(at) ^ (1 << Math.floor(next() * 7)))
    writeFileSync(bad, gzipSync(Buffer.from(text.slice(0, at) + letter + text.slice(at + 1), 'latin1'), { level: 1 }))
    const found = await verifyBackup(bad, undefined).catch((e: unknown) => e)
    const where = `${JSON.stringify(letter)} at ${at}, after ${text.slice(at - 40, at)}`
    const said = found instanceof BadBackup ? [found.message] : wrongIn.parse(found).wrong
    expect(said.length, where).toBeGreaterThan(0)
  }
})

it('finds a flipped bit wherever it is, and a file that was cut off', async () => {
  for (const passphrase of [undefined, 'words']) {
    const file = join(folder, `${passphrase ?? 'plain'}.jade`)
    await writeBackup(house.database, file, house.clock.now, passphrase)
    const whole = readFileSync(file)
    const [bad, into] = [join(folder, 'bad.jade'), join(folder, 'nothing')]
    // With a passphrase each try costs what guessing one does.
    for (const part of passphrase === undefined ? [0.05, 0.3, 0.6, 0.9, 0.9999] : [0.05, 0.6, 0.9999]) {
      const flipped = Buffer.from(whole)
      const at = Math.floor(whole.length * part)
      flipped[at] = (flipped[at] ?? 0) ^ 1
      writeFileSync(bad, flipped)
      await expect(restoreBackup(bad, into, passphrase), `${passphrase} ${part}`).rejects.toThrow(
        /damaged|not as it was|no backup|passphrase/,
      )
    }
    writeFileSync(bad, whole.subarray(0, whole.length - 1_000))
    await expect(restoreBackup(bad, into, passphrase)).rejects.toThrow(/damaged|not whole/)
  }
})

describe('a copy put together of parts', () => {
  const lines = async (): Promise<string[]> => {
    const file = join(folder, `${randomUUID()}.jade`)
    await writeBackup(house.database, file, house.clock.now)
    return gunzipSync(readFileSync(file)).toString().split('\n').slice(0, -1)
  }
  const zip = (of: readonly string[]): Buffer => gzipSync(`${of.join('\n')}\n`)
  /** @returns what is wrong with it; nothing of it was put back */
  async function found(bytes: Buffer): Promise<string> {
    const [file, into] = [join(folder, `${randomUUID()}.jade`), join(folder, randomUUID())]
    writeFileSync(file, bytes)
    const said = await verifyBackup(file, undefined).then(
      (v) => v.wrong.join(' '),
      (e: unknown) => String(e),
    )
    await expect(restoreBackup(file, into)).rejects.toThrow(BadBackup)
    expect([existsSync(into), existsSync(`${into}.part`)]).toEqual([false, false])
    return said
  }
  const person = '{"t":"people","r":{"id":"x","name":"X","roles":["dentist"],"code_hash":"00:00"}}'
  const session = '{"t":"sessions","r":{"id":"x","person_id":"orrell","started_at":1,"ends_at":9999999999999}}'

  it('is found: rows behind the end, in whichever way they came there; an end that is not the last line, or says too little', async () => {
    const all = await lines()
    const [head, ...rest] = all
    const [rows, end] = [rest.slice(0, -1), rest.at(-1)!]
    const behind = /behind the end|incorrect header check/
    expect(await found(Buffer.concat([zip(all), zip([person])]))).toMatch(behind)
    expect(await found(Buffer.concat([zip(all), Buffer.from('glued')]))).toMatch(behind)
    expect(await found(zip([...all, person]))).toMatch(behind)
    expect(await found(zip([...all, end]))).toMatch(behind)
    expect(await found(zip([head!, end, ...rows]))).toMatch(behind)
    expect(await found(zip([head!, ...rows.slice(0, 4), '{"end":{"tables":{}}}']))).toMatch(/nothing is said of it/)
    // All rows of a table gone, and its name with them.
    const without = rows.filter((l) => !l.startsWith('{"t":"audit"'))
    const { end: said } = z
      .object({ end: z.object({ tables: z.record(z.string(), z.unknown()) }) })
      .parse(JSON.parse(end))
    const { audit: _, ...tables } = said.tables
    expect(await found(zip([head!, ...without, JSON.stringify({ end: { tables } })]))).toMatch(/audit: nothing is said/)
    expect(await found(zip([head!, session, ...rows, end]))).toMatch(/a table that none has/)
    expect(await found(zip([head!.replace(/"migrations":\d+/, '"migrations":99'), ...rest]))).toMatch(/^$|later/)
  })
  it('whose rows do not go in leaves nothing behind, and says no name', async () => {
    const all = await lines()
    const [head, ...rest] = all
    const rows = rest
      .slice(0, -1)
      .map((l) => (l.startsWith('{"t":"cases"') ? l.replace(/"patient_id":"[^"]+"/, '"patient_id":"nobody"') : l))
    const sums = new Sums(keptTables.map((k) => k.name))
    for (const l of rows) {
      const { t: table } = rowLine.parse(JSON.parse(l))
      sums.add(table, l)
    }
    const [file, into] = [join(folder, 'bad-row.jade'), join(folder, 'bad-row')]
    writeFileSync(file, zip([head!, ...rows, JSON.stringify({ end: sums.end() })]))
    const said = await restoreBackup(file, into).catch((e: unknown) => String(e))
    expect(said).toMatch(/A row of cases does not go in/)
    expect(said).not.toMatch(/Crane|insert into/)
    expect([existsSync(into), existsSync(`${into}.part`)]).toEqual([false, false])
  })
  it('a restore that was killed is no first start, and is done again over what it left', async () => {
    const [file, into] = [join(folder, 'again.jade'), join(folder, 'again')]
    await writeBackup(house.database, file, house.clock.now)
    mkdirSync(join(`${into}.part`, 'database'), { recursive: true })
    writeFileSync(join(`${into}.part`, 'restoring'), '')
    await expect(openDatabase(into)).rejects.toThrow(/did not come to its end/)
    await restoreBackup(file, into)
    expect(existsSync(`${into}.part`)).toBe(false)
    const { db, close } = await openDatabase(into)
    expect((await db.select().from(t.practices)).map((p) => p.name)).toEqual(['A practice'])
    await close()
    // What lies there under that name and is none of ours is left alone.
    mkdirSync(join(folder, 'other.part'))
    await expect(restoreBackup(file, join(folder, 'other'))).rejects.toThrow(/is in the way/)
    expect(existsSync(join(folder, 'other.part'))).toBe(true)
  })
})

it('takes a passphrase in one form, whichever keyboard typed it; one that is empty is none', async () => {
  const file = join(folder, 'form.jade')
  await writeBackup(house.database, file, house.clock.now, 'Zu\u0308rich')
  expect((await readBackup(file, ' Z\u00fcrich ')).wrong).toEqual([])
  expect(otherForms('Zu\u0308rich')).toContain('Zu\u0308rich')
  for (const none of ['', ' ', '\t']) expect(() => passphraseOf(none)).toThrow(/empty/)
  expect([passphraseOf(undefined), passphraseOf('words')]).toEqual([undefined, 'words'])
})
