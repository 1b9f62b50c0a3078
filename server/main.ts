/** A practice's own server. */
import { run } from './start'

run()
