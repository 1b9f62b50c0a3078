import { nightly } from '../../scripts/often'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Alert } from '../../core/vocabulary'
import { describe, expect, it } from 'vitest'
import { compile } from '../../core/plan/compile'
import { visitRequest } from '../../core/model/request'
import { demoPractice, demoVisits } from '../../demo/practice'
import { readPdf } from '../test/pdf'
import { runsOf, withoutFace } from './faces'
import { renderPdf } from './render'
import { setupSheet } from './setup-sheet'
import { silhouetteOf } from './silhouettes'
import { starterItems } from '../../core/catalog/starter'
import { shapeOf } from '../../core/catalog/shapes'
import { thing } from '../../core/picture/things'

const practice = demoPractice('2026-11-24', 'Etc/UTC')
const planOf = (key: string) => {
  const v = demoVisits.find((x) => x.key === key)!
  return compile(
    visitRequest.parse({ kind: 'crown.prepare', date: '2026-11-24', alerts: v.alerts, team: v.team, ...v.request }),
    practice,
  )
}
const facts = {
  patient: 'Bartholomew Quist',
  time: '11:20',
  chair: 'Chair 1',
  practice: practice.name,
  alerts: [] as Alert[],
}

describe('the setup sheet', () => {
  it('names everything to lay out, with amounts, lots, alerts, both notations and the burs in order', async () => {
    const plan = planOf('four')
    const { text } = await readPdf(await renderPdf(setupSheet(plan, facts, 'A4')))
    for (const line of plan.setup) expect(text).toContain(line.name.replace(/\s+/g, ' '))
    // Why so many, and what lies there instead of the usual thing and why.
    const counted = plan.setup.find((l) => l.counted && l.readiness === 'open')!
    const exchanged = plan.setup.find((l) => l.exchanged)!
    expect(text).toContain(counted.counted)
    expect(text).toContain(exchanged.because!.text)
    expect(text).toContain('47 (LR7, Universal 31): Crown, first visit: metal-ceramic crown')
    expect(text).toContain('ALERTS: heart, blood-pressure or medicine alert: adrenaline with care; nickel allergy')
    expect(text).toMatch(/Bis-acryl 2\.2 mL\s+lot Q\d+, [\d-]+; short: 1\.6 left of 2\.2 needed/)
    expect(text).toContain('Have ready, do not open')
    expect(text).toContain('806 314 165 524 009')
    expect(text).toContain('the treating dentist decides')
  })

  it('has the one second at which the tray is begun: title, cue, schedule, lane and paper', async () => {
    // Four units by syringe: 4 × 20 + 5 s of wash, less 30 s to load the tray and hand it over; by hand.
    const plan = compile(
      visitRequest.parse({
        kind: 'crown.prepare',
        date: '2026-11-24',
        teeth: ['13', '12', '11', '21'],
        team: {
          dentist: practice.people.find((p) => p.roles.includes('dentist'))!.id,
          assistants: [practice.people.find((p) => !p.roles.includes('dentist'))!.id],
        },
      }),
      practice,
    )
    const load = plan.steps.find((s) => s.id === 'impression.load-tray')!
    const beginsS = load.figures.find((f) => f.name === 'tray loading begins')!.value
    expect(beginsS).toBe(55)
    expect(load.title).toContain('55 s after the syringe')
    const clock = plan.links.find((l) => l.to === load.id && l.kind !== 'order' && l.title === 'Tray loading begins')!
    expect(clock).toMatchObject({ from: 'impression.inject', fromEdge: 'start', atLeastS: 55 })
    const { text } = await readPdf(await renderPdf(setupSheet(plan, facts, 'A4')))
    expect(text).toContain('Tray loading begins at least 55 s')
    const lanes = plan.steps.flatMap((s) => s.lanes ?? []).find((l) => l.title === 'Wash and tray')
    expect(lanes?.rows.flatMap((r) => r.acts).find((a) => a.id === 'tray')?.fromS).toBe(55)
  })

  // P: ISO 216 A4 is 210 × 297 mm (595 × 842 pt); Letter is 8.5 × 11 in (612 × 792 pt).
  it('comes on A4 and on Letter, on at most two pages, for the four fullest trays of the demo; by night for each', async () => {
    const papers = [
      ['A4', [595, 842]],
      ['LETTER', [612, 792]],
    ] as const
    const fullest = demoVisits.map((v) => planOf(v.key)).toSorted((x, y) => y.setup.length - x.setup.length)
    for (const [i, plan] of fullest.slice(0, nightly ? undefined : 4).entries()) {
      // By turns, so that each paper has half of them; by night each comes on both.
      for (const [paper, size] of papers.filter((_, p) => p === i % 2 || nightly)) {
        const { sizes } = await readPdf(await renderPdf(setupSheet(plan, facts, paper)))
        expect(sizes.length).toBeLessThanOrEqual(2)
        for (const s of sizes) expect(s).toEqual(size)
      }
    }
  })

  it('writes a name in any Latin, Greek or Cyrillic script, of which no one face has all', async () => {
    const patient = 'Łucja Őszné-Żeleńska, Ğül Şahin, Ông Đắc, Ἀγγελική Ξένου, Ґалина Щоголів, Џенана'
    const sheet = setupSheet(planOf('four'), { ...facts, patient, practice: 'Ιατρείο Ένα' }, 'A4')
    const { text } = await readPdf(await renderPdf(sheet))
    // Another program reads each run as an item of its own.
    const closed = (words: string): string => words.replace(/\s/g, '')
    expect(closed(text)).toContain(closed(patient))
    expect(closed(text)).toContain(closed('Ιατρείο Ένα · 2026-11-24'))
    expect(withoutFace(patient)).toEqual([])
    // Letters with their marks apart are the same letters; what no face has is told, and seen as a box.
    expect(runsOf('Z\u030cofie')).toEqual([{ text: 'Žofie', font: 'Next' }])
    expect(withoutFace('Mei 美')).toEqual(['美'])
  })

  it('is the same file for the same setup, and needs no colour', async () => {
    const definition = () => setupSheet(planOf('one'), facts, 'A4')
    expect((await renderPdf(definition())).equals(await renderPdf(definition()))).toBe(true)
    const colours = JSON.stringify(definition()).match(/#[0-9a-f]{6}/g) ?? []
    for (const c of colours) expect(new Set([c.slice(1, 3), c.slice(3, 5), c.slice(5, 7)]).size).toBe(1)
  })

  it('draws every thing of the catalogue beside its name, each of its outlines, as another program reads them', async () => {
    const content = starterItems.map((i) =>
      silhouetteOf({ shape: i.shape, needs: i.serves, family: i.family, lengthMm: i.lengthMm, widthMm: i.widthMm }),
    )
    const bytes = await renderPdf({ content, defaultStyle: { font: 'Next' } })
    const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
    let drawn = 0
    for (let n = 1; n <= pdf.numPages; n++) {
      const { fnArray } = await (await pdf.getPage(n)).getOperatorList()
      drawn += fnArray.filter((f) => f === OPS.constructPath).length
    }
    const outlines = starterItems.flatMap((i) =>
      thing(shapeOf({ shape: i.shape, needs: i.serves, family: i.family }), i.lengthMm, i.widthMm),
    )
    expect(drawn).toBeGreaterThanOrEqual(outlines.length)
  })
})
