/** How answers are described: every field of a type that core keeps is held against it by the compiler. */
import * as z from 'zod'

type Optional<T, K extends keyof T> = object extends Pick<T, K> ? true : false
/** A schema for each field of T; one left out, or of another type, does not compile. */
type Fields<T> = { [K in keyof T]-?: Optional<T, K> extends true ? z.ZodType<T[K] | undefined> : z.ZodType<T[K]> }

/**
 * A type of core, field by field; nothing else may stand in it.
 * @example noun<Mark>({ lineId: z.string(), by: z.string(), at: ms })
 */
export const noun = <T extends object>(fields: Fields<T>): z.ZodType<T> =>
  // The compiler has held each field against T above; an optional one may say undefined, which JSON leaves out.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  z.strictObject(fields) as unknown as z.ZodType<T>

/** A type of core of which a reader of the document needs these fields; core says what else is in it. */
export const sketch = <T extends object>(title: string, fields: Partial<Fields<T>> & z.ZodRawShape): z.ZodType<T> =>
  // What is not described here is not checked here: its shape is core's, and core's tests hold it.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  z.looseObject(fields).meta({ description: title }) as unknown as z.ZodType<T>

/** Milliseconds since the epoch. */
export const ms = z.number().int().meta({ description: 'milliseconds since the epoch' })
/** A plain date. */
export const date = z.string().meta({ description: 'a plain date, 2026-11-24' })
/** Seconds. */
export const seconds = z.number().meta({ description: 'seconds' })
/** What a route answers that has nothing to say but that it is done. */
export const done = z.strictObject({ ok: z.literal(true) })
/** What was made. */
export const made = z.strictObject({ id: z.string() })
