// npm start, npm run demo: packages, build, then the server in this very process.
import { build, installPackages } from './setup.mjs'

installPackages()
build()
await import('../dist/server.js')
