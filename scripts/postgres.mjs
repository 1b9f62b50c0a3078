// A PostgreSQL server of its own for the tests: Debian's, in a folder that is thrown away. Plain Node.
import { spawnSync } from 'node:child_process'
import { chownSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Where Debian keeps the programs of the newest version it has, or nothing. */
export function postgresPrograms() {
  const home = '/usr/lib/postgresql'
  if (!existsSync(home)) return undefined
  const [newest] = readdirSync(home)
    .map(Number)
    .filter((v) => existsSync(join(home, String(v), 'bin/initdb')))
    .toSorted((a, b) => b - a)
  return newest === undefined ? undefined : join(home, String(newest), 'bin')
}

const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer()
    probe.on('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })

const killed = (pid) => {
  try {
    process.kill(pid, 'SIGKILL')
  } catch {
    // It had ended already.
  }
}

/**
 * Starts a server on this machine alone.
 * @returns its address, how to stop it, how to kill it or one of its processes, how to start it again; nothing where it does not start
 */
export async function startPostgres(bin) {
  const folder = mkdtempSync(join(tmpdir(), 'jade-postgres-'))
  const root = process.getuid?.() === 0
  // It refuses to run as root: as root it runs as the user that Debian made for it.
  const as = (program, ...args) =>
    root
      ? spawnSync('runuser', ['-u', 'postgres', '--', join(bin, program), ...args], { encoding: 'utf8', cwd: '/' })
      : spawnSync(join(bin, program), args, { encoding: 'utf8' })
  if (root) {
    const ids = ['-u', '-g'].map((of) => Number(spawnSync('id', [of, 'postgres'], { encoding: 'utf8' }).stdout))
    chownSync(folder, ...ids)
  }
  const data = join(folder, 'data')
  const stop = () => {
    as('pg_ctl', '-D', data, '-m', 'immediate', '-w', 'stop')
    rmSync(folder, { recursive: true, force: true })
  }
  const port = await freePort()
  const made = as('initdb', '-D', data, '-A', 'trust', '-U', 'jade', '-E', 'UTF8', '--no-sync')
  // Nothing here outlives the tests: it need not reach the disk.
  const flags = `-p ${port} -k ${folder} -c listen_addresses=127.0.0.1 -c fsync=off -c max_connections=200`
  const start = () => as('pg_ctl', '-D', data, '-o', flags, '-l', join(folder, 'log'), '-w', 'start')
  const started = made.status === 0 ? start() : made
  if (started.status !== 0) {
    console.error(`PostgreSQL did not start: ${started.stderr || started.stdout || started.error}`)
    stop()
    return undefined
  }
  const chief = () => Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0])
  const workers = () =>
    spawnSync('pgrep', ['-P', String(chief())], { encoding: 'utf8' })
      .stdout.split('\n')
      .filter(Boolean)
      .map(Number)
  const kill = () => {
    for (const pid of [chief(), ...workers()]) killed(pid)
  }
  // One process at work for a client; the server then ends the others too and recovers by itself.
  const killOne = () => {
    const serving = workers().filter((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('jade '))
    if (serving.length > 0) killed(serving[0])
  }
  // The killed one may be in the table of processes a little longer, and its lock file then counts.
  const again = () => {
    for (let tries = 0; tries < 50; tries++) {
      if (start().status === 0) return true
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 100)
    }
    return false
  }
  return { url: `postgres://jade@127.0.0.1:${port}/postgres`, stop, kill, killOne, again }
}
