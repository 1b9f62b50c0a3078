/**
 * The core from a shell.
 *   jade plan FILE [--practice FILE]     a visit request in, the Plan out, as JSON
 *   jade read FILE [--practice FILE]     the same plan as text, as a practitioner reads it
 *   jade schedule FILE [--practice FILE] the visit in time: who does what when, what decides the length, how long it takes
 *   jade measure cord --tooth 37 …       length of a piece of cord
 *   jade measure KIND FILE --readings JSON [--step ID] [--tooth T] [--practice FILE]
 *                                        readings judged as at the chair, at the first step of the visit that asks for them
 *   jade schema visit|practice           the JSON Schema of what is read
 *   jade backup|restore|verify …          copies of a practice: see backup.ts
 * FILE may be - for standard input. Errors go to standard error with the path of the field; exit code 2.
 */
import { answer } from './answer'

// A reader that stops early (head, less) is no error.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
})

const { code, said } = await answer(process.argv.slice(2))
if (code === 0) console.log(said)
else console.error(said)
process.exitCode = code
