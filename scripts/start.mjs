// npm start, npm run demo: packages, build, then the server. It runs as a child, because how far the engine may let its heap
// grow is said when it starts: a practice's data are small, and unasked it would take a good part of the machine before it
// tidies up. JADE_HEAP_MB gives it more.
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { build, installPackages } from './setup.mjs'

installPackages()
build()
const flags = JSON.parse(readFileSync(new URL('server-flags.json', import.meta.url), 'utf8'))
const more = Number(process.env.JADE_HEAP_MB)
// The channel tells the server when this process is gone, however it went.
const server = spawn(
  process.execPath,
  [
    ...flags,
    ...(more > 0 ? [`--max-old-space-size=${more}`] : []),
    process.argv.includes('--demo') ? 'dist/demo.js' : 'dist/server.js',
  ],
  { stdio: ['inherit', 'inherit', 'inherit', 'ipc'] },
)
// A terminal sends its interrupt to both; the server stops in order, and this process waits for it.
process.on('SIGINT', () => {})
process.on('SIGTERM', () => server.kill('SIGTERM'))
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)))
