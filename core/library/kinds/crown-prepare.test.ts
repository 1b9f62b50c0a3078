/**
 * The crown visit read line by line, as a practitioner would read it: what is done, by whom, where, with which time tie,
 * hold and count. Standing of the order: common practice. A change here is a change of what the practice is told to do.
 */
import { isClock } from '../../model/link'
import { describe, expect, it } from 'vitest'
import { compile } from '../../plan/compile'
import { visitRequest, type VisitRequestInput } from '../../model/request'
import type { Plan } from '../../model/plan'
import { starterPractice } from '../../practice/starter'

const practice = starterPractice()
const plan = (more: Partial<VisitRequestInput>): Plan =>
  compile(
    visitRequest.parse({
      kind: 'crown.prepare',
      date: '2026-11-24',
      teeth: ['37'],
      restoration: 'monolithic zirconia crown',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...more,
    }),
    practice,
  )

/** One line a step: id, who (A or D, with a helper +), place, then hold ‖, counts in + and out −. */
function read(p: Plan): string[] {
  return p.steps.map((s) => {
    const who = `${s.performer.personId === 'dentist' ? 'D' : 'A'}${s.helpers.length > 0 ? '+' : ''}`
    const marks = [
      ...(s.holdId ? [`‖${s.holdId}`] : []),
      ...s.countsIn.map((c) => `+${c}`),
      ...s.countsOut.map((c) => `−${c}`),
    ]
    return [s.id, who, s.place, ...marks].join(' ')
  })
}
/** The time ties: from edge → to edge, at least / warn / at most, seconds. */
const ties = (p: Plan): string[] =>
  p.links
    .filter(isClock)
    .map(
      (l) =>
        `${l.title}: ${l.from}.${l.fromEdge} → ${l.to}.${l.toEdge} ${l.atLeastS ?? '–'}/${l.warnS ?? '–'}/${l.atMostS ?? '–'}`,
    )

