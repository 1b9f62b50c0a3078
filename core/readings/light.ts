/** Depth of a cavity and its increments; the light's reading and what it asks for. */
import { sure } from '../sure'
import { round } from '../figure'
import { aimJPerCm2, arrivingMWPerCm2, doseJPerCm2, secondsForDose, weakMWPerCm2 } from '../measure/curing'
import { bandHeight, bulkIncrements, bulkMostMm } from '../measure/restoring'
import type { Plan } from '../model/plan'
import { factsOf } from '../model/request'
import { judged, readingOf, must, num } from './reading'

const irradiance = (plan: Plan): number | undefined => plan.light?.irradianceMWPerCm2

export const depth = readingOf('depth', {
  name: 'Depth and increments',
  fields: {
    depthMm: must(num('deepest point, by probe', 'mm', 0.5, 12)),
    outsideMm: num('outside, to the gum', 'mm', 0, 12),
    overDistanceMm: num('tip to the floor beyond that', 'mm', 0, 10),
  },
  starts: ({ plan, tooth }) => {
    const { depthMm } = factsOf(plan.request, tooth)
    return depthMm === undefined ? {} : { depthMm }
  },
  judge: ({ depthMm, outsideMm, overDistanceMm = 0 }, { plan, ask }) => {
    const { bulkMm, figure } = bulkIncrements(depthMm)
    const light = irradiance(plan)
    // The light shines on the top of each increment: what has been placed above the floor is not in its way any more.
    const cures =
      light === undefined
        ? []
        : bulkMm.map((mm, i) => ({
            ...secondsForDose(
              aimJPerCm2,
              light,
              Math.max(
                0,
                Math.round((depthMm - bulkMm.slice(0, i + 1).reduce((a, b) => a + b, 0) + overDistanceMm) * 10) / 10,
              ),
            ),
            name: `light on increment ${i + 1} of ${mm} mm`,
          }))
    const says = [
      bulkMm.length === 0
        ? 'no deeper than the cover: one layer'
        : `${bulkMm.length} increment${bulkMm.length === 1 ? '' : 's'}: ${bulkMm.join(' + ')} mm, none over ${bulkMostMm}, deepest point first`,
      ...cures.map((c) => `${c.name}: at least ${c.value} s, and never below the material’s own`),
    ]
    const band = ask.band ? [bandHeight(depthMm, outsideMm)] : []
    if (band[0]) says.push(`band at least ${band[0].value} mm high`)
    const planned = ask.bulk
    const differs = planned !== undefined && planned !== bulkMm.length
    if (differs)
      says.push(`${planned} planned: ${bulkMm.length > planned ? 'one more on the tray, and its light' : 'one less'}`)
    return judged(differs ? 'tell' : 'good', says, { figures: [figure, ...cures, ...band] })
  },
})

export const curing = readingOf('light', {
  name: 'Light',
  fields: {
    irradianceMWPerCm2: must(num('radiometer', 'mW/cm²', 50, 5000)),
    distanceMm: must(num('tip to the surface', 'mm', 0, 15, [0, 2, 4, 8])),
    seconds: num('light given', 's', 1, 300, [10, 20, 40, 60]),
  },
  starts: ({ plan, step }) => ({
    ...(irradiance(plan) === undefined ? {} : { irradianceMWPerCm2: sure(irradiance(plan)) }),
    ...(step.figures[0] ? { seconds: step.figures[0].value } : {}),
  }),
  judge: ({ irradianceMWPerCm2, distanceMm, seconds }, { step }) => {
    const needed = secondsForDose(aimJPerCm2, irradianceMWPerCm2, distanceMm)
    const planned = step.figures.find((f) => f.unit === 's')?.value
    const weak =
      irradianceMWPerCm2 < weakMWPerCm2
        ? [`weak light, under ${weakMWPerCm2} mW/cm²: every cure is lengthened, and the lamp looked at`]
        : []
    const given = seconds ?? planned
    if (given === undefined)
      return judged(
        weak.length > 0 ? 'tell' : 'good',
        [`${needed.value} s for ${aimJPerCm2} J/cm² at the surface`, ...weak],
        { figures: [needed] },
      )
    const dose = round(doseJPerCm2(arrivingMWPerCm2(irradianceMWPerCm2, distanceMm), given), 1)
    const short = Math.max(0, needed.value - given)
    const says = [
      short > 0
        ? `${given} s give about ${dose} of ${aimJPerCm2} J/cm² at ${distanceMm} mm: ${short} s more for a 2 mm layer`
        : `${given} s give about ${dose} J/cm² at ${distanceMm} mm, of ${aimJPerCm2} for a 2 mm layer`,
      ...weak,
      ...(planned !== undefined && given < planned
        ? [`the plan has ${planned} s, the material’s own least among them`]
        : []),
    ]
    return judged(
      short > 0 || (planned !== undefined && given < planned) ? 'tell' : weak.length > 0 ? 'tell' : 'good',
      says,
      { figures: [needed] },
    )
  },
})
