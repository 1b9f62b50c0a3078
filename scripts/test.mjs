// npm test: from a fresh clone to a passed suite. Packages, browser, types, lint and import rules, tests, end-to-end.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { postgresPrograms, startPostgres } from './postgres.mjs'
import { useScratch } from './scratch.mjs'
import { build, installPackages, run } from './setup.mjs'

const may = process.platform === 'linux' && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0
const quiet = {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  mayFail: true,
}
/** Debian's packages, where this process may install them. */
function install(...packages) {
  if (!may) return
  console.log(`Installing ${packages.join(' and ')} …`)
  // Another process may hold the package lock for a while; apt waits for it.
  const apt = ['-o', 'DPkg::Lock::Timeout=600', '-qq']
  run('apt-get', [...apt, 'update'], quiet)
  run('apt-get', [...apt, '-y', 'install', ...packages], quiet)
}

const chromium = () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')

/** Debian's browser and driver, where this process may install them; else says exactly what to install. */
function installBrowser() {
  if (chromium()) return
  install('chromium', 'chromium-driver')
  if (!chromium()) {
    console.error(
      'The end-to-end tests need Debian’s chromium and chromium-driver. As root:\n  apt-get update && apt-get install -y chromium chromium-driver',
    )
    process.exit(1)
  }
}

/** The server's tests run on a PostgreSQL server, too, where one can be had; else it is said that they did not. */
async function database() {
  if (process.env.TEST_DATABASE_URL) return
  if (!postgresPrograms()) install('postgresql')
  const bin = postgresPrograms()
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

installPackages()
installBrowser()
build()
useScratch()
// --e2e: only the real interface, for whoever has just changed it.
if (!process.argv.includes('--e2e')) {
  await database()
  step('format', ...npm('format:check'))
  step('types', ...npm('types'))
  step('lint and import rules', ...npm('lint'))
  step('nothing that nobody uses', ...npm('unused'))
  step(
    'tests',
    ...npx('vitest', 'run', '--project', 'core', '--project', 'web', '--project', 'server', '--reporter=dot'),
  )
}
// What stands on files, starts a process of its own or never opens a house is the same on either.
const embeddedOnly = ['folder', 'faults', 'stored', 'bounds', 'hostile', 'years', 'print/*', 'backup/damage'].flatMap(
  (f) => ['--exclude', `server/${f}.test.ts`],
)
if (process.env.TEST_DATABASE_URL && !process.argv.includes('--e2e')) {
  process.env.JADE_TEST_STORE = 'server'
  step(
    'the server on PostgreSQL',
    ...npx('vitest', 'run', '--project', 'server', '--reporter=dot', 'server/', ...embeddedOnly),
  )
}
step('end to end', ...npx('vitest', 'run', '--project', 'e2e', '--reporter=verbose', '--bail=1'))
const commit = spawnSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).stdout?.trim()
console.log(`\nAll passed${commit ? ` at ${commit}` : ''}.`)
