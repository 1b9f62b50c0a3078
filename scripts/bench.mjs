// npm run bench: packages and build where needed, then the measurements; `-- hostile` sends hostile requests instead.
import { build, installPackages, run } from './setup.mjs'

installPackages()
build()
const [what, ...more] = process.argv.slice(2)
const script = what === 'hostile' ? 'scripts/hostile.ts' : 'scripts/bench.ts'
run(process.execPath, ['--import', 'tsx', script, ...(what === 'hostile' ? more : process.argv.slice(2))])
