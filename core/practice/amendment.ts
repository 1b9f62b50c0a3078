/** A practice's own change to a kind of visit: data over stable ids, with who, when and why. */
import { plainDate, text } from '../bounded'
import * as z from 'zod'
import { keysOf } from '../sure'
import { kindIds } from '../kinds'
import { functionName } from './functions'

const words = (least: number, most: number) => text(most, least)
/** A step by its stable id, with or without its tooth: 'cutting.margin' means that step on every tooth. */
const target = words(3, 120)
const minutes = z
  .tuple([z.number().min(0.05).max(240), z.number().min(0.05).max(240), z.number().min(0.05).max(240)])
  .refine(([s, l, x]) => s <= l && l <= x, 'short, likely, long: each no shorter than the one before')
const needed = z.strictObject({
  what: words(1, 80),
  quantity: z.number().positive().max(2000),
  readiness: z.enum(['open', 'standby', 'drawer']),
  when: text(120, 0).optional(),
})

/** What a step of the practice's own does to the mouth: it is asked once, when the step is added. */
export const mouthEffects = {
  hurts: 'it hurts: needle, drill, clamp or cord',
  'changes the upper teeth': 'it cuts, fills or grinds upper teeth',
  'changes the lower teeth': 'it cuts, fills or grinds lower teeth',
  'leaves a film': 'it leaves something on the teeth: resin, varnish, separator, oil',
} as const
export type MouthEffect = keyof typeof mouthEffects

export const change = z.discriminatedUnion('op', [
  z.strictObject({
    op: z.literal('add step'),
    after: target,
    id: z.string().regex(/^own\.[a-z0-9-]{1,40}$/, 'own. and small letters, as own.photo'),
    title: words(3, 120),
    fn: functionName,
    place: z.enum(['mouth', 'chair', 'bench', 'desk', 'room']),
    minutes,
    needs: z.array(needed).max(20).default([]),
    /** Left out only in what was stored before it was asked; nothing of it is an answer as well. */
    does: z
      .array(z.enum(keysOf(mouthEffects)))
      .max(4)
      .optional(),
  }),
  z.strictObject({ op: z.literal('remove step'), step: target }),
  z.strictObject({ op: z.literal('move step'), step: target, after: target }),
  z.strictObject({ op: z.literal('re-time step'), step: target, minutes }),
  /** What it is called, or what is said under that; what it warns of and what the record says stays. */
  z.strictObject({
    op: z.literal('reword step'),
    step: target,
    field: z.enum(['title', 'detail']),
    says: words(3, 200),
  }),
  z.strictObject({ op: z.literal('add item'), step: target, need: needed }),
  z.strictObject({ op: z.literal('remove item'), step: target, what: words(1, 80) }),
])
export type Change = z.infer<typeof change>

/**
 * What is still to be asked of a change; nothing where it is whole.
 * @example stillAsked({ op: 'remove step', step: 'records.shade' }) // undefined
 */
export const stillAsked = (c: Change): string | undefined =>
  c.op === 'add step' && c.place === 'mouth' && c.does === undefined
    ? 'Say what it does in the mouth: whether it hurts, changes teeth, or leaves a film; or nothing of these.'
    : undefined

export const amendment = z.strictObject({
  id: words(1, 60),
  kind: z.enum(kindIds),
  change,
  by: words(1, 80),
  on: plainDate,
  why: words(3, 300),
})
export type Amendment = z.infer<typeof amendment>
/** What is exported and imported. */
export const amendmentFile = z.strictObject({
  format: z.literal('jade-tray amendments'),
  version: z.literal(1),
  amendments: z.array(amendment).max(500),
})

/**
 * The change in a sentence's middle: 'adds "Photograph" after cutting.finish'.
 * @example changeWords({ op: 'remove step', step: 'records.shade' }) // 'leaves out records.shade'
 */
export function changeWords(c: Change): string {
  switch (c.op) {
    case 'add step':
      return `adds “${c.title}” after ${c.after}`
    case 'remove step':
      return `leaves out ${c.step}`
    case 'move step':
      return `moves ${c.step} to after ${c.after}`
    case 're-time step':
      return `gives ${c.step} ${c.minutes.join(' · ')} min`
    case 'reword step':
      return c.field === 'title' ? `calls ${c.step} “${c.says}”` : `says of ${c.step}: “${c.says}”`
    case 'add item':
      return `adds ${c.need.what.replaceAll('.', ', ')} to ${c.step}`
    case 'remove item':
      return `takes ${c.what.replaceAll('.', ', ')} from ${c.step}`
  }
}
