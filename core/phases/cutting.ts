import { reason, type Reason } from '../figure'
import { reductionTargets, writeRange, type Targets } from '../measure/reduction'
import { innerSide, isAnterior } from '../teeth/arch'
import type { CutForm } from '../catalog/cut'
import { open, sequence, step, type Block, type Draft } from './build'
import type { Case, Unit } from './case'

const cuttingCautions: Reason[] = [reason('Eye shields and masks on all three; high-volume suction at the bur; water on', 'C')]

/** A cut as the phase writes it: minutes follow from its share of the whole preparation. */
interface CutLine {
  act: string
  title: string
  form: CutForm
  depthMm: number
  surface: string
  /** Share of the preparation's time. */
  share: number
  after?: 'chamfer' | 'shoulder'
  detail?: string
  because?: Reason
  told?: string
  mistakes?: string[]
}

/** Crown cutting 12 · 20 · 40 minutes in all. Standing C or estimate; the practice's own runs replace it. */
const wholeMinutes = [12, 20, 40] as const

/** Cuts of a posterior crown: guide grooves, deeper on the functional cusp, half at a time, contacts, margin, finish. */
function posteriorCuts(c: Case, u: Unit, t: Targets): CutLine[] {
  const { functional, other } = u.cusps!
  const shape = t.margin.form
  const swapped = c.request.crossbite ? ', swapped by the crossbite' : ''
  return [
    { act: 'groove-functional', title: `Depth grooves, ${functional} cusps ${writeRange(t.functionalCusp)}`, form: 'groove', depthMm: t.functionalCusp.mostMm, surface: `${functional} cusps`, share: 1, because: reason(`${functional} cusps carry the bite on ${u.tooth}${swapped}: the larger reduction`, t.standing) },
    { act: 'groove-other', title: `Depth grooves, ${other} cusps ${writeRange(t.otherCusp)}`, form: 'groove', depthMm: t.otherCusp.mostMm, surface: `${other} cusps`, share: 1 },
    { act: 'occlusal', title: 'Occlusal reduction, one half, then the other', form: 'occlusal', depthMm: t.functionalCusp.mostMm, surface: 'occlusal', share: 3, detail: 'The untouched half is the reference.', mistakes: ['flat table instead of planes: short in the fossa'] },
    { act: 'bevel', title: `Bevel on the ${functional} cusps, 45°, about 1.5 mm wide`, form: 'bevel', depthMm: t.functionalCusp.mostMm, surface: `${functional} cusps`, share: 1 },
    { act: 'axial-facial', title: `Buccal wall ${writeRange(t.facial)}`, form: 'axial', depthMm: t.margin.mostMm, surface: 'buccal', share: 3, after: shape },
    { act: 'axial-inner', title: `${innerSide(u.tooth) === 'palatal' ? 'Palatal' : 'Lingual'} wall ${writeRange(t.inner)}`, form: 'axial', depthMm: t.margin.mostMm, surface: innerSide(u.tooth), share: 2, after: shape },
  ]
}

/** Cuts of an anterior crown: incisal, facial in two planes, the concave inner side. */
function anteriorCuts(u: Unit, t: Targets): CutLine[] {
  const inner = innerSide(u.tooth)
  const incisal = t.incisal
  return [
    { act: 'groove-facial', title: `Facial depth grooves ${writeRange(t.facial)}, two planes`, form: 'groove', depthMm: t.facial.mostMm, surface: 'facial', share: 1 },
    ...(incisal ? [{ act: 'incisal', title: `Incisal reduction ${writeRange(incisal)}`, form: 'incisal' as const, depthMm: incisal.mostMm, surface: 'incisal', share: 2 }] : []),
    { act: 'axial-facial', title: `Facial wall ${writeRange(t.facial)}, two planes`, form: 'axial', depthMm: t.margin.mostMm, surface: 'facial', share: 3, after: t.margin.form, mistakes: ['one plane only: the incisal third ends up thick'] },
    { act: 'concavity', title: `${inner === 'palatal' ? 'Palatal' : 'Lingual'} concavity ${writeRange(t.inner)}`, form: 'lingual concavity', depthMm: t.inner.mostMm, surface: inner, share: 2 },
    { act: 'axial-inner', title: `Cingulum wall ${writeRange(t.inner)}`, form: 'axial', depthMm: t.margin.mostMm, surface: inner, share: 1, after: t.margin.form },
  ]
}

