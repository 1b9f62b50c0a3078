/**
 * The one file a backup is: gzip, and around it, where a passphrase is given, the age format (scrypt and
 * ChaCha20-Poly1305, age-encryption.org/v1), so that any age program opens it, too. Streams throughout: nothing is ever
 * whole in memory.
 */
import { createReadStream, createWriteStream } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { PassThrough, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeWebStream } from 'node:stream/web'
import { createGunzip, createGzip } from 'node:zlib'
import { Decrypter, Encrypter } from 'age-encryption'
import { codeOf, messageOf } from '../../core/sure'

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

/** Handed on in large pieces: each turn of the loop is shared with whoever is being answered meanwhile. */
const bufferBytes = 512 * 1024

/** Takes lines one by one; resolves when there is room for the next. */
export type Sink = (line: string) => Promise<void>

/**
 * Writes a file of lines. It gets its name when it is whole and on the disk.
 * @param fill hands the lines over, in order
 */
export async function writeLines(
  file: string,
  passphrase: string | undefined,
  fill: (sink: Sink) => Promise<void>,
): Promise<void> {
  const part = `${file}.part`
  const lines = new PassThrough({ highWaterMark: bufferBytes })
  const zipped = lines.pipe(createGzip({ chunkSize: bufferBytes }))
  const source = passphrase === undefined ? zipped : fromWeb(await sealedWith(passphrase, zipped))
  const written = pipeline(source, createWriteStream(part, { mode: 0o600, highWaterMark: bufferBytes }))
  const fault = new Promise<never>((_resolve, reject) => written.catch(reject))
  fault.catch(() => undefined)
  try {
    let waiting = ''
    const hand = async (): Promise<void> => {
      const room = lines.write(waiting)
      waiting = ''
      if (!room) await Promise.race([new Promise<void>((resolve) => void lines.once('drain', resolve)), fault])
    }
    await fill(async (line) => {
      waiting += `${line}\n`
      if (waiting.length >= bufferBytes) await hand()
    })
    lines.end(waiting)
    await written
    const handle = await open(part, 'r+')
    await handle.sync()
    await handle.close()
    await rename(part, file)
  } catch (error) {
    lines.destroy()
    await written.catch(() => undefined)
    await rm(part, { force: true })
    throw error
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

async function opened(file: string, passphrase: string): Promise<Readable> {
  const decrypter = new Decrypter()
  decrypter.addPassphrase(passphrase)
  try {
    return fromWeb(await decrypter.decrypt(toWeb(createReadStream(file))))
  } catch (error) {
    throw new BadBackup(
      /no identity|incorrect|passphrase/i.test(messageOf(error))
        ? 'That passphrase does not open this backup.'
        : `This backup is damaged: ${messageOf(error)}.`,
      { cause: error },
    )
  }
}

/** The lines of a file, one after the other. @throws BadBackup where it is none, is damaged or does not open */
export async function* readLines(file: string, passphrase: string | undefined): AsyncGenerator<string> {
  let sealed: boolean
  try {
    sealed = await isSealed(file)
  } catch (error) {
    throw new BadBackup(codeOf(error) === 'ENOENT' ? `There is no file ${file}.` : messageOf(error), { cause: error })
  }
  if (sealed && passphrase === undefined) throw new BadBackup('This backup is encrypted: its passphrase is needed.')
  const source = sealed ? await opened(file, passphrase ?? '') : createReadStream(file)
  const unzipped = createGunzip()
  const flow = pipeline(source, unzipped)
  flow.catch(() => undefined)
  const lines = createInterface({ input: unzipped, crlfDelay: Infinity })
  try {
    for await (const line of lines) yield line
    await flow
  } catch (error) {
    if (error instanceof BadBackup) throw error
    throw new BadBackup(`This file is no backup, or it is damaged: ${messageOf(error)}.`, { cause: error })
  } finally {
    lines.close()
    unzipped.destroy()
  }
}
