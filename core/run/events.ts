/** What happens in a run, and what a person asks of it. Events are append-only and the single truth of a visit. */
import { anything, id, text } from '../bounded'
import * as z from 'zod'
import { handoffNames } from './handoffs'
import { figure } from '../figure'
import { readingKinds } from '../readings'
import { verdicts } from '../readings/reading'

const stepId = id()
const handoff = z.enum(handoffNames)
const words = text(500, 3, 'give a reason in words')

/** What happened, without the envelope. */
export const happening = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('run.started'),
    /** What was laid up for it, out of which load, and who held it against the shelf. */
    cassettes: z
      .array(
        z.strictObject({ name: z.string(), load: z.number().int().nullable(), confirmedBy: z.string().nullable() }),
      )
      .optional(),
  }),
  z.strictObject({ kind: z.literal('step.started'), stepId, performer: z.string() }),
  z.strictObject({ kind: z.literal('step.finished'), stepId }),
  z.strictObject({ kind: z.literal('step.skipped'), stepId, reason: z.string() }),
  z.strictObject({ kind: z.literal('step.reopened'), stepId, reason: z.string() }),
  z.strictObject({
    kind: z.literal('count.moved'),
    countId: z.string(),
    direction: z.enum(['in', 'out']),
    n: z.number().int(),
    reason: z.string().optional(),
    /** Of a piece that is taken off its count: where it was looked for, and what a film showed. */
    looked: z.string().optional(),
    film: z.string().optional(),
  }),
  z.strictObject({
    kind: z.literal('hold.signed'),
    holdId: z.string(),
    /** By a touch on the own device, so many seconds after the code was given there. */
    codeAgoS: z.number().optional(),
  }),
  z.strictObject({ kind: z.literal('hold.waved'), holdId: z.string(), reason: z.string() }),
  z.strictObject({ kind: z.literal('hold.reopened'), holdId: z.string(), reason: z.string() }),
  z.strictObject({ kind: z.literal('window.accepted'), linkId: z.string(), reason: z.string() }),
  z.strictObject({ kind: z.literal('handoff.called'), handoff, minutes: z.number().int().optional() }),
  z.strictObject({ kind: z.literal('handoff.seen'), handoff }),
  z.strictObject({
    kind: z.literal('measured'),
    stepId,
    measure: z.enum(readingKinds),
    tooth: z.string(),
    readings: z.unknown(),
    verdict: z.enum(verdicts),
    says: z.array(z.string()),
    faults: z.array(z.string()),
    figures: z.array(figure).optional(),
  }),
  /** A cord past its limit stays in, and why. */
  z.strictObject({ kind: z.literal('cord.kept'), stepId, reason: z.string() }),
  z.strictObject({ kind: z.literal('note.added'), text: z.string() }),
  /** The patient's alerts, changed while the visit runs; nobody's touch of the run, and not taken back by one. */
  z.strictObject({
    kind: z.literal('alerts.changed'),
    entered: z.array(z.string()),
    taken: z.array(z.string()),
    /** What each one entered touches of this visit. */
    touches: z.record(z.string(), z.array(z.string())).optional(),
    why: z.string().optional(),
  }),
  /** A mark that an alert looks at, changed on a product of this tray while the visit runs. */
  z.strictObject({
    kind: z.literal('mark.changed'),
    item: z.string(),
    mark: z.string(),
    on: z.boolean(),
    why: z.string().optional(),
  }),
  /** The load a cassette of this visit came out of was pulled back; it was so no longer; another was laid out instead. */
  z.strictObject({
    kind: z.literal('cassette.doubted'),
    cassetteId: z.string(),
    name: z.string(),
    load: z.number().int().nullable(),
    why: z.string(),
  }),
  z.strictObject({ kind: z.literal('cassette.cleared'), cassetteId: z.string(), name: z.string(), why: z.string() }),
  z.strictObject({
    kind: z.literal('cassette.changed'),
    cassetteId: z.string(),
    name: z.string(),
    to: z.string(),
    load: z.number().int().nullable(),
  }),
  /** The dentist's answer to what came up, with the own code. */
  z.strictObject({ kind: z.literal('matter.answered'), matterId: z.string(), reason: z.string() }),
  z.strictObject({ kind: z.literal('undone'), commandId: z.string() }),
  z.strictObject({ kind: z.literal('run.closed') }),
  z.strictObject({ kind: z.literal('addendum.made'), text: z.string() }),
])
export type Happening = z.infer<typeof happening>

/** A stored event. `seq` counts from 1 within the run; `at` is the server's clock, ms; `commandId` is made by the client. */
export const runEvent = z.object({
  id: z.string(),
  seq: z.number().int().positive(),
  at: z.number().int(),
  by: z.string(),
  device: z.string(),
  commandId: z.string(),
  /** When the server heard of it, ms, where the touch had waited on its device. */
  receivedAt: z.number().int().optional(),
  what: happening,
})
export type RunEvent = z.infer<typeof runEvent>

export const command = z.discriminatedUnion('kind', [
  /** `despite`: on a cassette that was pulled back, by the dentist's own code. */
  z.strictObject({ kind: z.literal('begin'), despite: words.optional() }),
  /** Finish one step and start another in one touch; either may be left out. */
  z.strictObject({
    kind: z.literal('advance'),
    finish: stepId.optional(),
    start: stepId.optional(),
    performer: id(80).optional(),
  }),
  z.strictObject({ kind: z.literal('skip'), stepIds: z.array(stepId).min(1).max(200), reason: words }),
  z.strictObject({
    kind: z.literal('count'),
    countId: id(),
    direction: z.enum(['in', 'out']),
    n: z.number().int().min(-20).max(20),
    /** Why fewer went in than was counted: a piece is taken off by the dentist's own code. */
    reason: words.optional(),
    /** Where it was looked for, and what a film shows; of a throat pack never without. */
    looked: words.optional(),
    film: words.optional(),
  }),
  z.strictObject({ kind: z.literal('sign'), holdId: id() }),
  z.strictObject({ kind: z.literal('wave'), holdId: id(), reason: words }),
  /** The answer to a hold is "not good": what it looked at is done over. */
  z.strictObject({ kind: z.literal('again'), holdId: id(), reason: words }),
  z.strictObject({ kind: z.literal('answer'), linkId: id(300), answer: z.enum(['again', 'accept']), reason: words }),
  /** A cord past its limit: out now, whatever it would wait for, or why it stays. */
  z.strictObject({ kind: z.literal('cord out'), stepId }),
  z.strictObject({ kind: z.literal('keep cord'), stepId, reason: words }),
  /** A word to the other side of the chair, and having seen one. */
  z.strictObject({ kind: z.literal('call'), handoff, minutes: z.number().int().min(1).max(120).optional() }),
  z.strictObject({ kind: z.literal('seen'), handoff }),
  /** Readings taken at a step; the server judges them. */
  z.strictObject({
    kind: z.literal('measure'),
    stepId,
    measure: z.enum(readingKinds),
    tooth: id(4).or(z.literal('')),
    readings: z.record(id(80), anything),
  }),
  /** The dentist's answer to an alert, a cassette or a mark that came up. */
  z.strictObject({ kind: z.literal('settle'), matterId: text(300), reason: words }),
  z.strictObject({ kind: z.literal('note'), text: text(1000) }),
  z.strictObject({ kind: z.literal('undo') }),
  z.strictObject({ kind: z.literal('close') }),
  /** Written to a closed record, which itself is never changed. */
  z.strictObject({ kind: z.literal('addend'), text: text(1000) }),
])
export type Command = z.infer<typeof command>
