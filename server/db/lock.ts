/**
 * One process for one data folder. PGlite has no lock of its own and two processes corrupt a folder silently, so the
 * folder is claimed before it is opened. The claim is a socket the operating system drops with the process, however it
 * dies: nothing stale is left to clean up. A small file beside it only says who holds it.
 */
import { createHash } from 'node:crypto'
import { chmodSync, mkdirSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { hostname, tmpdir } from 'node:os'
import { join } from 'node:path'
import * as z from 'zod'
import { codeOf } from '../../core/sure'

export class FolderInUse extends Error {
  constructor(folder: string, holder: string) {
    super(
      `The data folder ${folder} is in use by another Jade Tray (${holder}). Stop that one first, or start this one with another folder (JADE_DATA).`,
    )
    this.name = 'FolderInUse'
  }
}

function addressOf(folder: string): { path: string; isFile: boolean } {
  const key = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32)
  if (process.platform === 'linux') return { path: `\0jade-tray-${key}`, isFile: false }
  if (process.platform === 'win32') return { path: `\\\\.\\pipe\\jade-tray-${key}`, isFile: false }
  return { path: join(tmpdir(), `jade-tray-${key}.sock`), isFile: true }
}

const holder = z.object({ pid: z.number(), host: z.string(), since: z.string() })
function holderOf(file: string): string {
  try {
    const { pid, host, since } = holder.parse(JSON.parse(readFileSync(file, 'utf8')))
    return `process ${pid} on ${host}, since ${since}`
  } catch {
    return 'process unknown'
  }
}

/** Whether somebody answers at a socket file; elsewhere than Linux and Windows a kill leaves the file behind. */
function answers(path: string): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = connect(path, () => {
      probe.destroy()
      resolve(true)
    })
    probe.on('error', () => resolve(false))
  })
}

/**
 * Claims a folder, making it where needed.
 * @returns a function that lets it go.
 * @throws FolderInUse at once where another process holds it.
 */
export async function claimFolder(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  // A folder that an earlier version made was open to everybody. One that is another's, and only lent, is theirs to close.
  try {
    chmodSync(folder, 0o700)
  } catch (error) {
    if (codeOf(error) !== 'EPERM') throw error
  }
  const { path, isFile } = addressOf(folder)
  const note = join(folder, 'in-use.json')
  if (isFile && !(await answers(path))) rmSync(path, { force: true })
  const server = createServer((socket) => socket.destroy())
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'EADDRINUSE' ? new FolderInUse(folder, holderOf(note)) : error),
    )
    server.listen(path, resolve)
  })
  server.unref()
  writeFileSync(note, JSON.stringify({ pid: process.pid, host: hostname(), since: new Date().toISOString() }))
  return async () => {
    rmSync(note, { force: true })
    await new Promise<void>((resolve) => server.close(() => resolve()))
  }
}
