import { describe, expect, it } from 'vitest'
import { planOf } from '../../demo/test/plans'
import { picturesOf } from '../../core/picture/pictures'
import { readPdf } from '../test/pdf'
import { picturesSheet } from './pictures'
import { layOut } from '../../core/schedule/timeline'
import { renderPdf } from './render'
import { scoreSvg } from './score'

const facts = {
  alerts: [],
  patient: 'A Patient',
  time: '09:00',
  chair: 'Chair 1',
  practice: 'A Practice',
  notation: 'iso' as const,
}

describe('the pictures of a visit, on paper', () => {
  it.each([
    ['J05-crown-first-visit', 2],
    ['J16-laminates-preparation', 2],
    ['J20-many-lower-units', 3],
  ])('%s: every step that has one, its figures beside it, on %d pages at most', async (name, pages) => {
    const plan = planOf(name)
    for (const paper of ['A4', 'LETTER'] as const) {
      const { sizes, text } = await readPdf(await renderPdf(picturesSheet(plan, facts, paper)))
      expect(sizes.length, paper).toBeLessThanOrEqual(pages)
      for (const { section, titles, teeth } of picturesOf(plan)) {
        for (const said of [...titles, ...teeth, ...section.labels.flatMap((l) => l.text.split('\n'))])
          expect(text, `${paper}: ${said}`).toContain(said)
      }
      expect(text).toContain('Who sits where')
      expect(text).toContain('the treating dentist decides')
    }
  })
  it('shows a thing once: what is cut on another side, or with another form, is another picture', () => {
    const titles = picturesOf(planOf('J05-crown-first-visit')).map((p) => p.titles)
    expect(titles.find((t) => t.some((x) => x.startsWith('Buccal wall')))).toHaveLength(1)
    // Six teeth cut alike are one picture, with all six named.
    const many = picturesOf(planOf('J20-many-lower-units'))
    expect(Math.max(...many.map((p) => p.teeth.length))).toBeGreaterThan(3)
  })
  it('shows the course of every visit: its people, its phases where they are wide enough, its minutes', async () => {
    const plan = planOf('J05-crown-first-visit')
    const { text } = await readPdf(await renderPdf(picturesSheet(plan, facts, 'A4')))
    for (const said of [...plan.people.map((p) => p.name), 'Cutting', 'Closing', 'mouth', '60'])
      expect(text).toContain(said)
    const bare = scoreSvg(plan, 500)
    // One double bar for each hold, one bracket for each window.
    expect(bare.match(/stroke-width="1.2"/g)).toHaveLength(plan.holds.length)
    expect(bare.match(/<path /g)).toHaveLength(layOut(plan).brackets.filter((b) => b.kind === 'window').length)
  })
})
