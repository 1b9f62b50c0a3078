/** Who works here, and who is signed in. */
import * as z from 'zod'
import { role } from '../core/practice/functions'

const person = { id: z.string(), name: z.string(), roles: z.array(role) }
/** `changeCode`: why the own code has to be changed before anything else. */
export const personView = z.strictObject({ ...person, changeCode: z.string().optional() })
export type Person = z.infer<typeof personView>

/** On the sign-in page; the code only in the demo. */
export const signInView = z.strictObject({ ...person, shownCode: z.string().optional() })
export type SignInPerson = z.infer<typeof signInView>

/** Who has a visit open, on any device. */
export const presentView = z.strictObject({ id: z.string(), name: z.string() })
export type Present = z.infer<typeof presentView>
