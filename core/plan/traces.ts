import type { VisitRequest } from '../model/request'
import type { Plan } from '../model/plan'
import { said } from '../model/said'
import { write, type Notation, type Tooth } from '../teeth/notation'

type Trace = VisitRequest['earlier'][number]

/** What of a visit still matters to the next: cements and their eugenol, salts, resins, sealers. */
const lasting = /eugenol|^agent\.|^adhesive|^bond\.|resin|cement|sealer|liner|^composite/

/** What a visit asks of the laboratory: the pieces with what they are made of and how they will be fixed, and its own words. */
function askedOf(plan: Plan): string[] {
  const { request } = plan
  return [
    ...[request, ...request.also].flatMap((w) =>
      w.restoration
        ? [
            `${w.restoration}, ${[...w.teeth, ...w.pontics].map((t) => said(plan, t)).join(', ')}`,
            ...(w.framework ? [`framework ${w.framework}`] : []),
            `to be fixed with ${w.deliveryCement} cement`,
          ]
        : [],
    ),
    ...plan.steps.flatMap((s) => s.tellsLab ?? []),
  ]
}

/**
 * Shades as they were read, tooth by tooth; teeth that read alike are named together.
 * @example shadeWords(new Map([[toTooth('11'), 'neck A3'], [toTooth('21'), 'neck A3']]), 'iso') // '11, 21 neck A3'
 */
export const shadeWords = (read: ReadonlyMap<Tooth, string>, notation: Notation): string =>
  [...new Set(read.values())]
    .map(
      (says) =>
        `${[...read].flatMap(([tooth, own]) => (own === says ? [write(tooth, notation)] : [])).join(', ')} ${says}`,
    )
    .join('; ')

/**
 * The trace a visit leaves for the other visits of its case: the needs it lays out that a later bond or set may meet; where
 * something goes to a laboratory what was asked for, where dentine could be sealed which was, and what was left in.
 * @param shade as it was read at the visit, in words
 */
export function traceOf(plan: Plan, shade?: string): Trace {
  const uses = new Set(
    plan.steps.flatMap((s) => s.needs.filter((n) => n.readiness === 'open' && lasting.test(n.what)).map((n) => n.what)),
  )
  const left = plan.counts.filter((c) => c.untilDelivery && c.stays > 0).map((c) => ({ what: c.what, n: c.stays }))
  return {
    kind: plan.kind,
    date: plan.request.date,
    uses: [...uses].toSorted(),
    ...(plan.steps.some((s) => s.imprints) ? { asked: askedOf(plan) } : {}),
    ...(shade === undefined ? {} : { shade }),
    ...(plan.asked.choices.includes('dentineSeal') && plan.steps.some((s) => s.imprints)
      ? { sealed: plan.steps.flatMap((s) => s.seals ?? []) }
      : {}),
    ...(left.length > 0 || plan.steps.some((s) => s.act === 'provisional off') ? { left } : {}),
  }
}
