/** What the log keeps of an error: its kind, its words and where, never what was asked with it. */

/** A failed query names its parameters behind its text: names, notes, hashes. They stay out. */
const withoutParameters = (text: string): string =>
  text.replace(/\bparams: [\s\S]*?(?=\n\s+at |$)/g, 'params: (left out)')

export function loggable(error: Error): { type: string; message: string; stack: string; cause?: string } {
  const { cause } = error
  return {
    type: error.name,
    message: withoutParameters(error.message),
    stack: withoutParameters(error.stack ?? ''),
    ...(cause instanceof Error ? { cause: withoutParameters(cause.message) } : {}),
  }
}
