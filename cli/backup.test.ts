/** Copies from a shell: made, checked and put back; every refusal a sentence and an exit code, and nothing written over. */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { sure } from '../core/sure'
import { BadBackup } from '../server/backup/container'
import { demoFolder } from '../server/test/house'
import { backupVerbs } from './backup'

const folder = mkdtempSync(join(tmpdir(), 'jade-shell-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const at = (name: string): string => join(folder, name)

const jade = (args: string[], env: Record<string, string> = {}) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--liftoff-only', '.cache/jade.js', ...args], {
    env: { ...process.env, JADE_PASSPHRASE: '', JADE_CODE: '', ...env },
    input: '',
    encoding: 'utf8',
  })
  return { status, said: (stdout + stderr).trim() }
}
const passphrase = { JADE_PASSPHRASE: 'four plain words here' }

it('data at rest goes into a file, is checked, and comes back in an empty folder', async () => {
  const data = await demoFolder()
  const copy = at('practice.jade')
  // From the shell: what was said, and the code a script goes by.
  expect(jade(['backup', copy, '--data', data])).toMatchObject({
    status: 2,
    said: expect.stringMatching(/JADE_PASSPHRASE/),
  })
  expect(jade(['backup', copy, '--data', data], passphrase)).toMatchObject({
    status: 0,
    said: expect.stringMatching(/^\d{4,} rows in /),
  })
  expect(jade(['verify', copy], { JADE_PASSPHRASE: 'others' })).toMatchObject({
    status: 1,
    said: 'That passphrase does not open this backup.',
  })
  // The same verbs without a process for each.
  process.env['JADE_PASSPHRASE'] = passphrase.JADE_PASSPHRASE
  const verb = (name: string) => sure(backupVerbs[name])
  const [backup, verify, restore] = [verb('backup'), verb('verify'), verb('restore')]
  await expect(backup([copy, '--data', data])).rejects.toThrow(/is there already: nothing is written over/)
  expect(await verify([copy])).toMatch(/is as it was written: \d+ rows; \d+ with a seal/)
  expect(await verify(['--data', data])).toMatch(/^The live data is as it was written/)
  await restore([copy, '--data', at('again')])
  expect(await verify([copy, '--data', at('again')])).toMatch(/^The live data, held against /)
  await expect(restore([copy, '--data', at('again')])).rejects.toThrow(/is not empty/)
  const bytes = readFileSync(copy)
  bytes[bytes.length - 2_000] = (bytes[bytes.length - 2_000] ?? 0) ^ 8
  writeFileSync(at('bad.jade'), bytes)
  await expect(restore([at('bad.jade'), '--data', at('bad')])).rejects.toThrow(BadBackup)
  expect(existsSync(at('bad'))).toBe(false)
  await expect(verify([at('none.jade')])).rejects.toThrow(/^There is no file/)
  await expect(backup([at('x.jade'), '--data', at('nowhere'), '--plain'])).rejects.toThrow(/^There is no practice in/)
  delete process.env['JADE_PASSPHRASE']
  rmSync(data, { recursive: true, force: true })
}, 180_000)

it('a server that has the data open makes the copy itself, for a dentist with the code', async () => {
  const data = await demoFolder()
  const child = spawn(process.execPath, ['--liftoff-only', '.cache/main.js', '--demo'], {
    env: { ...process.env, JADE_DATA: data, PORT: '0', DATABASE_URL: '', TZ: 'Etc/UTC' },
  })
  const url = await new Promise<string>((resolve, reject) => {
    let said = ''
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      const found = /http:\/\/\S+/.exec(said)
      if (found) resolve(found[0])
    })
    child.once('exit', () => reject(new Error(said)))
  })
  const by = (person: string, code: string, file: string) =>
    jade(['backup', at(file), '--server', url, '--person', person], { JADE_CODE: code })
  expect(jade(['verify', '--data', data])).toMatchObject({
    status: 1,
    said: expect.stringMatching(/in use by another/),
  })
  expect(by('juno', '3816', 'a.jade')).toMatchObject({ status: 1, said: expect.stringMatching(/^For a dentist/) })
  expect(by('orrell', '0001', 'a.jade').status).toBe(1)
  expect(existsSync(at('a.jade'))).toBe(false)
  expect(by('orrell', '471108', 'a.jade')).toMatchObject({ status: 0 })
  expect(jade(['verify', at('a.jade')])).toMatchObject({ status: 0 })
  const seals = jade(['verify', '--server', url, '--person', 'orrell'], { JADE_CODE: '471108' })
  expect(seals).toMatchObject({ status: 0, said: expect.stringMatching(/^The live data is as it was written/) })
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
  rmSync(data, { recursive: true, force: true })
}, 120_000)
