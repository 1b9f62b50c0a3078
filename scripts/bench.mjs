// npm run bench: packages and build where needed, then the measurements.
import { build, installPackages, run } from './setup.mjs'

installPackages()
build()
run(process.execPath, ['--import', 'tsx', 'scripts/bench.ts', ...process.argv.slice(2)])