describe('polyether in a custom tray, double cord, cautious table, last tooth in the arch', () => {
  const p = plan({
    missing: ['38'],
    margin: 'subgingival',
    choices: { cord: 'double', impression: 'polyether, custom tray' },
  })

  it('runs arrival, anaesthesia, records while it takes, cutting, cords, provisional, impression, fit, closing', () => {
    expect(read(p)).toEqual([
      'arrival.seat A chair',
      'anaesthesia.topical A mouth',
      'anaesthesia.inject D+ mouth +needle',
      'anaesthesia.rinse A mouth −needle',
      'records.shade A mouth ‖shade',
      'impression.try-tray A mouth',
      'impression.paint-tray A bench',
      'records.preliminary A mouth',
      'records.opposing A mouth',
      'records.keep-damp A bench',
      'anaesthesia.test D mouth ‖numb',
      'isolation.rolls A mouth +rolls',
      'cutting.groove-functional.37 D+ mouth',
      'cutting.groove-other.37 D+ mouth',
      'cutting.occlusal.37 D+ mouth',
      'cutting.bevel.37 D+ mouth',
      'cutting.axial-facial.37 D+ mouth',
      'cutting.axial-inner.37 D+ mouth',
      'cutting.contact-mesial.37 D+ mouth',
      'cutting.free-distal.37 D+ mouth',
      'cutting.margin.37 D+ mouth',
      'cutting.finish.37 D+ mouth',
      'cutting.reduction-check D+ mouth ‖reduction',
      'tissue.base-cord.37 D+ mouth +cord.base.37',
      'tissue.top-cord.37 D+ mouth +cord.top.37',
      'provisional.separate A mouth',
      'provisional.mix A bench',
      'provisional.seat A mouth',
      'provisional.lift A mouth',
      'provisional.trim A bench',
      'provisional.polish A bench',
      'clean.films A mouth',
      'impression.block-out A mouth',
      'impression.rinse A mouth',
      'impression.load-syringe A bench',
      'tissue.draw-cord.37 D+ mouth −cord.top.37',
      'impression.dry D+ mouth',
      'impression.inject D mouth',
      'impression.load-tray A bench',
      'impression.seat D mouth',
      'impression.remove D mouth',
      'impression.inspect A chair ‖impression',
      'tissue.base-out.37 D mouth −cord.base.37',
      'impression.disinfect A bench',
      'impression.bite-record A mouth',
      'provisional.try-in D mouth ‖provisional',
      'provisional.load A bench',
      'provisional.cement D+ mouth',
      'provisional.excess D+ mouth',
      'closing.rinse A mouth −rolls',
      'closing.counts A chair ‖counts',
      'closing.instructions A chair',
      'closing.home A chair ‖home',
      'closing.chart A desk',
      'closing.turnover A room',
    ])
  })

  it('ties them in time: C 1–2 min topical, 5 min cord, 12 min alginate, 15 min adhesive; M 5 min block, 60 s crevice; the rest the product’s', () => {
    expect(ties(p)).toEqual([
      'Topical takes: anaesthesia.topical.finish → anaesthesia.inject.start 60/–/–',
      'Alginate shrinks: records.opposing.finish → records.keep-damp.start –/540/720',
      'Anaesthetic takes: anaesthesia.inject.finish → anaesthesia.test.start 300/–/–',
      'Bis-acryl to be seated: provisional.mix.start → provisional.seat.finish –/35/45',
      'Rubbery stage: provisional.mix.start → provisional.lift.start 60/120/150',
      'Bis-acryl hardens: provisional.mix.start → provisional.trim.start 240/–/–',
      'Cord dwells: tissue.top-cord.37.finish → impression.rinse.start 300/900/–',
      'Tray adhesive dries: impression.paint-tray.finish → impression.load-syringe.start 900/–/–',
      'Gum closes in: tissue.draw-cord.37.finish → impression.inject.finish –/45/90',
      'Working time: impression.load-syringe.finish → impression.seat.finish –/115/135',
      'Sets in the mouth: impression.seat.finish → impression.remove.start 210/–/–',
      'Base cord lies: tissue.base-cord.37.finish → tissue.base-out.37.start 0/2700/–',
      'Provisional cement sets: provisional.cement.finish → provisional.excess.start 240/–/–',
    ])
  })

  it('lays out in order of use, with amounts worked out', () => {
    const open = p.setup.filter((l) => l.readiness === 'open')
    expect(open.slice(0, 6).map((l) => l.id)).toEqual([
      'bib',
      'patient-shield',
      'gloves-nitrile',
      'mask',
      'mirror',
      'explorer',
    ])
    const amount = (id: string) => open.find((l) => l.id === id)!.quantity
    // Alginate upper: 3 scoops of 7 g. Polyether: 0.8 + 0.5 + 1.2 in the syringe, 35 + 1.2 in the tray. Bite 6.5 + 1.2.
    expect([
      amount('alginate'),
      amount('polyether-light'),
      amount('polyether-medium'),
      amount('bite-silicone'),
      amount('bis-acryl'),
    ]).toEqual([21, 2.5, 36.2, 7.7, 2.2])
    // Perimeter of 8 × 9 mm is 26.7 mm: base + 2 and top + 6, cut to the next whole millimetre.
    expect(open.filter((l) => l.id.startsWith('cord-') && l.piecesMm).map((l) => [l.id, l.piecesMm])).toEqual([
      ['cord-0', [29]],
      ['cord-2', [33]],
    ])
    expect(p.setup.filter((l) => l.readiness === 'standby').map((l) => [l.id, l.when])).toEqual([
      ['lidocaine.further', 'the test is not good and more is given'],
      ['cotton-pellet.further', 'the tissue weeps: back-up, counted'],
      ['cord-00', 'the tissue blanches'],
      ['cord-1', 'the tissue blanches'],
      ['flowable', 'there is a void or a short margin'],
    ])
  })

  it('says with each retake what is done over, and nothing of the provisional with it', () => {
    expect(p.holds.find((h) => h.id === 'impression')!.again).toEqual([
      'tissue.top-cord.37',
      'tissue.draw-cord.37',
      'impression.rinse',
      'impression.dry',
      'impression.load-syringe',
      'impression.inject',
      'impression.load-tray',
      'impression.seat',
      'impression.remove',
      'impression.inspect',
    ])
    expect(p.holds.find((h) => h.id === 'provisional')!.again).toEqual([
      'provisional.separate',
      'provisional.mix',
      'provisional.seat',
      'provisional.lift',
      'provisional.trim',
      'provisional.polish',
      'provisional.try-in',
    ])
  })

  it('every step a rule decided says why, with its standing', () => {
    const reasons = p.steps.flatMap((s) => (s.reason ? [`${s.id} [${s.reason.standing}] ${s.reason.text}`] : []))
    expect(reasons).toEqual([
      'cutting.groove-functional.37 [M] buccal cusps carry the bite on 37: the larger reduction',
      'tissue.base-cord.37 [C] base cord 0; it stays in during the impression',
      'tissue.top-cord.37 [C] normal crevice: top cord 2; it may stand at the crest',
      'clean.films [C] what lies under a wash is a fault at the margin',
      'impression.block-out [C] a stiff material in an open embrasure does not come out again',
      expect.stringMatching(/^impression\.load-syringe \[C\] regular set: 1 × 20 s \+ 5 s .* 72 s to spare$/),
      'provisional.cement [C] no bonding planned at delivery: zinc oxide and eugenol soothes and comes off clean',
    ])
    for (const s of p.steps) expect(s.performer.because.text).toContain('table')
  })
})

