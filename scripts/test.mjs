// npm test: from a fresh clone to a passed suite. Packages, browser, types, lint and import rules, tests, end-to-end.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { build, installPackages, run } from './setup.mjs'

const chromium = () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')

/** Debian's browser and driver, where this process may install them; else says exactly what to install. */
function installBrowser() {
  if (chromium()) return
  const may = process.platform === 'linux' && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0
  if (may) {
    console.log('Installing chromium and chromium-driver …')
    // Another process may hold the package lock for a while; apt waits for it.
    const apt = ['-o', 'DPkg::Lock::Timeout=600', '-qq', '-y']
    const quiet = {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      mayFail: true,
    }
    run('apt-get', ['-o', 'DPkg::Lock::Timeout=600', '-qq', 'update'], quiet)
    run('apt-get', [...apt, 'install', 'chromium', 'chromium-driver'], quiet)
  }
  if (!chromium()) {
    console.error(
      'The end-to-end tests need Debian’s chromium and chromium-driver. As root:\n  apt-get update && apt-get install -y chromium chromium-driver',
    )
    process.exit(1)
  }
}

const step = (title, command, args) => {
  const started = Date.now()
  console.log(`\n— ${title}`)
  run(command, args)
  console.log(`  ${((Date.now() - started) / 1000).toFixed(1)} s`)
}
const npx = (...args) => ['npx', ['--no-install', ...args]]

installPackages()
installBrowser()
build()
// --e2e: only the real interface, for whoever has just changed it.
if (!process.argv.includes('--e2e')) {
  step('format', ...npx('prettier', '--check', '--log-level', 'warn', '.'))
  step('types', ...npx('tsc', '-p', '.'))
  step('lint and import rules', ...npx('oxlint', '-c', 'oxlint.config.mjs', '--deny-warnings'))
  step('nothing that nobody uses', ...npx('knip', '--no-config-hints'))
  step(
    'tests',
    ...npx('vitest', 'run', '--project', 'core', '--project', 'web', '--project', 'server', '--reporter=dot'),
  )
}
step('end to end', ...npx('vitest', 'run', '--project', 'e2e', '--reporter=verbose', '--bail=1'))
const commit = spawnSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).stdout?.trim()
console.log(`\nAll passed${commit ? ` at ${commit}` : ''}.`)
