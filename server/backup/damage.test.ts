/** A copy that is damaged is never put back. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openHouse, type TestHouse } from '../test/house'
import { restoreBackup } from './restore'
import { writeBackup } from './write'

const folder = mkdtempSync(join(tmpdir(), 'jade-copies-'))
let house: TestHouse
beforeAll(async () => {
  house = await openHouse('')
})
afterAll(async () => {
  await house.close()
  rmSync(folder, { recursive: true, force: true })
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
