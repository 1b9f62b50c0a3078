/** The provisional on the tooth: read, corrected, read again; the rounds are counted. */
import { ordinal } from '../words'
import * as z from 'zod'
import { marginParts, partCount } from '../measure/inspection'
import {
  biteReadings,
  contactReadings,
  edgeFaults,
  gaugedSites,
  insideReadings,
  judgeProvisional,
} from '../measure/provisional'
import type { Plan } from '../model/plan'
import { neighbours } from '../teeth/arch'
import type { Tooth } from '../teeth/notation'
import { judged, type At, type Reading } from './reading'

const mm = z.number().min(0).max(6)
export const provisionalReading = z.strictObject({
  parts: z.partialRecord(z.enum(marginParts), z.strictObject({ fault: z.enum(edgeFaults), byMm: mm.optional() })),
  contacts: z.strictObject({ mesial: z.enum(contactReadings).optional(), distal: z.enum(contactReadings).optional() }),
  inside: z.enum(insideReadings),
  thicknessMm: z.partialRecord(z.enum(gaugedSites), mm),
  bite: z.enum(biteReadings).optional(),
  cracked: z.boolean(),
})

/** The sides of a tooth that touch a neighbour. */
export function contactsOf(plan: Plan, tooth: Tooth): ('mesial' | 'distal')[] {
  const beside = neighbours(tooth, [...plan.request.missing, ...plan.request.pontics])
  return (['mesial', 'distal'] as const).filter((s) => beside[s].tooth !== null)
}

export const provisional: Reading = {
  name: 'Provisional',
  readings: provisionalReading,
  judge: (given: z.infer<typeof provisionalReading>, { plan, tooth, round, ask }: At<'provisional'>) => {
    const { acts } = judgeProvisional(given, { contacts: contactsOf(plan, tooth), weak: !plan.request.vital, round })
    const has = (...of: string[]): boolean => acts.some((a) => of.includes(a.act))
    const verdict = has('make again')
      ? 'again'
      : has('reline', 'thin', 'add', 'fill', 'ease')
        ? 'correct'
        : acts.length > 0
          ? 'tell'
          : 'good'
    const again = plan.steps.find((s) => s.id === 'provisional.mix')?.figures ?? []
    const says =
      acts.length > 0
        ? acts.map((a) => a.says)
        : [`${partCount(ask.parts ?? marginParts)} margin parts, contacts, inside, thickness and bite good`]
    return judged(verdict, round > 0 ? [...says, `read for the ${ordinal(round + 1)} time`] : says, {
      faults: has('make again') ? ['provisional made again'] : [],
      figures: has('make again') ? again : [],
    })
  },
}
