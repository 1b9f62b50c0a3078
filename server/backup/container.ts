/**
 * The one file a backup is: gzip, and around it, where a passphrase is given, the age format (scrypt and
 * ChaCha20-Poly1305, age-encryption.org/v1), so that any age program opens it, too. Streams throughout: nothing is ever
 * whole in memory.
 */
import { createReadStream, existsSync } from 'node:fs'
import { open, rename, rm, stat } from 'node:fs/promises'
import { PassThrough, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeWebStream } from 'node:stream/web'
import { createGunzip, createGzip } from 'node:zlib'
import { Decrypter, Encrypter } from 'age-encryption'
import { codeOf, messageOf } from '../../core/sure'
import { normal, otherForms } from './passphrase'
import { linesOf } from './split'

/** A backup that cannot be used, in words. */
export class BadBackup extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options)
    this.name = 'BadBackup'
  }
}

/** 2^16: 64 MB and a tenth of a second or so for each try of a passphrase. */
const scryptLogN = 16
const mark = 'age-encryption.org/'

// Node's and the browser's streams are the same thing under two names.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const toWeb = (from: Readable) => Readable.toWeb(from) as unknown as ReadableStream<Uint8Array>
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
export const fromWeb = (from: ReadableStream<Uint8Array>) => Readable.fromWeb(from as unknown as NodeWebStream)

/** Nine tenths of what most work would save, for a third of it: rows are much alike. */
const gzipLevel = 3

/** Handed on in large pieces: each turn of the loop is shared with whoever is being answered meanwhile. */
const bufferBytes = 512 * 1024

/** So much may wait to be packed: the database goes on meanwhile. */
const waitingBytes = 8 * bufferBytes

/** Takes lines one by one; resolves when there is room for the next. */
export type Sink = (line: string) => Promise<void>

/** What is written under another name until it is whole. */
const partOf = (file: string): string => `${file}.part`

/**
 * Writes a file of lines. It gets its name when it is whole, on the disk, and has been read back as what was handed over. Of
 * two that would write the same file one does; nothing that is there already is written over.
 * @param fill hands the lines over, in order
 * @throws Error EEXIST where the file is there, or is just being written
 */
export async function writeLines(
  file: string,
  passphrase: string | undefined,
  fill: (sink: Sink) => Promise<void>,
): Promise<void> {
  const part = partOf(file)
  const reserved = await open(part, 'wx', 0o600)
  let named = false
  const lines = new PassThrough({ highWaterMark: waitingBytes })
  const zipped = lines.pipe(createGzip({ chunkSize: bufferBytes, level: gzipLevel }))
  try {
    // Whoever has the part has the name: nobody else writes under it meanwhile.
    if (existsSync(file)) throw Object.assign(new Error(`EEXIST: ${file} is there already`), { code: 'EEXIST' })
    const source = passphrase === undefined ? zipped : fromWeb(await sealedWith(normal(passphrase), zipped))
    const written = pipeline(source, reserved.createWriteStream({ highWaterMark: bufferBytes }))
    const fault = new Promise<never>((_resolve, reject) => written.catch(reject))
    fault.catch(() => undefined)
    let waiting = ''
    let handed = 0
    const hand = async (): Promise<void> => {
      handed += Buffer.byteLength(waiting)
      const room = lines.write(waiting)
      waiting = ''
      if (!room) await Promise.race([new Promise<void>((resolve) => void lines.once('drain', resolve)), fault])
    }
    try {
      await fill(async (line) => {
        waiting += `${line}\n`
        if (waiting.length >= bufferBytes) await hand()
      })
    } catch (error) {
      lines.destroy()
      await written.catch(() => undefined)
      throw error
    }
    handed += Buffer.byteLength(waiting)
    lines.end(waiting)
    await written
    const handle = await open(part, 'r+')
    await handle.sync()
    await handle.close()
    // It is read back from the disk: gzip carries a checksum over what it was given, age one over each piece of what it sealed.
    let read = 0
    for await (const bytes of unpacked(part, passphrase)) read += bytes.length
    if (read !== handed) throw new BadBackup('What was written does not read as it was handed over.')
    await rename(part, file)
    named = true
  } finally {
    lines.destroy()
    await reserved.close().catch(() => undefined)
    if (!named) await rm(part, { force: true })
  }
}

async function sealedWith(passphrase: string, from: Readable): Promise<ReadableStream<Uint8Array>> {
  const encrypter = new Encrypter()
  encrypter.setScryptWorkFactor(scryptLogN)
  encrypter.setPassphrase(passphrase)
  return encrypter.encrypt(toWeb(from))
}

async function isSealed(file: string): Promise<boolean> {
  const handle = await open(file, 'r')
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(mark.length), 0, mark.length, 0)
    return buffer.subarray(0, bytesRead).toString() === mark
  } finally {
    await handle.close()
  }
}

/** Opened by the passphrase in its normal form, or, where an earlier version took it as it was typed, in another. */
async function opened(file: string, passphrase: string): Promise<Readable> {
  const forms = [normal(passphrase), ...otherForms(passphrase)]
  for (const [i, form] of forms.entries()) {
    const decrypter = new Decrypter()
    decrypter.addPassphrase(form)
    try {
      return fromWeb(await decrypter.decrypt(toWeb(createReadStream(file))))
    } catch (error) {
      const isWrong = /no identity|incorrect|passphrase/i.test(messageOf(error))
      if (isWrong && i < forms.length - 1) continue
      throw new BadBackup(
        isWrong ? 'That passphrase does not open this backup.' : `This backup is damaged: ${messageOf(error)}.`,
        { cause: error },
      )
    }
  }
  throw new BadBackup('That passphrase does not open this backup.')
}

/** What a file holds, as it was before it was packed. @throws BadBackup where it is none, is damaged or does not open */
async function* unpacked(file: string, passphrase: string | undefined): AsyncGenerator<Buffer> {
  let sealed: boolean
  try {
    sealed = await isSealed(file)
  } catch (error) {
    throw new BadBackup(codeOf(error) === 'ENOENT' ? `There is no file ${file}.` : messageOf(error), { cause: error })
  }
  if (sealed && passphrase === undefined) throw new BadBackup('This backup is encrypted: its passphrase is needed.')
  const source = sealed ? await opened(file, passphrase ?? '') : createReadStream(file)
  const unzipped = createGunzip({ chunkSize: bufferBytes })
  const flow = pipeline(source, unzipped)
  flow.catch(() => undefined)
  try {
    for await (const bytes of unzipped) yield bytes
    await flow
    // What stands behind the end of a gzip file is passed over in silence by those who open it.
    if (!sealed && unzipped.bytesWritten !== (await stat(file)).size)
      throw new BadBackup('There is something behind the end of this backup: it is not as it was written.')
  } catch (error) {
    if (error instanceof BadBackup) throw error
    throw new BadBackup(`This file is no backup, or it is damaged: ${messageOf(error)}.`, { cause: error })
  } finally {
    unzipped.destroy()
  }
}

/** The lines of a file, one after the other. @throws BadBackup where it is none, is damaged or does not open */
export const readLines = (file: string, passphrase: string | undefined): AsyncGenerator<string> =>
  linesOf(unpacked(file, passphrase))
