import type { Outlook } from '../../core/run/next'
import type { RunCore } from '../../core/run/state'

/** What stands largest: the step that runs or comes, or that something is waited for, and why. */
export function inFront(
  { status }: Pick<RunCore, 'status'>,
  { running, next, waiting }: Outlook,
  asked: boolean,
): { title: string; why?: string } {
  if (status === 'closed') return { title: 'Closed' }
  if (status === 'laid up') return { title: 'Ready to begin' }
  const current = running.at(-1)
  if (current) return { title: current.title }
  if (next) return { title: `Next: ${next.title}` }
  if (asked) return { title: 'Waiting for the dentist' }
  return waiting ? { title: 'Waiting', why: waiting.refusal.message } : { title: 'All steps are answered' }
}