/** Contacts, margin and finish, which every crown ends with. */
function endCuts(c: Case, u: Unit, t: Targets): CutLine[] {
  const contact = (side: 'mesial' | 'distal'): CutLine[] => {
    const neighbour = u[side].tooth
    if (!neighbour) return []
    return [{ act: `contact-${side}`, title: `Break the ${side} contact toward ${neighbour}`, form: 'contact', depthMm: 1, surface: side, share: 1.5, mistakes: [`neighbour ${neighbour} nicked: leave the thin wall of enamel standing to the last`] }]
  }
  const shape = t.margin.form
  const line: CutLine = { act: 'margin', title: `${shape === 'chamfer' ? 'Chamfer' : 'Shoulder'} all round ${writeRange(t.margin)}`, form: shape, depthMm: t.margin.mostMm, surface: 'margin', share: 3, ...(shape === 'chamfer' ? { mistakes: ['more than half the tip sunk: an unsupported lip of enamel'] } : {}) }
  const finish: CutLine = { act: 'finish', title: 'Finish every line, round every edge', form: 'finish', depthMm: t.margin.mostMm, surface: 'all', share: 2, after: shape, told: `finished the preparation of ${u.label} for a ${c.request.restoration}, ${shape} ${writeRange(t.margin)}` }
  const seat: CutLine[] = c.request.restoration === 'full metal crown' && !isAnterior(u.tooth)
    ? [{ act: 'seating-groove', title: 'Seating groove 1.0 mm on the path of insertion', form: 'seating groove', depthMm: 1, surface: 'buccal', share: 1 }]
    : []
  return [...contact('mesial'), ...contact('distal'), line, finish, ...seat]
}

function cutStep(c: Case, u: Unit, line: CutLine, shares: number): Draft {
  const minutes = wholeMinutes.map((m) => (m * line.share) / shares) as [number, number, number]
  const id = `cutting.${line.act}.${u.tooth}`
  return {
    id,
    phase: 'cutting',
    title: c.units.length > 1 ? `${u.tooth}: ${line.title}` : line.title,
    ...(line.detail ? { detail: line.detail } : {}),
    ...(line.told ? { told: line.told } : {}),
    tooth: u.tooth,
    fn: 'cutting',
    place: 'mouth',
    helped: true,
    minutes,
    cut: { id, form: line.form, depthMm: line.depthMm, surface: line.surface, ...(line.after ? { after: line.after } : {}) },
    ...(line.mistakes ? { mistakes: line.mistakes } : {}),
    ...(line.because ? { reason: line.because } : {}),
  }
}

/** The preparation itself. It asks for cuts, not for bur numbers. */
export function crownCutting(c: Case): Block {
  const t = reductionTargets(c.request.restoration)
  return sequence(
    ...c.units.map((u) => {
      const lines = [...(u.cusps ? posteriorCuts(c, u, t) : anteriorCuts(u, t)), ...endCuts(c, u, t)]
      const shares = lines.reduce((sum, l) => sum + l.share, 0)
      return sequence(
        ...lines.map((line, i) => {
          // Said once, at the first cut: a warning that stands on ten steps is read on none.
          const draft = cutStep(c, u, line, shares)
          return step(i === 0 ? { ...draft, cautions: cuttingCautions, needs: [open('high-speed handpiece'), open('bur block'), open('face shield', 2)] } : draft)
        }),
      )
    }),
  )
}

/** Enough taken, everywhere? The dentist answers before a cord goes in. */
export function reductionCheck(c: Case): Block {
  const t = reductionTargets(c.request.restoration)
  const targets = c.units.map((u) =>
    u.cusps
      ? `${u.tooth}: ${u.cusps.functional} cusps ${writeRange(t.functionalCusp)}, ${u.cusps.other} cusps ${writeRange(t.otherCusp)}, margin ${writeRange(t.margin)}`
      : `${u.tooth}: incisal ${t.incisal ? writeRange(t.incisal) : 'as the dentist says'}, facial ${writeRange(t.facial)}, margin ${writeRange(t.margin)}`,
  )
  const index = c.choices.provisional === 'bis-acryl in putty index'
  return step({
    id: 'cutting.reduction-check',
    phase: 'cutting',
    title: 'Check the reduction',
    told: 'checked the reduction with the dentist',
    detail: targets.join('. '),
    fn: 'chairside',
    place: 'mouth',
    helped: true,
    minutes: [1, 2, 4],
    needs: [open('clearance tabs')],
    passes: [index ? 'sectioned putty index' : 'clearance tabs, thin to thick', 'probe'],
    hold: { name: 'reduction', title: 'Reduction enough', evidence: index ? 'sectioned index and clearance tabs' : 'clearance tabs in the bite and on the sides', because: reason('what is short now is a thin crown later; before the cord it costs a minute', 'C'), again: [...c.units.map((u) => `cutting.finish.${u.tooth}`), 'cutting.reduction-check'] },
    figures: c.units.flatMap((u) => (u.cusps ? [{ name: `${u.tooth}, ${u.cusps.functional} cusps`, value: t.functionalCusp.leastMm, unit: 'mm', text: `at least ${t.functionalCusp.leastMm} mm for a ${c.request.restoration}`, standing: t.standing }] : [])),
  })
}
