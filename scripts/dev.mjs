// npm run dev: the server anew with every change of its sources, and the interface reloaded in the browser with every
// change of its own. Open the address that vite says; what lives under /api comes from the server beside it.
import { spawn } from 'node:child_process'
import { installPackages } from './setup.mjs'

installPackages()
const options = { stdio: 'inherit', env: { ...process.env, JADE_DATA: process.env.JADE_DATA ?? '.data/dev' } }
const both = [
  spawn(process.execPath, ['--watch', '--import', 'tsx', 'demo/main.ts'], options),
  spawn(process.execPath, ['node_modules/vite/bin/vite.js'], options),
]
const stop = () => both.forEach((child) => child.kill('SIGTERM'))
for (const child of both) child.on('exit', stop)
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
