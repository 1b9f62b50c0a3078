import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequestInput } from '../model/request'
import type { Plan } from '../model/plan'
import { starterPractice } from '../practice/starter'
import { give, runThrough, startDrive, type Drive } from '../run/drive'
import { plainDate, spanWords, timeOfDay, wallTime, workingDaysAfter } from '../clock'
import { patientInstructions } from './instructions'
import { trayReadiness } from '../plan/ready'
import { composeNote, noteText } from './note'

const practice = starterPractice()
const plan = (more: Partial<VisitRequestInput> = {}, of = practice): Plan =>
  compile(
    visitRequest.parse({
      kind: 'crown.prepare',
      date: '2026-11-24',
      teeth: ['46'],
      restoration: 'full metal crown',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...more,
    }),
    of,
  )
const runOf = (p: Plan, until?: string): Drive =>
  runThrough(startDrive(p, Date.UTC(2026, 10, 24, 9)), assistant, dentist, until)
const note = (d: Drive, zone = 'Etc/UTC') => composeNote(d.plan, d.events, { name: 'A. Demo' }, zone)
const section = (d: Drive, title: string): string =>
  note(d)
    .sections.find((s) => s.title === title)!
    .sentences.join(' ')

describe('times in words', () => {
  it('writes times and dates in the practice’s zone, over midnight too', () => {
    const ms = Date.UTC(2026, 10, 24, 23, 30)
    expect([timeOfDay(ms, 'Etc/UTC'), plainDate(ms, 'Etc/UTC')]).toEqual(['23:30', '2026-11-24'])
    expect([timeOfDay(ms, 'Asia/Tokyo'), plainDate(ms, 'Asia/Tokyo')]).toEqual(['08:30', '2026-11-25'])
  })
  // P: IANA time zone database, the change to summer time in Berlin on 2027-03-28, 02:00 to 03:00.
  it('places wall times right on both sides of a clock change', () => {
    expect(wallTime('2027-03-27', '09:00', 'Europe/Berlin')).toBe(Date.UTC(2027, 2, 27, 8))
    expect(wallTime('2027-03-28', '09:00', 'Europe/Berlin')).toBe(Date.UTC(2027, 2, 28, 7))
    expect(timeOfDay(wallTime('2027-03-28', '09:00', 'Europe/Berlin'), 'Europe/Berlin')).toBe('09:00')
  })
  it('says spans and working days', () => {
    expect([spanWords(45), spanWords(60), spanWords(185), spanWords(-3)]).toEqual([
      '45 s',
      '1 min 00 s',
      '3 min 05 s',
      '0 s',
    ])
    expect(workingDaysAfter('2026-11-28', 1)).toBe('2026-11-30')
    expect(workingDaysAfter('2026-12-31', 1)).toBe('2027-01-01')
    expect(workingDaysAfter('2026-11-24', 0)).toBe('2026-11-24')
  })
})

