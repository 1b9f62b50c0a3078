/** Reduction by site, convergence and resistance: read before cord goes in. */
import { sure } from '../sure'
import * as z from 'zod'
import { extraGrooves, judgeConvergence } from '../measure/convergence'
import { judgeReduction, reductionSites, sitesOf, targetAt, writeRange } from '../measure/reduction'
import { isPrimary, parts, type Tooth } from '../teeth/notation'
import { judged, readingOf, must, num, yes, type AskOf, type At, type Reading } from './reading'

const hasCusps = (tooth: Tooth): boolean => parts(tooth).position >= 4
const isMolar = (tooth: Tooth): boolean => parts(tooth).position >= (isPrimary(tooth) ? 4 : 6)

/** The sites a tooth's reduction is read at. */
export const sitesFor = (ask: AskOf<'reduction'>, tooth: Tooth) => sitesOf(ask.restoration, hasCusps(tooth))

const sites = z
  .partialRecord(z.enum(reductionSites), z.number().min(0).max(6))
  .refine((r) => Object.keys(r).length > 0, 'at least one reading')

export const reduction: Reading = {
  name: 'Reduction',
  readings: sites,
  judge: (given: z.infer<typeof sites>, { ask: { restoration, inner } }: At<'reduction'>) => {
    const each = judgeReduction(restoration, given, inner)
    const verdict = each.some((s) => s.verdict === 'short')
      ? 'short'
      : each.some((s) => s.verdict === 'over')
        ? 'over'
        : 'good'
    const figures = each.map((s) => {
      const target = sure(targetAt(restoration, s.site, inner))
      return {
        name: s.site,
        value: target.leastMm,
        unit: 'mm',
        text: `${writeRange(target)} for a ${restoration}; read ${s.readMm.toFixed(1)} mm, to a tenth`,
        standing: restoration === 'full metal crown' ? ('C' as const) : ('M' as const),
      }
    })
    return judged(
      verdict,
      each.map((s) => s.says),
      { figures },
    )
  },
}

export const convergence = readingOf('convergence', {
  name: 'Convergence',
  fields: {
    cervicalMm: must(num('width at the margin', 'mm', 1, 15)),
    occlusalMm: must(num('width at the top', 'mm', 0.5, 15)),
    heightMm: must(num('height', 'mm', 0.5, 15)),
    tipped: yes('the tooth is tipped'),
  },
  judge: ({ tipped = false, ...given }, { tooth, plan }) => {
    const j = judgeConvergence({ ...given, molar: isMolar(tooth) })
    const limit = {
      name: 'a wall resists up to',
      value: j.limitDeg,
      unit: '°',
      text: `½·asin(2 × ${given.heightMm} / ${given.cervicalMm}), where a wall no longer holds against tipping about the other margin; 45° where it is high enough`,
      standing: 'P' as const,
      source: 'Parker MH, Gunderson RB, Gardner FM, Calverley MJ, J Prosthet Dent 1988;59:281',
    }
    const grooves = extraGrooves({
      resists: j.resists,
      convergenceDeg: j.convergence.value,
      tipped,
      units: plan.request.pontics.length === 0 ? 1 : plan.request.teeth.length + plan.request.pontics.length,
    })
    return judged(
      j.says.length > 0 || grooves ? 'tell' : 'good',
      [
        `${j.convergence.value}° between the walls; a wall resists up to ${j.limitDeg}°`,
        ...j.says.map((s) => s.text),
        ...(grooves ? [grooves.because.text] : []),
      ],
      { figures: [j.convergence, limit] },
    )
  },
})
