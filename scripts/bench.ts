/**
 * Measures what speed is promised for. Medians, beside a calibration loop on the same machine, so that figures from
 * other machines compare as ratios. `npm run bench` prints; with --write it also keeps docs/bench.md.
 */
import { firstScreenBytes } from './first-screen'
import { firstOf } from '../core/sure'
import { cpus } from 'node:os'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { core } from './bench-core'
import { note, rows, timed } from './bench-measure'
import { pictures } from './bench-pictures'
import { crowd } from './bench-crowd'
import { browser, secondScreen, server } from './bench-live'

/** A fixed piece of work: sums of square roots and a sort of a fixed array. */
function calibration(): number {
  let sum = 0
  for (let i = 0; i < 400_000; i++) sum += Math.sqrt(i % 1000)
  const list = Array.from({ length: 20_000 }, (_, i) => (i * 7919) % 20_011)
  list.sort((a, b) => a - b)
  return sum + firstOf(list)
}

note('calibration loop', timed(60, calibration))
core()
pictures(timed, note)
note('JavaScript of the first screen, compressed', firstScreenBytes() / 1000, 'kB', 200)
const live = await server()
const day = new Date().toISOString().slice(0, 10)
try {
  await secondScreen(live, `${day}-one`)
  await browser(live, day)
} finally {
  live.stop()
  rmSync(live.folder, { recursive: true, force: true })
}
await crowd()
if (process.argv.includes('--write')) {
  const unit = firstOf(rows).value
  // What other measurements have put behind these figures stays.
  const [, ...others] = readFileSync('docs/bench.md', 'utf8').split(/^(?=## )/m)
  writeFileSync(
    'docs/bench.md',
    `# Last figures of \`npm run bench\`\n\nMeasured on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}, ${cpus().length} cores (${firstOf(cpus()).model.trim()}). Medians unless said otherwise. The calibration loop is a fixed piece of arithmetic and sorting; the last column is the figure in units of it, which is what compares between machines.\n\n| what | figure | aim | in calibration loops |\n| --- | --- | --- | --- |\n${rows.map((r) => `| ${r.what} | ${r.value.toFixed(r.value < 10 ? 2 : 0)} ${r.unit} | ${r.aim === undefined ? '' : `under ${r.aim} ${r.unit}${r.value < r.aim ? '' : ' (missed)'}`} | ${r.unit === 'ms' ? (r.value / unit).toFixed(2) : ''} |`).join('\n')}\n${others.map((part) => `\n${part.trim()}\n`).join('')}`,
  )
}
