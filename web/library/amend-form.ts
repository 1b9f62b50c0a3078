/** What is typed to amend a step, and the change that is made of it. */
import * as z from 'zod'
import { change, mouthEffects, stillAsked, type Change } from '../../core/practice/amendment'
import { functionNames } from '../../core/practice/functions'
import { allPlaces } from '../../core/model/step'
import { keysOf } from '../../core/sure'

export const ops = {
  'add step': 'Add a step after it',
  're-time step': 'Its minutes',
  'reword step': 'Its words',
  'move step': 'Move it',
  'remove step': 'Leave it out',
  'add item': 'Add an item',
  'remove item': 'Take an item out',
} satisfies Record<Change['op'], string>

const minute = z.string()
const typed = z.object({
  op: z.enum(keysOf(ops)),
  why: z.string(),
  title: z.string(),
  fn: z.enum(keysOf(functionNames)),
  place: z.enum(allPlaces),
  minutes: z.tuple([minute, minute, minute]),
  after: z.string(),
  what: z.string(),
  field: z.enum(['title', 'detail']),
  says: z.string(),
  /** Null until it is answered. */
  does: z.array(z.enum(keysOf(mouthEffects))).nullable(),
})
export type Typed = z.input<typeof typed>

/** A step of the practice's own is named by its title. */
const idOf = (title: string): string =>
  `own.${title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)}`

/** @param target the step that is amended, by its id on every tooth */
export function changeOf(
  target: string,
  { op, title, fn, place, minutes: texts, after, what, does, field, says }: Typed,
): unknown {
  const minutes = texts.map((m) => Number(m.replace(',', '.')))
  const need = { what, quantity: 1, readiness: 'open' }
  switch (op) {
    case 'add step':
      return {
        op,
        after: target,
        id: idOf(title),
        title,
        fn,
        place,
        minutes,
        needs: what ? [need] : [],
        ...(does === null ? {} : { does }),
      }
    case 're-time step':
      return { op, step: target, minutes }
    case 'reword step':
      return { op, step: target, field, says }
    case 'move step':
      return { op, step: target, after }
    case 'remove step':
      return { op, step: target }
    case 'add item':
      return { op, step: target, need }
    case 'remove item':
      return { op, step: target, what }
  }
}

/** Where each part of a change was typed. */
const fieldOf: Record<string, keyof Typed> = {
  id: 'title',
  title: 'title',
  minutes: 'minutes',
  after: 'after',
  need: 'what',
  what: 'what',
  says: 'says',
}

/** The form's schema: its answer is the change, as the practice keeps it, and why. */
export const amendForm = (target: string) =>
  typed.transform((of, ctx): { why: string; change: Change } => {
    if (of.why.trim().length < 3)
      ctx.addIssue({ code: 'custom', path: ['why'], message: 'Say why: whoever reads the plan will ask.' })
    const made = change.safeParse(changeOf(target, of))
    const asked = made.success ? stillAsked(made.data) : undefined
    if (asked !== undefined) {
      ctx.addIssue({ code: 'custom', path: ['does'], message: asked })
      return z.NEVER
    }
    if (made.success) return { why: of.why, change: made.data }
    for (const { path, message } of made.error.issues)
      ctx.addIssue({
        code: 'custom',
        path: [fieldOf[String(path[0])] ?? 'op'],
        // The name is made here: whoever typed a title has never seen it.
        message: path[0] === 'id' ? 'Say what is done, in letters.' : message,
      })
    return z.NEVER
  })
