/** The safe thing instead of a warning (C): what is owned and safe is taken, and says why; a warning only where nothing is. */
import { describe, expect, it } from 'vitest'
import { starterPractice } from '../practice/starter'
import { visitRequest, type VisitRequestInput } from '../model/request'
import { compile } from './compile'

const practice = starterPractice()
const plan = (more: Partial<VisitRequestInput>, p = practice) =>
  compile(
    visitRequest.parse({
      kind: 'crown.prepare',
      teeth: ['36'],
      date: '2026-11-24',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...more,
    }),
    p,
  )
const without = (...ids: string[]) => ({ ...practice, items: practice.items.filter((i) => !ids.includes(i.id)) })
const line = (p: ReturnType<typeof plan>, id: string) => p.setup.find((l) => l.id === id)

describe('what goes with the day is taken, and says why', () => {
  it('no latex beside addition silicone while latex-free is stocked: gloves and sheet', () => {
    const p = plan({ choices: { isolation: 'dam throughout' } })
    expect(p.setup.filter((l) => l.latex)).toEqual([])
    expect(line(p, 'gloves-nitrile')).toMatchObject({
      exchanged: true,
      because: { text: 'laid out instead of Examination gloves, latex: latex stops addition silicone from setting' },
    })
    expect(line(p, 'sheet-free')!.exchanged).toBe(true)
    expect(p.clashes.map((c) => c.id)).not.toContain('latex-silicone')
  })
  it('none in stock is none: the warning is left, and says what to buy', () => {
    const empty = {
      ...practice,
      items: practice.items.map((i) => (i.id === 'gloves-nitrile' ? { ...i, stock: 0 } : i)),
    }
    for (const p of [plan({}, empty), plan({}, without('gloves-nitrile'))]) {
      expect(line(p, 'gloves-latex')).toBeDefined()
      expect(p.clashes.find((c) => c.id === 'latex-silicone')!.doThis).toContain('buy')
    }
  })
  it('where no silicone comes, the practice’s own order stands', () => {
    const p = plan({ kind: 'filling.amalgam' })
    expect(line(p, 'gloves-latex')).toBeDefined()
    expect(p.setup.some((l) => l.exchanged)).toBe(false)
  })
  it('an alert takes what is free of it where that is owned', () => {
    const free = {
      ...practice,
      items: [
        ...practice.items,
        {
          ...practice.items.find((i) => i.id === 'rotary-files')!,
          id: 'steel-files',
          name: 'Steel files',
          allergens: [],
        },
      ],
    }
    const canal = { kind: 'endo.core.crown' as const, alerts: ['nickel' as const] }
    expect(line(plan(canal), 'rotary-files')).toBeDefined()
    expect(line(plan(canal, free), 'steel-files')).toMatchObject({
      because: { text: expect.stringContaining('nickel') },
    })
    expect(line(plan({ ...canal, alerts: [] }, free), 'rotary-files')).toBeDefined()
  })
})
