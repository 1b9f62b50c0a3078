// npm run bench: packages and build where needed, then the measurements; `-- hostile` sends hostile requests instead, `-- kills` kills, `-- years` fills years.
import { build, installPackages, run } from './setup.mjs'

installPackages()
build()
const [what, ...more] = process.argv.slice(2)
const scripts = { hostile: 'scripts/hostile.ts', kills: 'scripts/kills.ts', years: 'scripts/years.ts' }
const other = scripts[what]
run(process.execPath, ['--import', 'tsx', other ?? 'scripts/bench.ts', ...(other ? more : process.argv.slice(2))])
