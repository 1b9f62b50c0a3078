/** The teeth of a plan as its practice writes them: what is frozen is read in the notation it was signed in. */
import { write, writeBoth, type Tooth } from '../teeth/notation'
import type { Plan } from './plan'

type Written = Pick<Plan, 'notation'>

/** @example said(plan, toTooth('26')) // '26' */
export const said = (plan: Written, tooth: Tooth): string => write(tooth, plan.notation)
/** Where a mistake could hurt: with another notation beside it. @example labelled(plan, toTooth('26')) // '26 (UL6)' */
export const labelled = (plan: Written, tooth: Tooth): string => writeBoth(tooth, plan.notation)
/** All teeth worked on. @example teethSaid(plan) // '36 (LL6)' */
export const teethSaid = (plan: Written & Pick<Plan, 'teeth'>): string =>
  plan.teeth.map((t) => labelled(plan, t.tooth)).join(', ')
