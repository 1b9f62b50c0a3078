/** What an impression or scan shows, margin part by margin part. */
import * as z from 'zod'
import {
  fieldFaults,
  judgeInspection,
  marginParts,
  partFaults,
  scanFieldFaults,
  scanPartFaults,
} from '../measure/inspection'
import type { Plan } from '../model/plan'
import { judged, type Reading } from './reading'

const seen = z.strictObject({
  parts: z.partialRecord(z.enum(marginParts), z.enum([...partFaults, ...scanPartFaults])),
  field: z.array(z.enum([...fieldFaults, ...scanFieldFaults])).max(fieldFaults.length),
})
export type Seen = z.infer<typeof seen>

/** Whether what is read is a scan on its screen and no impression in a tray. */
export const readsScan = (plan: Plan): boolean => plan.choices.impression.value === 'optical scan'

export const inspection: Reading = {
  name: 'Margin parts',
  at: (_plan, step) => /^impression\.(?:[\w-]+\.)?inspect$/.test(step.id),
  readings: seen,
  judge: (given: Seen, { before }) => {
    const j = judgeInspection(given, before)
    return judged(j.verdict === 'accept' ? 'good' : j.verdict, [...j.says, ...j.causes], { faults: j.faults })
  },
}
