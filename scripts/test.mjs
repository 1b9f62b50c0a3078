// npm test: from a fresh clone to a passed suite. Packages, browser, types, lint and import rules, tests, end-to-end.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { postgresPrograms, startPostgres } from './postgres.mjs'
import { useScratch } from './scratch.mjs'
import { build, installPackages, run } from './setup.mjs'

// --e2e: only the real interface, for whoever has just changed it.
const onlyEndToEnd = process.argv.includes('--e2e')
const has = {
  browser: () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver'),
  database: postgresPrograms,
}
const mayInstall = process.platform === 'linux' && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0

/** Debian's packages that are missing, where this process may install them: in the background, until they are needed. */
function installing() {
  const missing = [
    ...(has.browser() ? [] : ['chromium', 'chromium-driver']),
    ...(process.env.TEST_DATABASE_URL || onlyEndToEnd || has.database() ? [] : ['postgresql']),
  ]
  if (!mayInstall || missing.length === 0) return Promise.resolve()
  console.log(`Installing ${missing.join(', ')} …`)
  // Another process may hold the package lock for a while; apt waits for it.
  const apt = 'apt-get -o DPkg::Lock::Timeout=600 -qq'
  const work = spawn('sh', ['-c', `${apt} update; ${apt} -y --no-install-recommends install ${missing.join(' ')}`], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  return new Promise((resolve) => work.once('close', resolve))
}

/** The server's tests run on a PostgreSQL server, too, where one can be had; else it is said that they did not. */
async function database() {
  if (process.env.TEST_DATABASE_URL) return
  const bin = has.database()
  const server = bin === undefined ? undefined : await startPostgres(bin)
  if (!server) {
    console.log(
      'NOT RUN: the server’s tests on a PostgreSQL server. They need Debian’s postgresql (apt-get install -y postgresql), or TEST_DATABASE_URL.',
    )
    return
  }
  process.env.TEST_DATABASE_URL = server.url
  process.on('exit', server.stop)
}

const step = (title, command, args) => {
  const started = Date.now()
  console.log(`\n— ${title}`)
  run(command, args)
  console.log(`  ${((Date.now() - started) / 1000).toFixed(1)} s`)
}
const npm = (script) => ['npm', ['run', '--silent', script]]
const npx = (...args) => ['npx', ['--no-install', ...args]]

const installed = installing()
installPackages()
build()
useScratch()
if (!onlyEndToEnd) {
  step('format', ...npm('format:check'))
  step('types', ...npm('types'))
  step('lint and import rules', ...npm('lint'))
  step('nothing that nobody uses', ...npm('unused'))
}
await installed
if (!has.browser()) {
  console.error(
    'The end-to-end tests need Debian’s chromium and chromium-driver. As root:\n  apt-get update && apt-get install -y chromium chromium-driver',
  )
  process.exit(1)
}
if (!onlyEndToEnd) {
  await database()
  step(
    'tests',
    ...npx('vitest', 'run', '--project', 'core', '--project', 'web', '--project', 'server', '--reporter=dot'),
  )
}
// What stands on files, starts a process of its own or never opens a house is the same on either.
const embeddedOnly = ['folder', 'faults', 'stored', 'bounds', 'hostile', 'years', 'print/*', 'backup/damage'].flatMap(
  (f) => ['--exclude', `server/${f}.test.ts`],
)
if (process.env.TEST_DATABASE_URL && !onlyEndToEnd) {
  process.env.JADE_TEST_STORE = 'server'
  step(
    'the server on PostgreSQL',
    ...npx('vitest', 'run', '--project', 'server', '--reporter=dot', 'server/', ...embeddedOnly),
  )
}
step('end to end', ...npx('vitest', 'run', '--project', 'e2e', '--reporter=verbose', '--bail=1'))
const commit = spawnSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).stdout?.trim()
console.log(`\nAll passed${commit ? ` at ${commit}` : ''}.`)
