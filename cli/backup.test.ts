/** Copies from a shell: made, checked and put back; every refusal a sentence and an exit code, and nothing written over. */
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, expect, it, vi } from 'vitest'
import { demoFolder } from '../server/test/house'
import { answer, type Answer } from './answer'

const folder = mkdtempSync(join(tmpdir(), 'jade-shell-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
afterEach(() => vi.unstubAllEnvs())
const at = (name: string): string => join(folder, name)

/** What the shell answers where its surroundings say this. */
function jade(args: string[], env: { JADE_PASSPHRASE?: string; JADE_CODE?: string } = {}): Promise<Answer> {
  vi.stubEnv('JADE_PASSPHRASE', env.JADE_PASSPHRASE ?? '')
  vi.stubEnv('JADE_CODE', env.JADE_CODE ?? '')
  return answer(args)
}
const done = (said: RegExp) => ({ code: 0, said: expect.stringMatching(said) })
const refused = (said: RegExp, code = 1) => ({ code, said: expect.stringMatching(said) })

it('data at rest goes into a file, is checked, and comes back in an empty folder', async () => {
  const data = await demoFolder()
  const copy = at('practice.jade')
  expect(await jade(['backup', copy, '--data', data])).toEqual(refused(/JADE_PASSPHRASE/, 2))
  const known = (...args: string[]): Promise<Answer> => jade(args, { JADE_PASSPHRASE: 'four plain words here' })
  expect(await known('backup', copy, '--data', data)).toEqual(done(/^\d{4,} rows in /))
  expect(await jade(['verify', copy], { JADE_PASSPHRASE: 'others' })).toEqual(
    refused(/^That passphrase does not open this backup\.$/),
  )
  expect(await known('backup', copy, '--data', data)).toEqual(refused(/is there already: nothing is written over/, 2))
  expect(await known('verify', copy)).toEqual(done(/is as it was written: \d+ rows; \d+ with a seal/))
  expect(await known('verify', '--data', data)).toEqual(done(/^The live data is as it was written/))
  expect(await known('restore', copy, '--data', at('again'))).toMatchObject({ code: 0 })
  expect(await known('verify', copy, '--data', at('again'))).toEqual(done(/^The live data, held against /))
  expect(await known('restore', copy, '--data', at('again'))).toEqual(refused(/is not empty/))
  const bytes = readFileSync(copy)
  bytes[bytes.length - 2_000] = (bytes[bytes.length - 2_000] ?? 0) ^ 8
  writeFileSync(at('bad.jade'), bytes)
  expect(await known('restore', at('bad.jade'), '--data', at('bad'))).toEqual(refused(/damaged|not as it was/))
  expect(existsSync(at('bad'))).toBe(false)
  expect(await known('verify', at('none.jade'))).toEqual(refused(/^There is no file/))
  expect(await known('backup', at('x.jade'), '--data', at('nowhere'), '--plain')).toEqual(
    refused(/^There is no practice in/, 2),
  )
  rmSync(data, { recursive: true, force: true })
}, 180_000)

it('a server that has the data open makes the copy itself, for a dentist with the code', async () => {
  const data = await demoFolder()
  const child = spawn(process.execPath, ['--liftoff-only', '.cache/demo.js'], {
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
  const by = (person: string, code: string, file: string): Promise<Answer> =>
    jade(['backup', at(file), '--server', url, '--person', person], { JADE_CODE: code })
  expect(await jade(['verify', '--data', data])).toEqual(refused(/in use by another/))
  expect(await by('juno', '3816', 'a.jade')).toEqual(refused(/^For a dentist/))
  expect(await by('orrell', '0001', 'a.jade')).toMatchObject({ code: 1 })
  expect(existsSync(at('a.jade'))).toBe(false)
  expect(await by('orrell', '471108', 'a.jade')).toMatchObject({ code: 0 })
  expect(await jade(['verify', at('a.jade')])).toMatchObject({ code: 0 })
  expect(await jade(['verify', '--server', url, '--person', 'orrell'], { JADE_CODE: '471108' })).toEqual(
    done(/^The live data is as it was written/),
  )
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
  rmSync(data, { recursive: true, force: true })
}, 120_000)