describe('scan, dam, putty index, expanded table, a root-filled front tooth for bonding', () => {
  const p = plan({
    teeth: ['11'],
    restoration: 'lithium disilicate crown',
    vital: false,
    deliveryCement: 'resin',
    choices: {
      impression: 'optical scan',
      isolation: 'dam throughout',
      provisional: 'bis-acryl in putty index',
      functions: 'expanded',
      cordAgent: 'plain',
    },
  })

  it('numbs the tissue although the pulp is gone, sheets, scans with the cord in before the preparation', () => {
    expect(read(p)).toEqual([
      'arrival.seat A chair',
      'anaesthesia.topical A mouth',
      'anaesthesia.inject D+ mouth +needle',
      'anaesthesia.rinse A mouth −needle',
      'records.shade A mouth ‖shade',
      'records.putty-index A mouth',
      'records.scan-opposing A mouth',
      'anaesthesia.test D mouth ‖numb',
      'isolation.dam-on A+ mouth +dam-pieces',
      'cutting.groove-facial.11 D+ mouth',
      'cutting.incisal.11 D+ mouth',
      'cutting.axial-facial.11 D+ mouth',
      'cutting.concavity.11 D+ mouth',
      'cutting.axial-inner.11 D+ mouth',
      'cutting.contact-mesial.11 D+ mouth',
      'cutting.contact-distal.11 D+ mouth',
      'cutting.margin.11 D+ mouth',
      'cutting.finish.11 D+ mouth',
      'cutting.reduction-check D+ mouth ‖reduction',
      'isolation.dam-off A mouth −dam-pieces',
      'isolation.rolls A mouth +rolls',
      // Expanded table: under the dentist's direct sight, so the dentist is bound as well.
      'tissue.single-cord.11 A+ mouth +cord.single.11',
      'impression.scan-arch A mouth',
      'impression.rinse A mouth',
      'tissue.draw-cord.11 A+ mouth −cord.single.11',
      'impression.dry D+ mouth',
      'impression.scan-preparation A mouth',
      'impression.scan-bite A mouth',
      'impression.scan-holes A mouth',
      'impression.inspect A chair ‖impression',
      'impression.send A desk',
      'provisional.separate A mouth',
      'provisional.mix A bench',
      'provisional.seat A mouth',
      'provisional.lift A mouth',
      'provisional.trim A bench',
      'provisional.polish A bench',
      'provisional.try-in A mouth ‖provisional',
      'provisional.load A bench',
      'provisional.cement A mouth',
      'provisional.excess A mouth',
      'closing.rinse A mouth −rolls',
      'closing.counts A chair ‖counts',
      'closing.instructions A chair',
      'closing.home A chair ‖home',
      'closing.chart A desk',
      'closing.turnover A room',
    ])
  })

  it('has no bite record, no alginate, no eugenol; counts the pieces between eight holes; gauges by tabs: the index is the mould and stays whole', () => {
    const ids = p.setup.map((l) => l.id)
    for (const gone of ['bite-silicone', 'alginate', 'zoe-cement', 'dual-arch-tray']) expect(ids).not.toContain(gone)
    expect(p.setup.find((l) => l.id === 'aluminium-chloride')).toMatchObject({
      readiness: 'standby',
      when: expect.stringContaining('it bleeds'),
    })
    expect(p.counts.find((c) => c.id === 'dam-pieces')).toMatchObject({ planned: 7 })
    expect(p.holds.find((h) => h.id === 'reduction')!.evidence).toContain('clearance tabs')
    expect(p.steps.find((s) => s.id === 'anaesthesia.inject')!.detail).toContain('The pulp is gone, the gum is not')
    // C: infiltration in the upper jaw; M: 3 min to the test.
    expect(p.links.filter(isClock).find((l) => l.title === 'Anaesthetic takes')!.atLeastS).toBe(180)
  })

  it('an end with round corners for the shoulder, a football for the concavity, the same shape in fine to finish', () => {
    expect(p.burs.map((b) => [b.bur!.shape, b.bur!.grit, b.cuts.map((c) => c.surface).join('+')])).toEqual([
      ['depth cutter', 'medium', 'labial'],
      // The shoulder's own bur also gauges the incisal edge: one change fewer.
      ['rounded-shoulder taper', 'medium', 'incisal+labial'],
      ['football', 'coarse', 'palatal'],
      ['rounded-shoulder taper', 'medium', 'palatal+margin'],
      ['needle', 'medium', 'mesial+distal'],
      ['rounded-shoulder taper', 'fine', 'all'],
    ])
  })
})

describe('what is not needed leaves the plan with its reason', () => {
  it('root-filled, margin above and dry, rolls: no anaesthesia, no cord, and the tray still has its hold', () => {
    const p = plan({ vital: false, margin: 'supragingival' })
    const ids = p.steps.map((s) => s.id)
    expect(ids.some((id) => id.startsWith('anaesthesia'))).toBe(false)
    expect(ids).toContain('impression.dry')
    expect(p.absent.map((a) => a.what)).toEqual(['anaesthesia', 'opposing impression', 'cord'])
    expect(p.counts.map((n) => n.id)).toEqual(['rolls'])
    expect(p.holds.map((h) => h.id)).toEqual(['shade', 'reduction', 'impression', 'provisional', 'counts', 'home'])
  })

  it('the delivery is proposed after the laboratory’s days', () => {
    expect(plan({}).followUps).toEqual([
      expect.objectContaining({ title: 'Delivery of the monolithic zirconia crown', afterWorkingDays: 10 }),
    ])
  })
})
