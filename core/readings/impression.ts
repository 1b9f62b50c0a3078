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
import { judged, type At, type Reading } from './reading'

const seen = z.strictObject({
  parts: z.partialRecord(z.enum(marginParts), z.enum([...partFaults, ...scanPartFaults])),
  field: z.array(z.enum([...fieldFaults, ...scanFieldFaults])).max(fieldFaults.length),
})
export type Seen = z.infer<typeof seen>

export const inspection: Reading = {
  name: 'Margin parts',
  rests: true,
  readings: seen,
  judge: (given: Seen, { before, ask }: At<'inspection'>) => {
    const j = judgeInspection(given, before, ask.parts)
    return judged(j.verdict === 'accept' ? 'good' : j.verdict, [...j.says, ...j.causes], { faults: j.faults })
  },
}