describe('the note tells only what happened', () => {
  it('a full visit: who did what, materials by lot, counts, signatures', () => {
    const d = runOf(plan())
    expect(d.state.core.status).toBe('closed')
    expect(section(d, 'Visit')).toContain('46 (LR6, Universal 30, lower right first molar)')
    expect(section(d, 'Visit')).toMatch(/began at 09:00 and was closed at 10:\d\d/)
    expect(section(d, 'Done')).toMatch(
      /The dentist finished the preparation of 46 \(LR6\) for a full metal crown, chamfer 0\.3–0\.5 mm \(\d\d:\d\d\)[.,]/,
    )
    expect(section(d, 'Done')).toContain('seated the dual-arch tray, addition silicone (fast set)')
    expect(section(d, 'Approved by the dentist')).not.toContain('Shade')
    expect(section(d, 'Materials')).toMatch(/Addition silicone light, fast 2\.5 mL, lot S-silicone-light-fast/)
  })
  it('reads as a letter: what one person did in a row is one sentence, a list stands alone', () => {
    const done = note(runOf(plan())).sections.find((s) => s.title === 'Done')!.sentences
    expect(done[0]).toBe(
      'The assistant seated the patient and confirmed name and tooth aloud (09:03), then applied topical anaesthetic (09:04).',
    )
    for (const s of done) {
      const acts = s.match(/\(\d\d:\d\d\)/g)!
      expect(acts.length, s).toBeLessThanOrEqual(/[:;] /.test(s) ? 1 : 3)
    }
    expect(section(runOf(plan({ also: [{ kind: 'filling.bulk', teeth: ['36'] }] })), 'Visit')).toContain(
      'came for crown, first visit: full metal crown and bulk-fill composite: 46',
    )
  })
  it('the tray: who signed it over what, and the dentist who answered what clashed', () => {
    const d = runOf(plan({ alerts: ['nickel'] }))
    const signed = { signedBy: 'assistant', signedAt: Date.UTC(2026, 10, 24, 7, 52), acknowledged: ['clash:nickel'] }
    const tray = (answeredBy: string | null) =>
      composeNote(d.plan, d.events, { name: 'A' }, 'Etc/UTC', [], { ...signed, answeredBy }).sections.find(
        (s) => s.title === 'Tray',
      )?.sentences
    const clash = 'Nickel alert, and a full metal crown. Name a nickel-free alloy on the laboratory slip.'
    const first = 'Signed by The assistant on 2026-11-24 at 07:52.'
    expect(tray('dentist')).toEqual([first, `Answered by The dentist, with their own code: ${clash}`])
    // As it was before dentists had to answer: read by whoever signed.
    expect(tray(null)).toEqual([first, `Read before: ${clash}`])
    // A lot that is short or expired is said in a sentence that ends, as a clash is.
    const bare = { ...practice, lots: practice.lots.map((l) => ({ ...l, left: 0.1, expires: '2026-01-31' })) }
    const late = runOf(plan({}, bare))
    const acknowledged = trayReadiness(late.plan, new Set()).toAcknowledge.map((a) => a.id)
    expect(acknowledged.length).toBeGreaterThan(3)
    const all = composeNote(late.plan, late.events, { name: 'A' }, 'Etc/UTC', [], {
      ...signed,
      acknowledged,
      answeredBy: null,
    })
    for (const s of all.sections.flatMap((x) => x.sentences)) expect(s).toMatch(/[.!?]$/)
  })
  it('a visit broken off names nothing that was not done, and keeps what stands open', () => {
    const d = runOf(plan(), 'tissue.single-cord.46')
    const text = noteText(note(d))
    expect(text).toContain('is not closed yet')
    expect(text).not.toMatch(/cemented|drew the cord|Bis-acryl/)
    expect(section(d, 'Approved by the dentist')).toContain('Provisional good: open.')
  })
  it('what was taken back is not told', () => {
    const d = runOf(plan(), 'isolation.rolls')
    give(d, { kind: 'note', text: 'wrong patient’s note' }, assistant)
    give(d, { kind: 'undo' }, assistant)
    give(d, { kind: 'note', text: 'right note' }, assistant)
    expect(section(d, 'Notes')).toContain('right note')
    expect(noteText(note(d))).not.toContain('wrong patient')
  })
  it('is in the order things happened, and the same however often it is composed', () => {
    const d = runOf(plan())
    const times = note(d)
      .sections.find((s) => s.title === 'Done')!
      .sentences.flatMap((s) => [...s.matchAll(/\((\d\d:\d\d)\)/g)].map((m) => m[1]))
    expect(times.length).toBeGreaterThan(20)
    expect(times).toEqual(times.toSorted((a, b) => String(a).localeCompare(String(b))))
    expect(note(d)).toEqual(note(d))
  })
  it('carries the version of the library the plan came from', () => {
    expect(note(runOf(plan())).library).toBe(plan().library)
  })
})

describe('what the patient is told follows from what was done', () => {
  const told = (d: Drive): string => patientInstructions(d.plan, d.state.core).join(' ')
  it('after everything: numbness, gum, provisional, next visit', () => {
    const text = told(runOf(plan()))
    for (const words of [
      'numb for some hours',
      'Lower right first molar (46): The gum was held back',
      'temporary crown',
      'slide the floss out sideways',
      'not before 8 December 2026: your new crown or bridge is put in',
      'Call us if you are worried',
    ])
      expect(text).toContain(words)
  })
  it('without cord no word of the gum; without anaesthesia none of numbness; without a provisional a warning', () => {
    const dry = told(runOf(plan({ vital: false, margin: 'supragingival' })))
    expect(dry).not.toMatch(/numb|gum was/)
    expect(told(runOf(plan(), 'provisional.cement'))).toContain('There is no temporary crown on it')
  })
})
