/** The demo's server: an invented practice. */
import { run } from '../server/start'
import { demoCodes, seedDemo } from './seed'

run({ seed: seedDemo, codes: demoCodes })
