/** What an impression or scan shows, margin part by margin part. */
import * as z from 'zod'
import { fieldFaults, judgeInspection, marginParts, partFaults } from '../../measure/inspection'
import { judged, type Measure } from './measure'

const seen = z.strictObject({ parts: z.partialRecord(z.enum(marginParts), z.enum(partFaults)), field: z.array(z.enum(fieldFaults)).max(fieldFaults.length) })
export type Seen = z.infer<typeof seen>

export const inspection: Measure = {
  name: 'Margin parts',
  at: (_plan, step) => /^impression\.(?:[\w-]+\.)?inspect$/.test(step.id),
  readings: seen,
  judge: (given: Seen, { before }) => {
    const j = judgeInspection(given, before)
    return judged(j.verdict === 'accept' ? 'good' : j.verdict, [...j.says, ...j.causes], { faults: j.faults })
  },
}
