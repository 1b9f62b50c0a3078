/** What the shell answers to a line typed, and the code a script goes by. */
import { inspect } from 'node:util'
import { codeOf, messageOf } from '../core/sure'
import { BadBackup } from '../server/backup/container'
import { NoPassphrase } from '../server/backup/passphrase'
import { CannotOpen } from '../server/db/faults'
import { FolderInUse } from '../server/db/lock'
import { loggable, wordsOf } from '../server/log'
import { backupVerbs } from './backup'
import { Misuse } from './misuse'
import { run } from './verbs'

export interface Answer {
  /** 0 done, 2 typed wrongly, 1 for everything else. */
  code: 0 | 1 | 2
  said: string
}

/** Faults that are somebody's to mend, told in words; of any other what the log would keep. */
const told = [BadBackup, CannotOpen, FolderInUse]

export async function answer([verb = '', ...args]: string[]): Promise<Answer> {
  try {
    const done = await (backupVerbs[verb]?.(args) ?? run([verb, ...args]))
    return { code: 0, said: typeof done === 'string' ? done.trimEnd() : JSON.stringify(done, null, 2) }
  } catch (error) {
    if (error instanceof Misuse) return { code: 2, said: error.lines.join('\n') }
    if (error instanceof NoPassphrase) return { code: 2, said: error.message }
    if (codeOf(error)?.startsWith('ERR_PARSE_ARGS')) return { code: 2, said: messageOf(error) }
    return {
      code: 1,
      said: told.some((of) => error instanceof of)
        ? messageOf(error)
        : inspect(error instanceof Error ? loggable(error) : wordsOf(error)),
    }
  }
}
