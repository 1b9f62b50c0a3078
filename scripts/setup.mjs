// Everything a fresh clone needs before it can run: the npm packages of the lock. Plain Node, no packages of its own.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createHash } from 'node:crypto'

/** Runs a command, output shown; ends this process where it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { stdio: 'inherit', ...options })
  if (done.status !== 0) {
    if (options.mayFail) return false
    console.error(`\n${command} ${args.join(' ')} failed${done.error ? `: ${done.error.message}` : ''}.`)
    process.exit(done.status ?? 1)
  }
  return true
}

/** Installs the packages where they are missing or the lock has changed since. */
export function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Jade Tray needs Node 20.19 or later; this is ${process.version}.`)
    process.exit(1)
  }
  const key = createHash('sha256').update(readFileSync('package-lock.json')).update(process.version).digest('hex')
  const stamp = 'node_modules/.jade-stamp'
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === key) return
  console.log('Installing packages …')
  // npm ci refuses a lock from which a registry's missing platform binaries were left out, although this platform's are
  // there; npm install takes the same versions from the same lock.
  if (!run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { mayFail: true, stdio: 'ignore' })) {
    console.log(
      'npm ci does not accept the lock here (binaries of other platforms are not in it); npm install takes the same versions from it.',
    )
    run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'])
  }
  writeFileSync(stamp, key)
}

const newest = (folders) => {
  const done = spawnSync('find', [...folders, '-type', 'f', '-newer', 'dist/.built'], { encoding: 'utf8' })
  return done.status !== 0 || done.stdout.trim() !== ''
}

/** Builds the interface and the server where a source is newer than the last build. */
export function build() {
  if (
    existsSync('dist/.built') &&
    statSync('dist/.built').size >= 0 &&
    !newest(['core', 'wire', 'server', 'web', 'demo', 'package-lock.json', 'vite.config.ts'])
  )
    return
  console.log('Building …')
  rmSync('dist', { recursive: true, force: true })
  run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'])
  run('npx', [
    '--no-install',
    'esbuild',
    'server=server/main.ts',
    'demo=demo/main.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--packages=external',
    '--sourcemap',
    // What is imported when it is asked for, papers and the driver of a database server, is then loaded, not before.
    '--splitting',
    '--outdir=dist',
    '--chunk-names=server-[name]-[hash]',
    '--log-level=warning',
  ])
  mkdirSync('dist', { recursive: true })
  writeFileSync('dist/.built', '')
}
