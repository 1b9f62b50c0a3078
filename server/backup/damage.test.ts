/** A copy that is damaged is never put back. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { afterAll, beforeAll, expect, it } from 'vitest'
import * as z from 'zod'
import { random } from '../../core/random'
import { often } from '../../scripts/often'
import { Caller, openHouse, type TestHouse } from '../test/house'
import { BadBackup } from './container'
import { restoreBackup } from './restore'
import { verifyBackup } from './verify'
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
  await writeBackup(house.database.db, file, house.clock.now)
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
    await writeBackup(house.database.db, file, house.clock.now, passphrase)
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
