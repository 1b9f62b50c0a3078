/** What a delivery takes over from the visits before it. Standing C: what the laboratory sends is held against what was asked. */
import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { planOf, practice, title } from '../../demo/test/plans'
import { earlier, type VisitRequest } from '../model/request'
import { allTeeth, toTooth } from '../teeth/notation'
import { runThrough, startDrive } from '../run/drive'
import { compile } from './compile'
import { shadeWords, traceOf } from './traces'

const after = (name: string, ...earlier: VisitRequest['earlier']) =>
  compile({ ...planOf(name).request, earlier, date: '2026-12-08' }, practice)
const arrival = (p: ReturnType<typeof after>): string => p.steps.find((s) => s.id.startsWith('arrival.piece'))!.detail!

describe('a delivery inherits from the first visit', () => {
  it('what was asked of the laboratory, with the cement planned and the shade read, is read aloud with the piece on the model', () => {
    const prepared = planOf('J02-bonded-metal-bridge-preparation')
    const delivery = after('J02-bonded-metal-bridge-delivery', traceOf(prepared, '12 neck A3, middle A2, edge A1'))
    expect(arrival(delivery)).toContain(`Asked for on ${prepared.request.date}: `)
    for (const said of ['casting short of the edge', 'seating fingers over it', 'open embrasures', 'cement'])
      expect(arrival(delivery)).toContain(said)
    expect(arrival(delivery)).toContain('Shade read on 2026-11-24: 12 neck A3, middle A2, edge A1.')
    // Before anybody sits down, and long before anything is numb.
    expect(delivery.steps.findIndex((s) => s.id === 'arrival.piece')).toBe(0)
  })
  it('dentine sealed at the first visit is roughened now, whatever the school of today; of what was not, nothing is said', () => {
    const [sealed, not] = (['at once', 'at delivery'] as const).map((dentineSeal) =>
      traceOf(compile({ ...planOf('J12-inlays').request, visitChoices: { dentineSeal } }, practice)),
    )
    const roughened = (p: ReturnType<typeof after>): number =>
      p.steps.filter((s) => s.title.startsWith('Sealed dentine roughened')).length
    const teeth = planOf('inlay-delivery').request.teeth
    const of = (trace: typeof sealed) => ({ ...trace!, sealed: trace!.sealed!.length > 0 ? teeth : [] })
    expect(roughened(after('inlay-delivery', of(sealed)))).toBe(teeth.length)
    expect(roughened(after('inlay-delivery', of(not)))).toBe(0)
  })
  it('stopping left in the boxes is looked for, comes out with the provisional and is counted there; the visit does not close without', () => {
    const first = compile({ ...planOf('J12-inlays').request, visitChoices: { inlayProvisional: 'painted' } }, practice)
    const trace = traceOf(first)
    expect(trace.left).toEqual([
      { what: 'pieces of stopping in the boxes', n: first.counts.find((c) => c.id === 'stopping')!.stays },
    ])
    const delivery = after('inlay-delivery', trace)
    expect(title(delivery, 'delivery.left-in')).toBe(
      `Left in at the first visit: ${trace.left![0]!.n} pieces of stopping in the boxes; looked for`,
    )
    expect(delivery.counts.find((c) => c.id === 'left-in-1')).toMatchObject({
      planned: trace.left![0]!.n,
      inStep: 'delivery.left-in',
      outStep: 'delivery.provisional-off',
      stays: 0,
    })
    const run = runThrough(startDrive(delivery, 0), assistant, dentist)
    expect(run.state.core.status).toBe('closed')
    // A visit after this one looks for nothing.
    expect(traceOf(delivery).left).toEqual([])
  })
  it('the shade of many teeth is short where they read alike, and has room where they do not', () => {
    const teeth = ['13', '12', '11', '21', '22', '23'].map(toTooth)
    const says = 'neck A3, middle A2, edge A1, by daylight, wet'
    expect(shadeWords(new Map(teeth.map((t) => [t, t === '13' ? `darker: ${says}` : says])), 'iso')).toBe(
      `13 darker: ${says}; 12, 11, 21, 22, 23 ${says}`,
    )
    const each = shadeWords(new Map(allTeeth.map((t) => [t, `${t}: ${says}`])), 'iso')
    expect(earlier.parse(traceOf(planOf('J16-preparation-of-five'), each)).shade).toBe(each)
  })
  it('with no visit before on record nothing is made up', () => {
    expect(arrival(after('crown-delivery-bonded'))).not.toMatch(/Asked for|Shade read/)
    expect(after('inlay-delivery').steps.some((s) => s.id === 'delivery.left-in')).toBe(false)
  })
})
